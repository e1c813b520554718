import { CONSTANTS } from '../constants/index.ts'
import { startingRest } from './rest-part.ts'
import { PLAN_FORMAT, PLAN_VERSION } from './document.ts'
import type { Plan } from './document.ts'
import type { OilPart } from './recipe-part.ts'
import type { Division, Hands, Heat, Preparation } from './bench-part.ts'
import type { Embed, Finish, Topping, ToppingKind } from './finish-part.ts'
import type { Cutting, Move, PourShape } from './score-part.ts'
import type { ColourWish, Cup, CupColorant, PlannedScent } from './cup-part.ts'

/** How a new plan cools: lye and oils alike in the open, nothing read yet. */
export const startingHeat = (): Heat => ({
  startAt: '',
  waterC: 20,
  iceShare: 0,
  meltC: 60,
  lyeVessel: 'jug-pp-1000',
  oilsVessel: 'pot-stainless-3000',
  lyeCooling: 'air',
  oilsCooling: 'air',
  bathC: 15,
  bathLitres: 6,
  iceKg: 0.5,
  lyeC: null,
  rule: 'gap',
  gapK: 6,
  bandLowC: 27,
  bandHighC: 43,
  readings: [],
})

export const startingDivision = (): Division => ({
  by: 'height',
  rule: 'others',
  makesUp: '',
  cling: 'thin',
  mediumFrom: 'extra',
  mediumOil: '',
  actual: [],
  mode: 'one-pot',
  lye: 'divided',
  melt: 'common',
  top: null,
})

/** One pair of hands of the usual pace; all cups are coloured before the first pour. */
export const startingHands = (): Hands => ({ order: 'first', people: 1, pace: 1, waiting: 'rest', blend: 'stick' })

export const startingColour = (): ColourWish => ({ baseHex: null, baseDays: 42, gel: null, cutDays: 2, curedDays: 42 })

/** A level layer with a straight face; where a stream would go, in the middle. */
export const startingShape = (): PourShape => ({
  way: 'layer',
  texture: 'straight',
  tiltDeg: 0,
  across: 0.5,
  range: 0,
  count: 1,
  spreadMm: 0,
  cover: 0,
  depth: 'auto',
  hour: 3,
  pencil: '',
})

/** A tool as it is first taken, after a pour. */
export const startingMove = (id: string, after: string, tool: Move['tool']): Move => ({
  id,
  after,
  tool,
  pattern: 'across',
  count: { hanger: 3, skewer: 12, stick: 8, comb: 9, spoon: 5, spin: 1, fold: 4, stir: 1, decant: 5 }[tool],
  depth: tool === 'skewer' ? 0.3 : 0.9,
  strength: 1,
  from: 0,
  to: 1,
  path: [],
  off: false,
})

/** A round rod of a usual size along the middle, set in after a pour. */
export const startingEmbed = (id: string, after: string): Embed => ({
  ...{ id, name: 'Rod', form: 'rod', hex: '#c9a24b', after, widthMm: 18, heightMm: 18, lengthMm: 0, everyBar: false },
  ...{ count: 1, from: 0, to: 1, across: 0.5, height: 0.5, densityGPerMl: CONSTANTS.batterDensity.value },
})

const TOPPING_STARTS: Readonly<Record<ToppingKind, Omit<Topping, 'id' | 'kind'>>> = {
  petals: { name: 'Petals', hex: '#a8496a', sizeMm: 9, perBar: 2, onGrid: true, massG: 2 },
  seeds: { name: 'Poppy seeds', hex: '#2b2f38', sizeMm: 1.2, perBar: 20, onGrid: false, massG: 3 },
  sprinkles: { name: 'Sprinkles', hex: '#d9b23c', sizeMm: 2.5, perBar: 12, onGrid: false, massG: 4 },
  mica: { name: 'Gold mica in oil', hex: '#c9982f', sizeMm: 4, perBar: 3, onGrid: true, massG: 2 },
}

export const startingTopping = (id: string, kind: ToppingKind): Topping => ({ id, kind, ...TOPPING_STARTS[kind] })

export const startingCutting = (): Cutting => ({ barMm: 25, trimMm: 5, kerfMm: 0.5, rows: 1, onSide: false })

export const startingFinish = (): Finish => ({
  embeds: [],
  toppings: [],
  mat: { texture: 'flat', depthMm: 2, pitchMm: 12 },
})

/** A cup without colour, scented when the batch is. */
export const plainCup = (id: string, name: string): Cup => ({
  id,
  name,
  wish: null,
  colorants: [],
  scented: true,
  ownScent: null,
  stabiliserRatio: null,
  clingG: null,
  vessel: '',
  stop: null,
  draw: null,
  batter: '',
  lyeShare: null,
})

export const startingPreparation = (): Preparation => ({ done: [], weighed: [], overhangMm: 30, rollWidthMm: 380 })

/** An oil of a recipe, free to change, in from the start. */
export const plainOil = (oil: string, share: number): OilPart => ({
  oil,
  share,
  locked: false,
  late: false,
  infusion: null,
})

/** What a new batch starts with: a calm balanced recipe, three cups, three layers, no scent. */
export const starterPlan = (name: string): Plan => ({
  format: PLAN_FORMAT,
  version: PLAN_VERSION,
  name,
  notes: '',
  isTrial: false,
  freeLye: null,
  whipped: null,
  recipe: {
    name: '',
    origin: null,
    oils: [
      plainOil('olive', 0.4),
      plainOil('coconut', 0.25),
      plainOil('palm', 0.15),
      plainOil('sunflower-high-oleic', 0.15),
      plainOil('castor', 0.05),
    ],
    superfatShare: 0.05,
    lyePurityShare: 0.98,
    water: { basis: 'concentration', value: 0.29, fullShareOfOils: 0.38 },
    liquids: [],
    additives: [],
  },
  mould: {
    name: 'Silicone loaf, about 1 kg',
    innerLengthMm: 230,
    innerWidthMm: 75,
    innerHeightMm: 70,
    form: 'box',
    cavities: 1,
    lining: 'none',
    fillMm: 60,
  },
  moreMoulds: [],
  pot: { clingG: 16 },
  scent: null,
  potColorants: [],
  cups: [
    { ...plainCup('cup-1', 'Slate'), colorants: [dose('charcoal', 1.5, 'oil', 3)] },
    { ...plainCup('cup-2', 'Oat'), colorants: [dose('yellow-clay', 10, 'water', 2)] },
    plainCup('cup-3', 'Bone'),
  ],
  ladders: [],
  reserves: [],
  score: ['cup-1', 'cup-2', 'cup-3'].map((cup, i) => ({
    id: `pour-${i + 1}`,
    kind: 'pour',
    cup,
    share: [0.4, 0.3, 0.3][i]!,
    dropMm: 10,
    overSpatula: true,
    waitMin: 0,
    together: 'no',
    cavities: [],
    window: null,
    shape: startingShape(),
  })),
  moves: [],
  aside: [],
  finish: startingFinish(),
  planB: null,
  cutting: startingCutting(),
  conditions: {
    roomC: 21,
    mixC: 30,
    stopLevel: 1.8,
    stopWhen: 'level-holds',
    blendS: 30,
    leastS: 0,
    blenderStrength: 1,
    densityGPerMl: CONSTANTS.batterDensity.value,
    scaleStepG: 1,
    fineScaleStepG: 0.1,
  },
  hands: startingHands(),
  seen: [],
  blendedS: null,
  rest: startingRest(),
  heat: startingHeat(),
  division: startingDivision(),
  colour: startingColour(),
  preparation: startingPreparation(),
})

const dose = (colorant: string, doseGPerKg: number, medium: 'oil' | 'water', mediumRatio: number): CupColorant => ({
  colorant,
  doseGPerKg,
  basis: 'batter',
  medium,
  mediumRatio,
  slurry: null,
})

/** A scent as it is first taken: each scented cup at this load, no stabiliser. */
export const plannedScent = (
  parts: PlannedScent['parts'],
  load: number,
  change: Partial<PlannedScent> = {},
): PlannedScent => ({
  parts,
  load,
  basis: 'oils',
  moment: 'with-colour',
  how: 'hand',
  spread: 'cup',
  stabiliserRatio: 0,
  ...change,
})

/** A new batch that keeps the workshop's habits of the last one: scales, room, temperatures, vessels, roll. */
export function starterLike(name: string, last: Plan | undefined): Plan {
  const plan = starterPlan(name)
  if (!last) return plan
  const { roomC, blenderStrength, scaleStepG, fineScaleStepG } = last.conditions
  const { overhangMm, rollWidthMm } = last.preparation
  const { lye, melt, by, rule, cling, mediumFrom, mediumOil } = last.division
  return {
    ...plan,
    conditions: { ...plan.conditions, roomC, blenderStrength, scaleStepG, fineScaleStepG },
    hands: last.hands,
    heat: { ...last.heat, startAt: '', iceShare: 0, lyeC: null, readings: [] },
    division: { ...plan.division, lye, melt, by, rule: rule === 'one' ? 'others' : rule, cling, mediumFrom, mediumOil },
    preparation: { ...plan.preparation, overhangMm, rollWidthMm },
  }
}

/** A copy to be made anew: what was ticked, weighed and read belongs to the one it is copied from. */
export const freshCopy = (plan: Plan, name: string): Plan => ({
  ...plan,
  name,
  freeLye: null,
  seen: [],
  blendedS: null,
  rest: { ...plan.rest, pouredAt: '', readings: [], weighIns: [] },
  heat: { ...plan.heat, readings: [] },
  division: { ...plan.division, actual: [] },
  cups: plan.cups.map(cup => ({ ...cup, colorants: cup.colorants.map(part => ({ ...part, slurry: null })) })),
  preparation: { ...plan.preparation, done: [], weighed: [] },
})
