import { deltaE, mixed } from '../colour/index.ts'
import type { SoapColour } from '../colour/index.ts'
import type { Plan } from '../../plan/index.ts'
import type { Portions } from '../../portions/index.ts'
import type { Shelf } from '../../shelf/index.ts'
import { baseOf } from './base.ts'
import { brownAt } from './colours.ts'
import { browningOf, commonDoses, ownDoses } from './doses.ts'

/** Where and when a colour that fades is looked at: the heart of a bar sees no light. */
export const PLANT_PLACES = {
  heart: 'inside, at the cut',
  hours: 'face, six hours later',
  dark: 'inside, at the end of cure',
  cured: 'face, cured on the rack',
  window: 'face, cured by a window',
} as const
export type PlantPlace = keyof typeof PLANT_PLACES

export interface PlantFaces {
  /** Names of the colorants that fade or darken. */
  names: string[]
  /** Not gelled and gelled. */
  faces: Record<PlantPlace, { no: SoapColour; yes: SoapColour }>
  /** What light takes of the face until the end of cure, ΔE, not gelled and gelled. */
  lost: { no: number; yes: number }
}

/** Hours after a cut in which air has dulled a fresh face. */
const HOURS_LATER = 6 / 24
const LIGHTS = { dark: 0, room: 1, window: 3 } as const
/** Less than that of a colorant goes in light: it does not count as one that fades. */
const FADES = 0.05

/** A cup with colorants that light takes, by place; null where it has none. */
export function plantFaces(plan: Plan, portions: Portions, shelf: Shelf, i: number): PlantFaces | null {
  const base = baseOf(plan, shelf)
  const doses = [...commonDoses(plan, shelf), ...ownDoses(portions, i, shelf)]
  const fading = doses.filter(({ colorant }) => Math.abs(colorant.fadeShare) >= FADES)
  if (fading.length === 0) return null
  const browning = browningOf(plan, portions, i, shelf)
  const { cutDays } = plan.colour
  const curedDays = Math.max(cutDays, plan.colour.curedDays)
  const at = (days: number, light: number) => {
    const of = (gel: number) => mixed(base, doses, { days, gel, light }, brownAt(browning, plan, days))
    return { no: of(0), yes: of(1) }
  }
  const faces = {
    heart: at(cutDays, LIGHTS.dark),
    hours: at(cutDays + HOURS_LATER, LIGHTS.room),
    dark: at(curedDays, LIGHTS.dark),
    cured: at(curedDays, LIGHTS.room),
    window: at(curedDays, LIGHTS.window),
  }
  const lost = (gelled: 'no' | 'yes') => deltaE(faces.dark[gelled].lab, faces.cured[gelled].lab)
  return { names: fading.map(({ colorant }) => colorant.name), faces, lost: { no: lost('no'), yes: lost('yes') } }
}
