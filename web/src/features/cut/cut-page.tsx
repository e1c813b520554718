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
  showShare,
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
                ? 'No bar fits: make bars thinner, or trim less.'
                : `${bars.count} ${bars.count === 1 ? 'bar' : 'bars'} of ${showMass(bars.massG, habits, 1)}`}
            </h1>
            {cure && bars.count > 0 && (
              <p className="text-soft">
                {showMass(cure.curedG, habits, 1)} cured, ready after {cure.readyDay} days
              </p>
            )}
            <button className="button ml-auto print:hidden" onClick={() => print()}>
              <Printer size={16} aria-hidden /> Print
            </button>
          </div>
          {bars.count > 0 && (
            <p className="text-soft">
              {showLength(bars.lengthMm, habits)} by {showLength(bars.widthMm, habits)} by{' '}
              {showLength(bars.heightMm, habits)}
              {differs && `, from ${showMass(bars.leastG, habits, 1)} to ${showMass(bars.mostG, habits, 1)}`}
              {cure && plan.moreMoulds.length > 0 && `; ${allOf(cure.moulds)}`}
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
  `with the other moulds ${moulds.reduce((sum, mould) => sum + mould.count, 0)} bars: ${moulds.map(mould => `${mould.count} of ${mould.name}`).join(', ')}`

function Steps({ plan, cut }: { plan: Plan; cut: CutForecast }) {
  const { shelf } = useBatch()
  const say = useSay()
  return (
    <Section title="With the blade">
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
        Gloves on: until it is cured it is not yet mild. If it dents, wait; if it crumbles or cracks at the wire, it was
        waited for too long.
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
    <Section title="What becomes of the soap">
      <table className="w-full max-w-120">
        <tbody>
          {parts.map(([part, g]) => (
            <tr key={part} className="border-t border-line">
              <td className="py-0.5 first-letter:uppercase">{CUT_PARTS[part]}</td>
              <td className="text-right font-semibold">{showMass(g, habits, 1)}</td>
              <td className="w-24 text-right text-soft">{showShare(g / cut.wholeG, 1)}</td>
            </tr>
          ))}
          <tr className="border-t border-ink">
            <td className="py-0.5">In the mould</td>
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
      Of {showMass(wholeG, habits, 1)} from the pot, colours and scent in it, {showMass(cut.wholeG, habits, 1)} go into
      this mould
      {othersG > 0.5 && `, ${showMass(othersG, habits, 1)} into the others`}
      {portions.blankG > 0.5 && `, ${showMass(portions.blankG, habits, 1)} are kept back`}; about{' '}
      {showMass(clingsG, habits, 1)} stay on pot and jugs. Bars of it: {showShare(cut.parts.bars / wholeG, 0)}.
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
    if (mm === null) return { ok: false, path: 'cutting.barMm', sentence: 'No bar fits yet: give a thickness first.' }
    return batch.edit({ kind: 'set', path: at(plan => plan.cutting.barMm), value: Number(mm.toFixed(2)) }, 'bar')
  }
  const path = (key: string) => ['rest', 'cut', key]
  if (tray)
    return (
      <p className="text-soft">
        Every cavity is a bar already: nothing to cut. Its size is set with the mould, in the score.
      </p>
    )
  return (
    <section aria-label="The cut" className="grid grid-cols-2 gap-x-3 gap-y-3">
      <PlanField label="A bar is thick" kind="length" width={72} path={at(plan => plan.cutting.barMm)} />
      <QuantityField
        label="or weighs, fresh"
        kind="mass"
        habits={habits}
        width={72}
        value={Math.round(cut.bars.massG * 10) / 10}
        onValue={weigh}
      />
      <PlanField label="Trimmed off each end" kind="length" width={72} path={at(plan => plan.cutting.trimMm)} />
      <PlanField label="A cut takes" kind="length" width={72} path={at(plan => plan.cutting.kerfMm)} />
      {!column && (
        <>
          <PlanField
            label="Loaves from a slab"
            kind="plain"
            decimals={0}
            width={72}
            path={at(plan => plan.cutting.rows)}
          />
          <PlanField label="Planed off each side" kind="length" width={72} path={path('sideTrimMm')} />
          <PlanField label="Planed off the top" kind="length" width={72} path={path('topTrimMm')} />
        </>
      )}
      <PlanField label="A sample is thick" kind="length" width={72} path={path('sampleMm')} />
      <PlanField label="Stands before the cut, h" kind="plain" width={72} path={path('waitH')} />
      <Choice<Blade>
        label="Blade"
        value={plan.cutting.blade}
        options={options(BLADES)}
        onValue={value => told(batch.edit({ kind: 'set', path: at(plan => plan.cutting.blade), value }))}
      />
      {!column && (
        <div className="col-span-2">
          <Check
            label="cut on its side"
            checked={plan.cutting.onSide}
            onChange={value => told(batch.edit({ kind: 'set', path: at(plan => plan.cutting.onSide), value }))}
          />
        </div>
      )}
      <p className="col-span-2 text-[13px] text-soft">
        A sample of 0 is none. They come out of trimmed ends and what is left over, never out of a bar. A mould that is
        wider on top than below is planed at the sides.
      </p>
    </section>
  )
}
