import { heatWorkings, showMass, showTemperature, at } from '@ostler/core'
import type { HeatPlan, Working, Words } from '@ostler/core'
import { useBatch, useHabits, usePlan } from '../../plan/context.tsx'
import { useHeatPlan } from '../../parts/use-heat.ts'
import { clockBefore, showHours } from '../../ui/clock.ts'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { Section } from '../../ui/section.tsx'
import { WorkingNumber } from '../../ui/working-number.tsx'
import { CoolingCurves } from './cooling-curves.tsx'
import { HeatSettings } from './heat-settings.tsx'
import { Readings } from './readings.tsx'
import { useSay } from '../../ui/say.tsx'
import { clock, t } from '../../words/index.ts'

/** When to dissolve, when to melt, what cools in what, so that lye and oils arrive together. */
export function HeatPage() {
  const heat = useHeatPlan()
  return (
    <main className="grid flex-1 grid-cols-[minmax(0,1fr)_380px] max-[1100px]:grid-cols-1">
      <div className="flex min-w-0 flex-col gap-6 p-5 max-[900px]:p-3">
        {heat ? <Planned heat={heat} /> : <ForecastRefused />}
      </div>
      <div className="border-l border-line bg-panel p-5 max-[1100px]:border-t max-[1100px]:border-l-0 max-[900px]:p-3">
        <HeatSettings heat={heat} />
      </div>
    </main>
  )
}

function Planned({ heat }: { heat: HeatPlan }) {
  return (
    <>
      <Times heat={heat} />
      <Verdicts heat={heat} />
      <CoolingCurves heat={heat} />
      <Ways heat={heat} />
      <Readings heat={heat} />
    </>
  )
}

const Big = ({ what, time, note, working }: { what: string; time: string; note: string; working: Working }) => (
  <div>
    <p className="text-[13px] text-soft">{what}</p>
    <WorkingNumber label={note} text={time} working={working} />
  </div>
)

function Times({ heat }: { heat: HeatPlan }) {
  const habits = useHabits()
  const plan = usePlan(state => state.plan)
  const { startAt, rule } = plan.heat
  const inC = (c: number) => showTemperature(Math.round(c * 2) / 2, habits)
  const { lye, oils, peak } = heat
  const range = (body: typeof lye) =>
    body.cooling
      ? t('cools {low} to {high} min', { low: Math.round(body.cooling.low), high: Math.round(body.cooling.high) })
      : t('not within 12 hours')
  const isTransfer = rule === 'transfer'
  const workings = heatWorkings(plan, heat)
  return (
    <section aria-label={t('When to begin')} className="flex flex-wrap gap-x-9 gap-y-4">
      <Big
        what={t('Lye into water')}
        working={workings.lye}
        time={lye.startsMin === null ? t('never') : clockBefore(startAt, isTransfer ? peak.peakS / 60 : lye.startsMin)}
        note={t('peak {peakC} after {peakS} min; {isTransfer}', {
          peakC: inC(peak.peakC),
          peakS: Math.round(peak.peakS / 60),
          isTransfer: isTransfer ? t('used hot') : range(lye),
        })}
      />
      {!isTransfer && (
        <Big
          what={t('Oils off the heat')}
          working={workings.oils}
          time={oils.startsMin === null ? t('never') : clockBefore(startAt, oils.startsMin)}
          note={t('from {fromC}; {oils}', { fromC: inC(oils.fromC), oils: range(oils) })}
        />
      )}
      <Big
        what={t('Lye meets oils')}
        working={workings.mix}
        time={startAt ? clock(startAt) : t('minute 0')}
        note={t('lye {lyeC}, oils {oilsC}, together {mixC}', {
          lyeC: inC(heat.lyeC),
          oilsC: inC(heat.oilsC),
          mixC: inC(heat.mixC),
        })}
      />
    </section>
  )
}

function Verdicts({ heat }: { heat: HeatPlan }) {
  const { rule } = usePlan(state => state.plan.heat)
  const { mixC } = usePlan(state => state.plan.conditions)
  const batch = useBatch()
  const say = useSay()
  const habits = useHabits()
  const off = Math.abs(heat.mixC - mixC) > 0.6
  const lines: [boolean, Words][] = [
    [heat.verdict.isGood, heat.verdict.sentence],
    [heat.setting.isSafe, heat.setting.sentence],
  ]
  return (
    <section aria-label={t('Do they suit each other')}>
      <ul className="flex flex-col gap-1">
        {lines.map(([good, sentence]) => (
          <li key={say(sentence)} className={good ? '' : 'font-semibold text-rust'}>
            <span aria-hidden>{good ? '✓ ' : '▲ '}</span>
            {say(sentence)}
          </li>
        ))}
        {heat.moveToBathMin !== null && (
          <li className="text-soft">
            {t(
              '· Rather dissolve the lye as the oils come off the heat? Leave it in the air for {moveToBathMin} after its peak, then into the bath.',
              { moveToBathMin: showHours(heat.moveToBathMin) },
            )}
          </li>
        )}
        {rule !== 'transfer' && heat.melt && (
          <li className="text-soft">
            {t('· Hot lye on the hard fats instead? {sentence}', { sentence: say(heat.melt.sentence) })}
          </li>
        )}
      </ul>
      {off && (
        <button
          className="button mt-2"
          onClick={() =>
            batch.edit({
              kind: 'set',
              path: at(plan => plan.conditions.mixC),
              value: Math.min(60, Math.max(15, Math.round(heat.mixC))),
            })
          }
        >
          {t('Plan the batter with {mixC} instead of {mixC2}', {
            mixC: showTemperature(Math.round(heat.mixC), habits),
            mixC2: showTemperature(mixC, habits),
          })}
        </button>
      )}
    </section>
  )
}

const WAY_WORDS = { air: t('open air'), bath: t('cool bath'), 'ice-bath': t('ice bath') } as const

/** How long each would take to its target by each means. */
function Ways({ heat }: { heat: HeatPlan }) {
  const habits = useHabits()
  const plan = usePlan(state => state.plan)
  const chosen = plan.heat
  const vapourG = Math.round(heat.peak.vapourKg * 1000)
  const vapour =
    vapourG > 0
      ? t(' About {vapourG} of water leave hot open lye until its peak (to a factor of two): weigh it if it matters.', {
          vapourG: showMass(vapourG, habits, 1),
        })
      : ''
  const bodies = [
    [t('Lye'), heat.lye, chosen.lyeCooling],
    [t('Oils'), heat.oils, chosen.oilsCooling],
  ] as const
  return (
    <Section title={t('Minutes to cool')}>
      <table className="w-full max-w-160">
        <thead>
          <tr className="border-b border-ink text-left text-[13px] text-soft">
            <th className="py-1 font-normal" />
            {Object.values(WAY_WORDS).map(word => (
              <th key={word} className="text-right font-normal">
                {word}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {bodies.map(([name, body, way]) => (
            <tr key={name} className="border-b border-line">
              <th className="py-1.5 text-left font-normal">
                {name}{' '}
                <span className="text-[13px] text-soft">
                  {t('{massG} in {vessel}, {fromC} to {targetC}', {
                    massG: showMass(body.massG, habits, 1),
                    vessel: body.vessel.name,
                    fromC: showTemperature(Math.round(body.fromC), habits),
                    targetC: showTemperature(Math.round(body.targetC), habits),
                  })}
                </span>
              </th>
              {(Object.keys(WAY_WORDS) as (keyof typeof WAY_WORDS)[]).map(one => {
                const span = body.ways[one]
                return (
                  <td
                    key={one}
                    className={`text-right whitespace-nowrap ${one === way ? 'text-lg font-semibold' : 'text-soft'}`}
                  >
                    {span === null ? t('never') : span.min < 0.5 ? t('none') : showHours(span.min)}
                    {one === way && <span className="block text-[13px] font-normal text-soft">{t('chosen')}</span>}
                  </td>
                )
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-3 flex items-start gap-6">
        <WorkingNumber
          label={t('peak of the lye')}
          text={showTemperature(Math.round(heat.peak.peakC), habits)}
          working={heatWorkings(plan, heat).peak}
        />
        <p className="max-w-140 text-[13px] text-soft">
          {t(
            'Before any reading a time is right to about a quarter either way.{vapour} Without any loss the lye would reach {limitC}.',
            { vapour, limitC: showTemperature(Math.round(heat.limitC), habits) },
          )}
        </p>
      </div>
    </Section>
  )
}
