import { findById, heldEntries, showMass } from '@ostler/core'
import type { Forecast, Plan, RecordEntry, Vessel } from '@ostler/core'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { saveItem, shelfQuery } from '../../api/client.ts'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { Section } from '../../ui/section.tsx'
import { useAct } from '../../ui/use-act.ts'
import { t } from '../../words/index.ts'

interface Stuck {
  vessel: Vessel
  /** Of one such vessel: as the shelf has it, and as it was weighed. */
  knownG: number
  weighedG: number
  cups: number
}

/** What stuck to the vessels of each kind, of one of them. */
function stuckOf(plan: Plan, vessels: readonly Vessel[], entries: readonly RecordEntry[]): Stuck[] {
  const stuck = heldEntries(entries).filter(one => one.kind === 'yield' && one.part === 'stuck' && one.vessel)
  return [...new Set(stuck.map(one => one.vessel!))].flatMap((id): Stuck[] => {
    const vessel = findById(vessels, id)
    const cups = plan.cups.filter(cup => cup.vessel === id).length
    if (!vessel || cups === 0) return []
    const massG = stuck.filter(one => one.vessel === id).reduce((sum, one) => sum + (one.massG ?? 0), 0)
    const knownG = plan.division.cling === 'thin' ? vessel.clingThinG : vessel.clingThickG
    return [{ vessel, knownG, weighedG: massG / cups, cups }]
  })
}

/** What stuck to all vessels together; null where it was not weighed so. */
function wholeOf(portions: Forecast['portions'], entries: readonly RecordEntry[]) {
  const weighedG = heldEntries(entries)
    .filter(one => one.kind === 'yield' && one.part === 'stuck' && !one.vessel)
    .reduce((sum, one) => sum + (one.massG ?? 0), 0)
  const knownG = portions.potClingG + portions.cups.reduce((sum, cup) => sum + cup.clingG, 0)
  return weighedG > 0 ? { weighedG, knownG } : null
}

const CHANGED_G = 0.5
/** Halfway from what was known to what was weighed: one batch is one batch. */
const halfway = ({ knownG, weighedG }: Stuck): number => Math.round(((knownG + weighedG) / 2) * 10) / 10

/** What stuck to the vessels, beside the loss that the shelf has of them. */
export function StuckTaught({ entries }: { entries: readonly RecordEntry[] }) {
  const habits = useHabits()
  const plan = usePlan(one => one.plan)
  const batch = useBatch()
  const forecast = useForecast()
  const client = useQueryClient()
  const { data } = useQuery(shelfQuery)
  const act = useAct()
  const whole = forecast ? wholeOf(forecast.portions, entries) : null
  const stuck = forecast ? stuckOf(plan, data?.shelf.vessels ?? batch.shelf.vessels, entries) : []
  if (stuck.length === 0 && whole === null) return null
  const g = (grams: number) => showMass(grams, habits, 0.1)
  const take = (one: Stuck) =>
    act.run(async () => {
      const key = plan.division.cling === 'thin' ? 'clingThinG' : 'clingThickG'
      const revision = data?.revisions.vessels[one.vessel.id] ?? 1
      const { item } = await saveItem('vessels', { ...one.vessel, [key]: halfway(one) }, revision)
      batch.renewShelf({ vessels: batch.shelf.vessels.map(other => (other.id === item.id ? (item as Vessel) : other)) })
      await client.invalidateQueries({ queryKey: shelfQuery.queryKey })
    })
  return (
    <Section
      title={t('What stuck to the vessels')}
      aside={<span className="text-soft">{t('poured {cling}', { cling: plan.division.cling })}</span>}
      className="mt-8"
    >
      <ul>
        {whole && (
          <li className="flex flex-wrap items-center gap-x-5 border-b border-line py-1.5">
            <span className="min-w-0 flex-1">{t('all of them together')}</span>
            <span className="text-soft">{t('reckoned with {knownG}', { knownG: g(whole.knownG) })}</span>
            <strong className="text-lg">{g(whole.weighedG)}</strong>
          </li>
        )}
        {stuck.map(one => (
          <li key={one.vessel.id} className="flex flex-wrap items-center gap-x-5 border-b border-line py-1.5">
            <span className="min-w-0 flex-1">{one.vessel.name}</span>
            <span className="text-soft">{t('reckoned with {knownG}', { knownG: g(one.knownG) })}</span>
            <span className="text-lg">
              <strong>{g(one.weighedG)}</strong>{' '}
              <span className="text-[13px] text-soft">
                {one.cups === 1 ? t('weighed') : t('each of {cups}', { cups: one.cups })}
              </span>
            </span>
            {Math.abs(halfway(one) - one.knownG) >= CHANGED_G && (
              <button className="button min-h-9" disabled={act.busy || !data} onClick={() => void take(one)}>
                {t('Reckon with {one}', { one: g(halfway(one)) })}
              </button>
            )}
          </li>
        ))}
      </ul>
      <p className="mt-1 max-w-140 text-[14px] text-soft">
        {stuck.length > 0
          ? t(
              'One batch moves the shelf halfway: batters differ. What is kept counts in every batch poured from that vessel.',
            )
          : t(
              'Weighed for one kind of vessel, as the cups have it on the page Cups, it moves what the shelf says of that vessel.',
            )}
      </p>
      {act.sentence !== '' && (
        <p role="alert" className="text-rust">
          {act.sentence}
        </p>
      )}
    </Section>
  )
}
