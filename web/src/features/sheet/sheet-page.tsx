import { linersOf, printedLines, showLength, showMass, showMassDown, showTemperature, weighList } from '@ostler/core'
import type { Forecast, Notice, UnitHabits, WeighLine } from '@ostler/core'
import { Download, FileDown, Printer } from 'lucide-react'
import { useParams } from 'react-router'
import { Fragment } from 'react'
import { useBatch, useForecast, useHabits, usePlan, useRisk } from '../../plan/context.tsx'
import { useHeatPlan } from '../../parts/use-heat.ts'
import { FacePicture } from '../../drawing/face-picture.tsx'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { clockBefore } from '../../ui/clock.ts'
import { LinerDrawing } from '../../parts/liner-drawing.tsx'
import { DividedSheet } from '../../parts/divided-sheet.tsx'
import { ShareLinks } from '../../parts/share-links.tsx'
import { downloadPlan } from '../../parts/plan-file.ts'
import { SAFETY } from '../../ui/safety.ts'
import { Cups } from './cups-part.tsx'
import { CELL, NUMBER, Section, Tick } from './parts.tsx'
import type { Parts } from './parts.tsx'
import { Pours } from './pours-part.tsx'
import { RestPart } from './rest-part.tsx'
import { Say, useSay } from '../../ui/say.tsx'
import { clock, datedNow, rich, showShare, t, toldAs } from '../../words/index.ts'

/** The pour sheet: printed, it goes to the bench. Safety first, then weighing in order, cups, pours. */
export function SheetPage() {
  const plan = usePlan(state => state.plan)
  const forecast = useForecast()
  const habits = useHabits()
  const { id = '' } = useParams()
  return (
    <main className="flex-1 bg-booth py-6 max-[600px]:py-0 print:bg-white print:p-0">
      <div className="mx-auto mb-4 flex max-w-200 flex-wrap gap-3 px-4 max-[600px]:pt-3 print:hidden">
        <button className="button button-main" onClick={() => print()} disabled={!forecast}>
          <Printer size={16} aria-hidden /> {t('Print')}
        </button>
        <a className="button" href={`/api/batches/${id}/sheet.pdf?${toldAs()}`} target="_blank" rel="noreferrer">
          <FileDown size={16} aria-hidden /> {t('As PDF')}
        </a>
        <ShareLinks what="sheet" />
        <button className="button" onClick={() => downloadPlan(plan)}>
          <Download size={16} aria-hidden /> {t('Export the plan')}
        </button>
      </div>
      <article className="sheet mx-auto max-w-200 bg-paper p-8 text-[15px] max-[600px]:p-4 print:max-w-none print:p-0 print:text-[11pt]">
        {forecast ? <Sheet plan={plan} forecast={forecast} habits={habits} /> : <ForecastRefused />}
      </article>
    </main>
  )
}

function Sheet(parts: Parts) {
  const say = useSay()
  const { plan, forecast, habits } = parts
  const risk = useRisk()
  return (
    <>
      <header className="mb-4 flex items-start gap-6">
        <div className="flex-1">
          <h1 className="text-3xl">{plan.name}</h1>
          <p className="text-soft">
            {t('Pour sheet · {mould}, soap {fillMm} high · printed {format}{madeBy}', {
              mould: plan.mould.name,
              fillMm: showLength(plan.mould.fillMm, habits),
              format: datedNow('d MMM yyyy, HH:mm'),
              madeBy: plan.madeBy && t(' · made by {madeBy}', { madeBy: plan.madeBy }),
            })}
          </p>
          {plan.notes && <p className="mt-2 whitespace-pre-wrap">{plan.notes}</p>}
        </div>
        <FacePicture plan={plan} colours={forecast.colours} pours={forecast.lanes.pours} height={84} />
      </header>
      <Warnings forecast={forecast} isTrial={plan.isTrial} />
      <Section title={t('1 · Safety, before anything is weighed')}>
        <ul className="grid grid-cols-2 gap-x-6 gap-y-1 max-[600px]:grid-cols-1">
          {SAFETY.map(line => (
            <li key={line} className="flex gap-2">
              <Tick /> {line}
            </li>
          ))}
        </ul>
      </Section>
      <Weighing {...parts} />
      <Heating {...parts} />
      <Cups {...parts} />
      <Pours {...parts} />
      <RestPart {...parts} />
      <Divided {...parts} />
      <LinerPart {...parts} />
      <footer className="mt-4 break-before-avoid text-[13px] text-soft">
        {t(
          'Times and trace are estimates from lye in; the batter itself decides. {risk}Suppliers’ documents and local rules come first.',
          { risk: risk && risk.state !== 'trouble' && `${say(risk.sentence)} ${say(risk.reason)} ` },
        )}
      </footer>
    </>
  )
}

/** What must be known before this sheet is followed: it may be printed in spite of it. */
function Warnings({ forecast, isTrial }: { forecast: Forecast; isTrial: boolean }) {
  const say = useSay()
  const { notices } = forecast
  const risk = useRisk()
  const isGrave = ({ weight, path }: Notice) => weight === 'stop' || path === 'recipe.superfatShare'
  const grave = notices.filter(isGrave).map(notice => notice.sentence)
  if (risk?.safety) grave.push(risk.safety)
  if (isTrial) grave.unshift(t('A trial: not for skin, not for sale.'))
  if (risk?.state === 'trouble') grave.push(`${say(risk.sentence)} ${say(risk.reason)}`)
  if (grave.length === 0) return null
  return (
    <ul
      aria-label={t('Before this sheet is followed')}
      className="mb-4 border-2 border-rust p-3 font-semibold text-rust"
    >
      {grave.map(sentence => (
        <li key={say(sentence)}>▲ {say(sentence)}</li>
      ))}
    </ul>
  )
}

function Line({ line, habits }: { line: WeighLine; habits: UnitHabits }) {
  const say = useSay()
  const mass =
    line.kind === 'lye' || line.kind === 'solution' || line.kind === 'scent'
      ? showMassDown(line.massG, habits, line.stepG)
      : showMass(line.massG, habits, line.stepG)
  return (
    <tr className="break-inside-avoid border-b border-line">
      <td className="w-6">
        <Tick />
      </td>
      <td className={CELL}>
        <Say of={line.what} /> <span className="text-[13px] text-soft">{say(line.where)}</span>
        {line.scale === 'stop' && <span className="block text-[13px] font-semibold">▲ {say(line.scaleSentence)}</span>}
      </td>
      <td className={NUMBER}>{mass}</td>
      <td className="w-28 text-[13px] text-soft max-[600px]:hidden">{t('weighed')}</td>
    </tr>
  )
}

function Weighing({ plan, forecast, habits }: Parts) {
  const { shelf } = useBatch()
  const { portions } = forecast
  const lines = printedLines(weighList(plan, portions, shelf), plan).filter(line => line.group !== 'colours')
  const isOwn = plan.division.mode === 'own-batters'
  return (
    <Section title={t('2 · Weigh, in this order')} isLong>
      <table className="w-full">
        <tbody>
          {lines.map((line, i) => (
            <Fragment key={line.key}>
              {isOwn && lines[i - 1]?.title !== line.title && (
                <tr>
                  <th colSpan={4} className="pt-2 text-left">
                    <Say of={line.title} />
                  </th>
                </tr>
              )}
              <Line line={line} habits={habits} />
            </Fragment>
          ))}
        </tbody>
      </table>
      <p className="mt-1.5">
        {t(
          'Together {potG} {isOwn}; superfat {superfatShare} ({low} to {high} with the oils’ values and the scale); lye {lyePurityShare} pure, never rounded up{origin}.',
          {
            potG: showMass(portions.potG, habits),
            isOwn: isOwn ? t('in all batters') : t('in the pot'),
            superfatShare: showShare(portions.superfatShare),
            low: showShare(portions.superfat.low),
            high: showShare(portions.superfat.high),
            lyePurityShare: showShare(plan.recipe.lyePurityShare),
            origin:
              plan.recipe.origin &&
              t('; recipe {recipe}, version {version}', {
                recipe: plan.recipe.name,
                version: plan.recipe.origin.version,
              }),
          },
        )}
      </p>
    </Section>
  )
}

/** When to dissolve, when to take the oils off the heat, and what they are then. */
function Heating({ plan, habits }: Parts) {
  const heat = useHeatPlan()
  if (!heat) return null
  const { startAt, rule } = plan.heat
  const inC = (c: number) => showTemperature(Math.round(c), habits)
  const at = (min: number | null) => (min === null ? t('never (see Heat)') : clockBefore(startAt, min))
  const ways = { air: t('in the open'), bath: t('in a cool bath'), 'ice-bath': t('in an ice bath') }
  const isTransfer = rule === 'transfer'
  return (
    <Section title={t('3 · Lye and oils to their temperatures')}>
      <p className="flex gap-2">
        <Tick />
        <span>
          {rich('{isTransfer}: lye into water, stir until clear; about {peakC} at its peak. {isTransfer2}', {
            isTransfer: <strong>{at(isTransfer ? heat.peak.peakS / 60 : heat.lye.startsMin)}</strong>,
            peakC: inC(heat.peak.peakC),
            isTransfer2: isTransfer
              ? t('Use it hot on the hard fats, slowly.')
              : t('It cools {lyeCooling} to {lyeC}.', { lyeCooling: ways[plan.heat.lyeCooling], lyeC: inC(heat.lyeC) }),
          })}
        </span>
      </p>
      {!isTransfer && (
        <p className="flex gap-2">
          <Tick />
          <span>
            {rich('{startsMin}: oils off the heat at {fromC}, clear; they cool {oilsCooling} to {oilsC}.', {
              startsMin: <strong>{at(heat.oils.startsMin)}</strong>,
              fromC: inC(heat.oils.fromC),
              oilsCooling: ways[plan.heat.oilsCooling],
              oilsC: inC(heat.oilsC),
            })}
          </span>
        </p>
      )}
      <p className="flex gap-2">
        <Tick />
        <span>
          {rich('{startAt}: lye into oils, together {mixC}. Read both before: lye ______ oils ______', {
            startAt: <strong>{startAt ? clock(startAt) : t('minute 0')}</strong>,
            mixC: inC(heat.mixC),
          })}
        </span>
      </p>
    </Section>
  )
}

/** Batters of their own: what each gets. */
function Divided(parts: Parts) {
  if (parts.plan.division.mode !== 'own-batters') return null
  return (
    <Section title={t('A batter for each cup')}>
      <DividedSheet plan={parts.plan} forecast={parts.forecast} />
    </Section>
  )
}

/** Liners are printed so much smaller than they are cut. */
const LINER_SCALE = 5

/** The liner's sheets with their measures. */
function LinerPart({ plan }: Parts) {
  const say = useSay()
  const liners = linersOf(plan)
  if (liners.length === 0) return null
  return (
    <Section title={t('Liner')}>
      {liners.map((liner, i) => (
        <div key={`${i} ${liner.mould}`}>
          {liners.length > 1 && <h3 className="font-semibold">{liner.mould}</h3>}
          <LinerDrawing liner={liner} scale={LINER_SCALE} className="max-w-full" />
          <p className="text-[13px]">
            {t('Drawn 1 : {what}. {sentence} Dashed: fold{some}.', {
              what: LINER_SCALE,
              sentence: say(liner.sentence),
              some: liner.sheets.some(sheet => sheet.slits.length > 0) && t('; thick: cut'),
            })}
          </p>
        </div>
      ))}
    </Section>
  )
}
