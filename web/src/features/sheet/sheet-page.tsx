import {
  findById,
  massNumber,
  showLength,
  showMass,
  showMassDown,
  showMinutes,
  showShare,
  showTemperature,
  tidy,
  traceName,
} from '@ostler/core'
import type { Forecast, Plan, UnitHabits } from '@ostler/core'
import { format } from 'date-fns'
import { Download, Printer } from 'lucide-react'
import { Fragment } from 'react'
import type { ReactNode } from 'react'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { FacePicture } from '../../ui/face-picture.tsx'
import { ForecastRefused } from '../../ui/forecast-refused.tsx'
import { smallMass } from '../../ui/small-mass.ts'
import { Swatch } from '../../ui/swatch.tsx'
import { downloadPlan } from '../batches/plan-file.ts'
import { SAFETY } from './safety.ts'

interface Parts {
  plan: Plan
  forecast: Forecast
  habits: UnitHabits
}

/** The pour sheet: printed, it goes to the bench. Safety first, then weighing in order, cups, pours. */
export function SheetPage() {
  const plan = usePlan(state => state.plan)
  const forecast = useForecast()
  const habits = useHabits()
  return (
    <main className="flex-1 bg-booth py-6 max-[600px]:py-0 print:bg-white print:p-0">
      <div className="mx-auto mb-4 flex max-w-200 gap-3 px-4 max-[600px]:pt-3 print:hidden">
        <button className="button button-main" onClick={() => print()} disabled={!forecast}>
          <Printer size={16} aria-hidden /> Print
        </button>
        <button className="button" onClick={() => downloadPlan(plan)}>
          <Download size={16} aria-hidden /> Export the plan
        </button>
      </div>
      <article className="sheet mx-auto max-w-200 bg-paper p-8 text-[15px] max-[600px]:p-4 print:max-w-none print:p-0 print:text-[11pt]">
        {forecast ? <Sheet plan={plan} forecast={forecast} habits={habits} /> : <ForecastRefused />}
      </article>
    </main>
  )
}

function Sheet(parts: Parts) {
  const { plan, forecast, habits } = parts
  return (
    <>
      <header className="mb-4 flex items-start gap-6">
        <div className="flex-1">
          <h1 className="text-3xl">{plan.name}</h1>
          <p className="text-soft">
            Pour sheet · {plan.mould.name}, soap {showLength(plan.mould.fillMm, habits)} high · printed{' '}
            {format(new Date(), 'd MMM yyyy, HH:mm')}
          </p>
          {plan.notes && <p className="mt-2 whitespace-pre-wrap">{plan.notes}</p>}
        </div>
        <FacePicture plan={plan} height={84} />
      </header>
      <Warnings forecast={forecast} />
      <Section title="1 · Safety, before anything is weighed">
        <ul className="grid grid-cols-2 gap-x-6 gap-y-1 max-[600px]:grid-cols-1">
          {SAFETY.map(line => (
            <li key={line} className="flex gap-2">
              <Tick /> {line}
            </li>
          ))}
        </ul>
      </Section>
      <Weighing {...parts} />
      <Cups {...parts} />
      <Pours {...parts} />
      <footer className="mt-4 text-[13px] text-soft">
        Times and trace are estimates from lye in; the batter itself decides.{' '}
        {forecast.risk.state !== 'trouble' && `${forecast.risk.sentence} ${forecast.risk.reason} `}
        Suppliers’ documents and local rules come first.
      </footer>
    </>
  )
}

/** What must be known before this sheet is followed: it may be printed in spite of it. */
function Warnings({ forecast }: { forecast: Forecast }) {
  const { risk, notices } = forecast
  const grave = notices.filter(notice => notice.weight === 'stop').map(notice => notice.sentence)
  if (risk.state === 'trouble') grave.push(`${risk.sentence} ${risk.reason}`)
  if (grave.length === 0) return null
  return (
    <ul aria-label="Before this sheet is followed" className="mb-4 border-2 border-rust p-3 font-semibold text-rust">
      {grave.map(sentence => (
        <li key={sentence}>▲ {sentence}</li>
      ))}
    </ul>
  )
}

const Tick = () => <span aria-hidden className="mt-1 inline-block size-3.5 shrink-0 border border-ink" />

const Section = ({ title, children }: { title: string; children: ReactNode }) => (
  <section className="mb-5 break-inside-avoid">
    <h2 className="mb-1.5 border-b-2 border-ink text-lg">{title}</h2>
    {children}
  </section>
)

const CELL = 'py-1 pr-2 align-top'
const NUMBER = 'py-1 pr-2 text-right align-top text-lg font-semibold whitespace-nowrap max-[600px]:text-base'

function Line({ what, why, mass }: { what: string; why?: string; mass: string }) {
  return (
    <tr className="border-b border-line">
      <td className="w-6 pt-1.5">
        <Tick />
      </td>
      <td className={CELL}>
        {what} {why && <span className="text-[13px] text-soft">{why}</span>}
      </td>
      <td className={NUMBER}>{mass}</td>
      <td className="w-28 text-[13px] text-soft max-[600px]:hidden">weighed</td>
    </tr>
  )
}

function Weighing({ plan, forecast, habits }: Parts) {
  const { shelf } = useBatch()
  const { portions } = forecast
  const { scaleStepG, fineScaleStepG } = plan.conditions
  const scent = plan.scent && findById(shelf.scents, plan.scent.scent)
  return (
    <Section title="2 · Weigh, in this order">
      <table className="w-full">
        <tbody>
          <Line what="Water" why="in the lye jug" mass={showMass(portions.waterG, habits, scaleStepG)} />
          <Line
            what="Lye (NaOH)"
            why={`in its own cup, ${showShare(plan.recipe.lyePurityShare)} pure, superfat ${showShare(plan.recipe.superfatShare)}; never round up`}
            mass={showMassDown(portions.lyeG, habits, fineScaleStepG)}
          />
          {portions.oils.map(oil => (
            <Line
              key={oil.oil}
              what={oil.name}
              why={showShare(oil.share)}
              mass={showMass(oil.massG, habits, scaleStepG)}
            />
          ))}
          {plan.scent && (
            <Line
              what={scent?.name ?? plan.scent.scent}
              why={`scent, ${showShare(plan.scent.shareOfOils)} of the oils, in its own cup, standing in the mould so that it is not forgotten`}
              mass={showMass(portions.scentG, habits, fineScaleStepG)}
            />
          )}
        </tbody>
      </table>
      <p className="mt-1.5">
        Together {showMass(portions.potG, habits)} in the pot. Lye into water, stir until clear. Bring both to{' '}
        <strong>{showTemperature(plan.conditions.mixC, habits)}</strong>, then lye into oils: that is minute 0.
      </p>
    </Section>
  )
}

const MOMENTS = {
  pot: 'stirred into the pot before the split',
  'with-colour': 'with the colour',
  last: 'right before its pour',
}

function Cups({ plan, forecast, habits }: Parts) {
  const { shelf } = useBatch()
  const { fineScaleStepG, scaleStepG } = plan.conditions
  const fine = (g: number, exactG: number) => smallMass(g, exactG, habits, fineScaleStepG)
  const dusty = plan.cups.some(cup => cup.colorant && findById(shelf.colorants, cup.colorant.colorant)?.dusty)
  return (
    <Section title={`3 · Cups (${habits.mass})`}>
      <table className="w-full">
        <thead>
          <tr className="text-left text-[13px] text-soft">
            <th className="font-normal">cup</th>
            <th className="text-right font-normal">batter</th>
            <th className="text-right font-normal">scent</th>
            <th className="pl-4 font-normal">colour in its liquid, mixed before lye meets oil</th>
          </tr>
        </thead>
        <tbody>
          {plan.cups.map((cup, i) => {
            const portion = forecast.portions.cups[i]!
            const colorant =
              cup.colorant && (findById(shelf.colorants, cup.colorant.colorant)?.name ?? cup.colorant.colorant)
            return (
              <tr key={cup.id} className="border-t border-line">
                <td className={CELL}>
                  <span className="flex items-center gap-2">
                    <Tick /> <Swatch hex={cup.swatch} /> <strong>{cup.name}</strong>
                  </span>
                </td>
                <td className={NUMBER}>{massNumber(portion.batterG, habits, Math.min(scaleStepG, 0.1))}</td>
                <td className={NUMBER}>{fine(portion.scentG, portion.exact.scentG)}</td>
                <td className={`${CELL} pl-4`}>
                  {colorant ? (
                    <>
                      <strong>{fine(portion.colorantG, portion.exact.colorantG)}</strong> {colorant}
                      {portion.exact.mediumG > 0 && (
                        <>
                          {' '}
                          in <strong>{fine(portion.mediumG, portion.exact.mediumG)}</strong> {cup.colorant!.medium}
                        </>
                      )}
                    </>
                  ) : (
                    'plain'
                  )}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      <p className="mt-1.5">
        {showMass(forecast.portions.potClingG, habits)} stays on the pot.
        {plan.scent && ` Scent goes in ${MOMENTS[plan.scent.moment]}.`}{' '}
        {dusty && 'Wear a dust mask while powders are dry.'}
      </p>
    </Section>
  )
}

function Pours({ plan, forecast, habits }: Parts) {
  const { lanes, portions } = forecast
  const blend = lanes.tasks.find(task => task.kind === 'blend')
  return (
    <Section title="4 · Pours">
      <p className="mb-1.5">
        Blend to level {tidy(plan.conditions.stopLevel, 1)} ({traceName(plan.conditions.stopLevel)}), about{' '}
        {Math.round((blend?.toMin ?? 0) * 60)} s of stick time at full contact; split by about{' '}
        {showMinutes(lanes.splitMin)}.
      </p>
      <table className="w-full">
        <thead>
          <tr className="text-left text-[13px] text-soft">
            <th />
            <th className="font-normal">layer</th>
            <th className="text-right font-normal">weight</th>
            <th className="text-right font-normal">to height</th>
            <th className="text-right font-normal">minute</th>
            <th className="pl-4 font-normal max-[600px]:hidden">before and how</th>
          </tr>
        </thead>
        <tbody>
          {lanes.pours.map((pour, i) => {
            const cup = plan.cups.find(one => one.id === pour.cup)
            const layer = portions.layers[i]!
            const step = plan.score[i]!
            const how = (
              <>
                {pour.waitMin > 0.2 && `Wait about ${showMinutes(pour.waitMin)}, until the layer below holds a drip. `}
                {pour.bursts > 0 && `Thicken with ${pour.bursts} short ${pour.bursts === 1 ? 'burst' : 'bursts'}. `}
                {step.overSpatula ? 'Over a spatula' : 'Freely'}, from {showLength(step.dropMm, habits)}, between level{' '}
                {tidy(pour.window.lo, 1)} and {tidy(pour.window.hi, 1)}.
              </>
            )
            return (
              <Fragment key={pour.pour}>
                <tr className="border-t border-line">
                  <td className="w-6 pt-1.5">
                    <Tick />
                  </td>
                  <td className={CELL}>
                    <span className="flex items-center gap-2">
                      {i + 1} <Swatch hex={cup?.swatch ?? '#888888'} /> <strong>{cup?.name}</strong>
                    </span>
                  </td>
                  <td className={NUMBER}>{showMass(layer.massG, habits, 1)}</td>
                  <td className={NUMBER}>{showLength(layer.toMm, habits)}</td>
                  <td className={NUMBER}>{showMinutes(pour.startMin)}</td>
                  <td className={`${CELL} pl-4 text-[14px] max-[600px]:hidden`}>{how}</td>
                </tr>
                <tr className="hidden max-[600px]:table-row">
                  <td />
                  <td colSpan={4} className="pb-1.5 text-[14px]">
                    {how}
                  </td>
                </tr>
              </Fragment>
            )
          })}
        </tbody>
      </table>
    </Section>
  )
}
