import type { AccelerationClass, Scent, Shelf } from '../shelf/index.ts'
import { findById } from '../shelf/index.ts'
import { SCENT_PRIORS, atDose, classOf } from '../trace/index.ts'
import { Filter } from './filter.ts'
import type { Weights } from './filter.ts'
import type { Evidence, PaceReading } from './evidence.ts'

/** Spreads of ln(rate) before anything is known: engineering estimates. */
const MAKER_SD = 0.25
const RECIPE_SD = 0.2
const RUN_SD = 0.15
/** A scent's lot and age, and what it does in one recipe but not in another. */
const LOT_SD = 0.1
const IN_RECIPE_SD = 0.15
/** Of the blender's strength. */
const BLENDER_SD = 0.3
/** What one batch of one's own, counted on the shelf without its readings, says of a scent. */
const COUNTED_RUN_SD = 0.3
/** From so many readings and so narrow a spread a scent counts as tested. */
const TESTED = { runs: 2, sd: 0.2 }

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
    for (const one of [...counting].sort((a, b) => a.at.localeCompare(b.at))) this.#learn(one)
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
    const own: Weights = parts.flatMap(({ scent, share }): Weights => [
      [scentName(scent), share],
      [inRecipe(scent, recipe), share],
    ])
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

  /** ln of how much stronger the blender is than its number says. */
  blender(): Pace {
    return {
      mean: this.#filter.mean([['blender', 1]]),
      sd: Math.sqrt(this.#filter.variance([['blender', 1]])),
    }
  }

  maker(): Pace {
    return { mean: this.#filter.mean([['maker', 1]]), sd: Math.sqrt(this.#filter.variance([['maker', 1]])) }
  }

  scent(id: string): Pace {
    this.#know('', [id])
    const own: Weights = [[scentName(id), 1]]
    return { mean: this.#filter.mean(own), sd: Math.sqrt(this.#filter.variance(own)) }
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

/** What is known of a scent's pace, and from where. */
export interface ScentKnowledge {
  /** By its class alone. */
  prior: Pace & { acceleration: AccelerationClass }
  supplierSays: AccelerationClass | 'unknown'
  /** Batches that the shelf counts without their readings. */
  counted: number
  /** Batches with readings, whether they count or not. */
  batches: Evidence[]
  now: Pace & { acceleration: AccelerationClass }
  isTested: boolean
}

export function scentKnowledge(shelf: Pick<Shelf, 'scents' | 'evidence'>, id: string): ScentKnowledge {
  const scent = findById(shelf.scents, id)
  const acceleration = scent?.acceleration ?? 'unknown'
  const now = ratesOf(shelf).scent(id)
  const batches = shelf.evidence.filter(one =>
    one.observations.some(({ scents }) => scents.some(part => part.scent === id)),
  )
  const runs = (scent?.ownRuns ?? 0) + batches.filter(one => one.counts).length
  return {
    prior: { ...SCENT_PRIORS[acceleration], acceleration },
    supplierSays: scent?.supplierSays ?? 'unknown',
    counted: scent?.ownRuns ?? 0,
    batches,
    now: { ...now, acceleration: runs > 0 ? classOf(now.mean) : acceleration },
    isTested: runs >= TESTED.runs && now.sd < TESTED.sd,
  }
}
