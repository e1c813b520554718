export { cupNotices } from './notices.ts'
export { colourOfSwatch, pigmentOfColorant } from './pigments.ts'

export { baseOf } from './base.ts'
export { browningOf } from './doses.ts'
export { PLANT_PLACES, plantFaces } from './plant-faces.ts'
export type { PlantPlace } from './plant-faces.ts'
export { GELS, STAGES, asReckoned, coloursOfPlan, gelOf, hexOfCup } from './colours.ts'
export type { GelShares } from './colours.ts'
export type { ColourForecast, CupColour, Gelled, Stage } from './colours.ts'
export { nearestColorants, newCupColorant, reachWish, stripOf, withDoses } from './wish.ts'
export type { WishAnswer } from './wish.ts'
export { LADDER_STEPS, applyLadder, ladderAsForecast, ladderFrom, ladderSteps } from './ladder.ts'
export type { LadderWish } from './ladder.ts'
export { asFilled, takeFilled } from './recovery.ts'
export type { Filled } from './recovery.ts'
export { doseOfSpoons, mixingCards, spoonsOf } from './cards.ts'
export type { MixingCard } from './cards.ts'
export { COLOUR_VISIONS, isLostTo, seenBy } from './colour-vision.ts'
export type { ColourVision } from './colour-vision.ts'
export {
  MOST_PALETTE_BYTES,
  correctedColour,
  mainColours,
  patchOf,
  readPalette,
  writeGpl,
  writePaletteJson,
} from './palettes.ts'
