import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { TECHNIQUES } from '../design/index.ts'
import { readPlanText, starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { said } from '../quantities/words/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { forecast } from './forecast.ts'
import { planLevelOf, plainer } from './level.ts'
import { techniqueCard } from './technique-card.ts'

const shelf = referenceShelf()
const example = (name: string): Plan => {
  const read = readPlanText(readFileSync(new URL(`../../../examples/${name}.json`, import.meta.url), 'utf8'))
  if (!read.ok) throw new Error(name)
  return read.plan
}
const levelIn = (plan: Plan) => {
  const made = forecast(plan, shelf)
  if (!made.ok) throw new Error(plan.name)
  return { ...planLevelOf(plan, made.forecast, shelf), chance: made.forecast.lanes.chance }
}

describe('how much a plan asks', () => {
  test('a calm start is basic; a quick scent over five cups is advanced, and says why', () => {
    expect(levelIn(starterPlan('Calm'))).toMatchObject({ level: 'basic', reasons: [] })
    const stair = levelIn(example('verdigris-stair'))
    expect(stair.level).toBe('advanced')
    expect((said(stair.reasons) as string[]).join()).toMatch(/time is short.*quickens.*5 cups/)
  })

  test('little water, milk and a piped top each are a reason', () => {
    const base = starterPlan('Calm')
    const strong = { ...base, recipe: { ...base.recipe, water: { ...base.recipe.water, value: 0.38 } } }
    expect(levelIn(strong)).toMatchObject({ level: 'intermediate' })
    expect((said(levelIn(strong).reasons) as string[]).join()).toMatch(/little water/)
  })

  test.each(['verdigris-stair', 'ninth-lock', 'seven-fathoms', 'thistle-top'])(
    'a plainer %s asks less, and is likelier',
    name => {
      const plan = example(name)
      const made = plainer(plan, shelf)!
      const [before, after] = [levelIn(plan), levelIn(made)]
      expect(after.level).not.toBe('advanced')
      expect(after.chance).toBeGreaterThanOrEqual(Math.min(before.chance, 0.9))
      expect(new Set(made.score.map(pour => pour.cup)).size).toBeLessThanOrEqual(2)
      expect(made.recipe.oils).toEqual(plan.recipe.oils)
    },
  )
})

describe('techniques before they are chosen', () => {
  const stair = example('verdigris-stair')

  test('each says trace, cups, minutes, tools and plan B, or that the plan has too few cups', () => {
    for (const technique of TECHNIQUES) {
      const card = techniqueCard(technique, stair, shelf)
      if (card === null) {
        expect(stair.cups.length, technique.id).toBeLessThan(technique.cups)
        continue
      }
      expect(card.levels[0]).toBeLessThanOrEqual(card.levels[1])
      expect(card.minutes, technique.id).toBeGreaterThan(0)
      expect(card.cups).toBeLessThanOrEqual(stair.cups.length)
      expect(card.chance).toBeGreaterThanOrEqual(0)
    }
    const hanger = techniqueCard(
      TECHNIQUES.find(one => one.id === 'hanger')!,
      stair,
      shelf,
    )!
    expect(said(hanger.tools.map(tool => tool.what))).toEqual(['Hanger wire'])
    expect(
      techniqueCard(
        TECHNIQUES.find(one => one.cups > 1)!,
        { ...stair, cups: stair.cups.slice(0, 1) },
        shelf,
      ),
    ).toBeNull()
  })

  test('a tool that the workshop has not is told apart', () => {
    const hanger = TECHNIQUES.find(one => one.id === 'hanger')!
    const bare = { ...shelf, tools: shelf.tools.filter(tool => tool.id !== 'wire') }
    expect(techniqueCard(hanger, stair, shelf)!.tools[0]!.isHere).toBe(true)
    expect(techniqueCard(hanger, stair, bare)!.tools[0]!.isHere).toBe(false)
  })
})
