import type { Oil } from './ingredients.ts'

/** Mass fractions of the five fatty-acid groups that set the pace of a batter; they need not sum to 1. */
export interface FattyGroups {
  /** C6–C14 saturated: caprylic, capric, lauric, myristic. */
  shortSaturated: number
  /** Palmitic, stearic and longer. */
  longSaturated: number
  /** Oleic and other mono-unsaturated. */
  oleic: number
  ricinoleic: number
  /** Linoleic and linolenic. */
  polyunsaturated: number
}

/** The groups of one oil, from its fatty acids. */
export const fattyGroups = (oil: Oil): FattyGroups => ({
  shortSaturated: oil.shortChain + oil.lauric + oil.myristic,
  longSaturated: oil.palmitic + oil.stearic,
  oleic: oil.oleic,
  ricinoleic: oil.ricinoleic,
  polyunsaturated: oil.linoleic + oil.linolenic,
})

/** A free fatty acid sold as such, e.g. stearic acid: soap at first contact with lye. */
export const isFattyAcid = (oil: Oil): boolean => oil.freeAcidShare >= 0.5

/** Stays solid at room warmth. */
export const isHard = (oil: Oil): boolean => oil.texture !== 'soft'
