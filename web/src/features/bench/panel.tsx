import { X } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { t } from '../../words/index.ts'

interface Props {
  title: string
  onClose: () => void
  children: React.ReactNode
}

/** A question over the next deed; Escape leaves it. */
export function BenchPanel({ title, onClose, children }: Props) {
  const section = useRef<HTMLElement>(null)
  // The keyboard goes on inside; what is asked first may have it already.
  useEffect(() => {
    if (!section.current?.contains(document.activeElement)) section.current?.focus()
  }, [])
  return (
    <section ref={section} tabIndex={-1} aria-label={title} className="flex-1 outline-none px-6 py-3 max-[760px]:px-4">
      <div className="flex items-center">
        <h2 className="text-2xl">{title}</h2>
        <button className="quiet ml-auto min-h-16 min-w-16" aria-label={t('Close')} onClick={onClose}>
          <X size={26} aria-hidden />
        </button>
      </div>
      {children}
    </section>
  )
}

interface ChipsProps {
  label: string
  options: readonly { value: string; text: string; hex?: string }[]
  value: string
  onValue: (value: string) => void
}

/** A row of large keys of which one is pressed. */
export function Chips({ label, options, value, onValue }: ChipsProps) {
  return (
    <div role="group" aria-label={label} className="my-2 flex flex-wrap gap-2">
      {options.map(option => (
        <button
          key={option.value}
          aria-pressed={option.value === value}
          className="flex min-h-16 items-center gap-2 border border-ink px-4 text-lg font-semibold aria-pressed:bg-ink aria-pressed:text-paper"
          onClick={() => onValue(option.value)}
        >
          {option.hex && <span aria-hidden className="size-6 border border-ink" style={{ background: option.hex }} />}
          {option.text}
        </button>
      ))}
    </div>
  )
}
