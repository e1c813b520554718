import { showMass } from '@ostler/core'
import type { Lot, LotTaking, LotUse, ShelfItem, ShortLot, UsedLine } from '@ostler/core'
import { Plus } from 'lucide-react'
import { Link } from 'react-router'
import { useHabits } from '../../plan/context.tsx'
import { NumberCell } from '../../ui/number-cell.tsx'
import { Say } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

interface Props {
  line: UsedLine
  item: ShelfItem
  takes: readonly LotTaking[]
  booked: readonly LotUse[]
  short: readonly ShortLot[]
  onTakes: (takes: LotTaking[]) => void
}

/** Half a tenth: what scales and rounding leave. */
const NEAR_G = 0.05
/** Below it tenths of a gram are read. */
const FINE_G = 20

/** One thing that went in, and the lots that it came from. */
export function LotRow({ line, item, takes, booked, short, onTakes }: Props) {
  const habits = useHabits()
  const g = (grams: number) => showMass(grams, habits, grams < FINE_G ? 0.1 : 1)
  const sum = takes.reduce((all, one) => all + one.massG, 0)
  const off = sum - line.massG
  const next = item.lots.find(lot => !takes.some(one => one.lot === lot.id))
  const set = (i: number, change: Partial<LotTaking>) =>
    onTakes(takes.map((one, j) => (j === i ? { ...one, ...change } : one)))
  return (
    <tr className="border-b border-line align-top">
      <th scope="row" className="py-2 text-left font-normal">
        <Link to={`/shelf/${line.kind}/${line.id}`} className="text-lg font-semibold hover:underline">
          <Say of={line.name} />
        </Link>
      </th>
      <td className="py-2 text-right text-lg">
        {g(line.massG)}
        <span className="block text-[13px] text-soft">
          {line.weighedG >= line.massG - NEAR_G ? t('weighed') : line.weighedG > 0 ? t('partly weighed') : t('planned')}
        </span>
      </td>
      <td className="py-2 pl-6">
        {takes.map((take, i) => (
          <TakeLine
            key={take.lot}
            {...{ take, item, booked }}
            used={takes}
            short={short.find(one => one.kind === take.kind && one.item === take.item && one.lot === take.lot)}
            onLot={lot => set(i, { lot })}
            onMass={massG => set(i, { massG })}
            onRemove={takes.length > 1 ? () => onTakes(takes.filter((_, j) => j !== i)) : null}
          />
        ))}
        {Math.abs(off) > NEAR_G && (
          <p className="text-[14px] text-rust">
            △ {g(Math.abs(off))} {off < 0 ? t('of it in no lot') : t('more than went in')}
          </p>
        )}
        {next && (
          <button
            type="button"
            className="quiet min-h-9"
            onClick={() =>
              onTakes([
                ...takes,
                { kind: line.kind, item: line.id, lot: next.id, massG: Math.max(0.1, Number((-off).toFixed(1))) },
              ])
            }
          >
            <Plus size={15} aria-hidden /> {t('of another lot too')}
          </button>
        )}
      </td>
    </tr>
  )
}

interface TakeProps {
  take: LotTaking
  item: ShelfItem
  used: readonly LotTaking[]
  booked: readonly LotUse[]
  short: ShortLot | undefined
  onLot: (lot: string) => void
  onMass: (massG: number) => void
  onRemove: (() => void) | null
}

const nameOf = (lot: Lot, i: number): string => lot.mark || t('lot {i}', { i: i + 1 })

function TakeLine({ take, item, used, booked, short, onLot, onMass, onRemove }: TakeProps) {
  const habits = useHabits()
  const g = (grams: number) => showMass(grams, habits, grams < FINE_G ? 0.1 : 1)
  const lot = item.lots.find(one => one.id === take.lot)
  // What the batch took before comes back first.
  const back = booked.find(one => one.lot === take.lot)?.takenG ?? 0
  const left = (lot?.left ?? 0) + back - take.massG
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1 py-0.5">
      <select
        aria-label={t('Lot of {item}', { item: item.name })}
        className="field min-h-9 w-40"
        value={take.lot}
        onChange={changed => onLot(changed.target.value)}
      >
        {!lot && (
          <option value={take.lot}>
            {t('{take}, off the shelf', { take: 'mark' in take ? String(take.mark) : take.lot })}
          </option>
        )}
        {item.lots.map((one, i) => (
          <option
            key={one.id}
            value={one.id}
            disabled={one.id !== take.lot && used.some(other => other.lot === one.id)}
          >
            {nameOf(one, i)}
          </option>
        ))}
      </select>
      <NumberCell
        label={t('Taken of this lot of {item}, g', { item: item.name })}
        value={take.massG}
        kind="mass"
        unit="g"
        width={88}
        onValue={massG => massG > 0 && onMass(massG)}
      />
      <span className="text-soft">g</span>
      <span className={left < -NEAR_G ? 'font-semibold text-rust' : 'text-soft'}>
        {short
          ? t('△ it holds {haveG}', { haveG: g(short.haveG) })
          : left < -NEAR_G
            ? t('△ holds {left} only', { left: g((lot?.left ?? 0) + back) })
            : t('{left} stay in it', { left: g(left) })}
      </span>
      {onRemove && (
        <button type="button" className="quiet min-h-9" onClick={onRemove}>
          {t('leave out')}
        </button>
      )}
    </div>
  )
}
