/**
 * Constants that models share and that makers are shown: one value each, with its unit, where it is from and how sure it is.
 * A formula on a page writes them with `shown`, so what is read is what was reckoned with. Constants that only one model
 * knows stand beside it.
 */
export interface Constant {
  value: number
  unit: string
  source: string
  /** H: handbook or textbook; F: fitted to what makers report; E: engineering estimate. */
  certainty: 'H' | 'F' | 'E'
}

export const CONSTANTS = {
  naohMolarMass: { value: 39.997, unit: 'g/mol', source: 'standard atomic weights', certainty: 'H' },
  kohMolarMass: { value: 56.106, unit: 'g/mol', source: 'standard atomic weights', certainty: 'H' },
  waterMolarMass: { value: 18.015, unit: 'g/mol', source: 'standard atomic weights', certainty: 'H' },
  saponificationHeat: {
    value: 57,
    unit: 'kJ/mol NaOH',
    source: 'heats of formation of ester, acid, alcohol and their ions, and of mixing; textbooks 55 to 60',
    certainty: 'H',
  },
  oilHeatCapacity: { value: 2.05, unit: 'kJ/(kg·K)', source: 'handbook, liquid fats at 20 to 60 °C', certainty: 'H' },
  pouringLoss: { value: 0.5, unit: 'K', source: 'thin stream through room air', certainty: 'E' },
  batterDensity: { value: 1.03, unit: 'g/ml', source: 'oils and lye by volume', certainty: 'E' },
  curedPerOils: {
    value: 1.25,
    unit: 'g of bar per g of oils, at least',
    source: 'mass balance after the cure',
    certainty: 'E',
  },
} as const satisfies Readonly<Record<string, Constant>>

export type ConstantName = keyof typeof CONSTANTS

/** Its number as a formula on a page writes it. */
export const shown = (name: ConstantName): string => String(CONSTANTS[name].value)

/** Pure NaOH that does the work of a gram of KOH, g. */
export const NAOH_PER_KOH = CONSTANTS.naohMolarMass.value / CONSTANTS.kohMolarMass.value
const G_PER_KG = 1000
export const NAOH_KG_PER_MOL = CONSTANTS.naohMolarMass.value / G_PER_KG
export const WATER_KG_PER_MOL = CONSTANTS.waterMolarMass.value / G_PER_KG
