import { readQuantity } from '@ostler/core'
import type { QuantityKind } from '@ostler/core'
import { useState } from 'react'
import { decimalMark, tidy } from '../words/index.ts'
import { useSay } from './say.tsx'

interface Props {
  label: string
  value: number
  kind: QuantityKind
  /** What is meant when no unit is typed. */
  unit: string
  onValue: (value: number) => void
  width?: number
  /** The inside unit over the one shown, e.g. 0.01 for %. */
  scale?: number
}

/** A number in a table: taken as soon as it can be read; what cannot be read stays, marked, with its sentence. */
export function NumberCell({ label, value, kind, unit, onValue, width = 72, scale = 1 }: Props) {
  const say = useSay()
  const [text, setText] = useState<string | null>(null)
  const read = text === null ? null : readQuantity(text, kind, unit, undefined, decimalMark())
  const isWrong = read !== null && !read.ok
  const change = (next: string) => {
    setText(next)
    const taken = readQuantity(next, kind, unit, undefined, decimalMark())
    if (taken.ok) onValue(taken.value)
  }
  return (
    <input
      aria-label={label}
      className="field text-right"
      style={{ width }}
      inputMode="decimal"
      autoComplete="off"
      title={isWrong ? say(read.sentence) : undefined}
      aria-invalid={isWrong || undefined}
      value={text ?? tidy(value / scale, 2)}
      onFocus={event => event.target.select()}
      onChange={event => change(event.target.value)}
      onBlur={() => read?.ok && setText(null)}
    />
  )
}
