import {
  LADDER_STEPS,
  applyLadder,
  asReckoned,
  findById,
  forecast as forecastOf,
  ladderAsForecast,
  ladderFrom,
  seenBy,
  showMass,
} from '@ostler/core'
import type { Forecast, LadderWish, Plan, Shelf } from '@ostler/core'
import { useMemo, useState } from 'react'
import { useBatch, useHabits } from '../../plan/context.tsx'
import { useColourView } from '../../plan/colour-view.ts'
import { Ask } from '../../ui/ask.tsx'
import { Choice } from '../../ui/choice.tsx'
import { QuantityField } from '../../ui/quantity.tsx'
import { inkOn } from '../../ui/swatch.tsx'
import { useToast } from '../../ui/toast.tsx'
import { Say, useSay } from '../../ui/say.tsx'
import { rich, t, tidy } from '../../words/index.ts'

interface Props {
  plan: Plan
  forecast: Forecast
  index: number
  onClose: () => void
}

const BASE = ''

/** The plan with the ladder in it, and the ladder with the colours that this plan is forecast to have. */
function ladderOf(plan: Plan, before: Forecast, shelf: Shelf, index: number, wish: LadderWish) {
  const mother = plan.cups[index]!.id
  const reckoned = asReckoned(plan, before.colours, mother)
  const found = ladderFrom(reckoned, before.portions, shelf, index, wish)
  const made = applyLadder(plan, before.portions, shelf, index, wish, reckoned)
  if (!found.ok || !made.ok) return { made, found }
  const after = forecastOf(made.plan, shelf)
  if (!after.ok) return { made, found }
  return { made, found: ladderAsForecast(found, wish, made.plan, mother, after.forecast.colours, shelf) }
}

/** What is chosen of a ladder: how many steps, lightened with what, and how pale in the end. */
function useWish() {
  const { shelf } = useBatch()
  const whites = shelf.colorants.filter(one => one.spectrum !== 'swatch' && !one.archived)
  const [white, setWhite] = useState(whites.find(one => one.spectrum === 'titanium')?.id ?? whites[0]?.id ?? BASE)
  const [steps, setSteps] = useState(4)
  const usual = findById(shelf.colorants, white)?.usualMaxGPerKg ?? 8
  const [chosen, setMost] = useState<number | null>(null)
  const [keeps, setKeeps] = useState(0.5)
  const most = chosen ?? usual * 0.85
  const wish = useMemo<LadderWish>(
    () => (white === BASE ? { by: 'base', steps, keepsShare: keeps } : { by: 'white', steps, white, mostGPerKg: most }),
    [white, steps, keeps, most],
  )
  const choose = (id: string) => {
    setWhite(id)
    setMost(null)
  }
  return { wish, whites, white, choose, steps, setSteps, most, setMost, keeps, setKeeps }
}

/** What a ladder is made with. */
function WishFields({ plan, chosen }: { plan: Plan; chosen: ReturnType<typeof useWish> }) {
  const { whites, white, choose, steps, setSteps, most, setMost, keeps, setKeeps } = chosen
  return (
    <div className="mb-4 flex flex-wrap items-end gap-x-4 gap-y-2">
      <Choice
        label={t('Steps')}
        value={String(steps)}
        options={Array.from({ length: LADDER_STEPS.most - LADDER_STEPS.least + 1 }, (_, i) => ({
          value: String(i + LADDER_STEPS.least),
          text: String(i + LADDER_STEPS.least),
        }))}
        onValue={value => setSteps(Number(value))}
      />
      <Choice
        label={t('Lightened with')}
        value={white}
        options={[...whites.map(one => ({ value: one.id, text: one.name })), { value: BASE, text: t('plain batter') }]}
        onValue={choose}
      />
      {white === BASE ? (
        <KeptField keeps={keeps} plan={plan} onKeeps={setKeeps} />
      ) : (
        <MostField most={most} plan={plan} onMost={setMost} />
      )}
    </div>
  )
}

/** A ladder of tints from one cup: how many steps, lightened with what, and how pale in the end. */
export function LadderDialog({ plan, forecast, index, onClose }: Props) {
  const batch = useBatch()
  const habits = useHabits()
  const say = useSay()
  const toast = useToast()
  const cup = plan.cups[index]!
  const chosen = useWish()
  const { wish, steps } = chosen
  const { made, found } = useMemo(
    () => ladderOf(plan, forecast, batch.shelf, index, wish),
    [plan, forecast, batch.shelf, index, wish],
  )
  const apply = () => {
    if (!made.ok) return toast(made.sentence)
    const result = batch.edit({
      kind: 'many',
      edits: (['cups', 'score', 'ladders'] as const).map(key => ({
        kind: 'set',
        path: [key],
        value: made.plan[key],
      })),
    })
    if (!result.ok) return toast(result.sentence)
    onClose()
    toast(
      t('{cup} is now a ladder of {steps}. Its layer is as many layers, in pour order.', { cup: cup.name, steps }),
      {
        text: t('Undo'),
        run: () => batch.undo(),
      },
    )
  }
  return (
    <Ask open wide title={t('A ladder of tints from {cup}', { cup: cup.name })} onClose={onClose}>
      <p className="mb-3">
        {t(
          'Colour one mother cup. Pour the first step, lighten what is left, pour the next. The colour is weighed once.',
        )}
      </p>
      <WishFields plan={plan} chosen={chosen} />
      {found.ok ? (
        <>
          <p className="mb-2">
            {rich('Mother cup: {motherG} of batter, coloured at once.', {
              motherG: <strong>{showMass(found.motherG, habits)}</strong>,
            })}
          </p>
          <Rungs rungs={found.rungs} />
          {found.sentences.map(sentence => (
            <p key={say(sentence)} className="text-soft">
              · {say(sentence)}
            </p>
          ))}
        </>
      ) : (
        <p role="alert" className="text-rust">
          <Say of={found.sentence} />
        </p>
      )}
      <div className="mt-4 flex gap-3">
        <button className="button button-main" disabled={!found.ok} onClick={apply}>
          {t('Make the ladder')}
        </button>
        <button className="button" onClick={onClose}>
          {t('Leave it')}
        </button>
      </div>
    </Ask>
  )
}

const refused = (sentence: string) => ({ ok: false as const, path: '', sentence })

function KeptField({ keeps, plan, onKeeps }: { keeps: number; plan: Plan; onKeeps: (share: number) => void }) {
  return (
    <QuantityField
      label={t('Colour kept at each step')}
      kind="share"
      decimals={0}
      width={64}
      habits={useHabits()}
      value={keeps}
      onValue={value => {
        if (!(value >= 0.1 && value <= 0.95))
          return refused(t('From 10 to 95 % of the colour is kept; 50 % halves it.'))
        onKeeps(value)
        return { ok: true, plan }
      }}
    />
  )
}

function MostField({ most, plan, onMost }: { most: number; plan: Plan; onMost: (gPerKg: number) => void }) {
  return (
    <QuantityField
      label={t('White in the palest step')}
      kind="dose"
      width={64}
      habits={useHabits()}
      value={most}
      onValue={value => {
        if (!(value > 0 && value <= 50)) return refused(t('White is from above 0 to 50 g/kg; 6 to 8 is usual.'))
        onMost(value)
        return { ok: true, plan }
      }}
    />
  )
}

type Found = ReturnType<typeof ladderOf>['found']

/** The steps as they are poured, each in its colour. */
function Rungs({ rungs }: { rungs: Extract<Found, { ok: true }>['rungs'] }) {
  const habits = useHabits()
  const { sight } = useColourView()
  return (
    <ol className="mb-3">
      {rungs.map((rung, i) => {
        const hex = seenBy(rung.colour.hex, sight)
        return (
          <li key={i} className="flex min-h-13 items-center gap-4" style={{ background: hex, color: inkOn(hex) }}>
            <strong className="w-8 pl-3 text-lg">{i + 1}</strong>
            <span className="w-32">
              {rich('pour {pourG}', { pourG: <strong>{showMass(rung.pourG, habits)}</strong> })}
            </span>
            <span className="flex-1">
              {rung.addWhiteG > 0 &&
                t('then {addWhiteG} white into what is left', { addWhiteG: showMass(rung.addWhiteG, habits, 0.01) })}
              {rung.addBatterG > 0 &&
                t('then {addBatterG} plain batter into what is left', {
                  addBatterG: showMass(rung.addBatterG, habits),
                })}
            </span>
            <span className="pr-3 text-[13px]">
              {rung.stepDeltaE !== null &&
                t('ΔE {stepDeltaE} from the one before', { stepDeltaE: tidy(rung.stepDeltaE, 1) })}
            </span>
          </li>
        )
      })}
    </ol>
  )
}
