import { useId } from 'react'
import { t } from '../words/index.ts'

interface Props<T extends string> {
  label: string
  value: T
  options: readonly { value: T; text: string }[]
  onValue: (value: T) => void
  bare?: boolean
  className?: string
}

/** One of a few; the platform's own list, so that a phone shows its large one. */
export function Choice<T extends string>({ label, value, options, onValue, bare = false, className = '' }: Props<T>) {
  const id = useId()
  const known = options.some(option => option.value === value)
  return (
    <div className={bare ? 'min-w-0' : 'flex min-w-0 flex-col gap-0.5'}>
      <label htmlFor={id} className={bare ? 'sr-only' : 'text-[13px] text-soft'}>
        {label}
      </label>
      <select
        id={id}
        className={`field min-w-0 ${className}`}
        value={value}
        onChange={event => onValue(event.target.value as T)}
      >
        {!known && <option value={value}>{t('{value} (not on the shelf)', { value })}</option>}
        {options.map(option => (
          <option key={option.value} value={option.value}>
            {option.text}
          </option>
        ))}
      </select>
    </div>
  )
}
