import { SHELF_KINDS } from '@ostler/core'
import type { Lot, Problem, ShelfKind } from '@ostler/core'
import { Plus, Trash2 } from 'lucide-react'
import type { ReactNode } from 'react'
import { NumberCell } from '../../ui/number-cell.tsx'
import { Say } from '../../ui/say.tsx'
import { Holding } from './holding.tsx'
import { t } from '../../words/index.ts'

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
    <section aria-label={t('Lots')} className="border-t border-line pt-2">
      <h3 className="font-title font-semibold">{t('Lots')}</h3>
      {lots.length === 0 && (
        <p className="text-[13px] text-soft">{t('No stock is counted. Add a lot to have it checked and priced.')}</p>
      )}
      <ul>
        {lots.map((lot, i) => (
          <LotFields
            key={lot.id}
            {...{ lot, unit }}
            n={i + 1}
            onLot={change => set(i, change)}
            onRemove={() => onLots(lots.filter((_, j) => j !== i))}
          />
        ))}
      </ul>
      {problem && (
        <p role="alert" className="text-[13px] text-rust">
          <Say of={problem.sentence} />
        </p>
      )}
      <button type="button" className="quiet mt-1" onClick={add}>
        <Plus size={16} aria-hidden /> {t('Add a lot')}
      </button>
      {item !== null && <Holding kind={kind} item={item} />}
    </section>
  )
}

interface LotProps {
  lot: Lot
  n: number
  unit: 'g' | 'pieces'
  onLot: (change: Partial<Lot>) => void
  onRemove: () => void
}

const Named = ({ name, children }: { name: string; children: ReactNode }) => (
  <label className="flex flex-col text-[13px] text-soft">
    {name}
    {children}
  </label>
)

const COUNTS = { bought: t('bought'), left: t('left'), cost: t('cost') } as const
const UNITS = { g: 'g', pieces: t('pieces') } as const

function LotFields({ lot, n, unit, onLot, onRemove }: LotProps) {
  const isMass = unit === 'g'
  return (
    <li className="flex flex-wrap items-end gap-x-2 gap-y-1 border-b border-line py-2">
      <Named name={t('mark')}>
        <input
          aria-label={t('Mark of lot {n}', { n })}
          className="field w-28 text-base text-ink"
          value={lot.mark}
          maxLength={60}
          onChange={event => onLot({ mark: event.target.value })}
        />
      </Named>
      {(['bought', 'left', 'cost'] as const).map(key => (
        <Named key={key} name={key === 'cost' ? COUNTS.cost : `${COUNTS[key]}, ${UNITS[unit]}`}>
          <NumberCell
            label={t('{key} of lot {n}', { key: COUNTS[key], n })}
            value={lot[key]}
            kind={key !== 'cost' && isMass ? 'mass' : 'plain'}
            unit={key !== 'cost' && isMass ? 'g' : ''}
            onValue={value =>
              onLot(key === 'bought' && lot.left === 0 ? { bought: value, left: value } : { [key]: value })
            }
          />
        </Named>
      ))}
      {(['opened', 'useBy'] as const).map(key => (
        <Named key={key} name={key === 'opened' ? t('opened') : t('use by')}>
          <input
            type="date"
            aria-label={t('{key} of lot {n}', { key: key === 'opened' ? t('Day of opening') : t('Use-by date'), n })}
            className="field w-34 text-ink"
            value={lot[key] ?? ''}
            onChange={event => onLot({ [key]: event.target.value })}
          />
        </Named>
      ))}
      <button type="button" className="quiet" aria-label={t('Remove lot {n}', { n })} onClick={onRemove}>
        <Trash2 size={15} aria-hidden />
      </button>
    </li>
  )
}
