/** What is known of a batch whose soap went wrong. Null, or the ordinary value: not known, and then it moves nothing. */
export interface Facts {
  /** Superfat as planned; as the weights that were written down make it, with the oils' values low and high; null: the lye was not written down. */
  sfPlan: number
  sf: number
  sfLow: number
  sfHigh: number
  sfWeighed: number | null
  /** Of the richest cup, added to what the batch has. */
  sfCupMax: number
  /** Weights that decide the lye: how many, and the share of them that was written down. */
  lines: number
  weighedShare: number
  /** A recipe from elsewhere that nobody has reckoned anew. */
  foreign: boolean
  lyeOld: boolean
  uncountedAcid: boolean
  /** How complete the emulsion was as it was divided, and when blending stops early, once in ten; 0…1. */
  emulsion: number
  early: number
  splitChance: number
  /** Superfat of the leanest cup when blending stops early. */
  leanest: number
  /** The hold test. */
  emulsionHeld: boolean | null
  /** Seconds blended over seconds forecast. */
  blendRatio: number | null
  /** Levels of trace that solid fat alone makes; and K above the point where all fat is clear. */
  falseLift: number
  overClear: number
  mixC: number
  stopLevel: number
  lyeConc: number
  waterShare: number
  lyeClear: boolean | null
  hardShare: number
  iodine: number
  brittleShare: number
  waxShare: number
  stearicShare: number
  castor: number
  scent: boolean
  /** ln of the factor on the rate, of the quickest scent. */
  scentF: number
  scentTested: boolean
  riceP: number
  separates: 'none' | 'low' | 'medium' | 'high'
  /** g per kg of batter that no stabiliser holds. */
  vanillinG: number
  scentOfOils: number
  scentOverLimit: boolean
  scentMissed: boolean
  topNotes: boolean
  milkShare: number
  milkFrozen: boolean | null
  sugarShare: number
  saltShare: number
  powderShare: number
  coarse: boolean
  colours: number
  dies: boolean
  shifts: boolean
  fades: boolean
  dye: boolean
  dryPowder: boolean
  clumps: boolean
  /** Of the whitest cup, g per kg. */
  whiteG: number
  layers: number
  cups: number
  /** Chances that a pour fails by being not carried, too thick, too thin. */
  carryFail: number
  thickFail: number
  thinFail: number
  /** Longest wait between two layers, min; and how thick the lower one stood. */
  waitMax: number
  lowerStanding: number | null
  micaLine: boolean
  toppings: boolean
  embeds: boolean
  embedDays: number | null
  embedOther: boolean
  passes: number
  /** mm. */
  drop: number
  tapped: boolean | null
  whisk: boolean
  gelNone: number
  gelPart: number
  gelFull: number
  crack: number
  volcano: number
  riversIx: number
  ash: number
  browning: number
  /** Hottest reading over 88 °C, K. */
  peakOver: number | null
  chilled: boolean
  /** Batter over mould as it was poured, K. */
  coldStart: number
  pieced: boolean
  level: boolean | null
  /** Hours out of the mould before the earliest forecast; hours cut after the earliest cut. */
  unmouldLead: number | null
  cutLag: number | null
  wiped: boolean | null
  wire: boolean | null
  /** Since the pour. */
  days: number
  damp: boolean | null
  turned: boolean | null
  oilsPast: boolean
  tapWater: boolean
  badMetal: boolean
  chelator: boolean
  /** What the maker said or did that rules ask for. */
  rewarmed: boolean
  cookedOut: boolean
  lyeTwice: boolean
  stingElsewhere: boolean
  foreignMatter: boolean
  /** Tests made properly, as section “tests” has them, and all of them normal. */
  testsNormal: boolean
}

/** An ordinary batch, of which nothing special is known. */
export const ORDINARY: Facts = {
  sfPlan: 0.05,
  sf: 0.05,
  sfLow: 0.018,
  sfHigh: 0.083,
  sfWeighed: null,
  sfCupMax: 0,
  weighedShare: 0,
  lines: 7,
  foreign: false,
  lyeOld: false,
  uncountedAcid: false,
  emulsion: 0.8,
  early: 0.68,
  emulsionHeld: null,
  leanest: 0.043,
  splitChance: 0.97,
  falseLift: 0,
  overClear: 8,
  mixC: 35,
  lyeConc: 0.3,
  blendRatio: null,
  stopLevel: 1.6,
  lyeClear: null,
  hardShare: 0.4,
  brittleShare: 0,
  waxShare: 0,
  stearicShare: 0,
  iodine: 60,
  castor: 0.05,
  scent: false,
  scentF: 0,
  riceP: 0.02,
  separates: 'none',
  vanillinG: 0,
  scentOfOils: 0,
  scentOverLimit: false,
  scentMissed: false,
  topNotes: false,
  scentTested: false,
  milkShare: 0,
  milkFrozen: null,
  sugarShare: 0,
  saltShare: 0,
  powderShare: 0,
  coarse: false,
  colours: 1,
  dies: false,
  shifts: false,
  fades: false,
  dye: false,
  dryPowder: false,
  clumps: false,
  whiteG: 0,
  layers: 1,
  cups: 1,
  carryFail: 0,
  thickFail: 0,
  thinFail: 0,
  waitMax: 0,
  lowerStanding: null,
  micaLine: false,
  toppings: false,
  embeds: false,
  embedDays: null,
  embedOther: false,
  passes: 0,
  drop: 0,
  tapped: null,
  whisk: false,
  gelNone: 0.5,
  gelPart: 0.3,
  gelFull: 0.2,
  crack: 0,
  volcano: 0,
  riversIx: 0,
  ash: 0.3,
  browning: 0,
  chilled: false,
  coldStart: 0,
  peakOver: null,
  pieced: false,
  level: null,
  unmouldLead: null,
  cutLag: null,
  wiped: null,
  wire: null,
  days: 2,
  damp: null,
  turned: null,
  oilsPast: false,
  tapWater: false,
  badMetal: false,
  chelator: false,
  waterShare: 0.21,
  rewarmed: false,
  cookedOut: false,
  lyeTwice: false,
  stingElsewhere: false,
  foreignMatter: false,
  testsNormal: false,
}
