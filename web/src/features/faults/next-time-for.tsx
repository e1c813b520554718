import { NEXT_TIME, clipped, forecast as forecastOf, freshCopy, nextPlan } from '@ostler/core'
import type { Forecast } from '@ostler/core'
import { useMemo } from 'react'
import { useNavigate } from 'react-router'
import { addBatch } from '../../api/client.ts'
import type { OpenRecord } from '../../parts/use-record.ts'
import { useBatch, useForecast, usePlan } from '../../plan/context.tsx'
import { useAct } from '../../ui/use-act.ts'
import { t } from '../../words/index.ts'

interface Props {
  cause: string
  record: OpenRecord
}

const percent = (p: number): string => `${Math.round(p * 100)} %`

const CHANCES: readonly (readonly [what: string, of: (forecast: Forecast) => number])[] = [
  [t('Every pour works'), one => one.lanes.chance],
  [t('It is divided sound'), one => one.lanes.split.chance],
  [t('Grains'), one => one.lanes.ricing?.share ?? 0],
  [t('A ring'), one => one.rest.gel.partial],
  [t('It gels fully'), one => one.rest.gel.full],
  [t('The top cracks'), one => one.rest.crack],
]
const TELLS = 0.01

/** Chances of the forecast that a change moves; empty where it moves none. */
function effect(before: Forecast, after: Forecast): string {
  const moved = CHANCES.map(([what, of]) => ({ what, from: of(before), to: of(after) })).filter(
    one => Math.abs(one.from - one.to) >= TELLS,
  )
  return moved
    .map(({ what, from, to }) => t('{what}: {from} becomes {to}.', { what, from: percent(from), to: percent(to) }))
    .join(' ')
}

/** What to change next time: what it does to the forecast, made in a copy with one press, or kept for the next time. */
export function NextTimeFor({ cause, record }: Props) {
  const plan = usePlan(one => one.plan)
  const { shelf } = useBatch()
  const forecast = useForecast()
  const navigate = useNavigate()
  const act = useAct()
  const next = NEXT_TIME[cause]
  const edited = useMemo(
    () => (forecast ? nextPlan(cause, plan, { clearPointC: forecast.recipe.clearPointC }) : null),
    [cause, forecast, plan],
  )
  const after = useMemo(() => {
    const made = edited ? forecastOf(edited, shelf) : null
    return made?.ok ? made.forecast : null
  }, [edited, shelf])
  if (!next) return null
  const isKept = record.state.entries.some(one => one.kind === 'next' && one.text === t(next.do))
  const copy = () =>
    act.run(async () => {
      const made = await addBatch(freshCopy(edited!, t('{plan}, once more', { plan: clipped(plan.name, 66) })))
      if (!isKept) record.note({ kind: 'next', text: t(next.do), cause })
      await navigate(`/batches/${made.id}/score`)
    })
  return (
    <div className="mt-2 border-l-4 border-line pl-3">
      <p>
        <span className="text-soft">{t('Next time:')} </span>
        {t(next.do)}{' '}
        <span className="text-soft">{(after && forecast && effect(forecast, after)) || t(next.expect)}</span>
      </p>
      <div className="flex flex-wrap gap-3">
        {edited && (
          <button className="button min-h-9" disabled={act.busy} onClick={() => void copy()}>
            {t('Change it in a copy')}
          </button>
        )}
        <button
          className="quiet min-h-9"
          disabled={isKept}
          onClick={() => record.note({ kind: 'next', text: t(next.do), cause })}
        >
          {isKept ? t('✓ kept for the next time') : t('Keep it for the next time')}
        </button>
      </div>
      {act.sentence !== '' && (
        <p role="alert" className="text-rust">
          {act.sentence}
        </p>
      )}
    </div>
  )
}
