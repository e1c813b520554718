import { Plus } from 'lucide-react'
import { Choice } from './choice.tsx'

interface Props {
  /** e.g. "an oil". */
  what: string
  options: readonly { id: string; name: string }[]
  onAdd: (id: string) => void
}

/** Adds one of the things on the shelf that are not in use yet. */
export function AddChoice({ what, options, onAdd }: Props) {
  if (options.length === 0) return null
  return (
    <span className="inline-flex items-center gap-1.5">
      <Plus size={16} aria-hidden />
      <Choice
        bare
        label={`Add ${what}`}
        className="max-w-56"
        value=""
        options={[{ value: '', text: `add ${what}` }, ...options.map(one => ({ value: one.id, text: one.name }))]}
        onValue={id => id !== '' && onAdd(id)}
      />
    </span>
  )
}
