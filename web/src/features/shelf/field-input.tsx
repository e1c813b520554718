import { readCell, writeCell } from '@ostler/core'
import type { Field, Words } from '@ostler/core'
import { useId, useState } from 'react'
import { Check } from '../../ui/check.tsx'
import { Say } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

interface Props {
  field: Field
  value: unknown
  /** A text that could not be read yet. */
  typed: string | undefined
  problem: Words | undefined
  onValue: (value: unknown) => void
  onTyped: (text: string) => void
}

/** One value of an item, in the way its kind is typed. Any unit may be typed where it fits. */
export function FieldInput(props: Props) {
  const { field, value, onValue } = props
  if (field.kind === 'flag')
    return (
      <div className="col-span-2">
        <Check label={t(field.label)} checked={value === true} onChange={onValue} />
      </div>
    )
  if (field.kind === 'list' && field.options) return <TagChoice {...props} />
  return <Typed {...props} />
}

function Typed({ field, value, typed, problem, onValue, onTyped }: Props) {
  const id = useId()
  const [text, setText] = useState<string | null>(typed ?? null)
  const [left, setLeft] = useState(typed !== undefined)
  const read = text === null ? null : readCell(field, text)
  const sentence = read && !read.ok && left ? read.sentence : problem
  const change = (next: string) => {
    setText(next)
    setLeft(false)
    const result = readCell(field, next)
    if (result.ok) onValue(result.value)
    else onTyped(next)
  }
  const shared = {
    id,
    'aria-invalid': sentence ? true : undefined,
    'aria-describedby': sentence ? `${id}-wrong` : undefined,
    className: `field w-full ${field.kind === 'number' ? 'text-right' : ''}`,
  } as const
  const leave = () => {
    setLeft(true)
    if (read?.ok) setText(null)
  }
  const wide = field.kind === 'long' || field.kind === 'list' || field.key === 'name'
  return (
    <div className={`flex flex-col gap-0.5 ${wide ? 'col-span-2' : ''}`}>
      <label htmlFor={id} className="text-[13px] text-soft">
        {t(field.label)}
        {field.unit && `, ${t(field.unit)}`}
      </label>
      {field.kind === 'choice' ? (
        <select {...shared} value={String(value)} onChange={event => onValue(event.target.value)}>
          {field.options!.map(option => (
            <option key={option.value} value={option.value}>
              {t(option.text)}
            </option>
          ))}
        </select>
      ) : field.kind === 'long' ? (
        <textarea {...shared} rows={2} value={String(value)} onChange={event => onValue(event.target.value)} />
      ) : field.kind === 'colour' ? (
        <input
          {...shared}
          type="color"
          className="h-9 w-full"
          value={String(value)}
          onChange={event => onValue(event.target.value)}
        />
      ) : field.kind === 'text' ? (
        <input {...shared} value={String(value)} onChange={event => onValue(event.target.value)} />
      ) : (
        <input
          {...shared}
          inputMode={field.kind === 'number' ? 'decimal' : 'text'}
          value={text ?? writeCell(field, value)}
          onChange={event => change(event.target.value)}
          onBlur={leave}
          onFocus={event => event.target.select()}
        />
      )}
      {sentence && (
        <p id={`${id}-wrong`} role="alert" className="text-[13px] text-rust">
          <Say of={sentence} />
        </p>
      )}
    </div>
  )
}

function TagChoice({ field, value, onValue }: Props) {
  const chosen = value as string[]
  return (
    <fieldset className="col-span-2">
      <legend className="text-[13px] text-soft">{t(field.label)}</legend>
      <div className="flex flex-wrap gap-x-4">
        {field.options!.map(option => (
          <Check
            key={option.value}
            label={t(option.text)}
            checked={chosen.includes(option.value)}
            onChange={on => onValue(on ? [...chosen, option.value] : chosen.filter(one => one !== option.value))}
          />
        ))}
      </div>
    </fieldset>
  )
}
