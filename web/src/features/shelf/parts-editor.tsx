import { tidy } from '@ostler/core'
import type { Scent, ScentPart, Shelf, ShelfItem, Words } from '@ostler/core'
import { Trash2 } from 'lucide-react'
import { AddChoice } from '../../ui/add-choice.tsx'
import { NumberCell } from '../../ui/number-cell.tsx'
import { useHabits } from '../../plan/context.tsx'
import { scentOptions } from '../../ui/add-options.ts'
import { Say } from '../../ui/say.tsx'

interface Props {
  item: ShelfItem
  shelf: Shelf
  onParts: (parts: ScentPart[]) => void
  problem: Words | undefined
}

/** The parts of a blend. */
export function PartsEditor({ item, shelf, onParts, problem }: Props) {
  const habits = useHabits()
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
                <NumberCell
                  label={`Share of part ${i + 1}`}
                  value={part.share}
                  kind="share"
                  unit="%"
                  scale={0.01}
                  onValue={share =>
                    share >= 0 &&
                    share <= 1 &&
                    onParts(parts.map((one, j) => (j === i ? { ...one, share: Number(share.toFixed(6)) } : one)))
                  }
                />{' '}
                <span className="text-[13px] text-soft">%</span>
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
          <Say of={problem} />
        </p>
      )}
      <AddChoice
        what="a part"
        options={scentOptions(unused, habits)}
        onAdd={scent => onParts([...parts, { scent, share: Math.max(0, Number((1 - whole).toFixed(4))) }])}
      />
    </section>
  )
}
