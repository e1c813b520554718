import {
  BLADES,
  CUT_PARTS,
  batterWater,
  bladeAdvice,
  cureForecast,
  cureKnown,
  cutForecast,
  fillVolumeMl,
  isColumn,
  isTray,
  showLength,
  showMass,
  thicknessFor,
  at,
} from '@ostler/core'
import type { Blade, CutForecast, CutPart, EditResult, Forecast, MouldBars, Plan } from '@ostler/core'
import { Printer } from 'lucide-react'
import { useMemo } from 'react'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { options } from '../../ui/options.ts'
import { NextTime } from '../../parts/next-time.tsx'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { QuantityField } from '../../ui/quantity.tsx'
import { Section } from '../../ui/section.tsx'
import { CureSection } from './cure-section.tsx'
import { CutDrawing } from './cut-drawing.tsx'
import { Say, useSay } from '../../ui/say.tsx'
import { showShare, t } from '../../words/index.ts'

/** From the mould to bars on the rack: where the blade goes, what becomes of the soap, and when the bars are ready. */
export function CutPage() {
  const plan = usePlan(state => state.plan)
  const forecast = useForecast()
  const { shelf } = useBatch()
  const habits = useHabits()
  const cut = useMemo(() => cutForecast(plan), [plan])
  const water = useMemo(() => forecast && batterWater(plan, forecast.portions, shelf), [plan, forecast, shelf])
  const cure = useMemo(
    () => (water === null ? null : cureForecast(plan, water, { known: cureKnown(shelf.evidence) })),
    [plan, shelf, water],
  )
  const { bars } = cut
  const differs = bars.mostG > 1.05 * bars.leastG
  return (
    <main className="grid flex-1 grid-cols-[minmax(0,1fr)_340px] max-[1100px]:grid-cols-1">
      <div className="flex min-w-0 flex-col gap-6 p-5 max-[900px]:p-3">
        <div>
          <NextTime at="cut" />
          <div className="flex flex-wrap items-baseline gap-x-4">
            <h1 className="text-2xl" aria-live="polite">
              {bars.count === 0
                ? t('No bar fits: make bars thinner, or trim less.')
                : t('{bars} {bars, plural, one {bar} other {bars}} of {massG}', {
                    bars: bars.count,
                    massG: showMass(bars.massG, habits, 1),
                  })}
            </h1>
            {cure && bars.count > 0 && (
              <p className="text-soft">
                {t('{curedG} cured, ready after {readyDay} days', {
                  curedG: showMass(cure.curedG, habits, 1),
                  readyDay: cure.readyDay,
                })}
              </p>
            )}
            <button className="button ml-auto print:hidden" onClick={() => print()}>
              <Printer size={16} aria-hidden /> {t('Print')}
            </button>
          </div>
          {bars.count > 0 && (
            <p className="text-soft">
              {t('{lengthMm} by {widthMm} by {heightMm}{differs}{cure}', {
                lengthMm: showLength(bars.lengthMm, habits),
                widthMm: showLength(bars.widthMm, habits),
                heightMm: showLength(bars.heightMm, habits),
                differs:
                  differs &&
                  t(', from {leastG} to {mostG}', {
                    leastG: showMass(bars.leastG, habits, 1),
                    mostG: showMass(bars.mostG, habits, 1),
                  }),
                cure: cure && plan.moreMoulds.length > 0 && `; ${allOf(cure.moulds)}`,
              })}
            </p>
          )}
        </div>
        <CutDrawing plan={plan} cut={cut} />
        <Steps plan={plan} cut={cut} />
        <Whereto cut={cut} plan={plan} />
        {forecast ? water !== null && <CureSection waterShare={water} /> : <ForecastRefused />}
      </div>
      <div className="border-l border-line bg-panel p-5 max-[1100px]:border-t max-[1100px]:border-l-0 max-[900px]:p-3 print:hidden">
        <CutFields plan={plan} cut={cut} />
      </div>
    </main>
  )
}

/** Bars of all moulds, mould by mould. */
const allOf = (moulds: readonly MouldBars[]): string =>
  t('with the other moulds {reduce} bars: {moulds}', {
    reduce: moulds.reduce((sum, mould) => sum + mould.count, 0),
    moulds: moulds.map(mould => t('{mould} of {mould2}', { mould: mould.count, mould2: mould.name })).join(', '),
  })

function Steps({ plan, cut }: { plan: Plan; cut: CutForecast }) {
  const { shelf } = useBatch()
  const say = useSay()
  return (
    <Section title={t('With the blade')}>
      <ol className="max-w-180 list-decimal pl-6">
        {cut.steps.map(step => (
          <li key={say(step)}>{say(step)}</li>
        ))}
      </ol>
      {!isTray(plan.mould) && (
        <p className="mt-1 font-semibold">
          <Say of={bladeAdvice(plan, shelf)} />
        </p>
      )}
      <p className="mt-1 max-w-180 text-[14px] text-soft">
        {t(
          'Gloves on: until it is cured it is not yet mild. If it dents, wait; if it crumbles or cracks at the wire, it was waited for too long.',
        )}
      </p>
    </Section>
  )
}

/** All soap of the mould, part by part. */
function Whereto({ cut, plan }: { cut: CutForecast; plan: Plan }) {
  const habits = useHabits()
  const portions = useForecast()?.portions
  const parts = (Object.entries(cut.parts) as [CutPart, number][]).filter(([, g]) => g > 0.05)
  return (
    <Section title={t('What becomes of the soap')}>
      <table className="w-full max-w-120">
        <tbody>
          {parts.map(([part, g]) => (
            <tr key={part} className="border-t border-line">
              <td className="py-0.5 first-letter:uppercase">{t(CUT_PARTS[part])}</td>
              <td className="text-right font-semibold">{showMass(g, habits, 1)}</td>
              <td className="w-24 text-right text-soft">{showShare(g / cut.wholeG, 1)}</td>
            </tr>
          ))}
          <tr className="border-t border-ink">
            <td className="py-0.5">{t('In the mould')}</td>
            <td className="text-right font-semibold">{showMass(cut.wholeG, habits, 1)}</td>
            <td />
          </tr>
        </tbody>
      </table>
      {portions && <Yield plan={plan} portions={portions} cut={cut} />}
    </Section>
  )
}

interface YieldProps {
  plan: Plan
  portions: Forecast['portions']
  cut: CutForecast
}

/** From the pot to bars, as it is planned: what is drawn, what clings, what goes into other moulds. */
function Yield({ plan, portions, cut }: YieldProps) {
  const habits = useHabits()
  const inCupsG = portions.cups.reduce((sum, cup) => sum + cup.totalG, 0)
  const othersG = plan.moreMoulds.reduce((sum, mould) => sum + fillVolumeMl(mould) * plan.conditions.densityGPerMl, 0)
  const clingsG = portions.potClingG + Math.max(0, inCupsG - cut.wholeG - othersG)
  const wholeG = inCupsG + portions.blankG + portions.potClingG
  return (
    <p className="mt-1 max-w-180 text-[14px] text-soft">
      {t(
        'Of {wholeG} from the pot, colours and scent in it, {wholeG2} go into this mould{othersG}{blankG}; about {clingsG} stay on pot and jugs. Bars of it: {bars}.',
        {
          wholeG: showMass(wholeG, habits, 1),
          wholeG2: showMass(cut.wholeG, habits, 1),
          othersG: othersG > 0.5 && t(', {othersG} into the others', { othersG: showMass(othersG, habits, 1) }),
          blankG:
            portions.blankG > 0.5 && t(', {blankG} are kept back', { blankG: showMass(portions.blankG, habits, 1) }),
          clingsG: showMass(clingsG, habits, 1),
          bars: showShare(cut.parts.bars / wholeG, 0),
        },
      )}
    </p>
  )
}

/** Bars by thickness or by weight, what is trimmed and planed, samples, and how long it stands before. */
function CutFields({ plan, cut }: { plan: Plan; cut: CutForecast }) {
  const batch = useBatch()
  const told = useTold()
  const habits = useHabits()
  const tray = isTray(plan.mould)
  const column = isColumn(plan.mould)
  const weigh = (g: number): EditResult => {
    const mm = thicknessFor(plan, g)
    if (mm === null)
      return { ok: false, path: 'cutting.barMm', sentence: t('No bar fits yet: give a thickness first.') }
    return batch.edit({ kind: 'set', path: at(plan => plan.cutting.barMm), value: Number(mm.toFixed(2)) }, 'bar')
  }
  const path = (key: string) => ['rest', 'cut', key]
  if (tray)
    return (
      <p className="text-soft">
        {t('Every cavity is a bar already: nothing to cut. Its size is set with the mould, in the score.')}
      </p>
    )
  return (
    <section aria-label={t('The cut')} className="grid grid-cols-2 gap-x-3 gap-y-3">
      <PlanField label={t('A bar is thick')} kind="length" width={72} path={at(plan => plan.cutting.barMm)} />
      <QuantityField
        label={t('or weighs, fresh')}
        kind="mass"
        habits={habits}
        width={72}
        value={Math.round(cut.bars.massG * 10) / 10}
        onValue={weigh}
      />
      <PlanField label={t('Trimmed off each end')} kind="length" width={72} path={at(plan => plan.cutting.trimMm)} />
      <PlanField label={t('A cut takes')} kind="length" width={72} path={at(plan => plan.cutting.kerfMm)} />
      {!column && (
        <>
          <PlanField
            label={t('Loaves from a slab')}
            kind="plain"
            decimals={0}
            width={72}
            path={at(plan => plan.cutting.rows)}
          />
          <PlanField label={t('Planed off each side')} kind="length" width={72} path={path('sideTrimMm')} />
          <PlanField label={t('Planed off the top')} kind="length" width={72} path={path('topTrimMm')} />
        </>
      )}
      <PlanField label={t('A sample is thick')} kind="length" width={72} path={path('sampleMm')} />
      <PlanField label={t('Stands before the cut, h')} kind="plain" width={72} path={path('waitH')} />
      <Choice<Blade>
        label={t('Blade')}
        value={plan.cutting.blade}
        options={options(BLADES)}
        onValue={value => told(batch.edit({ kind: 'set', path: at(plan => plan.cutting.blade), value }))}
      />
      {!column && (
        <div className="col-span-2">
          <Check
            label={t('cut on its side')}
            checked={plan.cutting.onSide}
            onChange={value => told(batch.edit({ kind: 'set', path: at(plan => plan.cutting.onSide), value }))}
          />
        </div>
      )}
      <p className="col-span-2 text-[13px] text-soft">
        {t(
          'A sample of 0 is none. They come out of trimmed ends and what is left over, never out of a bar. A mould that is wider on top than below is planed at the sides.',
        )}
      </p>
    </section>
  )
}
