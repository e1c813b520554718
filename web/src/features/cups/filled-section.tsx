import { asFilled, asReckoned, listOf, showMass, takeFilled, at } from '@ostler/core'
import type { CupActual, EditResult, Forecast, Plan } from '@ostler/core'
import { useState } from 'react'
import { useBatch, useHabits } from '../../plan/context.tsx'
import { Check } from '../../ui/check.tsx'
import { useTold } from '../../parts/plan-field.tsx'
import { QuantityField } from '../../ui/quantity.tsx'
import { Section } from '../../ui/section.tsx'
import { Swatch } from '../../ui/swatch.tsx'
import { useToast } from '../../ui/toast.tsx'
import { useSay } from '../../ui/say.tsx'
import { rich, say, showShare, t, tidy } from '../../words/index.ts'

/** A division done by eye or by jug marks, entered afterwards: what each cup really is, and what it still needs. */
export function FilledSection({ plan, forecast }: { plan: Plan; forecast: Forecast }) {
  const batch = useBatch()
  const told = useTold()
  const toast = useToast()
  const say = useSay()
  const [isOpen, setOpen] = useState(plan.division.actual.length > 0)
  const { portions } = forecast
  const reckoned = asReckoned(plan, forecast.colours)
  const filled = asFilled(reckoned, portions, batch.shelf)
  const wasFilled = plan.division.actual.length > 0
  const set = (actual: CupActual[]) =>
    batch.edit({ kind: 'set', path: at(plan => plan.division.actual), value: actual })
  const take = () => {
    const result = takeFilled(plan, portions, batch.shelf, reckoned)
    if (!result.ok) return told(result)
    // What was filled becomes the plan in one step of undo.
    const edited = batch.edit({
      kind: 'many',
      edits: (['cups', 'score', 'division'] as const).map(key => ({
        kind: 'set',
        path: [key],
        value: result.plan[key],
      })),
    })
    told(edited)
    if (edited.ok) toast(t('The plan is now as the cups were filled.'), { text: t('Undo'), run: () => batch.undo() })
  }
  return (
    <Section title={t('Filled by eye')}>
      <Check label={t('write down what the cups really hold')} checked={isOpen || wasFilled} onChange={setOpen} />
      {(isOpen || wasFilled) && (
        <>
          <ul className="mt-1">
            {plan.cups.map((cup, i) => (
              <FilledRow key={cup.id} plan={plan} forecast={forecast} index={i} filled={filled.cups[i]!} onSet={set} />
            ))}
          </ul>
          {wasFilled && (
            <div className="mt-2 flex flex-col gap-1.5">
              {filled.sentences.map(sentence => (
                <p key={say(sentence)} className="text-rust">
                  △ {say(sentence)}
                </p>
              ))}
              <div className="flex flex-wrap gap-3">
                <button className="button button-main" onClick={take}>
                  {t('Make this the plan')}
                </button>
                <button className="button" onClick={() => told(set([]))}>
                  {t('Clear')}
                </button>
              </div>
            </div>
          )}
        </>
      )}
    </Section>
  )
}

/** A top-up is weighed on the fine scale. */
const FINE_G = 0.01

interface RowProps {
  plan: Plan
  forecast: Forecast
  index: number
  filled: ReturnType<typeof asFilled>['cups'][number]
  onSet: (actual: CupActual[]) => EditResult
}

function FilledRow({ plan, index, filled, onSet }: RowProps) {
  const habits = useHabits()
  const cup = plan.cups[index]!
  const written = plan.division.actual.find(one => one.cup === cup.id)
  const others = plan.division.actual.filter(one => one.cup !== cup.id)
  const put = (actual: CupActual) => onSet([...others, actual])
  const density = plan.conditions.densityGPerMl
  const setBatter = (batterG: number) =>
    put({ cup: cup.id, batterG, colouredG: written?.colouredG ?? null, powders: written?.powders ?? [] })
  const byVolume = (ml: number) => setBatter(Number((ml * density).toFixed(2)))
  const topUps = [
    ...filled.colours
      .filter(part => part.topUpG > 0.005)
      .map(part => `${showMass(part.topUpG, habits, FINE_G)} ${part.name}`),
    ...(filled.scentTopUpG > 0.005
      ? [t('{scentTopUpG} scent', { scentTopUpG: showMass(filled.scentTopUpG, habits, FINE_G) })]
      : []),
  ]
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line py-1.5">
      <span className="flex min-w-36 items-center gap-2 font-semibold">
        <Swatch hex={filled.colour.hex} /> {cup.name}
      </span>
      <QuantityField
        bare
        label={t('{cup} really holds', { cup: cup.name })}
        kind="mass"
        width={76}
        habits={habits}
        value={filled.batterG}
        onValue={setBatter}
        other={{ kind: 'volume', unit: 'ml', onValue: byVolume }}
      />
      <span className="text-[13px] text-soft">
        {t('planned {plannedG}', { plannedG: showMass(filled.plannedG, habits) })}
      </span>
      {written && (
        <>
          <span className="text-[13px]">
            {t('{shareOfSoap} of the soap{colours}{scentOfOils}', {
              shareOfSoap: showShare(filled.shareOfSoap),
              colours: filled.colours
                .map(part =>
                  t(' · {part} {doseGPerKg} g/kg', { part: part.name, doseGPerKg: tidy(part.doseGPerKg, 2) }),
                )
                .join(''),
              scentOfOils:
                filled.scentOfOils > 0 &&
                t(' · scent {scentOfOils} of oils', { scentOfOils: showShare(filled.scentOfOils, 2) }),
            })}
          </span>
          <Coloured written={written} name={cup.name} colours={filled.colours} onPut={put} />
          {topUps.length > 0 && (
            <strong className="w-full">{t('Add {topUps}.', { topUps: say(listOf(topUps)) })}</strong>
          )}
        </>
      )}
    </li>
  )
}

interface ColouredProps {
  written: CupActual
  name: string
  colours: ReturnType<typeof asFilled>['cups'][number]['colours']
  onPut: (actual: CupActual) => EditResult
}

/** A cup that was made larger after it was coloured: what it held then, and how much of each powder is in it. */
function Coloured({ written, name, colours, onPut }: ColouredProps) {
  const habits = useHabits()
  const told = useTold()
  const isLater = written.colouredG !== null
  const field = (label: string, value: number, onValue: (massG: number) => EditResult) => (
    <QuantityField bare label={label} kind="mass" width={76} habits={habits} value={value} onValue={onValue} />
  )
  const setPowder = (colorant: string, massG: number) =>
    onPut({ ...written, powders: [...written.powders.filter(one => one.colorant !== colorant), { colorant, massG }] })
  return (
    <span className="flex flex-wrap items-center gap-2 text-[13px]">
      <Check
        label={t('enlarged after colouring')}
        checked={isLater}
        onChange={on => told(onPut({ ...written, colouredG: on ? written.batterG : null, powders: [] }))}
      />
      {isLater && (
        <>
          {rich('from{field}{colours}', {
            field: field(t('What {name} held when it was coloured', { name }), written.colouredG!, colouredG =>
              onPut({ ...written, colouredG }),
            ),
            colours: colours.length > 0 && t('with'),
          })}
          {colours.map(part => (
            <span key={part.colorant} className="flex items-center gap-2">
              {rich('{field}{part} in it', {
                field: field(t('{part} that is in {name} already', { part: part.name, name }), part.powderG, massG =>
                  setPowder(part.colorant, massG),
                ),
                part: part.name,
              })}
            </span>
          ))}
        </>
      )}
    </span>
  )
}
