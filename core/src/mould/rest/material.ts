import { CONSTANTS, NAOH_KG_PER_MOL } from '../../quantities/constants/index.ts'
import { emulsionEffect, quicknessOf } from '../../batter/standing/index.ts'
import { GEL_J_PER_KG, K_LYE, K_OIL, SUGAR_J_PER_KG } from './constants.ts'

/** Heat of saponification, J per mol NaOH: handbook. */
const HEAT_J_PER_MOL = 1000 * CONSTANTS.saponificationHeat.value

/** What a batter brings to the mould; shares of the oils' mass unless said otherwise. */
export interface MaterialInput {
  /** Saponification value of the oils, mg KOH/g. */
  sapKohMgPerG: number
  superfatShare: number
  /** NaOH of NaOH and all water. */
  lyeConcentration: number
  /** kg per kg of oils. */
  scent: number
  sugar: number
  solids: number
  /** Fatty acids by mass: C8–C14, C16 and C18 saturated, polyunsaturated, ricinoleic. */
  short: number
  long: number
  poly: number
  ricinoleic: number
  /** How much a scent and what else quickens it multiply the rate. */
  acceleration: number
  /** How complete the emulsion is as it is poured, 0…1; whole unless given. */
  emulsion?: number
}

/** A batter as the heat model needs it. SI units. */
export interface Material {
  superfatShare: number
  /** Mass share of water in the batter. */
  water: number
  /** J/(kg·K) at 50 °C. */
  cp50: number
  /** kg/m³ and W/(m·K) of fresh batter. */
  density: number
  conductivity: number
  /** J per kg of batter from nothing to fully reacted; and taken up by gelling. */
  heat: number
  gelHeat: number
  /** Temperature at which it gels, °C. */
  gelC: number
  /** Factor on the rate. */
  quickness: number
  /** Sugar per kg of oils, for browning. */
  sugar: number
}

/** Gel temperature, °C, from the water in the batter and the long saturated acids (E, ± 2.5 K). */
export function gelTemperature(water: number, long: number): number {
  const dry = 0.245 - water
  const rise = dry > 0 ? 40 * dry + 2200 * dry * dry : 120 * dry
  return Math.min(100, Math.max(50, 58 + rise + 10 * (long - 0.25)))
}

/** Properties of a batter per kg. Valid for 25–45 % lye, saponification values of 170–260 and up to 25 % superfat. */
export function materialOf(input: MaterialInput): Material {
  const { superfatShare, lyeConcentration: c, scent, sugar, solids } = input
  const mol = (input.sapKohMgPerG / CONSTANTS.kohMolarMass.value) * (1 - superfatShare)
  const naoh = NAOH_KG_PER_MOL * mol
  const water = naoh * (1 / c - 1)
  const lye = naoh + water
  const mass = 1 + lye + scent + sugar + solids
  const lyeVolume = lye / (1000 * (1 + 1.1 * c))
  const volume = (1 + scent) / 915 + lyeVolume + (sugar + solids) / 1500
  const lyeShare = lyeVolume / volume
  return {
    superfatShare,
    water: water / mass,
    cp50: (2050 * (1 + scent) + lye * (4180 - 2000 * c) + 1300 * sugar + 1000 * solids) / mass,
    density: mass / volume,
    conductivity: Math.pow(K_OIL, 1 - lyeShare) * Math.pow(K_LYE, lyeShare),
    heat: (HEAT_J_PER_MOL * mol + SUGAR_J_PER_KG * sugar) / mass,
    gelHeat: GEL_J_PER_KG,
    gelC: gelTemperature(water / mass, input.long),
    quickness: quicknessOf(input) * input.acceleration * emulsionEffect(input.emulsion ?? 1),
    sugar,
  }
}
