import { MAX_SEEN, SEEN_BY, runInputOf, looksAsked, showMinutes, traceName, at } from '@ostler/core'
import { Trash2 } from 'lucide-react'
import type { SeenBy } from '@ostler/core'
import { useMemo, useState } from 'react'
import { useBatch, useForecast, usePlan } from '../../plan/context.tsx'
import { Ask } from '../../ui/ask.tsx'
import { Choice } from '../../ui/choice.tsx'
import { options } from '../../ui/options.ts'
import { NumberCell } from '../../ui/number-cell.tsx'
import { useTold } from '../../parts/plan-field.tsx'
import { Term } from '../../ui/term.tsx'
import { rich, say, t, tidy } from '../../words/index.ts'

/** Trace that was seen, in this batch or in a small trial of it: the forecast follows at once. */
export function SeenDialog({ onClose }: { onClose: () => void }) {
  const batch = useBatch()
  const told = useTold()
  const plan = usePlan(state => state.plan)
  const [cup, setCup] = useState(plan.cups[0]!.id)
  const [atMin, setAtMin] = useState(6)
  const [level, setLevel] = useState(2)
  const [by, setBy] = useState<SeenBy>('eye')
  const { seen } = plan
  const set = (value: typeof seen) => told(batch.edit({ kind: 'set', path: at(plan => plan.seen), value }))
  return (
    <Ask open title={t('Trace that was seen')} onClose={onClose}>
      <p className="mb-3 text-soft">
        {rich(
          'Stir, lift the spoon, and say what the drip shows: its {term}. One sighting counts for something, several for more. What is thicker than expected is always believed to be at least that: a batter that has set has set.',
          { term: <Term at="level">{t('level of trace')}</Term> },
        )}
      </p>
      <div className="flex flex-wrap items-end gap-4">
        <Choice
          label={t('In')}
          value={cup}
          options={plan.cups.map(one => ({ value: one.id, text: one.name }))}
          onValue={setCup}
        />
        <label className="flex flex-col gap-0.5 text-[13px] text-soft">
          {t('Minutes after the lye')}
          <NumberCell label={t('Minutes after the lye')} kind="plain" unit="" value={atMin} onValue={setAtMin} />
        </label>
        <label className="flex flex-col gap-0.5 text-[13px] text-soft">
          {t('Trace, 1 to 5: {level}', { level: say(traceName(level)) })}
          <NumberCell label={t('Trace')} kind="plain" unit="" value={level} onValue={setLevel} />
        </label>
        <Choice label={t('Told by')} value={by} options={options(SEEN_BY)} onValue={setBy} />
        <button
          className="button button-main"
          disabled={seen.length >= MAX_SEEN}
          onClick={() => set([...seen, { cup, atMin, level, by }])}
        >
          {t('Add')}
        </button>
      </div>
      <BlendedField />
      <Asked />
      {seen.length > 0 && <Sightings onRemove={i => set(seen.filter((_, n) => n !== i))} />}
    </Ask>
  )
}

/** What was seen, and what it says of this batter. */
function Sightings({ onRemove }: { onRemove: (index: number) => void }) {
  const { seen, cups } = usePlan(state => state.plan)
  const lanes = useForecast()?.lanes
  const faster = Math.round(((lanes?.seenPace ?? 1) - 1) * 100)
  const nameOf = (id: string) => cups.find(one => one.id === id)?.name ?? id
  return (
    <>
      <ul className="mt-4">
        {seen.map((one, i) => (
          <li key={i} className="flex items-center gap-3 border-t border-line py-1">
            <span className="flex-1">
              {nameOf(one.cup)}, {showMinutes(one.atMin)}: {tidy(one.level, 1)}, {say(traceName(one.level))}
            </span>
            <button className="quiet" aria-label={t('Remove sighting {i}', { i: i + 1 })} onClick={() => onRemove(i)}>
              <Trash2 size={16} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      {lanes?.unexplained && (
        <p role="alert" className="mt-2 text-rust">
          {t(
            'No batter of this kind sets so soon by itself. Was it the scent, a cup forgotten, lye weighed twice? It is believed all the same: what has set is scooped, not poured.',
          )}
        </p>
      )}
      <p className="mt-2 font-semibold">
        {Math.abs(faster) < 3
          ? t('As expected.')
          : t('This batter is believed to go {faster} % {faster2} than expected.', {
              faster: Math.abs(faster),
              faster2: faster > 0 ? t('faster') : t('slower'),
            })}
      </p>
    </>
  )
}

const narrower = (share: number): string => `${Math.round(100 * share)} %`

/** What would teach most about this batter, and why. */
function Asked() {
  const { shelf } = useBatch()
  const plan = usePlan(state => state.plan)
  const forecast = useForecast()
  const asked = useMemo(
    () => (forecast && !plan.whipped ? looksAsked(runInputOf(plan, forecast.portions, shelf)) : null),
    [plan, forecast, shelf],
  )
  if (!asked) return null
  const { best, early } = asked
  return (
    <section aria-label={t('What teaches most')} className="mt-4 border-t border-line pt-3 text-[14px]">
      <h3 className="font-semibold">{t('What teaches most')}</h3>
      <ul className="mt-1 list-disc pl-5 text-soft">
        <li>
          {rich(
            'A look at {best} at {atMin}: by eye it narrows the range of pace by {byEye}, by a drip timed off the spoon by {byDrip}.{atMin2}',
            {
              best: <strong className="text-ink">{best.name}</strong>,
              atMin: showMinutes(best.atMin),
              byEye: narrower(best.byEye),
              byDrip: narrower(best.byDrip),
              atMin2:
                best.atMin > early.atMin + 1 &&
                t(' At {atMin} slow and quick batters still look alike: {byEye}.', {
                  atMin: showMinutes(early.atMin),
                  byEye: narrower(early.byEye),
                }),
            },
          )}
        </li>
        {plan.blendedS === null && (
          <li>{t('The seconds that the blender ran: with them, a strong blender is not taken for a quick batter.')}</li>
        )}
        {plan.rest.readings.length === 0 && (
          <li>
            {t('A temperature in the mould after 6 to 8 hours, on the Rest page: it tells heat lost from heat made.')}
          </li>
        )}
      </ul>
    </section>
  )
}

/** How long the blender really ran: with the traces it tells the blender from the batter. */
function BlendedField() {
  const batch = useBatch()
  const told = useTold()
  const blendedS = usePlan(state => state.plan.blendedS)
  const tasks = useForecast()?.lanes.tasks ?? []
  const blending = tasks.filter(task => task.kind === 'blend')
  const planned = blending.reduce((sum, task) => sum + (task.toMin - task.fromMin) * 60, 0)
  const set = (value: number | null) => told(batch.edit({ kind: 'set', path: at(plan => plan.blendedS), value }))
  return (
    <div className="mt-4 flex flex-wrap items-end gap-4 border-t border-line pt-3">
      {blendedS === null ? (
        <button className="button" onClick={() => set(Math.max(1, Math.round(planned)))}>
          {t('Note how long blending took')}
        </button>
      ) : (
        <>
          <label className="flex flex-col gap-0.5 text-[13px] text-soft">
            {t('The blender ran, seconds')}
            <NumberCell label={t('The blender ran, seconds')} kind="plain" unit="s" value={blendedS} onValue={set} />
          </label>
          <button className="quiet" aria-label={t('Remove the time of blending')} onClick={() => set(null)}>
            <Trash2 size={16} aria-hidden />
          </button>
        </>
      )}
      <span className="text-soft">
        {t('Forecast: about {planned} s. The next batch learns from it.', { planned: tidy(planned, 0) })}
      </span>
    </div>
  )
}
