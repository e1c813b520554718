import { describe, expect, test } from 'vitest'
import { readFileSync } from 'node:fs'
import { readPlanText } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { GROUP_TITLES, lineWorking, weighList } from './index.ts'
import { said, say } from '../quantities/words/index.ts'

const shelf = referenceShelf()
const read = readPlanText(readFileSync(new URL('../../../examples/weir-milk.json', import.meta.url), 'utf8'))
if (!read.ok) throw new Error(say(read.problems[0]!.sentence))
const { plan } = read
const portions = portionsOf(plan, shelf)
const lines = weighList(plan, portions, shelf)
const working = (key: string) =>
  lineWorking(
    lines.find(line => line.key === key)!,
    plan,
    portions,
    shelf,
  )!
/** Multiplies what the formula names, in its order. */
const product = (key: string) =>
  working(key)
    .inputs.filter(input => input.name !== 'not rounded')
    .map(input =>
      input.unit === '%' ? input.value / 100 : input.unit.startsWith('g per kg') ? input.value / 1000 : input.value,
    )

describe('how a weight came about', () => {
  test('every line but lye and water opens, and its numbers give the weight', () => {
    for (const line of lines) {
      const made = lineWorking(line, plan, portions, shelf)
      if (line.key === 'lye' || line.key === 'water') {
        expect(made).toBeNull()
        continue
      }
      expect(made!.value, line.key).toBe(line.massG)
      const values = product(line.key)
      const result = line.key.startsWith('liquid:')
        ? (values[0]! * values[1]!) / values[2]!
        : values.reduce((a, b) => a * b, 1)
      // Sums of rounded oils stand behind it, so a fifth of a percent or a tenth of a gram.
      expect(Math.abs(result - line.exactG), `${line.key}: ${result} for ${line.exactG}`).toBeLessThan(
        Math.max(0.1, line.exactG * 0.002),
      )
    }
  })

  test('each group has its title', () => {
    for (const line of lines) expect(GROUP_TITLES[line.group].length).toBeGreaterThan(3)
  })

  test('milk used as slush counts as ice, and plain water only for what is missing', () => {
    const water = lines.find(line => line.key === 'water')!
    const iceG = Number(/; (\d+) g of it as ice/.exec(say(water.where))![1])
    const milkWaterG = portions.liquids[0]!.exactG * 0.87
    const allG = portions.waterG + milkWaterG + portions.additives[0]!.exactG * 0.4
    expect(Math.abs(iceG - (0.6 * allG - milkWaterG))).toBeLessThan(1.5)
  })

  test('an additive goes in its own way; elsewhere than usual, in the way of its moment', () => {
    const lactate = (of: typeof plan) =>
      weighList(of, portionsOf(of, shelf), shelf).find(line => line.key.startsWith('additive:'))!
    expect(said(lactate(plan).where)).toBe('in its own cup; into the cooled lye')
    const additives = plan.recipe.additives.map(part => ({ ...part, moment: 'oils' as const }))
    const moved = { ...plan, recipe: { ...plan.recipe, additives } }
    expect(said(lactate(moved))).toMatchObject({
      group: 'additives',
      where: 'in its own cup; into the oils before the lye',
    })
  })

  test('a top of its own is weighed last, its lye rounded down', () => {
    const top = { massG: 200, oils: plan.recipe.oils }
    const with200 = weighList({ ...plan, division: { ...plan.division, top } }, portions, shelf)
    const own = with200.filter(line => line.group === 'top')
    expect(with200.slice(-own.length)).toEqual(own)
    expect(own.map(line => line.key).slice(0, 2)).toEqual(['top:water', 'top:lye'])
    expect(Math.abs(own.reduce((sum, line) => sum + line.massG, 0) - 200)).toBeLessThan(4)
  })
})
