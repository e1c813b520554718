import { fact } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { Plan } from '../plan/index.ts'
import { missingOils, portionsOf } from '../portions/index.ts'
import type { Portions } from '../portions/index.ts'
import { lanesOf, medianRun, pouredIn, quickensOf, runInputOf } from '../batter/schedule/index.ts'
import type { Lanes, Quickens, Run, RunInput } from '../batter/schedule/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { coloursOfPlan } from '../look/cups/index.ts'
import type { ColourForecast } from '../look/cups/index.ts'
import { quickRest } from '../mould/rest/index.ts'
import type { QuickRest } from '../mould/rest/index.ts'
import { plannedFreeLye } from '../weighing/index.ts'
import type { BatchFreeLye } from '../weighing/index.ts'
import { riskOf } from '../batter/advice/risk.ts'
import type { Risk } from '../batter/advice/risk.ts'
import { surelyOf } from '../batter/advice/index.ts'
import type { Sure } from '../batter/advice/index.ts'
import { recipeResult } from './recipe-result.ts'
import type { RecipeResult } from './recipe-result.ts'
import { noticesOf } from './notices.ts'
import type { Notice } from '../document/checks/index.ts'
import { workingsOf } from './workings.ts'
import type { WorkingKey } from './workings.ts'
import type { Working } from '../quantities/working/index.ts'
import { Asked } from './asked.ts'
import type { Makers } from './asked.ts'

export const FORECAST_FORMAT = 'ostler-forecast'

export type ForecastResult = { ok: true; forecast: Forecast } | { ok: false; sentence: Words; path: string }

type Results = Omit<Forecast, 'format' | 'version' | 'plan' | 'toJSON'> & { input: RunInput; median: Run }
interface Sources {
  plan: Plan
  shelf: Shelf
}

/** Water that is kept back from the lye, g a g of NaOH. */
function rinsePerNaoh({ recipe }: Plan, { rinseG, lyeG }: Portions): number {
  const naohG = lyeG * recipe.lyePurityShare
  return naohG > 0 ? rinseG / naohG : 0
}

/** What each result is made of, the cheap ones first. */
const MAKERS: Makers<Sources, Results> = {
  portions: ({ plan, shelf }) => portionsOf(plan, shelf),
  recipe: ({ plan, shelf }, { portions }) => recipeResult(plan, shelf, rinsePerNaoh(plan, portions)),
  input: ({ plan, shelf }, { portions }) => runInputOf(plan, portions, shelf),
  median: (_, { input }) => medianRun(input),
  lanes: (_, { input, median }) => lanesOf(input, median),
  quickens: ({ plan, shelf }, { input }) => quickensOf(plan, shelf, input),
  // Not of all chances: a dose is seen in its colour before they are worked out.
  rest: ({ plan, shelf }, { portions, input, median }) =>
    quickRest({ plan, shelf, portions, lanes: { pours: pouredIn(input, median) } }),
  colours: ({ plan, shelf }, results) =>
    coloursOfPlan(plan, results.portions, shelf, plan.colour.gel === null ? results.rest.shares : undefined),
  risk: ({ plan, shelf }, { lanes }) => riskOf(plan, shelf, lanes),
  sure: ({ plan, shelf }, { input, lanes }) => surelyOf(plan, shelf, input, lanes),
  freeLye: ({ plan, shelf }, { portions }) => plannedFreeLye(plan, portions, shelf),
  notices: ({ plan, shelf }, { portions, freeLye, recipe, input, colours, lanes, quickens }) =>
    noticesOf({ plan, shelf, portions, freeLye, recipe, input, colours, lanes, quickens }),
  workings: ({ plan, shelf }, { portions, recipe }) => workingsOf(plan, shelf, portions, recipe),
}

/** Of these single values are told apart: a change of temperature weighs nothing anew. */
const FINE = ['plan.conditions', 'plan.rest', 'plan.division'] as const

/** Plain data that often comes to the same though something that it was made of has changed. */
const SETTLES = ['portions', 'recipe', 'freeLye'] as const

/**
 * Every result of a plan, each worked out when it is read. Masses in g, lengths in mm, times in min from lye in, shares and chances from
 * 0 to 1. The results stand on the class: an object with getters of its own is another kind of object to the engine each time, and all
 * that it leads to outlives it by far.
 */
export class Forecast {
  readonly format = FORECAST_FORMAT
  readonly version = 1
  readonly #asked: Asked<Sources, Results>

  constructor(
    /** Name of the plan. */
    readonly plan: string,
    asked: Asked<Sources, Results>,
  ) {
    this.#asked = asked
  }

  get portions(): Portions {
    return this.#asked.get('portions')
  }

  get recipe(): RecipeResult {
    return this.#asked.get('recipe')
  }

  get lanes(): Lanes {
    return this.#asked.get('lanes')
  }

  /** What quickens and slows the cup that is too thick first. */
  get quickens(): Quickens | null {
    return this.#asked.get('quickens')
  }

  /** A first look at the rest, from one run. */
  get rest(): QuickRest {
    return this.#asked.get('rest')
  }

  get colours(): ColourForecast {
    return this.#asked.get('colours')
  }

  get risk(): Risk {
    return this.#asked.get('risk')
  }

  /** Whether lye may be left over, by the one rule for all pages. */
  get freeLye(): BatchFreeLye {
    return this.#asked.get('freeLye')
  }

  get notices(): Notice[] {
    return this.#asked.get('notices')
  }

  get workings(): Record<WorkingKey, Working> {
    return this.#asked.get('workings')
  }

  /** Lanes and risk by many runs. It takes some hundredths of a second: asked for by its name, and not among what is printed. */
  get sure(): Sure {
    return this.#asked.get('sure')
  }

  toJSON(): ReturnType<typeof everyResult> {
    return everyResult(this)
  }
}

/** All results of a forecast as plain data, in the order in which they are printed. */
export function everyResult(forecast: Forecast): Omit<Forecast, 'sure' | 'toJSON'> {
  const { format, version, plan, portions, recipe, lanes, quickens, rest, colours, risk, freeLye, notices, workings } =
    forecast
  return {
    format,
    version,
    plan,
    portions,
    recipe,
    lanes,
    quickens,
    rest,
    colours,
    risk,
    freeLye,
    notices,
    workings,
  }
}

/**
 * Turns checked plans and a shelf into results, each worked out when it is read. What a result was made of and has not changed
 * since the plan before, told by reference, is not worked out again. Deterministic: what it remembers changes no result.
 */
export function forecaster(): (plan: Plan, shelf: Shelf) => ForecastResult {
  let before: Asked<Sources, Results> | null = null
  return (plan, shelf) => {
    const missing = missingOils(plan, shelf)
    if (missing.length > 0) {
      const i = plan.recipe.oils.findIndex(part => part.oil === missing[0])
      const sentence = fact('forecast.not-on-shelf-without', { missing: missing[0]! })
      return { ok: false, sentence, path: `recipe.oils[${i}].oil` }
    }
    before = new Asked(MAKERS, { plan, shelf }, { fine: FINE, settles: SETTLES, before })
    return { ok: true, forecast: new Forecast(plan.name, before) }
  }
}

/**
 * Turns a checked plan and a shelf into every result, each worked out when it is read. Pure and deterministic.
 *
 * @returns not ok when an oil is not on the shelf: without its saponification value no lye is safe
 */
export const forecast = (plan: Plan, shelf: Shelf): ForecastResult => forecaster()(plan, shelf)
