import {
  GELS,
  PLANT_PLACES,
  VANILLIN_ANSWERS,
  plantFaces,
  seenBy,
  showMass,
  vanillinAnswers,
  whiteChoices,
  listOf,
} from '@ostler/core'
import type { Forecast, Plan, PlantPlace, VanillinAnswer } from '@ostler/core'
import { useMemo, useState } from 'react'
import { useColourView } from '../../plan/colour-view.ts'
import { useBatch, useHabits } from '../../plan/context.tsx'
import { useTold } from '../../parts/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { Slider } from '../../ui/slider.tsx'
import { fixed, rich, say, t, tidy } from '../../words/index.ts'

interface Props {
  plan: Plan
  forecast: Forecast
  index: number
}

function Patch({ hex, what }: { hex: string; what: string }) {
  const { sight } = useColourView()
  return (
    <span
      role="img"
      aria-label={`${what}: ${hex}`}
      className="block h-10 w-full min-w-12 border border-line"
      style={{ background: seenBy(hex, sight) }}
    />
  )
}

/** What can be done about a scent that browns this cup: four answers side by side, each with what it costs. */
export function VanillinSection({ plan, index }: Props) {
  const { shelf } = useBatch()
  const cup = plan.cups[index]!
  const answers = useMemo(() => vanillinAnswers(plan, shelf, index), [plan, shelf, index])
  if (answers.length === 0) return null
  return (
    <Section title={t('{cup} and its vanillin', { cup: cup.name })}>
      <ul className="grid grid-cols-4 gap-3 max-[900px]:grid-cols-2">
        {answers.map(answer => (
          <Answer key={answer.kind} answer={answer} />
        ))}
      </ul>
      <p className="mt-2 text-[13px] text-soft">
        {t(
          'Cured. Not sure? Half of the cup with, half without, in a trial. A stabiliser’s own document says how much of it, and whether it holds in cold process.',
        )}
      </p>
    </Section>
  )
}

function Answer({ answer: { kind, hex, deltaE, moreG, edit } }: { answer: VanillinAnswer }) {
  const batch = useBatch()
  const told = useTold()
  const habits = useHabits()
  const costs: Record<VanillinAnswer['kind'], string> = {
    plain: t('the scent of this cup'),
    stabiliser: t('{moreG} of stabiliser', { moreG: showMass(moreG, habits, 0.1) }),
    white: t('{moreG} of white; thicker, and chalky where it is much', { moreG: showMass(moreG, habits, 0.1) }),
    brown: t('nothing; the design has to suit brown'),
  }
  return (
    <li className="flex flex-col gap-1 bg-paper p-2">
      <Patch hex={hex} what={t(VANILLIN_ANSWERS[kind])} />
      <strong className="leading-tight">{t(VANILLIN_ANSWERS[kind])}</strong>
      <span className="text-[13px]">
        {deltaE < 1 ? t('does not brown') : t('ΔE {deltaE} from unscented', { deltaE: tidy(deltaE, 0) })}
        <span className="block text-soft">{t('costs {kind}', { kind: costs[kind] })}</span>
      </span>
      {edit && (
        <button className="button mt-auto min-h-9 self-start" onClick={() => told(batch.edit(edit))}>
          {t('Take it')}
        </button>
      )}
    </li>
  )
}

/** Whites of the shelf in this base, at one dose. */
export function WhitesSection({ plan }: Props) {
  const { shelf } = useBatch()
  const [dose, setDose] = useState(6)
  const whites = useMemo(() => whiteChoices(plan, shelf, dose), [plan, shelf, dose])
  if (whites.length === 0) return null
  return (
    <Section title={t('Whites in this base')}>
      <p className="text-[13px]">{rich('each at {dose}', { dose: <strong>{t('{dose} g/kg', { dose })}</strong> })}</p>
      <Slider label={t('Dose of every white')} value={dose} most={12} step={0.5} onValue={setDose} />
      <table className="mt-2 w-full max-w-180">
        <thead>
          <tr className="border-b border-ink text-left text-[13px] text-soft">
            <th className="py-1 font-normal">{t('white')}</th>
            <th className="w-24 font-normal">{t(GELS.no)}</th>
            <th className="w-24 font-normal">{t(GELS.yes)}</th>
            <th className="pl-3 text-right font-normal">{t('lighter by, L*')}</th>
            <th className="pl-3 text-right font-normal">{t('trace, with its liquid')}</th>
            <th className="pl-3 font-normal">{t('at the cut')}</th>
          </tr>
        </thead>
        <tbody>
          {whites.map(white => (
            <tr key={white.id} className="border-b border-line">
              <td className="py-1 pr-2">{white.name}</td>
              <td>
                <Patch hex={white.hex.no} what={`${white.name}, ${t(GELS.no)}`} />
              </td>
              <td>
                <Patch hex={white.hex.yes} what={`${white.name}, ${t(GELS.yes)}`} />
              </td>
              <td className="pl-3 text-right font-semibold">{tidy(white.lightness.no - white.plainLightness, 1)}</td>
              <td className="pl-3 text-right">× {fixed(white.thickens, 2)}</td>
              <td className={`pl-3 ${white.drags ? 'text-rust' : ''}`}>
                {white.drags ? t('△ drags, chalky') : t('clean')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-[13px] text-soft">
        {t('Estimates until a swatch of your own is on the shelf. Much white and much water, gelled, run in rivers.')}
      </p>
    </Section>
  )
}

const PLACES = Object.keys(PLANT_PLACES) as PlantPlace[]
/** So much further gel keeps a colour, ΔE: worth a word. */
const KEEPS = 2

/** A cup whose colour light takes: inside the bar, at its face, by a window. */
export function PlantSection({ plan, forecast, index }: Props) {
  const { shelf } = useBatch()
  const cup = plan.cups[index]!
  const found = useMemo(
    () => plantFaces(plan, forecast.portions, shelf, index),
    [plan, forecast.portions, shelf, index],
  )
  if (!found) return null
  const { names, faces, lost } = found
  return (
    <Section title={t('{cup}, inside and outside', { cup: cup.name })}>
      <table className="w-full max-w-180 table-fixed">
        <thead>
          <tr className="align-bottom text-[13px] text-soft">
            <th className="w-24" />
            {PLACES.map(place => (
              <th key={place} className="px-0.5 font-normal">
                {t(PLANT_PLACES[place])}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {(['no', 'yes'] as const).map(gelled => (
            <tr key={gelled}>
              <th className="text-left font-normal">{t(GELS[gelled])}</th>
              {PLACES.map(place => (
                <td key={place} className="px-0.5">
                  <Patch hex={faces[place][gelled].hex} what={`${t(PLANT_PLACES[place])}, ${t(GELS[gelled])}`} />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 max-w-180">
        {t(
          'Light takes ΔE {no} of {names} at the face until the end of cure{no2}. Steeped in an oil, a plant gives less colour without specks and holds it longer than as powder; a dark, airy rack and a carton keep what is there. Try it on one bar before it is sold.',
          {
            no: tidy(lost.no, 0),
            names: say(listOf(names)),
            no2: lost.no - lost.yes > KEEPS ? t(', {yes} where it gels: let it gel', { yes: tidy(lost.yes, 0) }) : '',
          },
        )}
      </p>
    </Section>
  )
}
