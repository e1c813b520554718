import { findById, ladderSteps, massNumber, mixingCards, showMass, together, potAfter } from '@ostler/core'
import type { Forecast, MixingCard, Plan, TintLadder, Words } from '@ostler/core'
import { Printer } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { Check } from '../../ui/check.tsx'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { smallMass } from '../../ui/small-mass.ts'
import { inkOn } from '../../ui/swatch.tsx'
import { Say, useSay } from '../../ui/say.tsx'
import { rich, t } from '../../words/index.ts'

/** Labels for the cups and a mixing card for each, to print and cut. */
export function CardsPage() {
  const plan = usePlan(state => state.plan)
  const forecast = useForecast()
  const [labels, setLabels] = useState(true)
  const [cards, setCards] = useState(true)
  return (
    <main className="flex-1 bg-booth py-6 max-[600px]:py-0 print:bg-white print:p-0">
      <div className="mx-auto mb-4 flex max-w-200 flex-wrap items-center gap-x-5 gap-y-2 px-4 max-[600px]:pt-3 print:hidden">
        <button className="button button-main" onClick={() => print()} disabled={!forecast}>
          <Printer size={16} aria-hidden /> {t('Print')}
        </button>
        <Check label={t('cup labels')} checked={labels} onChange={setLabels} />
        <Check label={t('mixing cards')} checked={cards} onChange={setCards} />
        <Link to="../cups" className="ml-auto underline">
          {t('Back to the cups')}
        </Link>
      </div>
      <article className="mx-auto max-w-200 bg-paper p-8 text-[15px] max-[600px]:p-4 print:max-w-none print:p-0 print:text-[11pt]">
        {forecast ? <Cards plan={plan} forecast={forecast} labels={labels} cards={cards} /> : <ForecastRefused />}
      </article>
    </main>
  )
}

interface Props {
  plan: Plan
  forecast: Forecast
  labels: boolean
  cards: boolean
}

function Cards({ plan, forecast, labels, cards }: Props) {
  const { shelf } = useBatch()
  const list = mixingCards(plan, forecast.portions, forecast.colours, shelf)
  const at = (cup: string) => plan.cups.findIndex(one => one.id === cup)
  const after = potAfter(
    forecast.portions,
    list.map(card => at(card.cup)),
  )
  // Steps of a ladder are drawn from their mother cup.
  const isFromPot = plan.division.mode === 'one-pot' && plan.ladders.length === 0
  const leavesOf = (card: MixingCard) => (isFromPot ? after.cupsG[at(card.cup)]! : null)
  const dusty = forecast.portions.cups.some(portion =>
    portion.colours.some(part => findById(shelf.colorants, part.colorant)?.dusty),
  )
  return (
    <>
      {labels && (
        <section aria-label={t('Cup labels')} className="mb-8">
          <h1 className="mb-2 text-2xl print:hidden">{t('Cup labels')}</h1>
          <div className="grid grid-cols-3 gap-2 max-[600px]:grid-cols-2">
            {list.map(card => (
              <Label key={card.cup} plan={plan} card={card} />
            ))}
          </div>
        </section>
      )}
      {cards && (
        <section aria-label={t('Mixing cards')} className={labels ? 'break-before-page' : ''}>
          <h1 className="text-2xl">{t('Mixing cards')}</h1>
          <p className="mb-3 text-soft">
            {t(
              '{plan} · in this order, plain first, then light to dark, so that one stick will do. The weight counts; spoons are a help.{dusty} Gloves and goggles: it is raw soap.',
              { plan: plan.name, dusty: dusty && t(' Wear a dust mask while powders are dry, in still air.') },
            )}
          </p>
          <FirstDrawn plan={plan} forecast={forecast} />
          <div className="grid grid-cols-2 gap-3 max-[600px]:grid-cols-1">
            {list
              .filter(card => card.step === null || card.step.at === 0)
              .map(card => (
                <CardOrLadder key={card.cup} plan={plan} forecast={forecast} card={card} leavesG={leavesOf(card)} />
              ))}
          </div>
        </section>
      )}
    </>
  )
}

const order = (card: MixingCard) => (
  <span className="inline-grid size-8 shrink-0 place-items-center rounded-full border-2 border-ink font-semibold">
    {card.order}
  </span>
)

const Bar = ({ hex, name }: { hex: string; name: string }) => (
  <span
    className="flex min-h-9 min-w-0 flex-1 items-center px-2.5 font-title text-lg leading-tight font-semibold"
    style={{ background: hex, color: inkOn(hex), printColorAdjust: 'exact' }}
  >
    {name}
  </span>
)

const holds = (card: MixingCard): Words =>
  card.isPlain
    ? t('plain, no scent')
    : together(
        card.lines.map(line => line.what),
        ', ',
      )

function Label({ plan, card }: { plan: Plan; card: MixingCard }) {
  const say = useSay()
  const habits = useHabits()
  const pours = plan.score.flatMap((pour, i) => (pour.cup === card.cup ? [i + 1] : []))
  return (
    <div className="flex min-h-28 break-inside-avoid flex-col gap-1.5 border border-ink p-2.5">
      <div className="flex items-center gap-2">
        {order(card)}
        <Bar hex={card.hex} name={card.name} />
      </div>
      <p className="text-2xl leading-none font-semibold">{showMass(card.batterG, habits)}</p>
      <p className="text-[13px] leading-tight text-soft">
        {card.step ? t('step {at} of the ladder, from its mother cup', { at: card.step.at + 1 }) : say(holds(card))}
        {pours.length > 0 && t(' · layer {pours}', { pours: pours.join(', ') })}
      </p>
      <p className="mt-auto truncate text-[12px] text-soft">{plan.name}</p>
    </div>
  )
}

interface CardOrLadderProps {
  plan: Plan
  forecast: Forecast
  card: MixingCard
  /** What the pot holds after it; null: it is not drawn from one. */
  leavesG: number | null
}

function CardOrLadder({ plan, forecast, card, leavesG }: CardOrLadderProps) {
  const ladder = plan.ladders.find(one => one.id === card.step?.ladder)
  if (!ladder) return <Card plan={plan} card={card} leavesG={leavesG} />
  return <LadderCard plan={plan} forecast={forecast} ladder={ladder} card={card} />
}

function Card({ plan, card, leavesG }: { plan: Plan; card: MixingCard; leavesG: number | null }) {
  const say = useSay()
  const habits = useHabits()
  const step = plan.conditions.fineScaleStepG
  return (
    <div className="break-inside-avoid border border-ink p-3">
      <div className="mb-2 flex items-center gap-2">
        {order(card)}
        <Bar hex={card.hex} name={card.name} />
      </div>
      <table className="w-full">
        <tbody>
          <tr>
            <td className="pr-3 text-right text-xl font-semibold whitespace-nowrap">
              {massNumber(card.batterG, habits)} {habits.mass}
            </td>
            <td>
              {t('batter from the pot')}
              {leavesG !== null && (
                <span className="text-soft">
                  {t(', which then holds {leavesG}', { leavesG: showMass(leavesG, habits, 1) })}
                </span>
              )}
            </td>
          </tr>
          {card.lines.map(line => (
            <tr key={say(line.what) + say(line.how)} className="border-t border-line align-top">
              <td className="py-1 pr-3 text-right text-xl font-semibold whitespace-nowrap">
                {smallMass(line.massG, line.exactG, habits, step)} {habits.mass}
              </td>
              <td className="py-1">
                <Say of={line.what} />, {say(line.how)}
                {line.spoons && (
                  <span className="block text-[13px] text-soft">
                    <Say of={line.spoons} />
                  </span>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {card.isPlain && <p className="text-soft">{t('Nothing goes in.')}</p>}
    </div>
  )
}

/** Plain and kept-back portions are drawn before scent and colour. */
function FirstDrawn({ plan, forecast }: { plan: Plan; forecast: Forecast }) {
  const habits = useHabits()
  if (!(forecast.portions.blankG > 0)) return null
  const uses = plan.reserves.filter(reserve => reserve.cup === '').map(reserve => reserve.use)
  return (
    <p className="mb-3 border-2 border-ink p-2.5">
      {rich('First, before scent and colour: draw {blankG} plain ({uses}).', {
        blankG: <strong>{showMass(forecast.portions.blankG, habits)}</strong>,
        uses: uses.join(', '),
      })}
    </p>
  )
}

interface LadderProps {
  plan: Plan
  forecast: Forecast
  ladder: TintLadder
  card: MixingCard
}

function LadderCard({ plan, forecast, ladder, card }: LadderProps) {
  const { shelf } = useBatch()
  const habits = useHabits()
  const { motherG, colours, steps } = ladderSteps(plan, forecast.portions, ladder)
  const name = (id: string) => plan.cups.find(cup => cup.id === id)?.name ?? id
  const hex = (id: string) => forecast.colours.cups.find(one => one.cup === id)!.stages.pour.no.hex
  const white = findById(shelf.colorants, ladder.white)
  return (
    <div className="col-span-full break-inside-avoid border border-ink p-3">
      <h2 className="mb-1 flex items-center gap-2 text-lg">
        {rich('{card} Ladder from {cups}', { card: order(card), cups: name(ladder.cups[0]!) })}
      </h2>
      <p className="mb-2">
        {rich('Mother cup: {motherG} batter', {
          motherG: <strong className="text-xl">{showMass(motherG, habits)}</strong>,
        })}
        {colours.map(part => (
          <span key={part.colorant}>
            {' '}
            + <strong>{showMass(part.powderG, habits, 0.01)}</strong> {part.name}
            {part.mediumG > 0 &&
              t(' in {mediumG} {medium}', { mediumG: showMass(part.mediumG, habits, 0.01), medium: part.medium })}
          </span>
        ))}
        .
      </p>
      <ol>
        {steps.map((step, i) => (
          <li key={step.cup} className="flex items-center gap-3 border-t border-line py-1.5">
            <span className="flex w-52 shrink-0 items-center gap-2">
              {i + 1} <Bar hex={hex(step.cup)} name={name(step.cup)} />
            </span>
            <span>
              {rich('pour or set aside {pourG}{leftG}', {
                pourG: <strong className="text-lg">{showMass(step.pourG, habits)}</strong>,
                leftG:
                  step.leftG > 0.05 &&
                  i + 1 < steps.length &&
                  t(', {leftG} is left', { leftG: showMass(step.leftG, habits) }),
              })}
              {step.addWhiteG > 0.005 && (
                <>
                  {rich('; stir in {addWhiteG} {white}, wetted', {
                    addWhiteG: <strong>{showMass(step.addWhiteG, habits, 0.01)}</strong>,
                    white: white?.name ?? t('white'),
                  })}
                </>
              )}
              {step.addBatterG > 0.05 && (
                <>
                  {rich('; stir in {addBatterG} plain batter', {
                    addBatterG: <strong>{showMass(step.addBatterG, habits)}</strong>,
                  })}
                </>
              )}
            </span>
          </li>
        ))}
      </ol>
    </div>
  )
}
