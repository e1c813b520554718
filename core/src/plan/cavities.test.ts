import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { cupShares } from './divide.ts'
import { portionsOf } from '../portions/index.ts'
import { inCavity, restCavity } from '../mould/rest/cavity.ts'
import { forecast } from '../forecast/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { barCount } from './cutting.ts'
import { cavitiesOf, cavityKinds, cavityWords, heightsIn, kindOfPour, planOfCavity, pourShares } from './cavities.ts'
import type { Plan } from './document.ts'
import { applyEdit } from './edits.ts'
import { plannedMould } from './mould.ts'
import { plainCup, plannedScent, starterPlan } from './starter.ts'
import { said, say } from '../quantities/words/index.ts'

const shelf = referenceShelf()
const tray = { ...plannedMould(shelf.moulds.find(one => one.cavities === 8)!) }
/** So many cups, each poured once into a tray of eight. */
function trayOf(count: number): Plan {
  const start = starterPlan('Tray')
  const cups = Array.from({ length: count }, (_, i) => plainCup(`cup-${i + 1}`, `Cup ${i + 1}`))
  const score = cups.map((cup, i) => ({ ...start.score[0]!, id: `pour-${i + 1}`, cup: cup.id, share: 1 / count }))
  return { ...start, mould: tray, cups, score, moves: [], seen: [] }
}
const edited = (plan: Plan, edit: Parameters<typeof applyEdit>[1]): Plan => {
  const result = applyEdit(plan, edit)
  if (!result.ok) throw new Error(say(result.sentence))
  return result.plan
}
const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)

describe('cavities with pours of their own', () => {
  test('eight colours in eight cavities are eight bars, each of one colour and filled to its height', () => {
    const plan = edited(trayOf(8), { kind: 'one-colour-each' })
    const kinds = cavityKinds(plan)
    expect(kinds).toHaveLength(8)
    expect(barCount(plan)).toBe(8)
    for (const kind of kinds) {
      expect(heightsIn(plan, kind)).toEqual([expect.closeTo(tray.fillMm, 9)])
      expect(planOfCavity(plan, kind).score).toHaveLength(1)
    }
    const { layers, cups } = portionsOf(plan, shelf)
    for (const layer of layers) expect(layer.massG).toBeCloseTo(layers[0]!.massG, 6)
    expect(sum(cups.map(cup => cup.pouredG))).toBeCloseTo(sum(layers.map(layer => layer.massG)), 6)
  })

  test('however pours are spread, shares come to one and what is poured to the cavities that are filled', () => {
    fc.assert(
      fc.property(
        fc.array(fc.uniqueArray(fc.integer({ min: 1, max: 8 }), { maxLength: 8 }), { minLength: 1, maxLength: 6 }),
        into => {
          const plan = trayOf(into.length)
          const spread: Plan = { ...plan, score: plan.score.map((pour, i) => ({ ...pour, cavities: into[i]! })) }
          expect(sum(pourShares(spread))).toBeCloseTo(1, 9)
          expect(sum(cupShares(spread))).toBeCloseTo(1, 9)
          for (const kind of cavityKinds(spread)) expect(sum(heightsIn(spread, kind))).toBeCloseTo(tray.fillMm, 9)
          const filled = new Set(spread.score.flatMap(pour => cavitiesOf(spread, pour))).size
          const whole = sum(portionsOf(plan, shelf).layers.map(layer => layer.massG))
          const poured = sum(portionsOf(spread, shelf).layers.map(layer => layer.massG))
          expect(poured / whole).toBeCloseTo(filled / 8, 6)
        },
      ),
      { numRuns: 60 },
    )
  })

  test('a height is made up for within its cavities; a pour that fills its own alone says so', () => {
    const plan = edited(trayOf(3), { kind: 'set', path: ['score', 2, 'cavities'], value: [8] })
    const two = edited(plan, { kind: 'set', path: ['score', 0, 'cavities'], value: [1, 2, 3, 4, 5, 6, 7] })
    const own = edited(two, { kind: 'set', path: ['score', 1, 'cavities'], value: [1, 2, 3, 4, 5, 6, 7] })
    const higher = edited(own, { kind: 'set-layer-height', pour: 'pour-1', heightMm: 8 })
    const [most] = cavityKinds(higher)
    expect(heightsIn(higher, most!)[0]).toBeCloseTo(8, 3)
    expect(sum(heightsIn(higher, most!))).toBeCloseTo(tray.fillMm, 3)
    expect(heightsIn(higher, kindOfPour(higher, 'pour-3'))).toEqual([expect.closeTo(tray.fillMm, 6)])
    const alone = applyEdit(own, { kind: 'set-layer-height', pour: 'pour-3', heightMm: 8 })
    expect(said(alone)).toMatchObject({
      ok: false,
      sentence: expect.stringMatching(/fills its cavities alone/) as string,
    })
  })

  test('more pours than cavities, a loaf, and a mould without those cavities are told or forgotten', () => {
    expect(applyEdit(trayOf(9), { kind: 'one-colour-each' })).toMatchObject({ ok: false })
    expect(applyEdit(starterPlan('Loaf'), { kind: 'one-colour-each' })).toMatchObject({ ok: false })
    const six = shelf.moulds.find(one => one.cavities === 6)!
    const smaller = edited(edited(trayOf(8), { kind: 'one-colour-each' }), {
      kind: 'set-mould',
      mould: plannedMould(six),
    })
    expect(smaller.score.map(pour => pour.cavities)).toEqual([[1], [2], [3], [4], [5], [6], [], []])
  })

  test('words for them', () => {
    const words = (...cavities: number[]) => cavityWords({ cavities, pours: [] })
    expect(said([words(3), words(1, 2, 3, 4), words(1, 4), words(1, 2)])).toEqual([
      'cavity 3',
      'cavities 1 to 4',
      'cavities 1 and 4',
      'cavities 1 and 2',
    ])
  })

  test('the rest is worked through for the cavity with most scent, and every cup has its share of gel', () => {
    const plain = edited(trayOf(8), { kind: 'one-colour-each' })
    const plan: Plan = {
      ...plain,
      scent: plannedScent([{ scent: 'moss-cathedral', share: 1 }], 0.03),
      cups: plain.cups.map((cup, i) => ({ ...cup, scented: i === 4 })),
    }
    expect(restCavity(plan).cavities).toEqual([5])
    const made = forecast(plan, shelf)
    if (!made.ok) throw new Error(say(made.sentence))
    expect(made.forecast.rest.shares.cups).toHaveLength(8)
    const one = inCavity({ plan, shelf, portions: made.forecast.portions, lanes: made.forecast.lanes })
    expect(one.lanes.pours.map(pour => pour.cup)).toEqual(['cup-5'])
    // Scent in one cavity warms it more than none anywhere.
    const cool = forecast(plain, shelf)
    expect(cool.ok && made.forecast.rest.peakC - cool.forecast.rest.peakC).toBeGreaterThan(0.1)
  })
})
