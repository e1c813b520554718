import type { OilInRecipe } from '../../recipe/index.ts'
import type { Oil } from '../../shelf/index.ts'

/**
 * Solid fat of a blend: five components that crystallise independently, with ideal solubility in the liquid rest.
 * Melting points (°C) and heats (kJ/mol) were fitted to typical solid-fat tables, ±5 points between 15 and 35 °C; the form
 * is an engineering estimate. Crystal form and thermal history are left out.
 */
const COMPONENTS: readonly {
  part: (oil: Oil) => number
  meltC: number
  heatKjPerMol: number
  /** kJ per kg of solid. */
  latentKjPerKg: number
}[] = [
  { part: oil => oil.solidTri, meltC: 51, heatKjPerMol: 122, latentKjPerKg: 200 },
  { part: oil => oil.solidSus, meltC: 34.4, heatKjPerMol: 130, latentKjPerKg: 155 },
  { part: oil => oil.solidLauricHigh, meltC: 29.7, heatKjPerMol: 131, latentKjPerKg: 130 },
  { part: oil => oil.solidLauricLow, meltC: 21.5, heatKjPerMol: 90, latentKjPerKg: 110 },
  { part: oil => oil.solidWax, meltC: 63, heatKjPerMol: 180, latentKjPerKg: 180 },
]

const GAS_CONSTANT = 8.314

const saturation = (meltC: number, heatKjPerMol: number, c: number): number =>
  Math.min(1, Math.exp(-((1000 * heatKjPerMol) / GAS_CONSTANT) * (1 / (c + 273.15) - 1 / (meltC + 273.15))))

/** Fractions of the whole fat in each crystallising component, in the order of the model. */
export const solidParts = (oils: readonly OilInRecipe[]): number[] =>
  COMPONENTS.map(({ part }) => oils.reduce((sum, oil) => sum + oil.share * part(oil.oil), 0))

/** Solid fraction of the fat at equilibrium, 0…1, at `c` °C. */
export const solidShare = (parts: readonly number[], c: number): number =>
  solidsAt(parts, c).reduce((sum, solid) => sum + solid, 0)

/** Heat held back by what is solid at `c` °C, kJ per kg of fat. */
export const latentHeat = (parts: readonly number[], c: number): number =>
  solidsAt(parts, c).reduce((sum, solid, j) => sum + solid * COMPONENTS[j]!.latentKjPerKg, 0)

/** What is solid of each component at equilibrium, shares of the fat. */
function solidsAt(parts: readonly number[], c: number): number[] {
  const saturations = COMPONENTS.map(({ meltC, heatKjPerMol }) => saturation(meltC, heatKjPerMol, c))
  const solidAt = (liquid: number) => parts.reduce((sum, x, j) => sum + Math.max(0, x - saturations[j]! * liquid), 0)
  let low = 0
  let high = 1
  for (let halving = 0; halving < 50; halving += 1) {
    const liquid = (low + high) / 2
    // Of several solutions (a pure wax above its melting point fits any) the most liquid one is meant.
    if (1 - solidAt(liquid) >= liquid - 1e-12) low = liquid
    else high = liquid
  }
  const liquid = (low + high) / 2
  return parts.map((x, j) => Math.max(0, x - saturations[j]! * liquid))
}

/** Lowest temperature in °C, in steps of 0.25 K from 0, at which at most 0.5 % of the fat is solid: warmer, there is ever less. */
export function clearPoint(parts: readonly number[]): number {
  let low = 0
  let high = 400
  while (low < high) {
    const mid = (low + high) >> 1
    if (solidShare(parts, mid / 4) <= 0.005) high = mid
    else low = mid + 1
  }
  return low / 4
}

const TABLE_TOP_C = 100

/**
 * The same solid fraction read from a table with 0.5 K steps from 0 to 100 °C that fills as it is used: a lane asks thousands
 * of times.
 */
export function solidShareTable(parts: readonly number[]): (c: number) => number {
  if (parts.every(x => x === 0)) return () => 0
  const known = new Float64Array(2 * TABLE_TOP_C + 2).fill(NaN)
  const at = (step: number) => {
    const value = known[step]!
    return value === value ? value : (known[step] = solidShare(parts, step / 2))
  }
  return c => {
    const twice = Math.min(Math.max(c, 0), TABLE_TOP_C) * 2
    const step = Math.floor(twice)
    const part = twice - step
    return at(step) * (1 - part) + at(step + 1) * part
  }
}
