import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { monteCarlo, runInputOf } from '../batter/schedule/index.ts'
import { plannedScent, readPlan, starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import { mixing, normal } from '../quantities/chance/index.ts'
import { unitBatter } from '../recipe/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { dueLooks } from './answer.ts'
import { trialOf, trialOutlook } from './draw-up.ts'
import { readTrial } from './document.ts'
import type { TrialQuestion } from './document.ts'
import { gainOf, wayThrough } from './gain.ts'
import { KINDS } from './kinds.ts'
import type { TrialKind } from './kinds.ts'
import { numberDifferences, readOf } from './measured.ts'
import { MEASURES } from './measures.ts'
import { claimTag, numbersRead } from './numbers-read.ts'
import { battersOf, planOfTrial } from './plan-of-trial.ts'
import { colourWorth } from './worth-colour.ts'
import { chanceAt, waysOf, worthOfTests } from './worth.ts'
import { STANDARD_BASE, pigmentOfColorant } from '../look/index.ts'
import { library } from '../look/colour/test/library.ts'
import { teachingDoses } from './teaching-doses.ts'

const shelf = referenceShelf()
const none = { colorant: '', gPerKg: 0 }
const dose = (colorant: string) => ({ colorant, gPerKg: 4 })

/** A usual question of each kind. */
const LEVELS: Readonly<Partial<Record<TrialKind, TrialQuestion['levels']>>> = {
  ladder: [1, 2, 4].map(gPerKg => ({ colorant: 'hydrated-green', gPerKg })),
  grid: [1, 2].map(gPerKg => ({ colorant: 'hydrated-green', gPerKg })),
  colours: ['charcoal', 'hydrated-green'].map(dose),
  whites: ['titanium-white', 'kaolin'].filter(id => shelf.colorants.some(one => one.id === id)).map(dose),
  stabiliser: [0.5, 1].map(amount => ({ ...none, amount })),
  fading: [dose('spirulina')].filter(({ colorant }) => shelf.colorants.some(one => one.id === colorant)),
  gel: [{ ...none, way: 'in the oven' }],
  blending: ['short', 'long'].map(way => ({ ...none, way })),
  water: [28, 38].map(amount => ({ ...none, amount })),
  superfat: [0, 8].map(amount => ({ ...none, amount })),
  hardener: [10, 20].map(amount => ({ ...none, amount })),
  claim: [{ ...none, way: 'with sugar' }],
}
const asked = (kind: TrialKind): TrialQuestion => ({
  ...{ kind, asked: '', levels: LEVELS[kind] ?? [], blanks: 2, whiteGPerKg: kind === 'grid' ? 4 : 0 },
  ...{ sampleG: KINDS[kind].sampleG, stepG: 0.01, matters: 2.5, way: 'photo', seed: 5, times: 2 },
  ...(KINDS[kind].isScented ? { scent: 'moss-cathedral', load: 0.03 } : {}),
  ...(kind === 'hardener' ? { additive: shelf.additives[0]!.id } : {}),
})

describe.each(Object.keys(KINDS) as TrialKind[])('a trial of the kind %s', kind => {
  const trial = trialOf('One', asked(kind))

  test('is a document that can be read again, and is drawn blanks first, scent last', () => {
    const read = readTrial(JSON.parse(JSON.stringify(trial)))
    expect(read.ok ? [] : read.problems).toEqual([])
    expect(trial.samples[0]!.role).toBe('nothing')
    const firstScented = trial.samples.findIndex(({ scented }) => scented)
    if (firstScented >= 0) expect(trial.samples.slice(firstScented).every(({ scented }) => scented)).toBe(true)
    expect(new Set(trial.samples.map(({ label }) => label)).size).toBe(trial.samples.length)
    expect(trialOutlook(trial).wouldSee).toBeGreaterThan(0)
    expect(dueLooks({ ...trial, pouredOn: '2026-12-01' })).toHaveLength(KINDS[kind].days.length)
  })

  test('is made as batches that are plans, every sample once, and scented only where the scent is asked about', () => {
    const plans = battersOf(trial).map(level => planOfTrial(trial, shelf, starterPlan('Usual'), level))
    for (const plan of plans) {
      const read = readPlan(JSON.parse(JSON.stringify(plan)))
      expect(read.ok ? [] : read.problems).toEqual([])
      expect(portionsOf(plan, shelf).potG).toBeGreaterThan(0)
    }
    const cups = plans.flatMap(plan => plan.cups)
    expect(cups).toHaveLength(trial.samples.length)
    expect(plans.some(({ scent }) => scent !== null)).toBe(KINDS[kind].isScented)
  })
})

test('of levels with lye of their own each batch has just what is asked', () => {
  const plans = (kind: TrialKind) => {
    const trial = trialOf('Own', asked(kind))
    return battersOf(trial).map(level => ({ level, plan: planOfTrial(trial, shelf, starterPlan('Usual'), level) }))
  }
  const amount = (kind: TrialKind, level: number | null) => LEVELS[kind]![level!]!.amount!
  for (const { level, plan } of plans('superfat').slice(1))
    expect(plan.recipe.superfatShare).toBeCloseTo(amount('superfat', level) / 100, 9)
  for (const { level, plan } of plans('water').slice(1))
    expect(unitBatter(plan.recipe, shelf).water.concentration).toBeCloseTo(amount('water', level) / 100, 3)
  for (const { level, plan } of plans('hardener').slice(1))
    expect(plan.recipe.additives.at(-1)).toMatchObject({ gPerKgOils: amount('hardener', level) })
})

test('no batch of any kind is given more lye than its oils take, by arithmetic of its own', () => {
  const naohOfKoh = 39.997 / 56.106
  for (const kind of Object.keys(KINDS) as TrialKind[]) {
    const trial = trialOf('One', asked(kind))
    for (const level of battersOf(trial)) {
      const usual = starterPlan('Usual')
      const plan = planOfTrial(trial, shelf, { ...usual, recipe: { ...usual.recipe, lyePurityShare: 0.98 } }, level)
      const { oils, lyeG } = portionsOf(plan, shelf)
      const all = oils.reduce((sum, { oil, massG }) => {
        return sum + (massG * shelf.oils.find(({ id }) => id === oil)!.sapKohMgPerG * naohOfKoh) / 1000
      }, 0)
      const needG = (all * (1 - plan.recipe.superfatShare)) / 0.98
      expect(lyeG, `${kind} ${level}`).toBeLessThanOrEqual(needG + 1e-9)
      expect(lyeG, `${kind} ${level}`).toBeGreaterThan(0.985 * needG - 0.02)
    }
  }
})

describe('what a question lacks is said', () => {
  const cases: readonly (readonly [string, Partial<TrialQuestion>, RegExp])[] = [
    ['speed', { scent: '' }, /scent/],
    ['browning', { load: 0 }, /scent/i],
    ['hardener', { additive: '' }, /additive/],
    ['claim', { levels: [{ ...none, way: ' ' }] }, /otherwise/],
    ['stabiliser', { levels: [none] }, /How much/],
    ['superfat', { levels: [] }, /1 to 3/],
    ['whites', { levels: [none] }, /colorant/],
  ]
  test.each(cases)('%s: %j', (kind, change, sentence) => {
    const trial = trialOf('One', asked(kind as TrialKind))
    const read = readTrial({ ...trial, question: { ...trial.question, ...change } })
    expect(read.ok).toBe(false)
    if (!read.ok) expect(JSON.stringify(read.problems)).toMatch(sentence)
  })
})

describe('numbers', () => {
  const differ = (blanks: number[], level: number[], what: keyof typeof MEASURES = 'points') =>
    numberDifferences({
      ...{ measure: MEASURES[what], direction: 'any' },
      blanks: blanks.map((value, i) => readOf(what, `B${i}`, [value])),
      levels: [{ label: 'A1', samples: level.map((value, i) => readOf(what, `A${i}`, [value])) }],
    })[0]!

  test('that are alike are not called so without what could have been seen; many are', () => {
    expect(differ([5, 5], [5, 6]).word).toBe('not told')
    expect(differ([5, 5], [5, 6]).wouldSee).toBeGreaterThan(1)
    expect(differ([5, 5], [9, 9]).word).toBe('different')
    const many = new Array<number>(12).fill(5)
    expect(differ(many, many).word).toBe('the same')
  })

  test('of a ratio are told as a factor, whatever the unit', () => {
    const mm = differ([8, 8.2], [14, 15], 'depth')
    expect(mm.by).toBeCloseTo(Math.sqrt(14 * 15) / Math.sqrt(8 * 8.2), 6)
    expect(differ([80, 82], [100, 100], 'depth').by).toBeGreaterThan(1)
    expect(mm.word).toBe('different')
  })

  test('without an effect are called different in at most a tenth of the trials', () => {
    const random = mixing(7)
    const draw = () => Array.from({ length: 12 }, random).reduce((sum, x) => sum + x, -6)
    let wrong = 0
    for (let n = 0; n < 300; n += 1) {
      const sample = (label: string) => readOf('points', label, [5 + 0.5 * draw() + 0.7 * draw()])
      const found = numberDifferences({
        ...{ measure: MEASURES.points, direction: 'any', blanks: [sample('a'), sample('b')] },
        levels: ['c', 'd', 'e'].map(label => ({ label, samples: [sample(label), sample(`${label}2`)] })),
      })
      if (found.some(({ word }) => word === 'different' || word === 'probably different')) wrong += 1
    }
    expect(wrong / 300).toBeLessThan(0.1)
  })

  test('of a claim leave it unproven until they are there, then say how it is', () => {
    const trial = trialOf('Heard', asked('claim'))
    expect(claimTag(trial, [])).toBe('unproven')
    const numbers = trial.samples.map(({ label, role }, i) => ({
      ...{ id: `00000000-0000-4000-8000-00000000000${i}`, sample: label, at: '2026-12-01T10:00:00Z', days: 2 },
      ...{ minutes: 0, what: 'points' as const, value: role === 'nothing' ? 2 : 9, by: '' },
    }))
    const [read] = numbersRead({ ...trial, numbers })
    expect(
      claimTag(
        trial,
        read!.differences.map(({ word }) => word),
      ),
    ).toBe('so it is')
  })
})

describe('which test is worth it', () => {
  test('by the worked example of a scent of which nothing is known', () => {
    const ways = [
      { c: 0.93, g: 2.4, penalty: 0 },
      { c: 1.61, g: 2.22, penalty: 0.15 },
      { c: 1.2816, g: 0, penalty: 0.304 },
    ]
    const f = { mean: 0.264, sd: 0.577 }
    const pair = gainOf(ways, f, 0.137)
    expect(pair.now).toBeCloseTo(0.596, 2)
    expect(pair.then).toBeCloseTo(0.734, 2)
    expect(pair.changesMind).toBeCloseTo(0.62, 1)
    expect(gainOf(ways, f, 1e-4).gain).toBeCloseTo(0.145, 2)
    // Sharper is worth no less, and no test less than nothing; with one way there is nothing to gain.
    const gains = [0.577, 0.4, 0.3, 0.2, 0.1, 0.01].map(left => gainOf(ways, f, left).gain)
    for (let i = 1; i < gains.length; i += 1) expect(gains[i]!).toBeGreaterThanOrEqual(gains[i - 1]! - 2e-3)
    expect(gains[0]!).toBeGreaterThan(-2e-3)
    expect(Math.abs(gainOf(ways.slice(0, 1), f, 0.1).gain)).toBeLessThan(2e-3)
  })

  test('one sample of a colorant answers most of what nobody knows of it', () => {
    const blue = pigmentOfColorant(shelf.colorants.find(({ id }) => id === 'ultramarine-blue')!).pigment
    const one = colourWorth(blue, 2, [2])
    expect(one.before).toBeGreaterThan(7)
    expect(one.after).toBeLessThan(1.7)
    const two = colourWorth(blue, 2, [1, 4])
    expect(two.after).toBeLessThan(one.after)
    expect(one.after - two.after).toBeLessThan(1)
  })

  const read = readPlan(
    JSON.parse(readFileSync(new URL('../../../examples/verdigris-stair.json', import.meta.url), 'utf8')),
  )
  const scented = (scent: string, load: number): Plan => {
    if (!read.ok) throw new Error('the example cannot be read')
    return { ...read.plan, scent: plannedScent([{ scent, share: 1 }], load, { moment: 'last' }) }
  }

  test('as makers who really make it come out, on three plans', () => {
    const [calm, mild, unknown] = ['none', 'mild', 'moderate'].map(
      acceleration => shelf.scents.find(one => one.acceleration === acceleration)!.id,
    )
    const plans = [scented(calm!, 0.02), scented(mild!, 0.03), scented(unknown!, 0.03)]
    const compared = plans.map(plan => {
      const told = [...worthOfTests(plan, unsure(unknown!))].at(-1)!
      const pair = told.tests.find(one => one.kind === 'speed' && one.samples === 2)!
      return { forecast: pair.gain, made: madeGain(plan, unsure(unknown!), pair.item, 0.2) }
    })
    for (const { forecast, made } of compared) expect(Math.abs(forecast - made)).toBeLessThan(0.06)
    const rank = (pick: (one: (typeof compared)[number]) => number) =>
      compared.map((_, i) => i).sort((a, b) => pick(compared[b]!) - pick(compared[a]!))
    expect(rank(one => one.made)[0]).toBe(rank(one => one.forecast)[0])
  }, 120_000)
})

/** The shelf with a scent of which nobody knows how quick it is. */
const unsure = (scent: string): Shelf => ({
  ...shelf,
  scents: shelf.scents.map(one => (one.id === scent ? { ...one, acceleration: 'unknown' as const, ownRuns: 0 } : one)),
})

/** Gain of makers who test, then take the way that is best by what they saw: by chances themselves, no straight line through them. */
function madeGain(plan: Plan, own: Shelf, scent: string, left: number): number {
  const ways = waysOf(plan, own).map(way => {
    const input = { ...runInputOf(way.plan, portionsOf(way.plan, own), own), seen: [] }
    return { ...way, input, isScented: input.cups.some(cup => cup.scent !== null) }
  })
  const { lnRate: mean, sd } = ways[0]!.input.cups.find(cup => cup.scent)!.scent!
  const fs = Array.from({ length: 13 }, (_, i) => mean + sd * 3 * (i / 6 - 1))
  const chances = ways.map(({ plan: made, input, isScented, penalty }) => {
    const plain = isScented ? 0 : monteCarlo(input, 24).chance
    return fs.map(f => (isScented ? chanceAt(made, input, scent, f, 24) : plain) - penalty)
  })
  const best = (m: number, s: number): number => {
    const weights = fs.map(f => Math.exp(-(((f - m) / s) ** 2) / 2))
    const whole = weights.reduce((a, b) => a + b, 0)
    return Math.max(...chances.map(list => list.reduce((sum, p, i) => sum + (weights[i]! * p) / whole, 0)))
  }
  const moves = Math.sqrt(Math.max(0, sd ** 2 - Math.min(sd, left) ** 2))
  let [then, all] = [0, 0]
  for (let z = -2.5; z <= 2.5; z += 0.25) {
    const weight = normal(z + 0.125) - normal(z - 0.125)
    then += weight * best(mean + z * moves, Math.max(0.12, Math.min(sd, left)))
    all += weight
  }
  return then / all - best(mean, sd)
}

test('a line through chances that rise is read as one that falls the other way', () => {
  const { c, g } = wayThrough([-1, 0, 1], [normal(1), normal(0), normal(-1)], 0)
  expect(c).toBeCloseTo(0, 3)
  expect(g).toBeCloseTo(1, 3)
})

test('doses that teach most of a colorant are the palest and the deepest, or with white; they leave so much unknown', () => {
  const of = (name: 'ultramarine' | 'oxideRed' | 'charcoal', most: number) =>
    teachingDoses(library[name], STANDARD_BASE, { days: 42, gel: 0 }, most, 2)
  const told = ({ doses, sd }: ReturnType<typeof teachingDoses>) => [
    doses.map(({ gPerKg, whiteGPerKg }) => `${gPerKg.toFixed(2)}${whiteGPerKg > 0 ? ' white' : ''}`),
    sd.map(x => Number(x.toFixed(2))),
  ]
  expect(told(of('ultramarine', 12))).toEqual([
    ['0.50', '12.00'],
    [0.09, 0.07, 0.12, 0.37],
  ])
  expect(told(of('oxideRed', 8))).toEqual([
    ['0.67 white', '8.00'],
    [0.1, 0.09, 0.14, 0.32],
  ])
  expect(told(of('charcoal', 12))).toEqual([
    ['0.50', '0.50'],
    [0.11, 0.1, 0.11, 0.5],
  ])
})
