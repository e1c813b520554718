import type { Evidence, Finding, PaceReading } from '../../shelf/index.ts'
import type { Scent, Shelf } from '../../shelf/index.ts'
import { findById } from '../../shelf/index.ts'
import { SCENT_PRIORS, atDose } from '../trace/index.ts'
import { Filter } from './filter.ts'
import type { Weights } from './filter.ts'

/** Spreads of ln(rate) before anything is known: engineering estimates. */
export const MAKER_SD = 0.25
export const RECIPE_SD = 0.2
const RUN_SD = 0.15
/** A scent's lot and age, and what it does in one recipe but not in another. */
const LOT_SD = 0.1
const IN_RECIPE_SD = 0.15
/** Of the blender's strength. */
export const BLENDER_SD = 0.3
/** What one batch of one's own, counted on the shelf without its readings, says of a scent. */
const COUNTED_RUN_SD = 0.3

export interface Pace {
  mean: number
  sd: number
}

/** ln(rate factor) of a scent at 3 % of oils, by its class and the batches that the shelf counts. */
export function scentPrior(scent: Pick<Scent, 'acceleration' | 'ownRuns'> | undefined): Pace {
  const { mean, sd } = SCENT_PRIORS[scent?.acceleration ?? 'unknown']
  const precision = 1 / (sd * sd) + (scent?.ownRuns ?? 0) / (COUNTED_RUN_SD * COUNTED_RUN_SD)
  return { mean, sd: Math.sqrt(1 / precision) }
}

const scentName = (id: string) => `scent ${id}`
const inRecipe = (id: string, recipe: string) => `scent ${id} in ${recipe}`

/** What a mixture of scents is the sum of, in a recipe. */
const ownOf = (recipe: string, parts: readonly { scent: string; share: number }[]): Weights =>
  parts.flatMap(({ scent, share }): Weights => [
    [scentName(scent), share],
    [inRecipe(scent, recipe), share],
  ])
const recipeName = (recipe: string) => `recipe ${recipe}`

function weightsOf({ stage, scents }: PaceReading, recipe: string): Weights {
  const common: Weights = [
    ['maker', 1],
    [recipeName(recipe), 1],
    ['run', 1],
  ]
  if (stage === 'blend') return [...common, ['blender', 1]]
  return [
    ...common,
    ...scents.flatMap(({ scent, weight }): Weights => [
      [scentName(scent), weight],
      [inRecipe(scent, recipe), weight],
    ]),
  ]
}

/** What a workshop's batches say of its maker, recipes, blender and scents, all at once. */
export class Rates {
  readonly #filter = new Filter()

  constructor(readonly shelf: Pick<Shelf, 'scents' | 'evidence'>) {
    this.#filter.ensure('maker', 0, MAKER_SD ** 2)
    this.#filter.ensure('blender', 0, BLENDER_SD ** 2)
    const counting = shelf.evidence.filter(one => one.counts && one.observations.length > 0)
    const batches = counting.map(one => ({ at: one.at, learn: () => this.#learn(one) }))
    const trials = shelf.scents.flatMap(({ id, findings = [] }) =>
      findings.flatMap(one => (one.what === 'rate' ? [{ at: one.date, learn: () => this.#learnPair(id, one) }] : [])),
    )
    for (const { learn } of [...batches, ...trials].sort((a, b) => a.at.localeCompare(b.at))) learn()
  }

  /** Of a scented cup beside a plain one: maker, recipe and run are the same in both, and cancel. */
  #learnPair(scent: string, { recipe, weight, value, sd }: Finding): void {
    this.#know(recipe, [scent])
    this.#filter.observe(
      [
        [scentName(scent), weight],
        [inRecipe(scent, recipe), weight],
      ],
      value,
      sd ** 2 + LOT_SD ** 2,
    )
  }

  #know(recipe: string, scents: readonly string[]): void {
    this.#filter.ensure(recipeName(recipe), 0, RECIPE_SD ** 2)
    for (const id of scents) {
      const { mean, sd } = scentPrior(findById(this.shelf.scents, id))
      this.#filter.ensure(scentName(id), mean, sd * sd)
      this.#filter.ensure(inRecipe(id, recipe), 0, IN_RECIPE_SD ** 2)
    }
  }

  #learn({ recipe, observations }: Evidence): void {
    this.#filter.reset('run', 0, RUN_SD ** 2)
    for (const one of observations) {
      this.#know(
        recipe,
        one.scents.map(({ scent }) => scent),
      )
      this.#filter.observe(weightsOf(one, recipe), one.value, one.variance)
    }
  }

  /** ln(rate) of the next unscented batter of a recipe. */
  plain(recipe: string): Pace {
    this.#know(recipe, [])
    const common: Weights = [
      ['maker', 1],
      [recipeName(recipe), 1],
    ]
    return { mean: this.#filter.mean(common), sd: Math.sqrt(this.#filter.variance(common) + RUN_SD ** 2) }
  }

  /** ln(rate factor) of a mixture of scents in a recipe at a dose in g per kg of oils, with what it adds to the spread. */
  scented(recipe: string, parts: readonly { scent: string; share: number }[], doseGPerKg: number): Pace {
    this.#know(
      recipe,
      parts.map(({ scent }) => scent),
    )
    const own = ownOf(recipe, parts)
    const common: Weights = [
      ['maker', 1],
      [recipeName(recipe), 1],
    ]
    const added = this.#filter.variance([...common, ...own]) - this.#filter.variance(common)
    return {
      mean: atDose(this.#filter.mean(own), doseGPerKg),
      sd: Math.sqrt(Math.max(0.02 ** 2, added) + LOT_SD ** 2),
    }
  }

  /** The mean of that alone, for those who ask for nothing else. */
  scentedMean(recipe: string, parts: readonly { scent: string; share: number }[], doseGPerKg: number): number {
    this.#know(
      recipe,
      parts.map(({ scent }) => scent),
    )
    return atDose(this.#filter.mean(ownOf(recipe, parts)), doseGPerKg)
  }

  /** ln of how much stronger the blender is than its number says. */
  blender(): Pace {
    return this.#alone('blender')
  }

  maker(): Pace {
    return this.#alone('maker')
  }

  /** What a recipe does beside what the model and the maker explain. */
  recipe(recipe: string): Pace {
    this.#know(recipe, [])
    return this.#alone(recipeName(recipe))
  }

  #alone(name: string): Pace {
    return { mean: this.#filter.mean([[name, 1]]), sd: Math.sqrt(this.#filter.variance([[name, 1]])) }
  }

  scent(id: string): Pace {
    this.#know('', [id])
    return this.#alone(scentName(id))
  }
}

const known = new WeakMap<readonly Evidence[], { scents: readonly Scent[]; rates: Rates }>()

/** The rates that a shelf's evidence teaches. Worked out once for each state of the shelf. */
export function ratesOf(shelf: Pick<Shelf, 'scents' | 'evidence'>): Rates {
  const before = known.get(shelf.evidence)
  if (before && before.scents === shelf.scents) return before.rates
  const rates = new Rates(shelf)
  known.set(shelf.evidence, { scents: shelf.scents, rates })
  return rates
}
