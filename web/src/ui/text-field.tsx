import type { EditResult, Words } from '@ostler/core'
import { useId, useState } from 'react'
import { Say } from './say.tsx'

interface Props {
  label: string
  value: string
  onValue: (value: string) => EditResult
  bare?: boolean
  className?: string
}

/** A short text that is saved as it is typed; one that is refused stays, with a sentence. */
export function TextField({ label, value, onValue, bare = false, className = '' }: Props) {
  const id = useId()
  const [typed, setTyped] = useState<string | null>(null)
  const [sentence, setSentence] = useState<Words | null>(null)
  const change = (text: string) => {
    const result = onValue(text)
    setTyped(result.ok ? null : text)
    setSentence(result.ok ? null : result.sentence)
  }
  const back = () => {
    setTyped(null)
    setSentence(null)
  }
  return (
    <div className={bare ? '' : 'flex flex-col gap-0.5'}>
      <label htmlFor={id} className={bare ? 'sr-only' : 'text-[13px] text-soft'}>
        {label}
      </label>
      <input
        id={id}
        className={`field ${className}`}
        value={typed ?? value}
        maxLength={120}
        autoComplete="off"
        aria-invalid={sentence !== null || undefined}
        aria-describedby={sentence ? `${id}-wrong` : undefined}
        onChange={event => change(event.target.value)}
        onKeyDown={event => event.key === 'Escape' && back()}
      />
      {sentence && (
        <p id={`${id}-wrong`} role="alert" className="max-w-72 text-[13px] text-rust">
          <Say of={sentence} />
        </p>
      )}
    </div>
  )
}
