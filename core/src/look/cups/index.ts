export { cupNotices } from './notices.ts'
export { colourOfSwatch, pigmentOfColorant } from './pigments.ts'
export type { KnownPigment } from './pigments.ts'
export { baseOf } from './base.ts'
export { ALIKE, GELS, STAGES, asReckoned, coloursOfPlan, gelOf } from './colours.ts'
export type { GelShares } from './colours.ts'
export type { ColourForecast, CupColour, Gelled, Stage } from './colours.ts'
export { nearestColorants, newCupColorant, reachWish, stripOf, withDoses } from './wish.ts'
export type { StripStep, WishAnswer } from './wish.ts'
export { LADDER_STEPS, applyLadder, ladderAsForecast, ladderFrom, ladderSteps } from './ladder.ts'
export type { LadderPlan, LadderRung, LadderStep, LadderWish } from './ladder.ts'
export { asFilled, takeFilled } from './recovery.ts'
export type { Filled, FilledCup } from './recovery.ts'
export { doseOfSpoons, mixingCards, spoonsOf } from './cards.ts'
export type { CardLine, MixingCard } from './cards.ts'
export { COLOUR_VISIONS, isLostTo, seenBy } from './colour-vision.ts'
export type { ColourVision } from './colour-vision.ts'
export {
  MOST_PALETTE_BYTES,
  PALETTE_FORMAT,
  correctedColour,
  mainColours,
  patchOf,
  readPalette,
  writeGpl,
  writePaletteJson,
} from './palettes.ts'
export type { Corrected, PaletteRead, Patch } from './palettes.ts'
