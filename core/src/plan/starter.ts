import { PlannedScent, OilPart, Recipe } from '../recipe/index.ts'
import { started } from '../document/fields/index.ts'
import { Cup, CupColorant } from './cup-part.ts'
import { Plan } from './document.ts'
import { Embed } from './finish-part.ts'
import type { Topping, ToppingKind } from './finish-part.ts'
import { Move, Pour, PourShape } from './score-part.ts'

/** A level layer with a straight face; where a stream would go, in the middle. */
export const startingShape = (): PourShape => started(PourShape)

/** A tool as it is first taken, after a pour. */
export const startingMove = (id: string, after: string, tool: Move['tool']): Move =>
  started(Move, {
    id,
    after,
    tool,
    count: { hanger: 3, skewer: 12, stick: 8, comb: 9, spoon: 5, spin: 1, fold: 4, stir: 1, decant: 5 }[tool],
    depth: tool === 'skewer' ? 0.3 : 0.9,
  })

/** A round rod of a usual size along the middle, set in after a pour. */
export const startingEmbed = (id: string, after: string): Embed => started(Embed, { id, after })

const PLACED = { side: 'all', clearMm: 2, jitter: false } as const

const TOPPING_STARTS: Readonly<Record<ToppingKind, Omit<Topping, 'id' | 'kind' | keyof typeof PLACED>>> = {
  petals: { name: 'Petals', hex: '#a8496a', sizeMm: 9, perBar: 2, onGrid: true, massG: 2 },
  seeds: { name: 'Poppy seeds', hex: '#2b2f38', sizeMm: 1.2, perBar: 20, onGrid: false, massG: 3 },
  sprinkles: { name: 'Sprinkles', hex: '#d9b23c', sizeMm: 2.5, perBar: 12, onGrid: false, massG: 4 },
  mica: { name: 'Gold mica in oil', hex: '#c9982f', sizeMm: 4, perBar: 3, onGrid: true, massG: 2 },
}

export const startingTopping = (id: string, kind: ToppingKind): Topping => ({
  id,
  kind,
  ...TOPPING_STARTS[kind],
  ...PLACED,
})

/** A cup without colour, scented when the batch is. */
export const plainCup = (id: string, name: string): Cup => started(Cup, { id, name })

/** An oil of a recipe, free to change, in from the start. */
export const plainOil = (oil: string, share: number): OilPart => started(OilPart, { oil, share })

/** What a new batch starts with: a calm balanced recipe, three cups, three layers, no scent. */
export const starterPlan = (name: string): Plan =>
  started(Plan, {
    name,
    recipe: started(Recipe, {
      oils: [
        plainOil('olive', 0.4),
        plainOil('coconut', 0.25),
        plainOil('palm', 0.15),
        plainOil('sunflower-high-oleic', 0.15),
        plainOil('castor', 0.05),
      ],
    }),
    mould: {
      name: 'Silicone loaf, about 1 kg',
      form: 'box',
      innerLengthMm: 230,
      innerWidthMm: 75,
      innerHeightMm: 70,
      cavities: 1,
      lining: 'none',
      taperMm: 0,
      fillMm: 60,
    },
    cups: [
      { ...plainCup('cup-1', 'Slate'), colorants: [dose('charcoal', 1.5, 'oil', 3)] },
      { ...plainCup('cup-2', 'Oat'), colorants: [dose('yellow-clay', 10, 'water', 2)] },
      plainCup('cup-3', 'Bone'),
    ],
    score: ['cup-1', 'cup-2', 'cup-3'].map((cup, i) =>
      started(Pour, { id: `pour-${i + 1}`, cup, share: [0.4, 0.3, 0.3][i]! }),
    ),
  })

const dose = (colorant: string, doseGPerKg: number, medium: 'oil' | 'water', mediumRatio: number): CupColorant =>
  started(CupColorant, { colorant, doseGPerKg, basis: 'batter', medium, mediumRatio })

/** A scent as it is first taken: each scented cup at this load, no stabiliser. */
export const plannedScent = (
  parts: PlannedScent['parts'],
  load: number,
  change: Partial<PlannedScent> = {},
): PlannedScent => started(PlannedScent, { parts, load, ...change })

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
    heat: { ...last.heat, startAt: '', iceShare: 0, lyeC: null },
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
  division: { ...plan.division, actual: [] },
  cups: plan.cups.map(cup => ({ ...cup, colorants: cup.colorants.map(part => ({ ...part, slurry: null })) })),
})
