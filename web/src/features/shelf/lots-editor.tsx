import { SHELF_KINDS } from '@ostler/core'
import type { Lot, Problem, ShelfKind } from '@ostler/core'
import { Plus, Trash2 } from 'lucide-react'
import { NumberCell } from '../../ui/number-cell.tsx'
import { Say } from '../../ui/say.tsx'
import { Holding } from './holding.tsx'

interface Props {
  kind: ShelfKind
  /** Null: it is not on the shelf yet. */
  item: string | null
  lots: readonly Lot[]
  onLots: (lots: Lot[]) => void
  problems: readonly Problem[]
}

/** What was bought, what is left of it, what it cost and how long it keeps. */
export function LotsEditor({ kind, item, lots, onLots, problems }: Props) {
  const unit = SHELF_KINDS[kind].countedIn
  const set = (i: number, change: Partial<Lot>) => onLots(lots.map((lot, j) => (j === i ? { ...lot, ...change } : lot)))
  const add = () => {
    let n = lots.length + 1
    while (lots.some(lot => lot.id === `lot-${n}`)) n += 1
    onLots([...lots, { id: `lot-${n}`, mark: '', bought: 0, left: 0, cost: 0, useBy: '' }])
  }
  const problem = problems.find(one => one.path.startsWith('lots'))
  return (
    <section aria-label="Lots" className="border-t border-line pt-2">
      <h3 className="font-title font-semibold">Lots</h3>
      {lots.length === 0 && (
        <p className="text-[13px] text-soft">No stock is counted. Add a lot to have it checked and priced.</p>
      )}
      {lots.length > 0 && (
        <table className="w-full">
          <thead>
            <tr className="text-left text-[13px] text-soft">
              <th className="font-normal">mark</th>
              <th className="text-right font-normal">bought, {unit}</th>
              <th className="text-right font-normal">left, {unit}</th>
              <th className="text-right font-normal">cost</th>
              <th className="font-normal">opened</th>
              <th className="font-normal">use by</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {lots.map((lot, i) => (
              <tr key={lot.id}>
                <td className="pr-1.5">
                  <input
                    aria-label={`Mark of lot ${i + 1}`}
                    className="field w-full min-w-14"
                    value={lot.mark}
                    maxLength={60}
                    onChange={event => set(i, { mark: event.target.value })}
                  />
                </td>
                {(['bought', 'left', 'cost'] as const).map(key => (
                  <td key={key} className="pr-1.5">
                    <NumberCell
                      label={`${key} of lot ${i + 1}`}
                      value={lot[key]}
                      kind={key !== 'cost' && unit === 'g' ? 'mass' : 'plain'}
                      unit={key !== 'cost' && unit === 'g' ? 'g' : ''}
                      onValue={value =>
                        set(i, key === 'bought' && lot.left === 0 ? { bought: value, left: value } : { [key]: value })
                      }
                    />
                  </td>
                ))}
                {(['opened', 'useBy'] as const).map(key => (
                  <td key={key} className="pr-1.5">
                    <input
                      type="date"
                      aria-label={`${key === 'opened' ? 'Day of opening' : 'Use-by date'} of lot ${i + 1}`}
                      className="field w-32"
                      value={lot[key] ?? ''}
                      onChange={event => set(i, { [key]: event.target.value })}
                    />
                  </td>
                ))}
                <td>
                  <button
                    type="button"
                    className="quiet"
                    aria-label={`Remove lot ${i + 1}`}
                    onClick={() => onLots(lots.filter((_, j) => j !== i))}
                  >
                    <Trash2 size={15} aria-hidden />
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {problem && (
        <p role="alert" className="text-[13px] text-rust">
          <Say of={problem.sentence} />
        </p>
      )}
      <button type="button" className="quiet mt-1" onClick={add}>
        <Plus size={16} aria-hidden /> Add a lot
      </button>
      {item !== null && <Holding kind={kind} item={item} />}
    </section>
  )
}
