import { readFileSync, readdirSync } from 'node:fs'
import { beforeAll, describe, expect, test } from 'vitest'
import { remediesFor } from '../advice/index.ts'
import { readPlanText } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { restOutlook } from '../rest/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { IMPERIAL, METRIC, inUnits, tidy } from '../units/index.ts'
import { everything, forecast } from './index.ts'

const EXAMPLES = new URL('../../../examples/', import.meta.url)
const shelf = referenceShelf()

/** What a maker might do to a plan that makes it complain: hot lye, much scent, a cold room, a thin mould. */
const CHANGES: readonly ((plan: Plan) => Plan)[] = [
  plan => plan,
  plan => ({ ...plan, conditions: { ...plan.conditions, lyeC: 60, oilsC: 32, ambientC: 12 } }),
  plan => ({ ...plan, scent: plan.scent && { ...plan.scent, load: 0.09 } }),
  plan => ({ ...plan, recipe: { ...plan.recipe, superfatShare: 0.005 } }),
]

/** All texts of a result that are more than a word, wherever they stand. */
function textsIn(value: unknown, into: Set<string>): void {
  if (typeof value === 'string') {
    if (/\d/.test(value) && value.includes(' ')) into.add(value)
  } else if (Array.isArray(value)) for (const item of value) textsIn(item, into)
  else if (typeof value === 'object' && value !== null) for (const item of Object.values(value)) textsIn(item, into)
}

const sentences = new Set<string>()

beforeAll(() => {
  for (const file of readdirSync(EXAMPLES)) {
    const read = readPlanText(readFileSync(new URL(file, EXAMPLES), 'utf8'))
    if (!read.ok) throw new Error(file)
    CHANGES.forEach((change, i) => {
      const plan = change(read.plan)
      const result = forecast(plan, shelf)
      if (!result.ok) throw new Error(`${file}: ${result.sentence}`)
      textsIn([result.forecast, everything(plan, shelf, result.forecast)], sentences)
      if (i !== 1) return
      const outlook = restOutlook({ ...result.forecast, plan, shelf })
      textsIn([remediesFor(plan, shelf), outlook], sentences)
    })
  }
}, 240_000)

const unquoted = (sentence: string): string => sentence.replace(/“[^”]*”/g, '')

describe('every sentence that the examples can be told', () => {
  test('there are many', () => expect(sentences.size).toBeGreaterThan(250))

  test('no difference of temperatures is written as a temperature', () => {
    const wrong = [...sentences].filter(one =>
      /°C (warmer|cooler|colder|hotter|short|apart|too |more|less|higher|lower)/.test(one),
    )
    expect(wrong).toEqual([])
  })

  test('no unit of the other system is left over', () => {
    const metricLeft = /\d (g(?! per |\/)|kg(?! of | per |\/)|mm|°C|K)(?![\w/])/
    expect([...sentences].map(one => unquoted(inUnits(one, IMPERIAL))).filter(one => metricLeft.test(one))).toEqual([])
    expect(
      [...sentences].map(one => unquoted(inUnits(one, METRIC))).filter(one => /\d (K|oz|lb|°F)\b/.test(one)),
    ).toEqual([])
  })

  test('a difference is 1.8 times as many °F, a temperature has its zero at 32', () => {
    const differences = [...sentences].flatMap(one =>
      [...unquoted(one).matchAll(/(?<![\d.])(\d+(?:\.\d+)?) K\b/g)].map(found => [one, found[1]!] as const),
    )
    expect(differences.length).toBeGreaterThan(3)
    for (const [one, k] of differences) expect(inUnits(one, IMPERIAL)).toContain(`${tidy(Number(k) * 1.8, 0)} °F`)
    const temperatures = [...sentences].flatMap(one =>
      [...unquoted(one).matchAll(/(?<![\d.−-])(\d+(?:\.\d+)?) °C/g)].map(found => [one, found[1]!] as const),
    )
    expect(temperatures.length).toBeGreaterThan(50)
    for (const [one, c] of temperatures)
      expect(inUnits(one, IMPERIAL)).toContain(`${tidy((Number(c) * 9) / 5 + 32, 0)} °F`)
  })
})
