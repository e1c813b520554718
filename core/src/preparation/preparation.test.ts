import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { heatPlan } from '../batter/heat/index.ts'
import { PLAN_VERSION, readPlan, startingEmbed, startingMove, startingTopping, starterPlan } from '../plan/index.ts'
import type { Heat, Mould, Plan } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { stockNeeds } from '../weighing/index.ts'
import { aheadDays, aheadOf, divisionSheet, levelError, linersOf, runSheet, toolList, topSheet } from './index.ts'
import { said } from '../quantities/words/index.ts'

const shelf = referenceShelf()
const base = starterPlan('Trial')
const withHeat = (heat: Partial<Heat>): Plan => ({ ...base, heat: { ...base.heat, ...heat } })
const withMould = (mould: Partial<Mould>): Plan => ({ ...base, mould: { ...base.mould, ...mould } })
const sheetOf = (plan: Plan) => {
  const portions = portionsOf(plan, shelf)
  return runSheet(plan, shelf, portions, heatPlan(plan, shelf, portions))
}

describe('the run sheet', () => {
  const anyHeat = fc.record({
    lyeCooling: fc.constantFrom<Heat['lyeCooling']>('air', 'bath', 'ice-bath'),
    oilsCooling: fc.constantFrom<Heat['oilsCooling']>('air', 'bath', 'ice-bath'),
    rule: fc.constantFrom<Heat['rule']>('gap', 'band', 'mix', 'transfer'),
    meltC: fc.integer({ min: 40, max: 70 }),
    iceShare: fc.constantFrom(0, 0.5),
  })

  test('nothing ends after mixing, nothing starts before what it waits for, and hands do one thing at a time', () => {
    fc.assert(
      fc.property(anyHeat, heat => {
        const { steps, lengthMin, critical } = sheetOf(withHeat(heat))
        const at = (key: string) => steps.find(step => step.key === key)
        for (const step of steps) {
          expect(step.endsMin).toBeGreaterThanOrEqual(-1e-6)
          expect(step.startsMin).toBeLessThanOrEqual(lengthMin + 1e-6)
        }
        expect(at('dissolve')!.startsMin).toBeLessThanOrEqual(at('lye')!.endsMin + 1e-6)
        const hands = steps
          .map(step => [lengthMin - step.startsMin, lengthMin - step.startsMin + step.handsMin])
          .sort((a, b) => a[0]! - b[0]!)
        hands.slice(1).forEach((span, i) => expect(span[0]!).toBeGreaterThanOrEqual(hands[i]![1]! - 1e-6))
        expect(critical.length).toBeGreaterThan(0)
      }),
      { numRuns: 25 },
    )
  })

  test('lye that cools in the air sets the length; in an ice bath it does not', () => {
    expect(sheetOf(base).critical).toContain('dissolve')
    expect(sheetOf(withHeat({ lyeCooling: 'ice-bath' })).lengthMin).toBeLessThan(sheetOf(base).lengthMin)
  })

  test('the top’s own lye, lines of powder and toppings have their place; a batter for each cup has its jugs', () => {
    const rich: Plan = {
      ...base,
      score: base.score.map((pour, i) => (i === 1 ? { ...pour, shape: { ...pour.shape, pencil: 'charcoal' } } : pour)),
      finish: { ...base.finish, toppings: [startingTopping('t-1', 'petals')] },
      division: { ...base.division, top: { massG: 200, oils: base.recipe.oils } },
    }
    expect(sheetOf(rich).steps.map(step => step.key)).toEqual(
      expect.arrayContaining(['top', 'top-lye', 'lines', 'toppings']),
    )
    const own = (lye: 'divided' | 'separate') =>
      sheetOf({ ...base, division: { ...base.division, mode: 'own-batters', lye } })
    const hands = (sheet: ReturnType<typeof own>) => sheet.steps.find(step => step.key === 'dissolve')!.handsMin
    expect(hands(own('separate'))).toBeGreaterThan(hands(own('divided')))
    const lines = toolList(rich, shelf, portionsOf(rich, shelf)).map(line => line.key)
    expect(lines).toEqual(expect.arrayContaining(['tool:dust-mask', 'tool:sieve', 'tool:piping-bag', 'vessel:top-lye']))
  })

  test('the tools of the design are on the list, and each jug is counted once', () => {
    const plan: Plan = { ...base, moves: [startingMove('m-1', base.score[2]!.id, 'hanger')] }
    const keys = toolList(plan, shelf, portionsOf(plan, shelf)).map(line => line.key)
    expect(keys).toContain('tool:wire')
    const few = shelf.vessels.filter(one => one.id === 'beaker-pp-600').map(one => ({ ...one, count: 2 }))
    const pots = shelf.vessels.filter(one => one.id === 'pot-stainless-3000' || one.id === 'jug-pp-1000')
    const vessels = [...few, ...pots.map(one => ({ ...one, count: 1 }))]
    const jugs = toolList(base, { ...shelf, vessels }, portionsOf(base, shelf)).find(one => one.key === 'vessel:cups')!
    expect(said(jugs)).toMatchObject({ count: 3, state: 'few' })
    expect(said(jugs.sentence)).toMatch(/2 × Beaker.*1 more/)
  })

  test('a cup that has a vessel keeps what clings to that vessel', () => {
    const vessel = { ...base.cups[0]!, vessel: 'beaker-pp-600' }
    const plan: Plan = { ...base, cups: [vessel, ...base.cups.slice(1)] }
    expect(portionsOf(plan, shelf).cups[0]!.clingG).toBe(6)
    const thick: Plan = { ...plan, division: { ...plan.division, cling: 'thick' } }
    expect(portionsOf(thick, shelf).cups[0]!.clingG).toBe(17)
  })

  test('frozen milk, ice and steeped oil are named ahead', () => {
    const recipe = {
      ...base.recipe,
      liquids: [
        { liquid: 'goat-milk', shareOfWater: 0.5, measure: 'water' as const, moment: 'lye' as const, countFat: true },
      ],
      oils: base.recipe.oils.map((part, i) =>
        i === 0
          ? {
              ...part,
              infusion: { plant: 'calendula', plantPerOil: 0.1, makeFactor: 1.5, way: 'warm' as const, twice: false },
            }
          : part,
      ),
    }
    const { ahead } = sheetOf({ ...withHeat({ iceShare: 0.8 }), recipe })
    expect(ahead.map(step => step.key)).toEqual(['ahead:infuse:olive', 'ahead:freeze:goat-milk', 'ahead:ice'])
  })
})

describe('the mould', () => {
  test('strips for a loaf: length + 2 depths + 2 overhangs by width, and the other way', () => {
    const plan = { ...withMould({ lining: 'paper' }), preparation: { ...base.preparation, overhangMm: 30 } }
    // 230 × 75 × 70 mm: A = 230 + 140 + 60 = 430 by 75; B = 75 + 140 + 60 = 275 by 230.
    expect(linersOf(plan)[0]!.sheets).toMatchObject([
      { widthMm: 430, heightMm: 75, foldsX: [30, 100, 330, 400] },
      { widthMm: 275, heightMm: 230, foldsX: [30, 100, 175, 245] },
    ])
    expect(linersOf(base)).toEqual([])
  })

  test('one sheet has slits from its edge to the floor; leaning walls are as deep as their slope; every mould, twice if wished', () => {
    const preparation = { ...base.preparation, overhangMm: 30, linerWay: 'sheet' as const, linerLayers: 2 }
    const lined = withMould({ lining: 'parchment' })
    const [first, second] = linersOf({ ...lined, moreMoulds: [{ ...lined.mould, taperMm: 10 }], preparation })
    expect(first!.sheets).toMatchObject([{ widthMm: 430, heightMm: 275, count: 2 }])
    expect(first!.sheets[0]!.slits).toEqual([
      { x: 100, fromY: 0, toY: 100 },
      { x: 100, fromY: 175, toY: 275 },
      { x: 330, fromY: 0, toY: 100 },
      { x: 330, fromY: 175, toY: 275 },
    ])
    // The floor is 210 × 55, the walls √(70² + 10²) deep.
    const wall = Math.sqrt(5000)
    expect(second!.sheets[0]!.widthMm).toBeCloseTo(210 + 2 * wall + 60, 6)
    expect(second!.sheets[0]!.heightMm).toBeCloseTo(55 + 2 * wall + 60, 6)
  })

  test('a wall for a round column is its girth and an overlap', () => {
    const plan = withMould({
      form: 'cylinder',
      innerLengthMm: 76,
      innerWidthMm: 76,
      innerHeightMm: 300,
      lining: 'film',
      fillMm: 250,
    })
    expect(linersOf(plan)[0]!.sheets[0]!.widthMm).toBeCloseTo(Math.PI * 76 + 20, 6)
  })

  test('a roll that is too narrow is said', () => {
    const plan = { ...withMould({ lining: 'paper' }), preparation: { ...base.preparation, rollWidthMm: 200 } }
    expect(said(linersOf(plan)[0]!.sentence)).toMatch(/wider than the roll/)
  })

  test('what is made beforehand is told the longest first: cold and twice is eight weeks, embeds when they are cast', () => {
    const infusion = { plant: 'madder', plantPerOil: 0.1, makeFactor: 1.4, way: 'cold' as const, twice: true }
    const oils = base.recipe.oils.map((part, i) => (i === 0 ? { ...part, infusion } : part))
    const embeds = [{ ...startingEmbed('rod', base.score[0]!.id), castDays: 5 }]
    const plan = { ...base, recipe: { ...base.recipe, oils }, finish: { ...base.finish, embeds } }
    const ahead = aheadOf(plan, shelf, portionsOf(plan, shelf))
    expect(ahead.map(step => step.days)).toEqual([56, 28, 5])
    expect(aheadDays(ahead)).toBe(56)
    expect(said(ahead[2]!.what)).toMatch(/Cast Rod: 1 piece and two to spare/)
  })

  test('one degree over 250 mm is 4.4 mm', () => {
    expect(levelError(250, 1)).toBeCloseTo(4.4, 1)
  })

  test.each<[Partial<Mould>, number]>([
    [{ form: 'box', cavities: 6, innerLengthMm: 85, innerWidthMm: 60, innerHeightMm: 28, fillMm: 28 }, 857],
    [{ form: 'cylinder', cavities: 12, innerLengthMm: 65, innerWidthMm: 65, innerHeightMm: 25, fillMm: 25 }, 995],
    [{ form: 'hexagon', cavities: 1, innerLengthMm: 70, innerWidthMm: 70, innerHeightMm: 250, fillMm: 250 }, 1061],
    [{ form: 'ellipse', cavities: 8, innerLengthMm: 85, innerWidthMm: 58, innerHeightMm: 27, fillMm: 27 }, 836],
    [{ form: 'dome', cavities: 6, innerLengthMm: 70, innerWidthMm: 70, innerHeightMm: 35, fillMm: 35 }, 539],
  ])('volume of %o', (mould, ml) => {
    expect(portionsOf(withMould(mould), shelf).fillMl).toBeCloseTo(ml, -0.5)
  })
})

describe('tools and stock', () => {
  test('a lye jug of glass is not one; a missing tool is said', () => {
    const lines = toolList(withHeat({ lyeVessel: 'jug-glass-1000' }), { ...shelf, tools: [] }, portionsOf(base, shelf))
    expect(said(lines.find(line => line.key === 'vessel:lye'))).toMatchObject({
      state: 'missing',
    })
    expect(said(lines.find(line => line.key === 'vessel:lye')!.sentence)).toMatch(/shatter/)
    expect(said(lines.find(line => line.key === 'tool:goggles'))).toMatchObject({ state: 'missing' })
    const good = toolList(base, shelf, portionsOf(base, shelf))
    expect(good.filter(line => line.state !== 'here')).toEqual([])
  })

  test('what is short is the need less all lots; infused oil needs more than it gives', () => {
    const lot = { id: 'a', mark: '', bought: 1000, left: 100, cost: 10, useBy: '2027-01-01' }
    const oils = shelf.oils.map(oil =>
      oil.id === 'palm' ? { ...oil, lots: [lot, { ...lot, id: 'b', left: 5 }] } : oil,
    )
    const portions = portionsOf(base, shelf)
    const line = stockNeeds(base, { ...shelf, oils }, portions).find(one => one.id === 'palm')!
    const needG = portions.oils.find(part => part.oil === 'palm')!.massG
    expect(said(line)).toMatchObject({ haveG: 105, missingG: needG - 105, useBy: '2027-01-01' })
    expect(line.cost).toBeCloseTo(needG * 0.01, 6)
  })
})

describe('own batters', () => {
  const division = { ...base.division, mode: 'own-batters' as const }

  test.each(['common', 'each'] as const)(
    'with a melt for %s, no batter gets more lye than its own oils allow',
    melt => {
      fc.assert(
        fc.property(fc.constantFrom(0.1, 0.5, 1), fc.double({ min: 20, max: 66, noNaN: true }), (stepG, fillMm) => {
          const plan = {
            ...withMould({ fillMm }),
            division: { ...division, melt },
            conditions: { ...base.conditions, scaleStepG: stepG },
          }
          const sheet = divisionSheet(plan, shelf, portionsOf(plan, shelf))
          for (const batter of sheet.batters) {
            expect(batter.superfatShare).toBeGreaterThanOrEqual(base.recipe.superfatShare - 1e-6)
            expect(batter.meltLeftG).toBeGreaterThanOrEqual(0)
          }
          const solution = sheet.batters.reduce((sum, batter) => sum + batter.solutionG, 0)
          expect(sheet.solution!.totalG).toBeGreaterThanOrEqual(solution - 1e-9)
          expect(sheet.solution!.totalG).toBeLessThan(solution * 1.02)
        }),
      )
    },
  )

  test('a whipped top weighs what was asked, with the superfat of the recipe or a hair more', () => {
    const top = { massG: 300, oils: base.recipe.oils }
    const made = topSheet({ ...base, division: { ...base.division, top } }, shelf)!
    const sum = made.oils.reduce((total, part) => total + part.massG, 0) + made.lyeG + made.waterG
    expect(Math.abs(sum - 300)).toBeLessThan(4)
    expect(made.superfatShare).toBeGreaterThanOrEqual(0.05 - 1e-9)
    expect(said(made.sentence)).toMatch(/little for a whipped top/)
    expect(topSheet(base, shelf)).toBeNull()
  })
})

test('a plan of version 1 is brought to this one with its water, scent and mould', () => {
  const { superfatShare, lyePurityShare, oils } = base.recipe
  const old = {
    format: base.format,
    version: 1,
    name: base.name,
    notes: base.notes,
    pot: base.pot,
    cups: base.cups.map(({ id, name, scented }) => ({
      ...{ id, name, scented, clingG: 5, swatch: '#5d6468' },
      colorant: id === 'cup-1' ? { colorant: 'charcoal', doseGPerKg: 2, medium: 'oil', mediumRatio: 3 } : null,
    })),
    score: base.score,
    conditions: base.conditions,
    recipe: {
      superfatShare,
      lyePurityShare,
      oils: oils.map(({ oil, share }) => ({ oil, share })),
      lyeConcentrationShare: 0.31,
    },
    mould: { name: 'Loaf', innerLengthMm: 230, innerWidthMm: 75, innerHeightMm: 70, fillMm: 60 },
    scent: { scent: 'quiet-linen', shareOfOils: 0.03, moment: 'last' },
  }
  const read = readPlan(old)
  expect(read.ok && read.plan).toMatchObject({
    version: PLAN_VERSION,
    cups: [
      {
        wish: '#5d6468',
        clingG: 5,
        colorants: [{ colorant: 'charcoal', doseGPerKg: 2, basis: 'batter', slurry: null }],
      },
      { colorants: [] },
      { colorants: [] },
    ],
    recipe: { water: { basis: 'concentration', value: 0.31 }, liquids: [] },
    mould: { form: 'box', cavities: 1 },
    scent: {
      parts: [{ scent: 'quiet-linen', share: 1 }],
      load: 0.03,
      basis: 'oils',
      moment: 'last',
      how: 'hand',
      spread: 'cup',
      stabiliserRatio: 0,
      isPrivate: false,
    },
  })
})
