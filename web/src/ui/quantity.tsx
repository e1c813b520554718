import { GRAMS_PER_OUNCE, MM_PER_INCH, readQuantity } from '@ostler/core'
import type { EditResult, QuantityKind, UnitHabits, Words } from '@ostler/core'
import { useId, useState } from 'react'
import { decimalMark, tidy } from '../words/index.ts'
import { Say } from './say.tsx'
import type { KeyboardEvent, ReactNode } from 'react'

interface Shown {
  unit: string
  /** The unit inside to the number shown. */
  text: (value: number) => string
  /** One press of an arrow key, in the unit inside. */
  step: number
}

/** How each kind of quantity is shown and stepped under the workshop's habits. */
function shown(kind: QuantityKind, habits: UnitHabits, decimals: number | undefined): Shown {
  switch (kind) {
    case 'mass':
      return habits.mass === 'g'
        ? { unit: 'g', text: g => tidy(g, decimals ?? 1), step: 1 }
        : { unit: 'oz', text: g => tidy(g / GRAMS_PER_OUNCE, (decimals ?? 1) + 2), step: GRAMS_PER_OUNCE / 10 }
    case 'length':
      return habits.length === 'mm'
        ? { unit: 'mm', text: mm => tidy(mm, decimals ?? 1), step: 1 }
        : { unit: 'in', text: mm => tidy(mm / MM_PER_INCH, 2), step: MM_PER_INCH / 16 }
    case 'temperature':
      return habits.temperature === 'C'
        ? { unit: 'C', text: c => tidy(c, 1), step: 1 }
        : { unit: 'F', text: c => tidy((c * 9) / 5 + 32, 1), step: 5 / 9 }
    case 'difference':
      return habits.temperature === 'C'
        ? { unit: 'C', text: k => tidy(k, 1), step: 1 }
        : { unit: 'F', text: k => tidy(k * 1.8, 1), step: 5 / 9 }
    case 'share':
      return { unit: '%', text: share => tidy(share * 100, decimals ?? 2), step: 0.01 }
    case 'minutes':
      return { unit: 'min', text: min => tidy(min, 2), step: 0.5 }
    case 'dose':
      return { unit: 'g/kg', text: dose => tidy(dose, 2), step: 0.5 }
    case 'density':
      return { unit: 'g/ml', text: density => tidy(density, 3), step: 0.01 }
    case 'volume':
      return { unit: 'ml', text: ml => tidy(ml, 1), step: 1 }
    case 'plain':
      return { unit: '', text: n => tidy(n, decimals ?? 2), step: 0.1 }
  }
}

const endsIn = (text: string, unit: string | RegExp): boolean =>
  typeof unit === 'string' ? text.endsWith(unit) : unit.test(text)

const UNIT_LABEL: Record<string, string> = { C: '°C', F: '°F' }

interface Props {
  label: string
  value: number
  kind: QuantityKind
  habits: UnitHabits
  /** Takes the value in the unit inside; a refusal's sentence is shown beside the field. */
  onValue: (value: number) => EditResult
  /** Shows the label to screen readers only. */
  bare?: boolean
  decimals?: number
  width?: number
  hint?: ReactNode
  /** A second kind that may be typed, e.g. a share where a length is shown; told apart by its unit at the end. */
  other?: { kind: QuantityKind; unit: string | RegExp; onValue: (value: number) => EditResult }
  /** What the arrow keys keep to; what is typed is judged by `onValue`. `whole`: they step by one. */
  range?: { from?: number | undefined; to?: number | undefined; whole?: boolean }
  /** For a mass: lets ml, teaspoons and cups be typed. */
  densityGPerMl?: number
  /** Told of the field's sentence, to show it elsewhere. */
  onSentence?: (sentence: Words | null) => void
}

/** What is typed in a field until it is a value: its text, whether it is wrong, and what keys do. */
function useTyped({ value, kind, onValue, other, onSentence, densityGPerMl, range }: Props, { unit, step }: Shown) {
  const [typed, setTyped] = useState<string | null>(null)
  const [sentence, setSentence] = useState<Words | null>(null)
  const [left, setLeft] = useState(false)

  /** A sentence is shown once the field is left: half a number is no mistake yet. */
  const tell = (next: Words | null, shown: boolean) => {
    setSentence(next)
    setLeft(shown)
    onSentence?.(shown ? next : null)
  }

  const attempt = (raw: string) => {
    if (other && endsIn(raw.trim(), other.unit)) {
      const read = readQuantity(raw, other.kind, '', densityGPerMl, decimalMark())
      return read.ok ? other.onValue(read.value) : { ok: false as const, path: '', sentence: read.sentence }
    }
    const read = readQuantity(raw, kind, unit, densityGPerMl, decimalMark())
    return read.ok ? onValue(read.value) : { ok: false as const, path: '', sentence: read.sentence }
  }

  const change = (raw: string) => {
    setTyped(raw)
    const result = attempt(raw)
    tell(result.ok ? null : result.sentence, false)
  }

  const leave = () => {
    tell(sentence, true)
    if (sentence === null) setTyped(null)
  }

  const keys = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === 'Enter') leave()
    if (event.key === 'Escape') {
      setTyped(null)
      tell(null, false)
    }
    if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return
    event.preventDefault()
    const one = range?.whole ? 1 : step
    const by = (event.shiftKey ? 10 : 1) * (event.key === 'ArrowUp' ? one : -one)
    const { from = -Infinity, to = Infinity } = range ?? {}
    const result = onValue(Math.min(to, Math.max(from, Number((value + by).toFixed(6)))))
    setTyped(null)
    tell(result.ok ? null : result.sentence, true)
  }

  return { typed, sentence, isWrong: sentence !== null && left, change, leave, keys }
}

/**
 * A number with its unit. What is typed acts as soon as it makes sense; what does not is kept, with a sentence, until it is
 * mended or Escape takes it back. Arrow up and down step.
 */
export function QuantityField(props: Props) {
  const { label, value, kind, habits, bare = false, decimals, width = 84, hint, onSentence } = props
  const id = useId()
  const show = shown(kind, habits, decimals)
  const { unit, text } = show
  const { typed, sentence, isWrong: wrong, change, leave, keys } = useTyped(props, show)
  return (
    <div className={bare ? '' : 'flex flex-col gap-0.5'}>
      <label htmlFor={id} className={bare ? 'sr-only' : 'text-[13px] text-soft'}>
        {label}
      </label>
      <span className="inline-flex items-center gap-1.5">
        <input
          id={id}
          className="field text-right"
          style={{ width }}
          inputMode="decimal"
          autoComplete="off"
          value={typed ?? text(value)}
          aria-invalid={wrong || undefined}
          aria-describedby={wrong ? `${id}-wrong` : undefined}
          onChange={event => change(event.target.value)}
          onFocus={event => event.target.select()}
          onBlur={leave}
          onKeyDown={keys}
        />
        {unit !== '' && <span className="text-[13px] text-soft">{UNIT_LABEL[unit] ?? unit}</span>}
        {hint}
      </span>
      {wrong && (
        <p id={`${id}-wrong`} role="alert" className={onSentence ? 'sr-only' : 'max-w-72 text-[13px] text-rust'}>
          {sentence && <Say of={sentence} />}
        </p>
      )}
    </div>
  )
}
