import { describe, expect, test } from 'vitest'
import { PLAIN_LOAD, blenderPower, freshBatter, handling } from './batter.ts'
import type { Load } from './batter.ts'
import { STICK, level, pace, run, scented, secondsTo } from './test/runs.ts'

const near = (value: number, wanted: number, by = 0.03) => expect(Math.abs(value - wanted)).toBeLessThan(by)
const nearly = (value: number, wanted: number) => expect(Math.abs(value / wanted - 1)).toBeLessThan(0.03)
const HAND = handling('hand')
const REST = handling('rest')
const NOW_AND_THEN = handling('now-and-then')

describe('one batter after another', () => {
  test('a mild scent after three minutes of bursts takes six minutes off the way to medium', () => {
    const p = pace('softM', 0.29)
    const blended = run(freshBatter(p, 26.7), p, handling('bursts', blenderPower(1.5, 1)), 180)
    near(level(blended, p), 1.86)
    nearly(secondsTo(3, blended, p, NOW_AND_THEN, PLAIN_LOAD, 5).t / 60, 20.5)
    const mild = scented(0.27)
    const stirred = run(blended, p, HAND, 60, mild)
    near(level(stirred, p, mild), 1.94)
    near(level(run(stirred, p, NOW_AND_THEN, 540, mild, 5), p, mild), 2.67, 0.04)
    nearly(1 + secondsTo(3, stirred, p, NOW_AND_THEN, mild, 5).t / 60, 14.1)
  })

  test('stearic acid, milk powder and a mild scent: too thick to pour within two minutes', () => {
    const plain = pace('bal', 0.3)
    const p = { ...plain, stearic: 0.01 }
    const load: Load = { ...scented(0.27), lnRate: 0.25, lnViscosity: 0.25 }
    const blended = run(freshBatter(p, 43, true), p, STICK, 20, load)
    near(level(blended, p, load), 2.61, 0.04)
    const stirred = run(blended, p, HAND, 30, load)
    near(level(stirred, p, load), 2.79, 0.04)
    for (const [s, wanted] of [
      [30, 3.09],
      [60, 3.32],
      [90, 3.52],
    ] as const)
      near(level(run(stirred, p, REST, s, load), p, load), wanted, 0.04)
  })

  test('pomace, palm and a mild scent: medium after five minutes, heavy after eight', () => {
    const p = pace('pom', 0.285)
    const mild = scented(0.27)
    const { t, now } = secondsTo(1.8, freshBatter(p, 36, true), p, STICK)
    near(t, 27, 1.01)
    const stirred = run(now, p, HAND, 90, mild)
    const at = (s: number) => level(run(stirred, p, NOW_AND_THEN, s - t - 90, mild, 5), p, mild)
    near(at(300), 3.02, 0.04)
    near(at(480), 3.76, 0.05)
  })

  test('blended to hardly an emulsion it stays thin for eleven minutes more', () => {
    const p = pace('bal', 0.3)
    const stirred = run(run(freshBatter(p, 37.8, true), p, STICK, 15), p, HAND, 30)
    near(level(stirred, p), 1.16)
    nearly(secondsTo(2.2, stirred, p, NOW_AND_THEN, PLAIN_LOAD, 5).t / 60, 11.3)
  })

  test('olive oil alone after 45 s of stick', () => {
    const p = pace('castile', 0.33)
    near(level(run(freshBatter(p, 38, true), p, STICK, 45), p), 1.74)
  })

  test('by hand alone it takes a quarter of an hour to medium trace', () => {
    const p = pace('bal', 0.3)
    let batter = freshBatter(p, 38, true)
    for (const wanted of [0.91, 1.61, 2.57, 4.15, 5]) {
      batter = run(batter, p, HAND, 300)
      near(level(batter, p), wanted, 0.04)
    }
  })

  test.each([
    ['castile', 55, 77],
    ['pomace', 30, 41],
    ['coconut', 26, 33],
    ['lardy', 38, 54],
    ['tallowy', 34, 47],
  ])('%s at 40 °C: seconds of stick to light and to medium trace', (name, light, medium) => {
    const p = pace(name, 0.3)
    const start = freshBatter(p, 40, true)
    near(secondsTo(2, start, p, STICK).t, light, 1.01)
    near(secondsTo(3, start, p, STICK).t, medium, 1.01)
  })

  test.each([
    [0.29, 0.08, 1.55, 22],
    [0.33, 0.05, 1.61, 14.7],
    [0.26, 0.05, 1.6, 24.7],
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
      const whipped = { emulsion: 1, converted: 0.01, structure: 0, jump: 0, temperatureC: c, solid: p.solidAt(c) }
      near(p.solidAt(c), solid, 0.004)
      near(level(whipped, p), wanted, 0.06)
    }
  })
})
