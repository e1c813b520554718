export { choiceOf, clauses, fact, inARow, isFact, listOf, opening, together } from './fact.ts'
export type { Fact, FactList, FactValue, Words } from './fact.ts'
export {
  celsius,
  chance,
  grams,
  halfMinutes,
  isMeasure,
  keepingZeros,
  kilograms,
  millimetres,
  plain,
  share,
  warmerBy,
} from './measure.ts'
export type { Measure, MeasureKind } from './measure.ts'
