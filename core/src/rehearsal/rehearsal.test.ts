import { describe, expect, test } from 'vitest'
import { chanceOf } from '../batter/schedule/index.ts'
import { followingExample, noted, untilHeld } from '../bench/test/runs.ts'
import { fold, followingOf } from '../bench/index.ts'
import { plainOil, starterPlan } from '../plan/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import type { BenchEvent } from '../bench/index.ts'
import { LYE_IN_S, rehearse } from './agent.ts'
import { allWell, judgedPours, worthOf } from './judge.ts'
import { evenly, normally } from './luck.ts'
import { shownOf } from './shows.ts'
import { LEVELS, drawnSurprises, struckBy } from './strikes.ts'
import type { Put } from './strikes.ts'
import { SURPRISES, SURPRISE_KEYS, surpriseOf } from './surprises.ts'
import type { SurpriseKey } from './surprises.ts'
import { rehearsalOf, sceneAt, worldAt } from './world.ts'
import type { Rehearsed } from './world.ts'

const fathoms = followingExample('seven-fathoms')
const milk = followingExample('weir-milk')
const T0 = 1000

const withOnly = (key: SurpriseKey | null, seed = 5): Rehearsed =>
  rehearsalOf(fathoms, { seed, level: 'none', surprises: key ? [{ key, size: 0.5 }] : [] })

/** Blended for so long, held, and every cup drawn, coloured and scented one after another. */
function made({ following }: Rehearsed, blendS = 40): BenchEvent[] {
  const events = untilHeld(following, T0, blendS)
  let r = T0 + 30 + blendS
  for (const [i, { cup, massG }] of following.input.cups.entries())
    if (massG > 0) events.push(noted('drawn', (r += 10), { cup: cup.id, amount: following.fills[i]!.drawG }))
  for (const { cup, massG } of following.input.cups)
    if (massG > 0) events.push(noted('colour', (r += 20), { cup: cup.id }), noted('scent', (r += 15), { cup: cup.id }))
  return events
}

const scentedCup = fathoms.input.cups.findIndex(cup => cup.scent !== null)
const levelOf = (rehearsed: Rehearsed, s: number, blendS = 40) =>
  worldAt(rehearsed, made(rehearsed, blendS), T0 + s).cups[scentedCup]!.level

describe('luck', () => {
  test('is even and normal over seeds, the same for the same seed and name, and of its own for each name', () => {
    const seeds = Array.from({ length: 4000 }, (_, n) => n)
    const mean = (list: readonly number[]) => list.reduce((sum, x) => sum + x, 0) / list.length
    const zs = seeds.map(seed => normally(seed, 'rate'))
    expect(mean(zs)).toBeCloseTo(0, 1)
    expect(Math.sqrt(mean(zs.map(z => z * z)))).toBeCloseTo(1, 1)
    const others = seeds.map(seed => normally(seed, 'room'))
    expect(Math.abs(mean(zs.map((z, i) => z * others[i]!)))).toBeLessThan(0.05)
    expect(mean(seeds.map(seed => evenly(seed, 'x')))).toBeCloseTo(0.5, 1)
    expect(normally(7, 'rate')).toBe(normally(7, 'rate'))
  })
})

describe('a rehearsed batch', () => {
  test('is the same for the same seed, and what is noted later changes nothing of before', () => {
    const rehearsed = rehearsalOf(fathoms, { seed: 3, level: 'bad-day' })
    const run = rehearse(rehearsed, 'fixed')
    expect(rehearse(rehearsalOf(fathoms, { seed: 3, level: 'bad-day' }), 'fixed')).toEqual(run)
    expect(rehearse(rehearsalOf(fathoms, { seed: 4, level: 'bad-day' }), 'fixed')).not.toEqual(run)
    for (const r of [LYE_IN_S + 200, LYE_IN_S + 420, LYE_IN_S + 700]) {
      const before = run.events.filter(event => event.r <= r)
      expect(worldAt(rehearsed, before, r)).toEqual(worldAt(rehearsed, run.events, r))
    }
  })

  test('looks thicker as it goes on, sooner the quicker it is', () => {
    const calm = withOnly(null)
    const times = [300, 500, 800, 1200]
    const levels = times.map(s => levelOf(calm, s))
    levels.slice(1).forEach((level, n) => expect(level).toBeGreaterThan(levels[n]!))
    times.forEach(s => {
      expect(levelOf(withOnly('quick-batch'), s)).toBeGreaterThan(levelOf(calm, s))
      expect(levelOf(withOnly('slow-batch'), s)).toBeLessThan(levelOf(calm, s))
    })
  })

  test('surprises do what they are called by', () => {
    const calm = withOnly(null)
    const scented = 400
    expect(levelOf(withOnly('seizing-scent'), scented + 120)).toBeGreaterThan(levelOf(calm, scented + 120) + 0.7)
    expect(levelOf(withOnly('quick-scent'), scented)).toBeGreaterThan(levelOf(calm, scented))
    expect(levelOf(withOnly('calm-scent'), scented)).toBeLessThan(levelOf(calm, scented))
    expect(levelOf(withOnly('over-blended'), 200)).toBeGreaterThan(levelOf(calm, 200) + 0.2)
    expect(levelOf(withOnly('weak-blender'), 200)).toBeLessThan(levelOf(calm, 200))
    expect(levelOf(withOnly('warm-oils'), 600)).toBeGreaterThan(levelOf(calm, 600))
    const world = (key: SurpriseKey) => worldAt(withOnly(key), made(withOnly(key)), T0 + 500)
    expect(world('rices').cups[scentedCup]!.isRiced).toBe(true)
    expect(world('short-pot').potLeftG).toBeLessThan(worldAt(calm, made(calm), T0 + 500).potLeftG + 1e-9)
    expect(world('wrong-probe').oilsC - worldAt(calm, made(calm), T0 + 500).oilsC).toBeGreaterThan(2.9)
    expect(world('lumps').cups.some(cup => cup?.hasLumps)).toBe(true)
    expect(world('dead-blender').isBlenderDead).toBe(true)
  })

  test('an emulsion that only looks like one breaks, until it is blended on', () => {
    const rehearsed = withOnly('false-emulsion')
    const blended = untilHeld(fathoms, T0, 40).filter(event => event.kind !== 'hold')
    const first = worldAt(rehearsed, blended, T0 + 50).pot!
    expect(first.emulsion).toBeLessThan(0.8)
    expect(shownOf(first).words.join()).not.toMatch(/film|streak/)
    const again = [...blended, noted('blend-on', T0 + 60), noted('blend-off', T0 + 80)]
    expect(worldAt(rehearsed, again, T0 + 90).pot!.emulsion).toBeGreaterThan(0.8)
  })

  test('grains go after enough of the blender, lumps after enough stirring', () => {
    const rices = withOnly('rices')
    const cup = fathoms.input.cups[scentedCup]!.cup.id
    const smooth = [...made(rices), noted('burst', T0 + 520, { cup, amount: 16 })]
    expect(worldAt(rices, smooth, T0 + 530).cups[scentedCup]!.isRiced).toBe(false)
    const lumps = withOnly('lumps')
    const { struck } = worldAt(lumps, made(lumps), T0 + 600)
    const pressed = [...made(lumps), noted('stir', T0 + 600, { cup: struck[0]!.cup!, amount: 20 })]
    expect(worldAt(lumps, pressed, T0 + 610).cups.some(one => one?.hasLumps)).toBe(false)
  })
})

describe('what is seen', () => {
  const body = { level: 2, standing: 2, emulsion: 1, seems: 1, tempC: 30, isRiced: false, hasLumps: false, solid: 0 }

  test('is told in words, never in numbers', () => {
    expect(shownOf({ ...body, seems: 0.4 }).words[0]).toMatch(/film of oil/)
    expect(shownOf({ ...body, seems: 0.8 }).words[0]).toMatch(/streak/)
    expect(shownOf({ ...body, isRiced: true }).words[0]).toMatch(/rice/)
    expect(shownOf({ ...body, standing: 2.8 }).words.at(-1)).toMatch(/loosens/)
    for (let level = 0.8; level <= 5; level += 0.1)
      expect(shownOf({ ...body, level }).words.join(' ')).not.toMatch(/\d/)
  })

  test('a drip’s mark stays the longer the thicker it is, as the drip test tells back', () => {
    expect(shownOf({ ...body, level: 1.6 }).markS).toBeCloseTo(1, 6)
    expect(shownOf({ ...body, level: 2.4 }).markS).toBeGreaterThan(shownOf({ ...body, level: 2.1 }).markS)
  })
})

describe('surprises', () => {
  test('are drawn by level, none twice of a kind, and those alone that the plan can meet', () => {
    for (let seed = 0; seed < 60; seed += 1) {
      expect(drawnSurprises(fathoms, seed, 'none')).toEqual([])
      const bad = drawnSurprises(fathoms, seed, 'bad-day').map(({ key }) => key)
      expect(new Set(bad).size).toBe(LEVELS['bad-day'].hard + LEVELS['bad-day'].others)
      expect(bad.filter(key => surpriseOf(key).isHard)).toHaveLength(1)
      expect(bad).not.toContain('splash')
    }
    const few = new Set(
      Array.from({ length: 400 }, (_, seed) => drawnSurprises(fathoms, seed, 'few'))
        .flat()
        .map(put => put.key),
    )
    expect(few.size).toBeGreaterThan(10)
  })

  test('strike one after another, each with something that is right to do', () => {
    const puts: Put[] = SURPRISE_KEYS.map(key => ({ key, size: 0.5 }))
    const rehearsed = withOnly(null)
    const all = struckBy(fathoms, 9, puts, fold(fathoms, made(rehearsed)), T0 + 3000)
    // What nobody notices as it comes waits for none.
    const quiet = /^(?:scale|typed|forgot)-/
    const moments = all.filter(({ key }) => surpriseOf(key).does && !quiet.test(key)).map(({ r }) => r)
    moments.slice(1).forEach((r, n) => expect(r - moments[n]!).toBeGreaterThanOrEqual(45))
    for (const key of SURPRISE_KEYS) {
      expect(SURPRISES[key].good.length, key).toBeGreaterThan(10)
      // What is told has happened; the right way to meet it stands first.
      if (surpriseOf(key).tells !== '' && key !== 'cold-room') expect(surpriseOf(key).does, key).toBeDefined()
      expect(surpriseOf(key).ways?.length ?? 2, key).toBe(2)
    }
  })
})

describe('makers who rehearse by themselves', () => {
  const results = (name: string, seeds: number, policy: 'fixed' | 'follow') => {
    const following = followingExample(name)
    const done = Array.from({ length: seeds }, (_, seed) => {
      const rehearsed = { ...rehearsalOf(following, { seed, level: 'few', surprises: [] }) }
      const run = rehearse(rehearsed, policy)
      return judgedPours(sceneAt(rehearsed, run.events, run.endsAt))
    })
    return done.filter(allWell).length / seeds
  }

  test.each(['weir-milk', 'verdigris-stair'])(
    'follow a plan about as often to its end as the forecast says: %s',
    name => {
      const chance = chanceOf(followingExample(name).input)
      // Three standard errors of 24 runs, and what the hands here do otherwise.
      expect(Math.abs(results(name, 24, 'fixed') - chance)).toBeLessThan(
        0.1 + 3 * Math.sqrt((chance * (1 - chance)) / 24),
      )
    },
  )

  test('perfect hands with the same luck do not fall behind', () => {
    for (const seed of [1, 6]) {
      const rehearsed = rehearsalOf(milk, { seed, level: 'bad-day' })
      const worth = (policy: 'fixed' | 'perfect') => {
        const run = rehearse(rehearsed, policy)
        return worthOf(judgedPours(sceneAt(rehearsed, run.events, run.endsAt)))
      }
      expect(worth('perfect')).toBeGreaterThanOrEqual(worth('fixed') - 1e-9)
    }
  })

  test.each(['one-pot', 'own-batters'] as const)('whip a batch to its end: %s', mode => {
    const plan = starterPlan('Cloud')
    const oils = [plainOil('coconut', 0.45), plainOil('palm', 0.35), plainOil('olive', 0.2)]
    const whipped = { airShare: 0.4, lyeC: 15, fatsC: 20, creamMin: 7, trickleMin: 4 }
    const cloud = { ...plan, whipped, recipe: { ...plan.recipe, oils }, division: { ...plan.division, mode } }
    const rehearsed = rehearsalOf(followingOf(cloud, referenceShelf()), { seed: 5, level: 'none' })
    const run = rehearse(rehearsed, 'follow')
    const scene = sceneAt(rehearsed, run.events, run.endsAt)
    expect(scene.state.closed).toBe('moulded')
    expect(judgedPours(scene).every(pour => pour.startLevel !== null && pour.startLevel > 3)).toBe(true)
  })

  test('what was left out, riced or lost is not what was meant', () => {
    const rehearsed = withOnly(null)
    const run = rehearse(rehearsed, 'fixed')
    const last = fathoms.input.pours.at(-1)!.pour
    const short = run.events.filter(event => event.pour !== last && event.kind !== 'close')
    const pours = judgedPours(sceneAt(rehearsed, short, run.endsAt))
    expect(pours.at(-1)).toMatchObject({ wrong: 'not-poured', pouredG: 0 })
    expect(worthOf(pours)).toBeLessThan(worthOf(judgedPours(sceneAt(rehearsed, run.events, run.endsAt))))
  })
})
