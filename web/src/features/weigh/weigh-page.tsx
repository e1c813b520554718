import { GROUP_TITLES, actualOf, showMass, showMassDown, showShare, weighList } from '@ostler/core'
import type { Forecast, Plan, WeighGroup, WeighLine } from '@ostler/core'
import { useMemo } from 'react'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { ForecastRefused } from '../../ui/forecast-refused.tsx'
import { SafetyList } from './safety-list.tsx'
import { WeighRow } from './weigh-row.tsx'
import { useSafetyTicked } from '../../plan/ticks.ts'

/** Everything to weigh, in order, ticked off with what was really weighed. */
export function WeighPage() {
  const forecast = useForecast()
  const plan = usePlan(state => state.plan)
  return (
    <main className="mx-auto w-full max-w-240 flex-1 px-5 py-5 max-[900px]:px-3">
      {forecast ? <List plan={plan} forecast={forecast} /> : <ForecastRefused />}
    </main>
  )
}

/** Lye of the batter or of the top: it waits for the safety list. */
const isLye = (line: WeighLine): boolean => line.key === 'lye' || line.key === 'top:lye'

function List({ plan, forecast }: { plan: Plan; forecast: Forecast }) {
  const { shelf } = useBatch()
  const lines = useMemo(() => weighList(plan, forecast.portions, shelf), [plan, forecast, shelf])
  const safe = useSafetyTicked()
  const groups = [...new Set(lines.map(line => line.group))]
  const done = (line: WeighLine) => plan.preparation.weighed.some(one => one.item === line.key)
  const next = lines.find(line => !done(line) && (!isLye(line) || safe))
  return (
    <>
      <Sums plan={plan} forecast={forecast} count={lines.filter(done).length} of={lines.length} />
      <SafetyList />
      {groups.map(group => (
        <Group
          key={group}
          group={group}
          lines={lines.filter(line => line.group === group)}
          nextKey={next?.key}
          isSafe={safe}
        />
      ))}
    </>
  )
}

function Group({
  group,
  lines,
  nextKey,
  isSafe,
}: {
  group: WeighGroup
  lines: WeighLine[]
  nextKey: string | undefined
  isSafe: boolean
}) {
  return (
    <section aria-label={GROUP_TITLES[group]} className="mb-5">
      <h2 className="border-b-2 border-ink text-lg">{GROUP_TITLES[group]}</h2>
      {lines.some(isLye) && !isSafe && (
        <p role="status" className="py-2 font-semibold text-rust">
          ▲ Tick the safety list above before the lye is opened.
        </p>
      )}
      <ul>
        {lines.map(line => (
          <WeighRow key={line.key} line={line} isNext={line.key === nextKey} isLocked={isLye(line) && !isSafe} />
        ))}
      </ul>
    </section>
  )
}

/** What the batch comes to with the weights so far. */
function Sums({ plan, forecast, count, of }: { plan: Plan; forecast: Forecast; count: number; of: number }) {
  const batch = useBatch()
  const habits = useHabits()
  const { portions } = forecast
  const actual = actualOf(plan, portions, batch.shelf)
  const bad = actual.lowShare < 0
  /** Another day at the bench: nothing is weighed, and the safety list is read again. */
  const startOver = () => {
    const done = plan.preparation.done.filter(key => !key.startsWith('safety:'))
    batch.edit({ kind: 'set', path: ['preparation'], value: { ...plan.preparation, weighed: [], done } })
  }
  return (
    <section aria-label="So far" className="mb-5 flex flex-wrap items-end gap-x-10 gap-y-3">
      <Number label={count === of ? 'all weighed' : 'weighed'} text={`${count} of ${of}`} />
      <Number
        label={`superfat ${count > 0 ? 'as weighed' : 'planned'} (${showShare(actual.lowShare)} to ${showShare(actual.highShare)})`}
        text={showShare(actual.superfatShare, 2)}
        isBad={bad}
      />
      <Number label="lye concentration" text={showShare(actual.concentration)} />
      <Number label="in the pot, planned" text={showMass(portions.potG, habits)} />
      <Number label="lye, planned" text={showMassDown(portions.lyeG, habits)} />
      {count > 0 && (
        <button className="button ml-auto" onClick={startOver}>
          Start over
        </button>
      )}
      {bad && (
        <p className="w-full font-semibold text-rust">
          ▲ With these weights lye may be left over. Do not go on; see the lines that are off.
        </p>
      )}
    </section>
  )
}

const Number = ({ label, text, isBad = false }: { label: string; text: string; isBad?: boolean }) => (
  <div>
    <p className={`text-2xl leading-tight font-semibold ${isBad ? 'text-rust' : ''}`}>{text}</p>
    <p className="text-[13px] text-soft">{label}</p>
  </div>
)
