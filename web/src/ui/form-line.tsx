import { useId } from 'react'
import type { ComponentProps } from 'react'
import { known } from '../words/index.ts'

/** A labelled line of a form with its sentence below. */
export function FormLine({
  label,
  sentence,
  ...input
}: { label: string; sentence?: string | undefined } & ComponentProps<'input'>) {
  const id = useId()
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="text-[13px] text-soft">
        {label}
      </label>
      <input
        id={id}
        className="field min-h-10 text-base"
        aria-invalid={sentence !== undefined || undefined}
        aria-describedby={sentence ? `${id}-wrong` : undefined}
        {...input}
      />
      {sentence && (
        <p id={`${id}-wrong`} role="alert" className="text-[13px] text-rust">
          {known(sentence)}
        </p>
      )}
    </div>
  )
}
