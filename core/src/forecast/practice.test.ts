import { describe, expect, test } from 'vitest'
import { remediesFor } from '../batter/advice/index.ts'
import { heatPlan } from '../batter/heat/index.ts'
import { applyEdit, plainOil, plannedScent, starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { forecast, quickensSentence } from './index.ts'
import { said, say } from '../quantities/words/index.ts'

/** Batches whose outcome every maker knows. */

const shelf = referenceShelf()
const start = starterPlan('Practice')
const of = (plan: Plan) => {
  const made = forecast(plan, shelf)
  if (!made.ok) throw new Error(say(made.sentence))
  return made.forecast
}
const sentencesOf = (plan: Plan) => of(plan).notices.map(notice => notice.sentence)
/** One colour, poured at medium trace. */
const loaf: Plan = {
  ...start,
  conditions: { ...start.conditions, stopLevel: 3 },
  cups: [{ ...start.cups[0]!, colorants: [] }],
  score: [{ ...start.score[0]!, share: 1 }],
  moves: [],
}
const seizing: Plan = {
  ...start,
  scent: plannedScent([{ scent: 'lily-of-nowhere', share: 1 }], 0.03),
  cups: start.cups.map(cup => ({ ...cup, scented: true })),
}

describe('what quickens', () => {
  test('a plain loaf at medium trace is calm', () => {
    expect(of(loaf).risk.state).toBe('calm')
    expect(of(loaf).lanes.chance).toBeGreaterThan(0.9)
  })

  test('the same with fatty acid, milk powder and a quick scent is not, and one sentence says why and what to leave out', () => {
    const quick: Plan = {
      ...loaf,
      recipe: {
        ...loaf.recipe,
        oils: [
          ...loaf.recipe.oils.map(part => ({ ...part, share: part.share * 0.96 })),
          plainOil('stearic-acid-mixed', 0.04),
        ],
        additives: [{ additive: 'goat-milk-powder', gPerKgOils: 20, moment: 'oils', addLye: false }],
      },
      scent: plannedScent([{ scent: 'attic-rosebox', share: 1 }], 0.03),
      cups: loaf.cups.map(cup => ({ ...cup, scented: true })),
    }
    const { risk, quickens, recipe } = of(quick)
    expect(risk.state).not.toBe('calm')
    expect(said(recipe.pace.word)).toBe('setting at once')
    expect(quickens!.isWanted).toBe(false)
    expect(said(quickensSentence(quickens!))).toMatch(/solid fatty acid \(\d+ %\).*Attic Rosebox \(\d+ %\)/)
    expect(sentencesOf(quick).some(sentence => /Leave out first: /.test(say(sentence)))).toBe(true)
    const shares = quickens!.quickens.reduce((sum, part) => sum + part.share, 0)
    expect(shares).toBeCloseTo(1, 6)
  })

  test('what is to be spooned is meant to thicken, and is not warned of', () => {
    const spooned: Plan = {
      ...seizing,
      scent: plannedScent([{ scent: 'attic-rosebox', share: 1 }], 0.03),
      score: seizing.score.map(pour => ({ ...pour, shape: { ...pour.shape, way: 'spoon' } })),
    }
    expect(of(spooned).quickens!.isWanted).toBe(true)
    expect(sentencesOf(spooned).some(sentence => /Leave out first/.test(say(sentence)))).toBe(false)
  })
})

describe('a scent that seizes', () => {
  test('is given the one way that works: one cup alone, last, without a stop', () => {
    const remedy = remediesFor(seizing, shelf).find(one => one.id === 'never-stop')!
    expect(remedy.after).toBeGreaterThan(0.7)
    expect(remedy.before).toBeLessThan(0.2)
    const mended = applyEdit(seizing, remedy.edit)
    if (!mended.ok) throw new Error(say(mended.sentence))
    const { plan } = mended
    expect(plan.cups.filter(cup => cup.scented)).toHaveLength(1)
    expect(plan.score.at(-1)!.cup).toBe(plan.cups.find(cup => cup.scented)!.id)
    expect(sentencesOf(plan).some(sentence => /pour all of it at once/.test(say(sentence)))).toBe(true)
    // What is done already is not advised again.
    expect(sentencesOf(plan).some(sentence => /works in one colour/.test(say(sentence)))).toBe(false)
    expect(sentencesOf(plan).some(sentence => /Leave out first/.test(say(sentence)))).toBe(false)
  })
})

describe('a whipped batch', () => {
  const whipped = { airShare: 0.4, lyeC: 15, fatsC: 20, creamMin: 7, trickleMin: 4 }
  const piped = start.score.map((pour, i) => ({
    ...pour,
    shape: { ...pour.shape, way: i === start.score.length - 1 ? ('piped' as const) : ('spoon' as const), count: 8 },
  }))
  const hard = ['coconut', 'palm', 'shea', 'olive'].map((id, i) => plainOil(id, [0.25, 0.35, 0.15, 0.25][i]!))

  test('of hard fats holds its shape for long; of olive alone it holds no air, and says so', () => {
    const cloud = { ...start, whipped, score: piped, recipe: { ...start.recipe, oils: hard } }
    expect(of(cloud).lanes.chance).toBeGreaterThan(0.9)
    expect(of(cloud).quickens).toBeNull()
    const olive = { ...cloud, recipe: { ...cloud.recipe, oils: [plainOil('olive', 1)] } }
    expect(of(olive).lanes.chance).toBeLessThan(0.2)
    expect(said(of(olive).risk.reason)).toMatch(/whip|hard fats/)
    expect(said(of(olive).notices.find(notice => notice.path === 'whipped'))).toMatchObject({ weight: 'stop' })
  })

  test('takes up more room than blended batter: less of everything is weighed', () => {
    const cloud = { ...start, whipped, score: piped }
    expect(of(cloud).portions.potG / of(start).portions.potG).toBeCloseTo(0.6, 1)
  })
})

describe('hot lye that melts the fats', () => {
  const hot: Plan = { ...start, heat: { ...start.heat, rule: 'transfer' } }

  test('what comes of it is what lanes and rest begin with', () => {
    const { portions, lanes } = of(hot)
    const { mixC } = heatPlan(hot, shelf, portions)
    expect(mixC).toBeGreaterThan(start.conditions.mixC + 3)
    expect(lanes.endMin).toBeLessThan(of(start).lanes.endMin + 5)
    const poured = (plan: Plan) => of(plan).lanes.pours.at(-1)!.tempC
    expect(poured(hot) - poured(start)).toBeGreaterThan(2)
    const warm: Plan = { ...start, conditions: { ...start.conditions, mixC } }
    expect(poured(hot)).toBeCloseTo(poured(warm), 3)
  })
})

describe('what cannot be is refused or told, and nothing absurd is forecast', () => {
  test.each([
    [['recipe', 'superfatShare'], -0.05, /Superfat is from 0/],
    [['recipe', 'superfatShare'], 0.3, /Superfat is from 0/],
    [['cups', 0, 'stop'], 5, /at 5 it is set/],
    [['conditions', 'stopLevel'], 5, /at 5 it is set/],
  ])('%j = %d', (path, value, sentence) => {
    const result = applyEdit(start, { kind: 'set', path, value })
    expect(said(result)).toMatchObject({ ok: false, sentence: expect.stringMatching(sentence) as string })
  })

  test('stearic acid alone, a freezer for a week, a seizing scent in every cup', () => {
    const acid = { ...start, recipe: { ...start.recipe, oils: [plainOil('stearic-acid-mixed', 1)] } }
    expect(said(of(acid).notices.find(notice => notice.weight === 'stop')!.sentence)).toMatch(/nothing to blend/)
    const cold: Plan = { ...start, rest: { ...start.rest, steps: [{ ...start.rest.steps[0]!, place: 'freezer' }] } }
    expect(of(cold).rest.peakC).toBeLessThan(60)
    expect(of(cold).rest.gel.full).toBeLessThan(0.05)
    const six: Plan = { ...seizing, scent: { ...seizing.scent!, moment: 'never-stop' } }
    expect(sentencesOf(six).some(sentence => /works in one colour/.test(say(sentence)))).toBe(true)
    for (const plan of [acid, cold, six])
      for (const pour of of(plan).lanes.pours) {
        expect(pour.chance).toBeGreaterThanOrEqual(0)
        expect(pour.startLevel).toBeLessThanOrEqual(5)
        expect(pour.tempC).toBeLessThanOrEqual(100)
      }
  })
})
