export {
  ANSWERS,
  QUALITIES,
  ENTRY_KINDS,
  TESTED_BY,
  GONE_WAYS,
  MOST_ENTRIES,
  RecordEntry,
  YIELD_PARTS,
} from './entry.ts'
export type { Answer, Quality, EntryKind, TestedBy, GoneWay, YieldPart } from './entry.ts'
export { heldEntries, recordFold } from './fold.ts'
export type { RecordState } from './fold.ts'
export { LIVES, dayAfter, daysBetween, lifeOf } from './life.ts'
export type { Life, LifeFacts } from './life.ts'
export { DUE_KINDS, dueOf, inOrder, lastDays } from './due.ts'
export type { Due, DueFacts, DueKind } from './due.ts'
export { readEntries } from './read.ts'
export { sharedEntries } from './shared.ts'
export { SIGN_STAGES } from './sign.ts'
export type { Sign, SignNeeds, SignStage } from './sign.ts'
export { SIGNS, signOf, signsLike } from './signs.ts'
export { yieldReckoned } from './yield.ts'
export type { YieldReckoned } from './yield.ts'
export {
  COST_GROUPS,
  Pricing,
  USUAL_PRICING,
  costReckoned,
  costVariants,
  inBand,
  marginAt,
  priceFor,
  spent,
} from './price.ts'
export type { CostFacts, CostGroup, CostReckoned, CostVariant } from './price.ts'
export { SHARED, concerning, sharedBy } from './lessons.ts'
export type { Shared } from './lessons.ts'
export { LotBooking, LotTaking, LotUse, bookLots, fromLots, shortWords } from './lots.ts'
export type { Booked, LotBatch, ShortLot } from './lots.ts'
export { stockDues } from './stock-due.ts'
export type { StockFacts } from './stock-due.ts'
export { RackPlan, RackPlace, USUAL_RACK, placeUses } from './rack.ts'
export type { PlaceUse } from './rack.ts'
