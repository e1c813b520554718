import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { applyEdit, cupShares, plainCup, plannedMould, plannedScent, starterPlan } from '../../../plan/index.ts'
import type { Cup, Plan } from '../../../plan/index.ts'
import { portionsOf } from '../../../portions/index.ts'
import { asFilled, takeFilled } from '../recovery.ts'
import { dusk, edited, shelf } from './batch.ts'
import { said, say } from '../../../quantities/words/index.ts'

const start = starterPlan('Trial')
const ids = ['charcoal', 'titanium-white', 'rose-clay', 'mica-teal']
const among = fc.double({ min: 0, max: 1, noNaN: true })

const anyCup = fc.record({
  doses: fc.array(among, { maxLength: 3 }),
  share: fc.double({ min: 0.2, max: 1, noNaN: true }),
  scent: fc.constantFrom('batch', 'none', 'own'),
  slurry: fc.boolean(),
  clingG: fc.option(fc.double({ min: 0, max: 10, noNaN: true })),
})

/** Plans of 1 to 12 cups with several colorants, reserves, moulds, slurries, own scents, colour in the pot. */
const anyPlan = fc
  .record({
    cups: fc.array(anyCup, { minLength: 1, maxLength: 12 }),
    reserves: fc.array(fc.record({ g: fc.double({ min: 0, max: 80, noNaN: true }), of: fc.nat(12) }), { maxLength: 4 }),
    moulds: fc.nat(2),
    drawn: fc.boolean(),
    spread: fc.constantFrom('cup' as const, 'batch' as const),
    thick: fc.boolean(),
    pot: fc.boolean(),
    step: fc.constantFrom(0.1, 1, 5),
  })
  .map((wish): Plan => {
    const own = plannedScent([{ scent: 'tin-roof-rain', share: 1 }], 0.02)
    const cups = wish.cups.map((cup, i): Cup => ({
      ...plainCup(`cup-${i}`, `Cup ${i}`),
      scented: cup.scent === 'batch',
      ownScent: cup.scent === 'own' ? own : null,
      clingG: cup.clingG,
      colorants: cup.doses.map((dose, j) => ({
        ...{ colorant: ids[j]!, doseGPerKg: dose * 20, basis: j === 1 ? 'oils' : 'batter' },
        ...{ medium: j === 2 ? 'water' : 'oil', mediumRatio: 2 },
        slurry: cup.slurry && j === 0 ? { powderG: 1, mediumG: 2, usedG: 1.5 } : null,
      })),
    }))
    const whole = wish.cups.reduce((sum, cup) => sum + cup.share, 0)
    const reserves = wish.reserves.map(({ g, of }, i) => ({
      ...{ id: `reserve-${i}`, use: 'top' as const, massG: g },
      cup: of < cups.length ? cups[of]!.id : '',
    }))
    return {
      ...start,
      cups,
      reserves,
      moreMoulds: shelf.moulds.slice(0, wish.moulds).map(plannedMould),
      scent: { ...plannedScent([{ scent: 'moss-cathedral', share: 1 }], 0.025), spread: wish.spread },
      potColorants: wish.pot ? [{ colorant: 'yellow-clay', doseGPerKg: 4, moment: 'trace' }] : [],
      division: {
        ...start.division,
        cling: wish.thick ? 'thick' : 'thin',
        mediumFrom: wish.drawn ? 'recipe' : 'extra',
        mediumOil: wish.drawn ? 'olive' : '',
      },
      conditions: { ...start.conditions, scaleStepG: wish.step },
      score: cups.map((cup, i) => ({
        ...start.score[0]!,
        id: `pour-${i}`,
        cup: cup.id,
        share: wish.cups[i]!.share / whole,
      })),
    }
  })

const sum = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0)

describe('whatever is divided', () => {
  test('the pot is the sum of what goes into it, and of what is drawn from it', () => {
    fc.assert(
      fc.property(anyPlan, plan => {
        const got = portionsOf(plan, shelf)
        const put = [...got.oils, ...got.liquids, ...got.additives, ...got.potColours].map(one => one.massG)
        expect(sum([...put, got.lyeG, got.waterG])).toBeCloseTo(got.potG, 4)
        const drawn = [...got.cups.map(cup => cup.batterG), got.blankG, got.potClingG]
        expect(sum(drawn)).toBeCloseTo(got.potG, 4)
      }),
    )
  })

  test('a cup is the sum of its parts, and holds its layers, what is kept back of it and what clings', () => {
    fc.assert(
      fc.property(anyPlan, plan => {
        const got = portionsOf(plan, shelf)
        const { scaleStepG, fineScaleStepG } = plan.conditions
        // Every oil, the water and the cups are rounded to the scale; the largest cup takes the remainder.
        const slack = scaleStepG * (got.oils.length + 1 + got.cups.length) + fineScaleStepG * 12
        for (const cup of got.cups) {
          const parts = [cup.batterG, cup.scentG, cup.stabiliserG, cup.colorantG, cup.mediumG]
          expect(sum(parts)).toBeCloseTo(cup.totalG, 4)
          expect(Math.abs(cup.totalG - (cup.pouredG + cup.reserveG + cup.clingG))).toBeLessThan(slack)
        }
        const inMoulds = got.moulds.flatMap(mould => mould.parts.map(part => part.massG))
        expect(sum(inMoulds)).toBeCloseTo(sum(got.cups.map(cup => cup.pouredG)), 3)
      }),
    )
  })

  test('powder follows its dose, and liquid that is drawn from the recipe leaves lye and superfat as planned', () => {
    fc.assert(
      fc.property(anyPlan, plan => {
        const got = portionsOf(plan, shelf)
        plan.cups.forEach((cup, i) => {
          const portion = got.cups[i]!
          cup.colorants.forEach((part, j) => {
            if (part.slurry || part.basis === 'oils') return
            const wantedG = (portion.exact.batterG * part.doseGPerKg) / 1000
            expect(portion.colours[j]!.exact.powderG).toBeCloseTo(wantedG, 6)
          })
        })
        expect(got.superfatShare).toBeGreaterThanOrEqual(plan.recipe.superfatShare - 1e-9)
      }),
    )
  })
})

describe('a cup of another size', () => {
  const share = (plan: Plan, cup: string) => cupShares(plan)[plan.cups.findIndex(one => one.id === cup)]!

  test('all others make up for it in their ratio', () => {
    const after = edited(start, { kind: 'set-cup-share', cup: 'cup-1', share: 0.52 })
    expect(cupShares(after)).toEqual([expect.closeTo(0.52, 4), expect.closeTo(0.24, 4), expect.closeTo(0.24, 4)])
  })

  test('one cup makes up for it, or the fill of the mould', () => {
    const one = { ...start, division: { ...start.division, rule: 'one' as const, makesUp: 'cup-3' } }
    const byOne = edited(one, { kind: 'set-cup-share', cup: 'cup-1', share: 0.5 })
    expect(cupShares(byOne)).toEqual([expect.closeTo(0.5, 4), expect.closeTo(0.3, 4), expect.closeTo(0.2, 4)])
    const mould = { ...start, division: { ...start.division, rule: 'mould' as const } }
    const byFill = edited(mould, { kind: 'set-cup-share', cup: 'cup-1', share: 0.5 })
    expect(byFill.mould.fillMm).toBeCloseTo(66, 2)
    expect(share(byFill, 'cup-2') * byFill.mould.fillMm).toBeCloseTo(18, 2)
  })

  test('more than there is, or than the mould has room for, is refused with a sentence', () => {
    const all = applyEdit(start, { kind: 'set-cup-share', cup: 'cup-1', share: 1 })
    expect(said(all)).toMatchObject({ ok: false, sentence: expect.stringContaining('the rest makes up') as string })
    const mould = { ...start, division: { ...start.division, rule: 'mould' as const } }
    const high = applyEdit(mould, { kind: 'set-cup-share', cup: 'cup-1', share: 0.9 })
    expect(said(high)).toMatchObject({ ok: false, sentence: expect.stringContaining('room for') as string })
  })

  test('a dose on a ladder changes in every step, its white only where it is', () => {
    const after = edited(dusk, { kind: 'set-dose', cup: 'cup-2', colorant: 'ultramarine-blue', doseGPerKg: 6 })
    const doses = dusk.ladders[0]!.cups.map(id => after.cups.find(cup => cup.id === id)!.colorants[0]!.doseGPerKg)
    expect(doses).toEqual([6, 6, 6, 6])
    const white = edited(dusk, { kind: 'set-dose', cup: 'cup-5', colorant: 'titanium-dioxide-oil', doseGPerKg: 2 })
    expect(white.cups.find(cup => cup.id === 'cup-6')).toEqual(dusk.cups.find(cup => cup.id === 'cup-6'))
  })
})

describe('a division done by eye', () => {
  const portions = portionsOf(start, shelf)
  const batters = portions.cups.map(cup => cup.batterG)
  const filledWith = (actual: Plan['division']['actual']) =>
    edited(start, { kind: 'set', path: ['division', 'actual'], value: actual })

  test('cups filled as planned have the planned doses', () => {
    const same = asFilled(start, portions, shelf)
    expect(same.leftG).toBeCloseTo(0, 6)
    same.cups.forEach((cup, i) => {
      expect(cup.batterG).toBe(batters[i])
      for (const part of cup.colours) expect(part.doseGPerKg).toBeCloseTo(part.plannedGPerKg, 6)
    })
  })

  test('less batter makes colour stronger and leaves some in the pot; more than the pot holds is said', () => {
    const less = filledWith([{ cup: 'cup-1', batterG: batters[0]! / 2, colouredG: null, powders: [] }])
    const found = asFilled(less, portions, shelf)
    expect(found.cups[0]!.colours[0]!.doseGPerKg).toBeCloseTo(2 * found.cups[0]!.colours[0]!.plannedGPerKg, 6)
    expect(found.leftG).toBeCloseTo(batters[0]! / 2, 3)
    expect(found.sentences.map(one => say(one)).join()).toContain('still in the pot')
    expect(found.sentences.map(one => say(one)).join()).toContain('Short: Slate')
    const more = filledWith([{ cup: 'cup-1', batterG: batters[0]! + 100, colouredG: null, powders: [] }])
    expect(
      asFilled(more, portions, shelf)
        .sentences.map(one => say(one))
        .join(),
    ).toContain('100 g more than the pot has')
  })

  test('a cup enlarged after colouring asks for the top-up that brings its dose back', () => {
    const grown = filledWith([{ cup: 'cup-1', batterG: batters[0]! * 1.25, colouredG: batters[0]!, powders: [] }])
    const cup = asFilled(grown, portions, shelf).cups[0]!
    const powderG = portions.cups[0]!.colours[0]!.powderG
    expect(cup.colours[0]!.topUpG).toBeCloseTo(powderG * 0.25, 6)
    expect(((powderG + cup.colours[0]!.topUpG) / cup.batterG) * 1000).toBeCloseTo((powderG / batters[0]!) * 1000, 6)
  })

  test('the powder that is in an enlarged cup may be another than planned: its colour and its top-up follow', () => {
    const { colorant, powderG } = portions.cups[0]!.colours[0]!
    const grown = (massG: number) =>
      asFilled(
        filledWith([
          {
            cup: 'cup-1',
            batterG: batters[0]! * 1.5,
            colouredG: batters[0]!,
            powders: [{ colorant, massG }],
          },
        ]),
        portions,
        shelf,
      ).cups[0]!
    const half = grown(powderG / 2)
    expect(half.colours[0]!.topUpG).toBeCloseTo(powderG / 4, 6)
    expect(half.colours[0]!.doseGPerKg).toBeCloseTo((powderG / 2 / half.batterG) * 1000, 6)
    expect(half.colour.lab.l).toBeGreaterThan(grown(powderG).colour.lab.l)
  })

  test('taken over, the layers have the real shares and the plan asks for the powder that went in', () => {
    const moved = filledWith([
      { cup: 'cup-1', batterG: batters[0]! - 60, colouredG: null, powders: [] },
      { cup: 'cup-2', batterG: batters[1]! + 60, colouredG: null, powders: [] },
    ])
    const taken = takeFilled(moved, portions, shelf)
    if (!taken.ok) throw new Error(say(taken.sentence))
    const whole = sum(batters)
    expect(cupShares(taken.plan)[0]).toBeCloseTo((batters[0]! - 60) / whole, 3)
    expect(taken.plan.division.actual).toEqual([])
    const after = portionsOf(taken.plan, shelf)
    expect(after.cups[0]!.colours[0]!.exact.powderG).toBeCloseTo(portions.cups[0]!.colours[0]!.powderG, 1)
  })
})
