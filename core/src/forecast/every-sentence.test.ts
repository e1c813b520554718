import { readFileSync, readdirSync } from 'node:fs'
import { beforeAll, describe, expect, test } from 'vitest'
import { remediesFor } from '../batter/advice/index.ts'
import { isFact, isMeasure } from '../quantities/facts/index.ts'
import type { Fact, Measure } from '../quantities/facts/index.ts'
import { readPlanText } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { restOutlook } from '../mould/rest/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { IMPERIAL, METRIC, tidy } from '../quantities/units/index.ts'
import { everything, forecast } from './index.ts'
import { say } from '../quantities/words/index.ts'

const EXAMPLES = new URL('../../../examples/', import.meta.url)
const shelf = referenceShelf()

/** What a maker might do to a plan that makes it complain: hot lye, much scent, a cold room, a thin mould. */
const CHANGES: readonly ((plan: Plan) => Plan)[] = [
  plan => plan,
  plan => ({ ...plan, conditions: { ...plan.conditions, lyeC: 60, oilsC: 32, ambientC: 12 } }),
  plan => ({ ...plan, scent: plan.scent && { ...plan.scent, load: 0.09 } }),
  plan => ({ ...plan, recipe: { ...plan.recipe, superfatShare: 0.005 } }),
]

/** All facts of a result, wherever they stand; the parts of one belong to it. */
function factsIn(value: unknown, into: Map<string, Fact>): void {
  if (isFact(value)) into.set(JSON.stringify(value), value)
  else if (typeof value === 'object' && value !== null) for (const item of Object.values(value)) factsIn(item, into)
}

function measuresIn(value: unknown): Measure[] {
  if (isMeasure(value)) return [value]
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap(measuresIn) : []
}

const facts = new Map<string, Fact>()

beforeAll(() => {
  for (const file of readdirSync(EXAMPLES)) {
    const read = readPlanText(readFileSync(new URL(file, EXAMPLES), 'utf8'))
    if (!read.ok) throw new Error(file)
    CHANGES.forEach((change, i) => {
      const plan = change(read.plan)
      const result = forecast(plan, shelf)
      if (!result.ok) throw new Error(`${file}: ${say(result.sentence)}`)
      factsIn([result.forecast, everything(plan, shelf, result.forecast)], facts)
      if (i !== 1) return
      const outlook = restOutlook({ portions: result.forecast.portions, lanes: result.forecast.lanes, plan, shelf })
      factsIn([remediesFor(plan, shelf), outlook], facts)
    })
  }
}, 240_000)

const unquoted = (sentence: string): string => sentence.replace(/“[^”]*”/g, '')

describe('every sentence that the examples can be told', () => {
  test('there are many', () => expect(facts.size).toBeGreaterThan(250))

  test('each is said whole: no value is missing, nothing stands for itself', () => {
    for (const fact of facts.values())
      for (const habits of [METRIC, IMPERIAL]) expect(say(fact, habits)).not.toMatch(/[{}[\]]|undefined|NaN|\bnull\b/)
  })

  test('no difference of temperatures is written as a temperature', () => {
    const wrong = [...facts.values()].filter(fact =>
      measuresIn(fact).some(
        ({ is, value }) =>
          is === 'C' && new RegExp(`${value} °C (warmer|cooler|colder|hotter|short|apart)`).test(say(fact)),
      ),
    )
    expect(wrong).toEqual([])
  })

  test('no unit of the other system is left over', () => {
    const metricLeft = /\d (g(?! per |\/)|kg(?! of | per |\/)|mm|°C|K)(?![\w/])/
    const said = [...facts.values()]
    expect(said.map(one => unquoted(say(one, IMPERIAL))).filter(one => metricLeft.test(one))).toEqual([])
    expect(said.map(one => unquoted(say(one, METRIC))).filter(one => /\d (K|oz|lb|°F)\b/.test(one))).toEqual([])
  })

  test('a difference is 1.8 times as many °F, a temperature has its zero at 32', () => {
    const seen = { K: 0, C: 0 }
    for (const fact of facts.values())
      for (const { is, value } of measuresIn(fact)) {
        if (is !== 'K' && is !== 'C') continue
        seen[is] += 1
        expect(say(fact, IMPERIAL)).toContain(`${tidy(value * 1.8 + (is === 'C' ? 32 : 0), 0)} °F`)
      }
    expect(seen.K).toBeGreaterThan(3)
    expect(seen.C).toBeGreaterThan(50)
  })
})
