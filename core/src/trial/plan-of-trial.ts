import { Cup, CupColorant, Pour, batterDensity, plainCup, plannedScent, starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { started } from '../document/fields/index.ts'
import { findById } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { portionsOf } from '../portions/index.ts'
import type { PlannedAdditive, PlannedScent, Recipe } from '../recipe/index.ts'
import type { Trial, TrialQuestion, TrialSample } from './document.ts'
import { kindOf } from './kinds.ts'

/** A trial as a batch plan: every sample a cup and a cavity of its own. Weighing, lye, cards and the Bench are those of any batch. */

/** A small square cavity: its side, and how high its wall stands above the soap, mm. */
const SIDE_MM = 45
const WALL_MM = 10
const LEAST_FILL_MM = 5

const WHITE = 'titanium-white'

function colorantsOf({ colorant, gPerKg, whiteGPerKg }: TrialSample, shelf: Shelf): CupColorant[] {
  const dose = (id: string, doseGPerKg: number): CupColorant[] => {
    const item = findById(shelf.colorants, id)
    if (!item || doseGPerKg <= 0) return []
    const { medium, mediumRatio } = item
    return [started(CupColorant, { colorant: id, doseGPerKg, basis: 'batter', medium, mediumRatio })]
  }
  return [...dose(colorant, gPerKg), ...dose(WHITE, whiteGPerKg)]
}

const idOf = ({ label }: TrialSample): string => `sample-${label.toLowerCase()}`

/** The recipe of a level that is a batter of its own. */
function recipeOf(
  { kind, levels, additive }: TrialQuestion,
  shelf: Shelf,
  recipe: Recipe,
  level: number | null,
): Recipe {
  const amount = level === null ? undefined : levels[level]?.amount
  if (amount === undefined) return recipe
  if (kind === 'superfat') return { ...recipe, superfatShare: amount / 100 }
  if (kind === 'water') return { ...recipe, water: { ...recipe.water, basis: 'concentration', value: amount / 100 } }
  if (kind !== 'hardener' || !additive) return recipe
  const item = findById(shelf.additives, additive)
  const others = recipe.additives.filter(part => part.additive !== additive)
  const part: PlannedAdditive = { additive, gPerKgOils: amount, moment: item?.moment ?? 'oils', addLye: true }
  return { ...recipe, additives: [...others, part] }
}

/** Batters that a trial is made of: null the usual one, else a level of its own. */
export const battersOf = ({ question, samples }: Pick<Trial, 'question' | 'samples'>): (number | null)[] =>
  kindOf(question.kind).ownBatters ? [null, ...new Set(samples.flatMap(({ level }) => level ?? []))] : [null]

function scentOf({ scent, load }: TrialQuestion, samples: readonly TrialSample[]): PlannedScent | null {
  if (!scent || !load || !samples.some(({ scented }) => scented)) return null
  return plannedScent([{ scent, share: 1 }], load, { moment: 'last' })
}

/**
 * @param like a batch whose recipe, scales and conditions it is made with; left out: those of a new batch
 * @param level of a trial whose levels are batters of their own: which of them; null: the usual one
 */
export function planOfTrial(
  trial: Pick<Trial, 'name' | 'question' | 'samples'>,
  shelf: Shelf,
  like?: Plan,
  level: number | null = null,
): Plan {
  const base = like ?? starterPlan(trial.name)
  const { question } = trial
  const { ownBatters } = kindOf(question.kind)
  const samples = ownBatters ? trial.samples.filter(one => (one.level ?? null) === level) : trial.samples
  const perMm = (SIDE_MM * SIDE_MM * batterDensity(base)) / 1000
  const fillMm = Math.max(LEAST_FILL_MM, Math.round((10 * question.sampleG) / perMm) / 10)
  return {
    ...starterPlan(trial.name.slice(0, 60)),
    recipe: recipeOf(question, shelf, base.recipe, level),
    conditions: { ...base.conditions, fineScaleStepG: question.stepG },
    heat: { ...base.heat, startAt: '' },
    // Unscented unless the scent is what it is about: its browning would be read as colour.
    scent: scentOf(question, samples),
    mould: {
      name: 'Small cavities',
      form: 'box',
      innerLengthMm: SIDE_MM,
      innerWidthMm: SIDE_MM,
      lining: 'none',
      innerHeightMm: Math.ceil(fillMm + WALL_MM),
      fillMm,
      taperMm: 0,
      cavities: samples.length,
    },
    cups: samples.map(sample =>
      started(Cup, {
        ...plainCup(idOf(sample), sample.label),
        scented: sample.scented ?? false,
        colorants: colorantsOf(sample, shelf),
        stabiliserRatio: sample.stabiliserRatio ?? null,
      }),
    ),
    score: samples.map((sample, i) =>
      started(Pour, { id: `pour-${i + 1}`, cup: idOf(sample), share: 1 / samples.length, cavities: [i + 1] }),
    ),
  }
}

/** Superfat and lye concentration of a sample, shares: with the oil and water that its colours bring. */
export interface SampleChemistry {
  label: string
  superfatShare: number
  concentrationShare: number
}

/** What every sample is by its weights, in the batter that it is, or will be, made of. */
export function samplesChemistry(
  trial: Pick<Trial, 'name' | 'question' | 'samples' | 'batter'>,
  shelf: Shelf,
): SampleChemistry[] {
  const usual = starterPlan(trial.name)
  const like = trial.batter ? { ...usual, recipe: trial.batter.recipe } : usual
  return battersOf(trial).flatMap(level => {
    const plan = planOfTrial(trial, shelf, like, level)
    const { cups } = portionsOf(plan, shelf)
    return plan.cups.map(({ name: label }, i) => {
      const { superfatShare, concentrationShare } = cups[i]!
      return { label, superfatShare, concentrationShare }
    })
  })
}
