import { MAX_CUP_COLORANTS, MEDIA, doseOfSpoons, findById, newCupColorant, showMass, spoonsOf, at } from '@ostler/core'
import type { Colorant, Cup, CupColorant, EditResult, Medium, PortionColour } from '@ostler/core'
import { Trash2 } from 'lucide-react'
import { useBatch, useForecast, useHabits, usePlan } from '../plan/context.tsx'
import { AddChoice } from '../ui/add-choice.tsx'
import { Check } from '../ui/check.tsx'
import { Choice } from '../ui/choice.tsx'
import { PlanField, useTold } from './plan-field.tsx'
import { QuantityField } from '../ui/quantity.tsx'
import { smallMass } from '../ui/small-mass.ts'
import { Swatch } from '../ui/swatch.tsx'
import { colorantOptions } from '../ui/add-options.ts'
import { useSay } from '../ui/say.tsx'
import { t } from '../words/index.ts'

interface Props {
  cup: Cup
  index: number
  /** Leaves out what is seldom changed at the score. */
  brief?: boolean
}

/** What colours a cup: each colorant with its dose, its liquid, and the grams that follow. */
export function ColorantRows({ cup, index, brief = false }: Props) {
  const habits = useHabits()
  const batch = useBatch()
  const told = useTold()
  const set = (colorants: CupColorant[]) =>
    told(batch.edit({ kind: 'set', path: at(plan => plan.cups[index]!.colorants), value: colorants }))
  const unused = batch.shelf.colorants.filter(
    one => !one.archived && !cup.colorants.some(part => part.colorant === one.id),
  )
  const add = (id: string) => {
    const one = findById(batch.shelf.colorants, id)
    if (one) set([...cup.colorants, newCupColorant(one)])
  }
  return (
    <div className="flex flex-col gap-2">
      {cup.colorants.map((part, j) => (
        <Row
          key={part.colorant}
          index={index}
          at={j}
          part={part}
          brief={brief}
          onRemove={() => set(cup.colorants.filter((_, k) => k !== j))}
        />
      ))}
      {cup.colorants.length === 0 && <p className="text-soft">{t('Plain, no colour.')}</p>}
      {cup.colorants.length < MAX_CUP_COLORANTS ? (
        <AddChoice what={t('a colorant')} options={colorantOptions(unused, habits)} onAdd={add} />
      ) : (
        <p className="text-[13px] text-soft">{t('A cup has at most {what} colorants.', { what: MAX_CUP_COLORANTS })}</p>
      )}
    </div>
  )
}

interface RowProps {
  index: number
  at: number
  part: CupColorant
  brief: boolean
  onRemove: () => void
}

const BASES = [
  { value: 'batter', text: t('batter') },
  { value: 'oils', text: t('oils') },
] as const

/** Level teaspoons in a millilitre: five millilitres each. */
const ML_PER_SPOON = 5

/** "1 1/2 tsp" as a dose, by the weight of this powder's spoon. */
function spoonDose(colorant: Colorant | undefined, ml: number, portion: PortionColour | undefined, batterG: number) {
  const refused = (sentence: string): EditResult => ({ ok: false, path: 'dose', sentence })
  if (!colorant || !portion) return refused(t('This colorant is not on the shelf, so its spoons have no weight.'))
  const dose = doseOfSpoons(colorant, ml / ML_PER_SPOON, batterG)
  if (dose !== null) return dose
  return colorant.teaspoonG > 0
    ? refused(t('This cup holds nothing yet: give it a layer first, or type the dose in g/kg.'))
    : refused(
        t('Nobody has weighed a spoon of {colorant} yet: type g/kg, or weigh a level teaspoon for the shelf.', {
          colorant: colorant.name,
        }),
      )
}

function Row({ index, at, part, brief, onRemove }: RowProps) {
  const batch = useBatch()
  const habits = useHabits()
  const told = useTold()
  const portion = useForecast()?.portions.cups[index]
  const perOils = useForecast()?.recipe.batterPerOils ?? 1.4
  const colour = portion?.colours[at]
  const colorant = findById(batch.shelf.colorants, part.colorant)
  const path = (...keys: string[]) => ['cups', index, 'colorants', at, ...keys]
  const set = (key: keyof CupColorant, value: unknown) => batch.edit({ kind: 'set', path: path(key), value })
  const cup = usePlan(state => state.plan.cups[index]!.id)
  const setDose = (doseGPerKg: number) =>
    batch.edit({ kind: 'set-dose', cup, colorant: part.colorant, doseGPerKg }, `dose ${index} ${at}`)
  const setSpoons = (ml: number): EditResult => {
    const dose = spoonDose(colorant, ml, colour, portion?.batterG ?? 0)
    return typeof dose === 'number' ? setDose(Number((part.basis === 'oils' ? dose * perOils : dose).toFixed(4))) : dose
  }
  const name = colorant?.name ?? part.colorant
  return (
    <div role="group" aria-label={name} className="border-l-3 border-line pl-2.5">
      <div className="flex items-center gap-2">
        <Swatch hex={colorant?.hex ?? '#888888'} size={14} />
        <strong className="min-w-0 truncate">{name}</strong>
        <button className="quiet ml-auto" aria-label={t('Remove {name}', { name })} onClick={onRemove}>
          <Trash2 size={15} aria-hidden />
        </button>
      </div>
      {part.slurry === null ? (
        <div className="flex flex-wrap items-end gap-x-3 gap-y-1">
          <QuantityField
            label={t('Dose')}
            kind="dose"
            width={60}
            habits={habits}
            value={part.doseGPerKg}
            onValue={setDose}
            other={{ kind: 'volume', unit: 'tsp', onValue: setSpoons }}
          />
          {!brief && (
            <Choice
              label={t('Measured by')}
              value={part.basis}
              options={BASES}
              onValue={value => {
                const factor = value === part.basis ? 1 : value === 'oils' ? perOils : 1 / perOils
                const doseGPerKg = Number((part.doseGPerKg * factor).toPrecision(6))
                told(batch.edit({ kind: 'set', path: path(), value: { ...part, basis: value, doseGPerKg } }))
              }}
            />
          )}
          <Choice<Medium>
            label={t('Stirred into')}
            value={part.medium}
            options={(Object.keys(MEDIA) as Medium[]).map(medium => ({
              value: medium,
              text: medium === 'none' ? t('nothing, dry') : t(MEDIA[medium]),
            }))}
            onValue={value => told(set('medium', value))}
          />
          {part.medium !== 'none' && (
            <PlanField label={t('Liquid, times powder')} kind="plain" width={52} path={path('mediumRatio')} />
          )}
        </div>
      ) : (
        <SlurryFields path={path('slurry')} />
      )}
      {colour && <Follows colour={colour} colorant={colorant} brief={brief} />}
      {!brief && (
        <Check
          className="text-[13px]"
          label={t('from a slurry already made: its weights decide the dose')}
          checked={part.slurry !== null}
          onChange={on => told(set('slurry', on ? slurryOf(colour) : null))}
        />
      )}
    </div>
  )
}

/** What was weighed of a slurry already made, and how much of it goes in here. */
function SlurryFields({ path }: { path: (string | number)[] }) {
  const field = (label: string, key: string) => (
    <PlanField label={label} kind="mass" decimals={2} width={64} path={[...path, key]} />
  )
  return (
    <div className="flex flex-wrap items-end gap-x-3 gap-y-1">
      {field(t('Powder in it'), 'powderG')}
      {field(t('Liquid in it'), 'mediumG')}
      {field(t('Used here'), 'usedG')}
    </div>
  )
}

const tenths = (g: number): number => Math.round(g * 10) / 10

/** What is planned, as if it had been made up already. */
function slurryOf(colour: PortionColour | undefined) {
  const powderG = Math.max(0.1, tenths(colour?.powderG ?? 1))
  const mediumG = tenths(colour?.mediumG ?? 2)
  return { powderG, mediumG, usedG: tenths(powderG + mediumG) }
}

function Follows({
  colour,
  colorant,
  brief,
}: {
  colour: PortionColour
  colorant: Colorant | undefined
  brief: boolean
}) {
  const say = useSay()
  const habits = useHabits()
  const step = usePlan(state => state.plan.conditions.fineScaleStepG)
  if (!(colour.exact.powderG > 0)) return null
  const spoons = colorant ? spoonsOf(colorant, colour.powderG) : ''
  return (
    <p className="mt-0.5 text-[13px] text-soft">
      <strong className="text-[15px] text-ink">
        {smallMass(colour.powderG, colour.exact.powderG, habits, step)} {habits.mass}
      </strong>
      {colour.exact.mediumG > 0 &&
        t(' in {mediumG} {mass} {medium}', {
          mediumG: smallMass(colour.mediumG, colour.exact.mediumG, habits, step),
          mass: habits.mass,
          medium: colour.medium === 'none' ? t('liquid') : colour.medium,
        })}
      {colour.fromSlurry && t(' · true dose {doseGPerKg} g/kg', { doseGPerKg: Number(colour.doseGPerKg.toFixed(2)) })}
      {colour.slurryLeftG > 0.05 &&
        t(' · {slurryLeftG} of slurry left', { slurryLeftG: showMass(colour.slurryLeftG, habits, 0.1) })}
      {!brief && spoons !== '' && ` · ${say(spoons)}`}
    </p>
  )
}
