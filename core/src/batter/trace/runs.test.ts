import { describe, expect, test } from 'vitest'
import { PLAIN_LOAD, blendedLevel, cupCoolingS, freshBatter, movingLevel, split, stepBatter } from './batter.ts'
import type { Batter } from './batter.ts'
import { powderEffect } from './colorant-effect.ts'
import { blenderPower, handling } from './handling.ts'
import type { Handling } from './handling.ts'
import type { RecipePace } from './recipe-pace.ts'
import { STICK, level, pace, run, scented, secondsTo, withAcid, withEffect } from './test/runs.ts'

const near = (value: number, wanted: number, by = 0.03) => expect(Math.abs(value - wanted)).toBeLessThan(by)
const nearly = (value: number, wanted: number) => expect(Math.abs(value / wanted - 1)).toBeLessThan(0.03)
const HAND = handling('hand')
const REST = handling('rest')
const NOW_AND_THEN = handling('now-and-then')

describe('one batter after another', () => {
  test('a mild scent after three minutes of bursts takes six minutes off the way to medium', () => {
    const p = pace('softM', 0.29)
    const blended = run(freshBatter(p, 26.7), p, handling('bursts', blenderPower(1.5, 1)), 180)
    near(level(blended, p), 1.85)
    nearly(secondsTo(3, blended, p, NOW_AND_THEN, PLAIN_LOAD, 5).t / 60, 20.9)
    const mild = scented(0.27)
    const stirred = run(blended, p, HAND, 60, mild)
    near(level(stirred, p, mild), 1.94)
    near(level(run(stirred, p, NOW_AND_THEN, 540, mild, 5), p, mild), 2.64, 0.05)
    nearly(1 + secondsTo(3, stirred, p, NOW_AND_THEN, mild, 5).t / 60, 14.4)
  })

  test('stearic acid, milk powder and a mild scent: too thick to pour within two minutes', () => {
    const p = withEffect(withAcid(pace('bal', 0.3), 0.01), { lnRate: 0.25, lnViscosity: 0.25, lnSwell: 0 })
    const load = scented(0.27)
    const blended = run(freshBatter(p, 43, true), p, STICK, 20, load)
    near(level(blended, p, load), 2.24, 0.05)
    const stirred = run(blended, p, HAND, 30, load)
    near(level(stirred, p, load), 2.55, 0.05)
    for (const [s, wanted] of [
      [30, 2.91],
      [60, 3.22],
      [90, 3.49],
    ] as const)
      near(level(run(stirred, p, REST, s, load), p, load), wanted, 0.05)
  })

  test('pomace, palm and a mild scent: medium after five minutes, heavy after eight', () => {
    const p = pace('pom', 0.285)
    const mild = scented(0.27)
    const { t, now } = secondsTo(1.8, freshBatter(p, 36, true), p, STICK)
    near(t, 27, 1.01)
    const stirred = run(now, p, HAND, 90, mild)
    const at = (s: number) => level(run(stirred, p, NOW_AND_THEN, s - t - 90, mild, 5), p, mild)
    near(at(300), 3.07, 0.05)
    near(at(480), 3.86, 0.05)
  })

  test('blended to hardly an emulsion it stays thin for eleven minutes more', () => {
    const p = pace('bal', 0.3)
    const stirred = run(run(freshBatter(p, 37.8, true), p, STICK, 15), p, HAND, 30)
    near(level(stirred, p), 1.13)
    nearly(secondsTo(2.2, stirred, p, NOW_AND_THEN, PLAIN_LOAD, 5).t / 60, 12.2)
  })

  test('olive oil alone after 45 s of stick', () => {
    const p = pace('castile', 0.33)
    near(level(run(freshBatter(p, 38, true), p, STICK, 45), p), 1.19)
  })

  test('by hand alone it is hardly an emulsion after twenty minutes', () => {
    const p = pace('bal', 0.3)
    let batter = freshBatter(p, 38, true)
    for (const wanted of [0.21, 0.31, 0.44, 0.7, 1.22]) {
      batter = run(batter, p, HAND, 300)
      near(level(batter, p), wanted, 0.04)
    }
  })

  test.each([
    ['castile', 145, 220],
    ['pomace', 30, 41],
    ['coconut', 25, 32],
    ['lardy', 38, 54],
    ['tallowy', 34, 46],
  ])('%s at 40 °C: seconds of stick to light and to medium trace', (name, light, medium) => {
    const p = pace(name, 0.3)
    const start = freshBatter(p, 40, true)
    near(secondsTo(2, start, p, STICK).t, light, Math.max(1.01, 0.03 * light))
    near(secondsTo(3, start, p, STICK).t, medium, Math.max(1.01, 0.03 * medium))
  })

  test.each([
    [0.29, 0.08, 1.55, 22.2],
    [0.33, 0.05, 1.6, 14.7],
    [0.26, 0.05, 1.6, 25.2],
  ])('lye %f and superfat %f: level after 30 s of stick, minutes to medium trace', (w, superfat, level30, minutes) => {
    const p = pace('softM', w, superfat)
    const blended = run(freshBatter(p, 32, true), p, STICK, 30)
    near(level(blended, p), level30)
    nearly(secondsTo(3, blended, p, NOW_AND_THEN, PLAIN_LOAD, 10).t / 60, minutes)
  })

  test('creamed hard fat is stiff when it is cold, by its solid fat alone', () => {
    const p = pace('cream', 0.3)
    for (const [c, wanted, solid] of [
      [18, 4.38, 0.167],
      [20, 3.29, 0.072],
      [22, 2.49, 0.029],
      [24, 2.33, 0.024],
    ] as const) {
      const whipped = { ...freshBatter(p, c), emulsion: 1, converted: 0.01 }
      near(p.solidAt(c), solid, 0.004)
      near(level(whipped, p), wanted, 0.06)
    }
  })

  test('with air beaten in it can be piped up to about 20 °C', () => {
    const p = { ...pace('cream', 0.3), lnAir: (2.5 * 0.4) / 0.6 }
    for (const [c, wanted] of [
      [16, 4.55],
      [18, 4.4],
      [20, 4.07],
      [22, 3.41],
      [24, 3.25],
    ] as const)
      near(level({ ...freshBatter(p, c), emulsion: 0.9, converted: 0.006 }, p), wanted, 0.04)
  })
})

describe('emulsion and thickness are two things', () => {
  const dry = (lnRate: number, lnViscosity: number) => (p: RecipePace) =>
    withEffect(p, powderEffect(lnRate, lnViscosity, false))
  const acid = (x: number) => (p: RecipePace) => withAcid(p, x)

  test.each([
    ['plain', acid(0), 40, 0.974, [2.05, 2.24, 2.62]],
    ['0.5 % of solid acid', acid(0.005), 27, 0.941, [2.14, 2.39, 2.8]],
    ['1 %', acid(0.01), 17, 0.866, [2.19, 2.49, 2.88]],
    ['2 %', acid(0.02), 9, 0.728, [2.43, 2.9, 3.34]],
    ['milk powder 2 %', dry(0.3, 0.3), 36, 0.963, [2.13, 2.42, 2.96]],
    ['dry clay 3 %', dry(0.09, 0.36), 35, 0.96, [2.1, 2.37, 2.84]],
    ['oats 3 %', dry(0, 0.24), 37, 0.966, [2.09, 2.34, 2.78]],
  ] as const)('%s: blended to 1.8 sooner and less fine, then thicker', (_, change, seconds, emulsion, levels) => {
    const p = change(pace('softM', 0.29))
    let now = freshBatter(p, 32, true)
    let t = 0
    for (; blendedLevel(now, p, PLAIN_LOAD) < 1.8; t += 1) now = stepBatter(now, p, PLAIN_LOAD, STICK, 1)
    near(t, seconds, 1.01)
    near(now.emulsion, emulsion, 0.015)
    let at = 0
    ;[2, 5, 10].forEach((minutes, i) => {
      now = run(now, p, NOW_AND_THEN, (minutes - at) * 60, PLAIN_LOAD, 5)
      at = minutes
      near(level(now, p), levels[i]!, 0.05)
    })
  })

  test.each([
    [0, 1.48],
    [0.005, 1.78],
    [0.01, 2.01],
    [0.02, 2.36],
  ])('%f of solid acid after 25 s of stick: %f', (x, wanted) => {
    const p = withAcid(pace('softM', 0.29), x)
    near(level(run(freshBatter(p, 32, true), p, STICK, 25), p), wanted, 0.04)
  })
})

/** In a pot of 1 kg that cools, in steps that the way of stirring allows. */
const stirredFor = (from: Batter, p: RecipePace, how: Handling, seconds: number, stepS: number): Batter => {
  let now = from
  const cooling = { roomC: 21, tauS: cupCoolingS(1000) }
  for (let t = 0; t < seconds - 1e-9; t += stepS) now = stepBatter(now, p, PLAIN_LOAD, how, stepS, cooling)
  return now
}

describe('slow oils, and without a blender', () => {
  test.each([
    ['hand', 600, [0.28, 0.51, 1.09, 2.25], [0.23, 0.36, 0.61, 0.93]],
    ['whisk', 600, [0.46, 1.33, 2.82], [0.38, 0.76, 1]],
  ] as const)('a balanced batter by %s, every ten minutes', (mode, every, levels, emulsions) => {
    const p = pace('triple', 0.3)
    let now = freshBatter(p, 38, true)
    levels.forEach((wanted, i) => {
      now = stirredFor(now, p, handling(mode), every, 5)
      near(level(now, p), wanted, 0.05)
      near(now.emulsion, emulsions[i]!, 0.02)
    })
  })

  test.each([
    ['triple', 37.9, 25, 30, 2.15],
    ['castile', 179, 102, 122, 8.65],
    ['four', 61, 42, 48, 3.42],
  ])('%s to light trace by spoon, whisk, blender and bursts', (name, spoon, whisk, stick, bursts) => {
    const p = pace(name, 0.3)
    const to2 = (how: Handling, stepS: number) => {
      let now = freshBatter(p, 38, true)
      let t = 0
      for (; level(now, p) < 2 && t < 20_000; t += stepS) now = stirredFor(now, p, how, stepS, stepS)
      return t
    }
    nearly(to2(handling('hand'), 5) / 60, spoon)
    nearly(to2(handling('whisk'), 5) / 60, whisk)
    near(to2(handling('stick', blenderPower(1, 1)), 1), stick, Math.max(1.01, 0.03 * stick))
    nearly(to2(handling('bursts', blenderPower(1, 1)), 1) / 60, bursts)
  })

  test.each([
    [0, [1.77, 1.92, 2.18, 2.46]],
    [0.27, [1.82, 2.03, 2.4, 2.83]],
    [0.6, [2.16, 2.54, 3.28, 4.07]],
    [1.05, [3.53, 4.76, 5, 5]],
  ] as const)('a scent of ln factor %f by spoon into a cup of 250 g, then stirred now and then', (f, levels) => {
    const p = pace('softM', 0.29)
    const load = scented(f)
    let now = freshBatter(p, 30, true)
    while (blendedLevel(now, p, PLAIN_LOAD) < 1.6) now = stepBatter(now, p, PLAIN_LOAD, STICK, 1)
    now = run(split(now), p, HAND, 20, load)
    const cooling = { roomC: 21, tauS: cupCoolingS(250) }
    let at = 20
    ;[120, 300, 600, 900].forEach((until, i) => {
      for (; at < until; at += 5) now = stepBatter(now, p, load, NOW_AND_THEN, 5, cooling)
      near(level(now, p, load), levels[i]!, 0.06)
    })
  })

  test.each([
    [1.05, 1.88, 1.98, [2.4, 2.65, 2.91, 3.03]],
    [1.8, 2.09, 2.19, [3.68, 4.04, 4.37, 4.54]],
    [2.6, 2.27, 2.5, [5, 5, 5, 5]],
  ] as const)(
    'blended on with a scent of %f and poured at once it moves; then it stands',
    (f, blended, poured, stood) => {
      const p = pace('softM', 0.29)
      const how = handling('stick', blenderPower(1, 1))
      const load = scented(f)
      let now = freshBatter(p, 30, true)
      while (blendedLevel(now, p, PLAIN_LOAD) < 1.3) now = stepBatter(now, p, PLAIN_LOAD, how, 1)
      now = run(now, p, how, 10, load)
      near(level(now, p, load), blended, 0.08)
      now = run(now, p, handling('stream'), 15, load)
      near(level(now, p, load), poured, 0.08)
      ;[5, 10, 20, 30].forEach((s, i) => near(level(run(now, p, REST, s, load), p, load), stood[i]!, 0.1))
      expect(movingLevel(now, p, load)).toBeLessThanOrEqual(level(now, p, load) + 1e-9)
    },
  )
})
