import { actualOf, isLyeLine, printedLines, showMass, showMassDown, weighList, weightsIn } from '@ostler/core'
import type { ActualBatch, Forecast, Plan, WeighKind, WeighLine } from '@ostler/core'
import { useMemo } from 'react'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { useSafetyTicked } from '../../parts/ticks.ts'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { FreeLyeAnswer, useFreeLyeStop } from '../../parts/free-lye.tsx'
import { NotedGate } from '../../parts/noted-gate.tsx'
import { useNoted, useNotedState } from '../../run/noted.tsx'
import { TableFiles } from '../../parts/table-files.tsx'
import { SafetyList } from './safety-list.tsx'
import { WeighRow } from './weigh-row.tsx'
import { Term } from '../../ui/term.tsx'
import { Say, useSay } from '../../ui/say.tsx'
import { dated, rich, showShare, t } from '../../words/index.ts'

/** Everything to weigh, in order, ticked off with what was really weighed. */
export function WeighPage() {
  const forecast = useForecast()
  const plan = usePlan(state => state.plan)
  return (
    <main className="mx-auto w-full max-w-240 flex-1 px-5 py-5 max-[900px]:px-3">
      <h1 className="sr-only">{t('Weigh: {plan}', { plan: plan.name })}</h1>
      {forecast ? (
        <NotedGate>
          <List plan={plan} forecast={forecast} />
        </NotedGate>
      ) : (
        <ForecastRefused />
      )}
    </main>
  )
}

/** Lines that can put a superfat right; the others wait while it is wrong. */
const MENDS: readonly WeighKind[] = ['oil', 'melt', 'water', 'liquid']

function List({ plan, forecast }: { plan: Plan; forecast: Forecast }) {
  const say = useSay()
  const { shelf } = useBatch()
  const lines = useMemo(() => weighList(plan, forecast.portions, shelf), [plan, forecast, shelf])
  const noted = useNotedState()?.state.weighed
  const weighed = useMemo(() => weightsIn(noted ?? {}), [noted])
  const actual = useMemo(() => actualOf(plan, forecast.portions, shelf, weighed), [plan, forecast, shelf, weighed])
  const isTicked = useSafetyTicked()
  const isStopped = useFreeLyeStop(actual.freeLye)
  const done = (line: WeighLine) => weighed[line.key] !== undefined
  const locked = (line: WeighLine) =>
    (isLyeLine(line) && !isTicked) || (isStopped && !done(line) && !MENDS.includes(line.kind))
  const next = lines.find(line => !done(line) && !locked(line))
  const groups = [...new Set(lines.map(line => `${say(line.title)}|${line.batter}`))]
  return (
    <>
      <Sums plan={plan} forecast={forecast} actual={actual} count={lines.filter(done).length} of={lines.length} />
      <SafetyList />
      {groups.map(group => (
        <Group
          key={group}
          lines={lines.filter(line => `${say(line.title)}|${line.batter}` === group)}
          nextKey={next?.key}
          isTicked={isTicked}
          isLocked={locked}
        />
      ))}
      <TableFiles
        what={t('Weigh list')}
        name={plan.name}
        rows={() => [
          [t('for'), t('what'), 'g', t('weighed, g'), t('where')],
          ...printedLines(lines, plan).map(line => [
            say(line.title),
            say(line.what),
            String(line.massG),
            weighed[line.key] === undefined ? '' : String(weighed[line.key]),
            say(line.where),
          ]),
        ]}
      />
    </>
  )
}

function Group({
  lines,
  nextKey,
  isTicked,
  isLocked,
}: {
  lines: WeighLine[]
  nextKey: string | undefined
  isTicked: boolean
  isLocked: (line: WeighLine) => boolean
}) {
  const say = useSay()
  const { title } = lines[0]!
  return (
    <section aria-label={say(title)} className="mb-5">
      <h2 className="border-b-2 border-ink text-lg">
        <Say of={title} />
      </h2>
      {lines.some(isLyeLine) && !isTicked && (
        <p role="status" className="py-2 font-semibold text-rust">
          {t('▲ Tick the safety list above before the lye is opened.')}
        </p>
      )}
      <ul>
        {lines.map(line => (
          <WeighRow key={line.key} line={line} isNext={line.key === nextKey} isLocked={isLocked(line)} />
        ))}
      </ul>
    </section>
  )
}

interface SumsProps {
  plan: Plan
  forecast: Forecast
  actual: ActualBatch
  count: number
  of: number
}

/** What the batch comes to with the weights so far. */
function Sums({ plan, forecast, actual, count, of }: SumsProps) {
  const say = useSay()
  const habits = useHabits()
  const { run, startOver } = useNoted()
  const isClosed = useNotedState()?.state.closed != null
  const { portions } = forecast
  const { superfat, concentration, name } = actual.leanest
  const whose =
    actual.batters.length > 1 ? t(', {name}, the leanest', { name: say(name === '' ? 'the pot' : name) }) : ''
  return (
    <section
      aria-label={t('So far')}
      className="mb-5 flex flex-wrap items-end gap-x-10 gap-y-3 max-[600px]:grid max-[600px]:grid-cols-2 max-[600px]:items-start"
    >
      <Number label={count === of ? t('all weighed') : t('weighed')} text={t('{count} of {of}', { count, of })} />
      <Number
        label={t('superfat {count}{whose} ({low} to {high})', {
          count: count > 0 ? t('as weighed') : t('planned'),
          whose,
          low: showShare(superfat.low),
          high: showShare(superfat.high),
        })}
        text={showShare(superfat.value, 2)}
        isBad={actual.freeLye.weight === 'stop'}
      />
      <Number term="concentration" label={t('lye concentration')} text={showShare(concentration)} />
      <Number
        label={plan.division.mode === 'own-batters' ? t('in all batters, planned') : t('in the pot, planned')}
        text={showMass(portions.potG, habits)}
      />
      <Number label={t('lye, planned')} text={showMassDown(portions.lyeG, habits)} />
      {count > 0 && (
        <div className="ml-auto flex items-center gap-3">
          {run && isClosed && (
            <span className="text-[13px] text-soft">
              {rich('as on {openedAt}, a run that{br} has ended', {
                openedAt: dated(run.openedAt, 'd MMMM'),
                br: <br />,
              })}
            </span>
          )}
          <button className="button" onClick={startOver}>
            {t('Start over')}
          </button>
        </div>
      )}
      <FreeLyeAnswer freeLye={actual.freeLye} className="w-full" />
    </section>
  )
}

interface NumberProps {
  label: string
  text: string
  term?: string
  isBad?: boolean
}

const Number = ({ label, text, term, isBad = false }: NumberProps) => (
  <div>
    <p className={`text-2xl leading-tight font-semibold ${isBad ? 'text-rust' : ''}`}>{text}</p>
    <p className="text-[13px] text-soft">{term ? <Term at={term}>{label}</Term> : label}</p>
  </div>
)
