import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { plainOil, plannedScent, starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import { unitBatter } from '../recipe/index.ts'
import { findById, referenceShelf } from '../shelf/index.ts'
import { weighList } from './index.ts'
import type { WeighLine } from './index.ts'

/** Batters of their own, mixed together again line by line from the weigh list, by arithmetic that is not the product's. */

const shelf = referenceShelf()
const base = starterPlan('Trial')
/** g NaOH for a mg KOH per g. */
const NAOH = 39.997 / 56.106 / 1000

const share = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const liquids = fc.subarray(
  ['goat-milk', 'coconut-milk', 'aloe-juice', 'beer'].filter(id => findById(shelf.liquids, id)),
  {
    maxLength: 2,
  },
)
const ADDITIVES = [
  'milk-powder',
  'oats-ground',
  'salt',
  'citric-acid-anhydrous',
  'sodium-lactate-60',
  'sugar',
  'kaolin',
]
const additives = fc.subarray(
  shelf.additives.map(one => one.id).filter(id => ADDITIVES.includes(id) || /milk|oat|salt|citric|sugar/.test(id)),
  { maxLength: 4 },
)
const moments = fc.array(fc.constantFrom('lye' as const, 'oils' as const, 'trace' as const), {
  minLength: 4,
  maxLength: 4,
})

const anyPlan = fc
  .record({
    count: fc.integer({ min: 2, max: 8 }),
    oils: fc.subarray(['olive', 'coconut', 'palm', 'shea', 'castor', 'avocado', 'rice-bran'], { minLength: 1 }),
    oilShares: fc.array(share(0.1, 1), { minLength: 7, maxLength: 7 }),
    liquids,
    additives,
    moments,
    doses: fc.array(share(5, 300), { minLength: 4, maxLength: 4 }),
    counted: fc.boolean(),
    superfat: share(0.02, 0.12),
    purity: share(0.95, 1),
    water: fc.constantFrom(
      { basis: 'concentration' as const, value: 0.3, fullShareOfOils: 0.38 },
      { basis: 'discount' as const, value: 0.15, fullShareOfOils: 0.38 },
      { basis: 'ratio' as const, value: 2.4, fullShareOfOils: 0.38 },
    ),
    iceShare: fc.constantFrom(0, 0.5),
    lye: fc.constantFrom('divided' as const, 'separate' as const),
    melt: fc.constantFrom('common' as const, 'each' as const),
    mediumFrom: fc.constantFrom('extra' as const, 'recipe' as const),
    lateLast: fc.boolean(),
    fine: fc.constantFrom(0.01, 0.1),
    potDose: fc.constantFrom(0, 4),
    letters: fc.array(fc.constantFrom('', '', 'a', 'b'), { minLength: 8, maxLength: 8 }),
    strengths: fc.record({
      '': fc.option(share(0.25, 0.45)),
      a: fc.option(share(0.25, 0.45)),
      b: fc.option(share(0.25, 0.45)),
    }),
  })
  .map((w): Plan => {
    const late = (i: number) => w.lateLast && w.oils.length > 1 && i === w.oils.length - 1
    const all = w.oils.reduce((sum, _, i) => sum + w.oilShares[i]!, 0)
    return {
      ...base,
      recipe: {
        ...base.recipe,
        superfatShare: w.superfat,
        lyePurityShare: w.purity,
        water: w.water,
        oils: w.oils.map((oil, i) => ({ ...plainOil(oil, w.oilShares[i]! / all), late: late(i) })),
        liquids: w.liquids.map((liquid, i) => ({
          ...{ liquid, shareOfWater: 0.3, measure: i ? ('weight' as const) : ('water' as const) },
          ...{ moment: i ? ('trace' as const) : ('lye' as const), countFat: w.counted },
        })),
        additives: w.additives.map((additive, i) => ({
          ...{ additive, moment: w.moments[i]!, addLye: w.counted },
          gPerKgOils: /acid/.test(additive) ? w.doses[i]! / 15 : w.doses[i]! / 3,
        })),
      },
      scent: plannedScent([{ scent: 'eo-lavender', share: 1 }], 0.02),
      mould: { ...base.mould, innerLengthMm: 300 },
      heat: { ...base.heat, iceShare: w.iceShare },
      conditions: { ...base.conditions, scaleStepG: 1, fineScaleStepG: w.fine },
      cups: Array.from({ length: w.count }, (_, i) => {
        const batter = w.letters[i]!
        return {
          ...{ ...base.cups[0]!, id: `cup-${i}`, name: `Cup ${i}`, batter },
          lyeShare: w.strengths[batter] ?? null,
        }
      }),
      score: Array.from({ length: w.count }, (_, i) => ({
        ...{ ...base.score[0]!, id: `p-${i}`, cup: `cup-${i}` },
        share: (i + 1) / ((w.count * (w.count + 1)) / 2),
      })),
      potColorants: w.potDose > 0 ? [{ colorant: 'yellow-clay', doseGPerKg: w.potDose, moment: 'lye' as const }] : [],
      division: {
        ...base.division,
        ...{ mode: 'own-batters', lye: w.lye, melt: w.melt, mediumFrom: w.mediumFrom, mediumOil: w.oils[0]! },
      },
    }
  })

/** Places of the cups that are one batter with a cup. */
const inBatter = (plan: Plan, cup: string): number[] => {
  const { batter } = plan.cups.find(one => one.id === cup)!
  return plan.cups.flatMap((one, i) => (one.id === cup || (batter !== '' && one.batter === batter) ? [i] : []))
}

/** The recipe as a cup's batter has it, with lye of its own strength where it may have one. */
const planOf = (plan: Plan, cup: string): Plan => {
  const { lyeShare } = plan.cups.find(one => one.id === cup)!
  if (plan.division.lye !== 'separate' || lyeShare === null) return plan
  const water = { ...plan.recipe.water, basis: 'concentration' as const, value: lyeShare }
  return { ...plan, recipe: { ...plan.recipe, water } }
}

interface Mixed {
  superfat: number
  demandG: number
}

/** Stirs the lines of the list together as a maker would, each reading off by `error(key)` g. */
function mixed(plan: Plan, lines: readonly WeighLine[], cup: string, error: (line: WeighLine) => number): Mixed {
  const portions = portionsOf(plan, shelf)
  const read = (line: WeighLine) => line.massG + error(line)
  const mine = lines.filter(line => line.batter === cup)
  const common = lines.filter(line => line.batter === '')
  const rest = (key: string) => key.replace(`batter:${cup}:`, '')
  const intoLye = (list: readonly WeighLine[], moment: (key: string) => string) =>
    list.filter(line => ['lye', 'water'].includes(rest(line.key)) || moment(rest(line.key)) === 'lye')
  const momentOf = (key: string): string => {
    const [kind, id, third] = key.split(':')
    if (kind === 'liquid') return plan.recipe.liquids.find(one => one.liquid === id)!.moment
    if (kind === 'additive') return plan.recipe.additives.find(one => one.additive === id)!.moment
    if (kind === 'colour' && id === 'pot') return plan.potColorants.find(one => one.colorant === third)!.moment
    return ''
  }
  const own = mine.some(line => rest(line.key) === 'lye')
  const jug = intoLye(own ? mine : common, momentOf)
  const jugG = jug.reduce((sum, line) => sum + read(line), 0)
  const drawn = own ? 1 : read(mine.find(line => line.kind === 'solution')!) / jugG
  const melt = common.filter(line => line.key.startsWith('oil:'))
  const meltG = melt.reduce((sum, line) => sum + read(line), 0)
  const draw = mine.find(line => line.kind === 'melt')
  const masses: [string, number][] = [
    ...jug.map((line): [string, number] => [rest(line.key), read(line) * drawn]),
    ...melt.map((line): [string, number] => [line.key, draw ? (read(line) * read(draw)) / meltG : 0]),
    ...mine
      .filter(line => !jug.includes(line) && line.kind !== 'melt' && line.kind !== 'solution')
      .map((line): [string, number] => [rest(line.key), read(line)]),
  ]
  // Oil for the colours that was taken off the recipe's comes back with them.
  if (plan.division.mediumFrom === 'recipe')
    for (const i of inBatter(plan, cup))
      for (const part of portions.cups[i]!.colours)
        if (part.medium === 'oil') masses.push([`oil:${plan.division.mediumOil}`, part.exact.mediumG])
  let naoh = 0
  let demand = 0
  for (const [key, g] of masses) {
    const [kind, id = ''] = key.split(':')
    if (kind === 'lye') naoh += g * plan.recipe.lyePurityShare
    if (kind === 'oil') demand += g * findById(shelf.oils, id)!.sapKohMgPerG * NAOH
    const extra =
      kind === 'liquid' ? findById(shelf.liquids, id) : kind === 'additive' ? findById(shelf.additives, id) : null
    if (extra) {
      naoh -= g * extra.acidLyePerG
      demand += g * extra.fatLyePerG
    }
  }
  return { superfat: 1 - Math.max(0, naoh) / demand, demandG: demand }
}

/** The superfat that the recipe promises, per gram of oils. */
function promised(plan: Plan): number {
  const unit = unitBatter(plan.recipe, shelf)
  const whole = plan.recipe.oils.reduce((sum, part) => sum + part.share, 0)
  const oils = plan.recipe.oils.reduce(
    (sum, part) => sum + (part.share / whole) * findById(shelf.oils, part.oil)!.sapKohMgPerG * NAOH,
    0,
  )
  const extras = [
    ...unit.liquids.map(one => ({ g: one.massG, item: one.liquid, isCounted: one.part.countFat })),
    ...unit.additives.map(one => ({ g: one.massG, item: one.additive, isCounted: one.part.addLye })),
  ]
  const sum = (of: (one: (typeof extras)[number]) => number) => extras.reduce((all, one) => all + of(one), 0)
  const naoh =
    (oils + sum(one => (one.isCounted ? one.g * one.item.fatLyePerG : 0))) * (1 - plan.recipe.superfatShare) +
    sum(one => (one.isCounted ? one.g * one.item.acidLyePerG : 0))
  return (
    1 - Math.max(0, naoh - sum(one => one.g * one.item.acidLyePerG)) / (oils + sum(one => one.g * one.item.fatLyePerG))
  )
}

const cupsOf = (lines: readonly WeighLine[]) => [...new Set(lines.map(line => line.batter))].filter(id => id !== '')

describe('batters of their own, mixed again from the weigh list', () => {
  test('each has the superfat that the recipe promises, within what its scale can show, and never less by lye', () => {
    fc.assert(
      fc.property(anyPlan, plan => {
        const lines = weighList(plan, portionsOf(plan, shelf), shelf)
        const cups = cupsOf(lines)
        const letters = new Set(plan.cups.map(cup => cup.batter).filter(letter => letter !== ''))
        expect(cups).toHaveLength(plan.cups.filter(cup => cup.batter === '').length + letters.size)
        for (const cup of cups) {
          const { superfat, demandG } = mixed(plan, lines, cup, () => 0)
          // Half a step of each powder, milk or acid, and one step of what lye is weighed as.
          const parts = lines.filter(line => line.batter === cup && /liquid|additive/.test(line.kind))
          const stepsG = parts.reduce((sum, line) => sum + line.stepG, 0) + (plan.recipe.additives.length + 1) * 0.5
          const off = superfat - promised(planOf(plan, cup))
          expect(off).toBeGreaterThan(-(stepsG * 0.3) / demandG - 1e-4)
          expect(off).toBeLessThan((stepsG * 0.5 + plan.conditions.fineScaleStepG) / demandG + 1e-4)
          if (parts.length === 0 && plan.recipe.additives.length + plan.recipe.liquids.length === 0)
            expect(off).toBeGreaterThan(-1e-6)
        }
      }),
      { numRuns: 150 },
    )
  })

  test('with every reading off by half a step, the superfat stays in its band', () => {
    fc.assert(
      fc.property(anyPlan, fc.infiniteStream(share(-0.5, 0.5)), (plan, variation) => {
        const lines = weighList(plan, portionsOf(plan, shelf), shelf)
        const errors = new Map(lines.map(line => [line.key, Number(variation.next().value) * line.stepG]))
        const off = (line: WeighLine) => errors.get(line.key)!
        for (const cup of cupsOf(lines)) {
          const { superfat, demandG } = mixed(plan, lines, cup, off)
          // Every line of this batter half a step off in the worst direction, in NaOH: an oil takes at most .19 g/g.
          const worst = lines
            .filter(line => line.batter === cup || line.batter === '')
            .reduce(
              (sum, line) => sum + (line.stepG / 2) * (line.kind === 'lye' || line.kind === 'additive' ? 1 : 0.35),
              0,
            )
          expect(Math.abs(superfat - promised(planOf(plan, cup)))).toBeLessThan(
            (worst + plan.conditions.fineScaleStepG) / demandG + 2e-3,
          )
        }
      }),
      { numRuns: 80 },
    )
  })

  test('lye of its own strength is as strong as asked, and scent by the oils is of the oils that are there', () => {
    fc.assert(
      fc.property(anyPlan, plan => {
        if (plan.recipe.liquids.length + plan.recipe.additives.length > 0 || plan.division.lye !== 'separate') return
        if (plan.division.mediumFrom === 'recipe') return
        const portions = portionsOf(plan, shelf)
        const lines = weighList(plan, portions, shelf)
        for (const cup of cupsOf(lines)) {
          const { lyeShare } = plan.cups.find(one => one.id === cup)!
          if (lyeShare === null) continue
          const of = (kind: string) => lines.find(line => line.batter === cup && line.kind === kind)!
          const naoh = of('lye').massG * plan.recipe.lyePurityShare
          const water = of('water').massG
          const off = (of('lye').stepG + of('water').stepG) / (naoh + water)
          expect(Math.abs(naoh / (naoh + water) - lyeShare)).toBeLessThan(off + 0.012)
          const oilsG = lines
            .filter(line => line.batter === cup && line.kind === 'oil')
            .reduce((sum, line) => sum + line.massG, 0)
          const melt = lines.find(line => line.batter === cup && line.kind === 'melt')?.massG ?? 0
          const scentG = inBatter(plan, cup).reduce((sum, i) => sum + portions.cups[i]!.scentG, 0)
          const steps = 0.5 * (plan.recipe.oils.length + 1) + plan.cups.length * plan.conditions.fineScaleStepG
          expect(Math.abs(scentG - 0.02 * (oilsG + melt))).toBeLessThan(0.02 * steps + 0.1 + 0.004 * scentG)
        }
      }),
      { numRuns: 150 },
    )
  })

  test('solution, melt, oils, liquids and additives add up to what is weighed for all, to 0.1 g', () => {
    fc.assert(
      fc.property(anyPlan, plan => {
        const portions = portionsOf(plan, shelf)
        const lines = weighList(plan, portions, shelf)
        const sum = (list: readonly WeighLine[]) => list.reduce((total, line) => total + line.massG, 0)
        const common = lines.filter(
          line => line.batter === '' && /^(lye|water|liquid|additive|colour:pot)/.test(line.key),
        )
        const draws = lines.filter(line => line.kind === 'solution')
        if (plan.division.lye === 'divided') {
          const clings = sum(common) - sum(draws)
          expect(clings).toBeGreaterThanOrEqual(-1e-6)
          expect(clings).toBeLessThan(Math.max(6, sum(common) * 0.03))
        }
        const melts = lines.filter(line => line.kind === 'melt')
        if (melts.length > 0) {
          const melt = lines.filter(line => line.batter === '' && line.key.startsWith('oil:'))
          expect(sum(melt) - sum(melts)).toBeGreaterThanOrEqual(-1e-6)
        }
        // What each batter is poured together from is what its cup is said to hold, to the steps of its lines.
        for (const cup of cupsOf(lines)) {
          const mine = lines.filter(line => line.batter === cup)
          const cups = inBatter(plan, cup).map(i => portions.cups[i]!)
          const mediumG = cups.reduce((total, one) => total + one.mediumG, 0)
          const brought =
            plan.division.mediumFrom === 'recipe' && mine.some(line => line.kind === 'solution')
              ? mediumG * plan.cups.length
              : 0
          const steps = mine.reduce((total, line) => total + line.stepG, 0)
          const whole = cups.reduce((total, one) => total + one.batterG, 0)
          expect(Math.abs(sum(mine) - whole)).toBeLessThan(steps + whole * 0.006 + brought + 1)
        }
      }),
      { numRuns: 100 },
    )
  })

  test('30 g/kg of milk powder, and salt: the lye that was hidden by them is found', () => {
    for (const [additive, gPerKgOils] of [
      ['goat-milk-powder', 30],
      ['salt-bar', 500],
      ['rolled-oats-ground', 20],
    ] as const) {
      const known = findById(shelf.additives, additive)!
      const plan: Plan = {
        ...base,
        recipe: { ...base.recipe, additives: [{ additive: known.id, gPerKgOils, moment: 'lye', addLye: true }] },
        division: { ...base.division, mode: 'own-batters', lye: 'divided' },
      }
      const lines = weighList(plan, portionsOf(plan, shelf), shelf)
      for (const cup of cupsOf(lines))
        expect(Math.abs(mixed(plan, lines, cup, () => 0).superfat - 0.05)).toBeLessThan(0.002)
    }
  })
})
