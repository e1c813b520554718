import type { EditResult, Words } from '@ostler/core'
import { useId, useState } from 'react'
import { Say } from './say.tsx'

interface Props {
  label: string
  value: string
  onValue: (value: string) => EditResult
}

/** Several lines of text, saved as they are typed; what is refused stays, with a sentence. */
export function LongText({ label, value, onValue }: Props) {
  const id = useId()
  const [refused, setRefused] = useState<{ text: string; sentence: Words } | null>(null)
  const change = (text: string) => {
    const result = onValue(text)
    setRefused(result.ok ? null : { text, sentence: result.sentence })
  }
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="font-title text-xl font-semibold">
        {label}
      </label>
      <textarea
        id={id}
        rows={3}
        className="field max-w-180 py-1.5"
        value={refused?.text ?? value}
        aria-invalid={refused !== null || undefined}
        aria-describedby={refused ? `${id}-wrong` : undefined}
        onChange={event => change(event.target.value)}
      />
      {refused && (
        <p id={`${id}-wrong`} role="alert" className="text-[13px] text-rust">
          <Say of={refused.sentence} />
        </p>
      )}
    </div>
  )
}
