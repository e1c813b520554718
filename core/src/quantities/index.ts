/** What of these rooms is used outside the core. */
export { clauses, fact, inARow, isFact, isMeasure, listOf, together } from './facts/index.ts'
export type { Fact, FactList, FactValue, Measure, Words } from './facts/index.ts'
export {
  GRAMS_PER_OUNCE,
  IMPERIAL,
  METRIC,
  MM_PER_INCH,
  CHANCE_WORDS,
  chanceWords,
  massDecimals,
  massNumber,
  readQuantity,
  showLength,
  showMass,
  showMassDown,
  showMinutes,
  showShare,
  showTemperature,
  tidy,
} from './units/index.ts'
export type { DecimalMark, QuantityKind, UnitHabits } from './units/index.ts'
export { ENGLISH, said, say, showMeasure } from './words/index.ts'
export type { Catalogue } from './words/index.ts'
export type { Working } from './working/index.ts'
export type { Band } from './chance/index.ts'
