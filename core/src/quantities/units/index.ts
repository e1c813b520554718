export { readQuantity, GRAMS_PER_OUNCE, GRAMS_PER_POUND, MM_PER_INCH } from './quantity.ts'
export type { QuantityKind } from './quantity.ts'

export type { DecimalMark } from './number.ts'
export {
  METRIC,
  IMPERIAL,
  tidy,
  CHANCE_WORDS,
  chanceWords,
  marked,
  massDecimals,
  showMass,
  showMassDown,
  massNumber,
  showLength,
  showTemperature,
  showShare,
  showMinutes,
} from './format.ts'
export type { UnitHabits } from './format.ts'
