import { readQuantity, tidy } from '@ostler/core'
import type { Scent, ScentPart, Shelf, ShelfItem } from '@ostler/core'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import { AddChoice } from '../../ui/add-choice.tsx'

interface Props {
  item: ShelfItem
  shelf: Shelf
  onParts: (parts: ScentPart[]) => void
  problem: string | undefined
}

/** The parts of a blend. */
export function PartsEditor({ item, shelf, onParts, problem }: Props) {
  const { parts } = item as Scent
  const whole = parts.reduce((sum, part) => sum + part.share, 0)
  const unused = shelf.scents.filter(
    one => one.type !== 'blend' && !one.archived && !parts.some(part => part.scent === one.id),
  )
  return (
    <section aria-label="Parts of the blend" className="border-t border-line pt-2">
      <h3 className="font-title font-semibold">Parts of the blend</h3>
      <table className="w-full">
        <tbody>
          {parts.map((part, i) => (
            <tr key={part.scent} className="border-b border-line">
              <td className="py-1">{shelf.scents.find(one => one.id === part.scent)?.name ?? part.scent}</td>
              <td className="text-right">
                <ShareInput
                  label={`Share of part ${i + 1}`}
                  value={part.share}
                  onValue={share => onParts(parts.map((one, j) => (j === i ? { ...one, share } : one)))}
                />
              </td>
              <td>
                <button
                  type="button"
                  className="quiet"
                  aria-label={`Remove part ${i + 1}`}
                  onClick={() => onParts(parts.filter((_, j) => j !== i))}
                >
                  <Trash2 size={15} aria-hidden />
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className={Math.abs(whole - 1) > 0.0015 ? 'text-rust' : 'text-soft'}>{tidy(whole * 100, 1)} % in all</p>
      {problem && (
        <p role="alert" className="text-[13px] text-rust">
          {problem}
        </p>
      )}
      <AddChoice
        what="a part"
        options={unused}
        onAdd={scent => onParts([...parts, { scent, share: Math.max(0, Number((1 - whole).toFixed(4))) }])}
      />
    </section>
  )
}

function ShareInput({ label, value, onValue }: { label: string; value: number; onValue: (share: number) => void }) {
  const [text, setText] = useState<string | null>(null)
  const change = (next: string) => {
    setText(next)
    const read = readQuantity(next, 'share', '%')
    if (read.ok && read.value >= 0 && read.value <= 1) onValue(Number(read.value.toFixed(6)))
  }
  return (
    <span className="inline-flex items-center gap-1.5">
      <input
        aria-label={label}
        className="field w-18 text-right"
        inputMode="decimal"
        value={text ?? tidy(value * 100, 2)}
        onChange={event => change(event.target.value)}
        onBlur={() => setText(null)}
      />
      <span className="text-[13px] text-soft">%</span>
    </span>
  )
}
