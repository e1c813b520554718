import { describe, expect, test } from 'vitest'
import { forecast } from '../index.ts'
import { applyEdit, starterPlan } from '../../plan/index.ts'
import type { Edit, Plan } from '../../plan/index.ts'
import { referenceShelf } from '../../shelf/index.ts'
import { differences, factsOf } from './index.ts'
import { said, say } from '../../quantities/words/index.ts'

const shelf = referenceShelf()
const plan = starterPlan('One')
const facts = (of: Plan) => {
  const result = forecast(of, shelf)
  if (!result.ok) throw new Error(say(result.sentence))
  return factsOf(of, result.forecast, shelf)
}
const edited = (edit: Edit): Plan => {
  const result = applyEdit(plan, edit)
  if (!result.ok) throw new Error(say(result.sentence))
  return result.plan
}
const between = (other: Plan) => differences(facts(plan), facts(other))

describe('two plans side by side', () => {
  test('the same plan differs in nothing, whatever it is called', () => {
    expect(between({ ...plan, name: 'Two', notes: 'other words' })).toEqual([])
  })

  test('lye is never told as more than it is', () => {
    for (const superfatShare of [0.03, 0.04, 0.05, 0.06, 0.07, 0.08]) {
      const of = edited({ kind: 'set', path: ['recipe', 'superfatShare'], value: superfatShare })
      const made = forecast(of, shelf)
      const lye = facts(of).find(one => said(one.what) === 'Lye (NaOH)')!.value as { value: number; decimals: number }
      const { lyeG } = made.ok ? made.forecast.portions : { lyeG: NaN }
      expect(Number(lye.value.toFixed(lye.decimals))).toBeLessThanOrEqual(lyeG + 1e-6)
      expect(lyeG - lye.value).toBeLessThan(0.1)
    }
  })

  test('a warmer one differs in that, and in what comes of it; nothing else', () => {
    const found = between(edited({ kind: 'set', path: ['conditions', 'mixC'], value: plan.conditions.mixC + 6 }))
    expect(said(found.filter(one => one.group !== 'outcome').map(one => one.what))).toEqual(['Oils and lye meet at'])
    expect(found.some(one => one.group === 'outcome')).toBe(true)
    expect(found[0]!.group).toBe('outcome')
  })

  test('another rest and other bars are told', () => {
    const steps = [...plan.rest.steps, { ...plan.rest.steps[0]!, atMin: 90, place: 'oven', tempC: 50, holdMin: 30 }]
    const rest = between(edited({ kind: 'set', path: ['rest', 'steps'], value: steps })).filter(
      one => one.group === 'rest',
    )
    expect(said(rest)).toEqual([
      expect.objectContaining({
        what: 'From 90 min',
        left: null,
        right: expect.stringMatching(/oven.*50 °C, 30 min/) as string,
      }),
    ])
    const thick = between(edited({ kind: 'set', path: ['cutting', 'barMm'], value: 40 }))
    expect(said(thick.map(one => one.what))).toEqual(['Bars'])
  })

  test('what only one of them has stands against nothing', () => {
    const more = edited({ kind: 'add-pour', cup: plan.cups[0]!.id, at: plan.score.length, id: 'pour-new' })
    const found = between(more).find(one => say(one.what) === `Pour ${more.score.length}`)!
    expect(found.left).toBeNull()
    expect(say(found.right!)).toContain(plan.cups[0]!.name)
  })

  test('turned round, left and right change places', () => {
    const other = edited({ kind: 'set', path: ['hands', 'people'], value: 2 })
    const back = differences(facts(other), facts(plan))
    expect(back.map(({ left, right }) => [right, left])).toEqual(between(other).map(({ left, right }) => [left, right]))
  })

  test('two cups of one name are told apart', () => {
    const twins = { ...plan, cups: plan.cups.map(cup => ({ ...cup, name: 'Same' })) }
    expect(facts(twins).filter(fact => fact.what === 'Same')).toHaveLength(plan.cups.length)
    expect(differences(facts(twins), facts(twins))).toEqual([])
  })
})
