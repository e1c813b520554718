import type { ReactNode } from 'react'

interface Props {
  label: ReactNode
  checked: boolean
  onChange: (checked: boolean) => void
  /** Read instead of a label that is only a mark. */
  name?: string
  className?: string
}

/** A tick box with its words. */
export const Check = ({ label, checked, onChange, name, className = '' }: Props) => (
  <label className={`inline-flex min-h-[30px] items-center gap-2 ${className}`}>
    <input
      type="checkbox"
      className="size-4.5 shrink-0"
      checked={checked}
      aria-label={name}
      onChange={event => onChange(event.target.checked)}
    />
    {label}
  </label>
)
