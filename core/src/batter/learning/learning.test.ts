import type { Evidence, PaceReading } from '../../shelf/index.ts'
import { describe, expect, test } from 'vitest'
import { starterPlan } from '../../plan/index.ts'
import type { Plan } from '../../plan/index.ts'
import { portionsOf } from '../../portions/index.ts'
import { evidenceOf, runInputOf, lanesOf, variationAt, runPlan } from '../schedule/index.ts'
import { referenceShelf } from '../../shelf/index.ts'
import type { Shelf } from '../../shelf/index.ts'
import { Filter, Rates, recipeKey, scentKnowledge } from './index.ts'

const shelf = referenceShelf()

describe('the filter', () => {
  const common = [
    ['maker', 1],
    ['recipe', 1],
    ['run', 1],
  ] as const
  const made = () => {
    const filter = new Filter()
    filter.ensure('maker', 0, 0.0625)
    filter.ensure('recipe', 0, 0.04)
    filter.ensure('run', 0, 0.0225)
    filter.ensure('scent', 0.27, 0.09)
    return filter
  }
  const state = (filter: Filter) =>
    ['maker', 'recipe', 'run', 'scent'].map(name => [filter.mean([[name, 1]]), Math.sqrt(filter.variance([[name, 1]]))])
  const near = (filter: Filter, means: number[], sds: number[]) =>
    state(filter).forEach(([mean, sd], i) => {
      expect(mean).toBeCloseTo(means[i]!, 3)
      expect(sd).toBeCloseTo(sds[i]!, 3)
    })

  test('shares a surprise out by what is least known: a plain cup, then a scented one', () => {
    const filter = made()
    filter.observe(common, 0.2, 0.04)
    near(filter, [0.0758, 0.0485, 0.0273, 0.27], [0.197, 0.1741, 0.1394, 0.3])
    filter.observe([...common, ['scent', 1]], 0.75, 0.0625)
    near(filter, [0.103, 0.0659, 0.0371, 0.4317], [0.1938, 0.1726, 0.1388, 0.2138])
  })

  test.each([
    [0, 0, 0.354],
    [1, 0.124, 0.248],
    [3, 0.166, 0.2],
    [10, 0.189, 0.168],
  ])('after %d like batches the next is expected at %d ± %d', (batches, mean, sd) => {
    const filter = made()
    for (let n = 0; n < batches; n += 1) {
      filter.reset('run', 0, 0.0225)
      filter.observe(common, 0.2, 0.04)
    }
    filter.reset('run', 0, 0.0225)
    expect(filter.mean(common)).toBeCloseTo(mean, 2)
    expect(Math.sqrt(filter.variance(common))).toBeCloseTo(sd, 2)
  })

  test.each([
    [0, 0.27, 0.316],
    [1, 0.426, 0.24],
    [2, 0.482, 0.205],
    [4, 0.528, 0.172],
    [8, 0.56, 0.145],
  ])('a scent estimated %d times at .60 goes from its class to %d ± %d', (times, mean, sd) => {
    const filter = new Filter()
    filter.ensure('scent', 0.27, 0.09)
    for (let n = 0; n < times; n += 1) filter.observe([['scent', 1]], 0.6, 0.09 + 0.01)
    expect(filter.mean([['scent', 1]])).toBeCloseTo(mean, 2)
    expect(Math.sqrt(filter.variance([['scent', 1]]) + 0.01)).toBeCloseTo(sd, 2)
  })

  test('a wild surprise counts as three standard deviations', () => {
    const [wild, wilder] = [5, 50].map(value => {
      const filter = made()
      filter.observe(common, value, 0.04)
      return filter.mean(common)
    })
    expect(wild).toBe(wilder)
  })
})

const reading = (change: Partial<PaceReading>): PaceReading => ({
  stage: 'plain',
  scents: [],
  value: 0.3,
  variance: 0.04,
  ...change,
})
const batch = (id: string, recipe: string, observations: PaceReading[], counts = true): Evidence => ({
  ...{ batch: id, name: id, at: `2026-01-${id.padStart(2, '0')}`, recipe },
  ...{ counts, observations, rest: null },
})
const knowing = (...evidence: Evidence[]): Shelf => ({ ...shelf, evidence })
const scented = (scent: string, value: number) => reading({ stage: 'scented', scents: [{ scent, weight: 1 }], value })

describe('what batches teach', () => {
  test('nothing known: the prior of the class, wide for what nobody has told of', () => {
    const rates = new Rates(knowing())
    expect(rates.plain('a')).toEqual({ mean: 0, sd: expect.closeTo(0.354, 3) as number })
    const unknown = rates.scented('a', [{ scent: 'not-on-the-shelf', share: 1 }], 30)
    const calm = rates.scented('a', [{ scent: 'tin-roof-rain', share: 1 }], 30)
    expect(unknown.sd).toBeGreaterThan(2 * calm.sd)
  })

  test('own batches narrow and move a scent; more in the recipe that they were made in', () => {
    const id = 'attic-rosebox'
    const prior = new Rates(knowing()).scented('a', [{ scent: id, share: 1 }], 30)
    const told = new Rates(knowing(batch('1', 'a', [scented(id, 0.2)]), batch('2', 'a', [scented(id, 0.2)])))
    const [here, elsewhere] = ['a', 'b'].map(recipe => told.scented(recipe, [{ scent: id, share: 1 }], 30))
    expect(here!.mean).toBeLessThan(elsewhere!.mean)
    expect(elsewhere!.mean).toBeLessThan(prior.mean)
    expect(here!.sd).toBeLessThan(prior.sd)
  })

  test('what is set aside teaches nothing', () => {
    const aside = batch('1', 'a', [scented('attic-rosebox', 0.2)], false)
    expect(new Rates(knowing(aside)).scent('attic-rosebox')).toEqual(new Rates(knowing()).scent('attic-rosebox'))
    const known = scentKnowledge(knowing(aside), 'attic-rosebox')
    expect(known.batches).toEqual([aside])
    expect(known.now.mean).toBe(known.prior.mean)
  })

  test('the order in which batches are listed does not matter', () => {
    const list = [batch('1', 'a', [reading({})]), batch('2', 'b', [scented('attic-rosebox', 1.6)])]
    const [one, other] = [list, list.toReversed()].map(some => new Rates(knowing(...some)).scent('attic-rosebox'))
    expect(one).toEqual(other)
  })

  test('a scent known tame by enough own batches is called tested, and by its learned class', () => {
    const many = Array.from({ length: 6 }, (_, i) =>
      batch(`${i + 1}`, `recipe ${i}`, [reading({ value: 0 }), scented('attic-rosebox', 0.1)]),
    )
    const known = scentKnowledge(knowing(...many), 'attic-rosebox')
    expect(known.prior.acceleration).toBe('strong')
    expect(['none', 'mild']).toContain(known.now.acceleration)
    expect(known.isTested).toBe(true)
  })
})

describe('from a batch to its evidence', () => {
  const plan: Plan = starterPlan('Evidence')
  const about = { batch: 'one', at: '2026-02-01' }
  const input = runInputOf(plan, portionsOf(plan, shelf), shelf)
  const sightings = (variation: number): Plan['seen'] => {
    const lane = runPlan(input, { plainRate: variation, scentedRate: variation, scent: 0 }, 30).lanes[2]!
    return [lane[lane.length >> 1]!, lane.at(-1)!].map(({ s, level }) => ({
      cup: plan.cups[2]!.id,
      atMin: s / 60,
      level,
      by: 'eye' as const,
    }))
  }

  test('readings of a quick batter say so, of a slow one too, and the forecast of the next follows', () => {
    const [quick, slow] = [0.5, -0.5].map(variation =>
      evidenceOf({ ...plan, seen: sightings(variation) }, shelf, about),
    )
    expect(quick!.observations[0]!.value).toBeGreaterThan(0.1)
    expect(slow!.observations[0]!.value).toBeLessThan(-0.1)
    const next = (one: typeof quick) => {
      const told = knowing({ ...one!, rest: null, counts: true })
      return lanesOf(runInputOf(plan, portionsOf(plan, told), told)).pours.at(-1)!.endLevel
    }
    expect(next(quick)).toBeGreaterThan(next(slow))
  })

  test('the readings of a batch with nothing but the expected move little and narrow', () => {
    const { observations } = evidenceOf({ ...plan, seen: sightings(0) }, shelf, about)
    const told = knowing({ ...about, name: '', recipe: recipeKey(plan), counts: true, rest: null, observations })
    const rate = runInputOf(plan, portionsOf(plan, told), told).rate
    expect(Math.abs(rate.mean)).toBeLessThan(0.05)
    expect(rate.sd).toBeLessThan(input.rate.sd)
  })

  test('blending that took longer than it should tells of a weaker blender or a slower batter', () => {
    const { rate } = input
    const blended = runPlan(input, variationAt(0, input)).tasks.find(task => task.kind === 'blend')!
    const usual = blended.toS - blended.fromS
    const slow = evidenceOf({ ...plan, blendedS: 2 * usual }, shelf, about).observations
    expect(slow.map(one => one.stage)).toEqual(['blend'])
    expect(slow[0]!.value).toBeLessThan(-0.5)
    const told = knowing({ ...about, name: '', recipe: recipeKey(plan), counts: true, rest: null, observations: slow })
    const after = runInputOf(plan, portionsOf(plan, told), told)
    expect(after.blenderStrength).toBeLessThan(input.blenderStrength)
    expect(after.rate.mean).toBeLessThan(rate.mean)
  })

  test('nothing seen, nothing taught', () => {
    expect(evidenceOf(plan, shelf, about).observations).toEqual([])
  })
})
