import { useId } from 'react'

interface Props<T extends string> {
  label: string
  value: T
  options: readonly { value: T; text: string }[]
  onValue: (value: T) => void
}

/** One of two to four, all in sight. */
export function Segments<T extends string>({ label, value, options, onValue }: Props<T>) {
  const name = useId()
  return (
    <fieldset className="inline-flex">
      <legend className="sr-only">{label}</legend>
      {options.map(option => (
        <label
          key={option.value}
          className={`-ml-px flex min-h-8 cursor-pointer items-center border border-ink px-2.5 text-[14px] first-of-type:ml-0 first-of-type:rounded-l last-of-type:rounded-r has-focus-visible:outline-2 has-focus-visible:outline-offset-2 ${value === option.value ? 'bg-ink text-paper' : 'bg-paper'}`}
        >
          <input
            type="radio"
            className="sr-only"
            name={name}
            checked={value === option.value}
            onChange={() => onValue(option.value)}
          />
          {option.text}
        </label>
      ))}
    </fieldset>
  )
}
