import { describe, expect, test } from 'vitest'
import {
  STANDARD_BASE,
  browningAt,
  deltaE,
  evenWhite,
  fitPigment,
  invert,
  labOfHex,
  ladder,
  linearOfHex,
  mixed,
  openDays,
  smoothestOfHex,
  baseAt,
} from '../index.ts'
import type { BaseTint, Dose, Pigment } from '../index.ts'
import { library } from './library.ts'
import { said, say } from '../../../quantities/words/index.ts'

const age = (days = 42, gel = 0) => ({ days, gel })
const lab = (l: number, a: number, b: number) => ({ l, a, b })
const dose = (pigment: Pigment, gPerKg: number): Dose => ({ pigment, gPerKg })
const tint = (carotene: number, chlorophyll: number, brown: number, scatter: number): BaseTint => ({
  ...STANDARD_BASE,
  carotene,
  chlorophyll,
  brown,
  scatter,
})
/** Refined olive 45, coconut 25, palm 25, castor 5. */
const BLEND = tint(0.0463, 0.00585, 0.0016, 0.966)
const scented = (percent: number, days = 42, stabiliserGPerKg = 0) =>
  browningAt({ vanillinGPerKg: (percent / 100) * 20, stabiliserGPerKg }, openDays(days))

const { ultramarine, micaYellow, micaBlue, micaRed, charcoal, titanium, turmeric, spirulina, oxideRed } = library

test('CIEDE2000 agrees with its published check pair', () => {
  expect(deltaE(lab(50, 2.6772, -79.7751), lab(50, 0, -82.7485))).toBeCloseTo(2.0425, 4)
})

describe('colours of reference mixtures, to half a ΔE', () => {
  const std = STANDARD_BASE
  test.each([
    ['white base', mixed(std, [], age()), lab(93.76, -0.86, 8.59)],
    ['blend at the pour', mixed(BLEND, [], age(0)), lab(89.36, -1.25, 23.12)],
    ['blend unmoulded', mixed(BLEND, [], age(2)), lab(91.08, -1.27, 19.71)],
    ['blend cured', mixed(BLEND, [], age()), lab(92.45, -1.28, 14.72)],
    ['blend unmoulded, gelled', mixed(BLEND, [], age(2, 1)), lab(88.35, -1, 23.79)],
    ['blend cured, gelled', mixed(BLEND, [], age(42, 1)), lab(90.09, -1.14, 17.93)],
    ['all coconut', mixed(tint(0.014, 0, 0, 1.1), [], age()), lab(94.37, -0.82, 6.37)],
    ['all olive pomace', mixed(tint(0.233, 0.53, 0.07, 0.88), [], age()), lab(78.87, -9.59, 31.38)],
    ['all red palm', mixed(tint(5, 0, 0.25, 1.02), [], age()), lab(72.93, 22.69, 65.9)],
    ['ultramarine 0.5', mixed(std, [dose(ultramarine, 0.5)], age()), lab(66.69, 2.16, -27.72)],
    ['ultramarine 1', mixed(std, [dose(ultramarine, 1)], age()), lab(58.98, 5.87, -35.03)],
    ['ultramarine 2', mixed(std, [dose(ultramarine, 2)], age()), lab(50.94, 10.43, -40.9)],
    ['ultramarine 4, its swatch', mixed(std, [dose(ultramarine, 4)], age()), lab(43.25, 14.98, -44.41)],
    ['ultramarine 8', mixed(std, [dose(ultramarine, 8)], age()), lab(36.6, 18.34, -45.11)],
    [
      'green of blue and yellow',
      mixed(std, [dose(ultramarine, 3), dose(micaYellow, 4)], age()),
      lab(46.25, -14.95, 4.49),
    ],
    ['green of two micas', mixed(std, [dose(micaBlue, 2), dose(micaYellow, 6)], age()), lab(54.56, -24.8, 21.84)],
    ['orange of two micas', mixed(std, [dose(micaRed, 2), dose(micaYellow, 6)], age()), lab(48.04, 51.94, 33.26)],
    ['pastel blue', mixed(std, [dose(ultramarine, 4), dose(titanium, 4)], age()), lab(57.32, 7.88, -37.2)],
    ['grey', mixed(std, [dose(charcoal, 3), dose(titanium, 6)], age()), lab(45.66, 0.71, 2.16)],
    ['ultramarine gelled', mixed(std, [dose(ultramarine, 4)], age(42, 1)), lab(37.77, 17.17, -45.03)],
    ['turmeric, two days', mixed(std, [dose(turmeric, 2)], age(2)), lab(58.17, 33.98, 57.67)],
    ['turmeric, two weeks', mixed(std, [dose(turmeric, 2)], age(14)), lab(69.36, 19.57, 57.8)],
    ['spirulina, two days', mixed(std, [dose(spirulina, 4)], age(2)), lab(49.14, -24.47, 17.02)],
    ['spirulina, half a year', mixed(std, [dose(spirulina, 4)], age(180)), lab(69.45, -16.06, 24.18)],
    ['vanillin 1 %', mixed(BLEND, [], age(), scented(1)), lab(81.93, 2.63, 22.07)],
    ['vanillin 5 %', mixed(BLEND, [], age(), scented(5)), lab(59.19, 9.89, 30.13)],
    ['vanillin 10 %, a week', mixed(BLEND, [], age(7), scented(10, 7)), lab(53.37, 11.34, 30.83)],
    ['vanillin 10 %', mixed(BLEND, [], age(), scented(10)), lab(46.35, 12.18, 27.42)],
    ['vanillin 10 %, stabilised', mixed(BLEND, [], age(), scented(10, 42, 20)), lab(64.54, 8.39, 29.68)],
    ['vanillin 10 %, whitened', mixed(BLEND, [dose(titanium, 6)], age(), scented(10)), lab(65.43, 8.62, 31.2)],
    ['vanillin 20 %', mixed(BLEND, [], age(), scented(20)), lab(34.31, 11.59, 20.14)],
  ])('%s', (_, found, wanted) => {
    expect(deltaE(found.lab, wanted)).toBeLessThanOrEqual(0.5)
  })
})

describe('vectors', () => {
  const close = (found: readonly number[], wanted: readonly number[]) =>
    wanted.forEach((value, i) => expect(Math.abs(found[i]! - value)).toBeLessThanOrEqual(Math.max(0.003, 0.02 * value)))
  test.each([
    ['#4a62b0', [0.4728, 0.459, 0.3874, 0.2731, 0.1814, 0.129, 0.1042, 0.0937, 0.0899, 0.0888, 0.0885, 0.0885]],
    ['#dba94a', [0.0863, 0.0895, 0.1094, 0.1635, 0.2591, 0.3822, 0.4941, 0.5693, 0.6084, 0.6227, 0.6263, 0.6269]],
    ['#b5303a', [0.0592, 0.0567, 0.0459, 0.0343, 0.0285, 0.0317, 0.0542, 0.1451, 0.3967, 0.5735, 0.6213, 0.6289]],
  ])('smoothest spectrum of %s', (hex, wanted) => close(smoothestOfHex(hex), wanted))

  test('absorption of the white base and of three colorants', () => {
    close(
      baseAt(STANDARD_BASE, age()).k,
      [0.0195, 0.02422, 0.02301, 0.01887, 0.00976, 0.00509, 0.00394, 0.0036, 0.00357, 0.00355, 0.00354, 0.00353],
    )
    close(
      ultramarine.k,
      [0.0407, 0.0424, 0.0695, 0.1555, 0.3266, 0.5561, 0.7585, 0.8757, 0.9163, 0.9176, 0.9061, 0.892],
    )
    close(
      library.oxideYellow.k,
      [2.4688, 2.2734, 1.6283, 0.8433, 0.3667, 0.1534, 0.0719, 0.0419, 0.0308, 0.027, 0.0258, 0.0253],
    )
    close(micaYellow.k, [1.0523, 0.9423, 0.5743, 0.2004, 0.0486, 0.013, 0.0055, 0.0037, 0.0032, 0.003, 0.003, 0.0029])
  })
})

describe('from a wanted colour to doses', () => {
  const to = (hex: string, ...choices: [Pigment, number, number][]) =>
    invert(
      { linear: linearOfHex(hex), lab: labOfHex(hex) },
      choices.map(([pigment, referenceGPerKg, mostGPerKg]) => ({ pigment, referenceGPerKg, mostGPerKg })),
      STANDARD_BASE,
      age(),
    )

  test('one colorant', () => {
    const blue = to('#708ecb', [ultramarine, 4, 12])
    expect(blue.dosesGPerKg[0]).toBeCloseTo(0.99, 1)
    expect(blue.verdict).toBe('match')
    const navy = to('#1a2a70', [ultramarine, 4, 12])
    expect(navy.dosesGPerKg[0]).toBeCloseTo(12, 3)
    expect(navy.deltaE).toBeCloseTo(9.9, 0)
    expect(navy.verdict).toBe('out-of-reach')
    expect(navy.atMost).toEqual([0])
    expect(deltaE(navy.colour.lab, labOfHex('#3a4895'))).toBeLessThan(0.5)
    const blush = to('#e0b0a0', [oxideRed, 2, 8])
    expect(blush.dosesGPerKg[0]! / 0.062).toBeCloseTo(1, 1)
    expect(blush.deltaE).toBeCloseTo(2.6, 0)
    expect(blush.verdict).toBe('near')
    const grey = to('#808080', [charcoal, 3, 12])
    expect(grey.dosesGPerKg[0]! / 0.348).toBeCloseTo(1, 1)
    expect(grey.deltaE).toBeLessThan(1)
  })

  test('several colorants', () => {
    const pale = to('#9fb2dc', [ultramarine, 4, 12], [titanium, 4, 10])
    expect(pale.deltaE).toBeLessThanOrEqual(1.7)
    expect(Math.abs(pale.dosesGPerKg[0]! / 0.86 - 1)).toBeLessThan(0.15)
    expect(Math.abs(pale.dosesGPerKg[1]! / 3.3 - 1)).toBeLessThan(0.15)
    const green = to('#6f9a70', [micaBlue, 4, 12], [micaYellow, 4, 12], [titanium, 4, 10])
    expect(green.deltaE).toBeLessThanOrEqual(0.7)
    const neon = to('#00ff40', [micaRed, 4, 12], [micaYellow, 4, 12])
    expect(neon.deltaE).toBeGreaterThan(20)
    expect(neon.verdict).toBe('out-of-reach')
  })
})

describe('a ladder of tints from one pool', () => {
  const pool = { batterG: 1000, colours: [dose(ultramarine, 5)], white: titanium, whiteGPerKg: 0 }

  test('equal additions of white climb ever faster', () => {
    const steps = [0.8, 0.8, 0.8, 0.8, 0].map(whiteG => ({ pourG: 200, whiteG, batterG: 0, batterWhiteGPerKg: 0 }))
    const result = ladder(pool, steps, STANDARD_BASE, age())
    if (!result.ok) throw new Error(say(result.sentence))
    expect(result.rungs.map(rung => Number(rung.whiteGPerKg.toFixed(3)))).toEqual([0, 1, 2.333, 4.333, 8.333])
    const hexes = ['#465cab', '#5069b6', '#5b76bf', '#6783c7', '#7894d1']
    result.rungs.forEach((rung, n) => expect(deltaE(rung.colour.lab, labOfHex(hexes[n]!))).toBeLessThan(0.5))
    expect(result.rungs.slice(1).map(rung => Number(rung.stepDeltaE!.toFixed(1)))).toEqual([4.8, 4.7, 4.7, 5.5])
    expect(result.leftG).toBeCloseTo(0, 9)
  })

  test('even steps of lightness', () => {
    const steps = evenWhite(pool, [250, 250, 250, 250], 8, STANDARD_BASE, age())
    const result = ladder(pool, steps, STANDARD_BASE, age())
    if (!result.ok) throw new Error(say(result.sentence))
    const l = result.rungs.map(rung => rung.colour.lab.l)
    const gaps = l.slice(1).map((value, n) => value - l[n]!)
    gaps.forEach(gap => expect(gap).toBeCloseTo(gaps[0]!, 2))
    expect(result.rungs[3]!.whiteGPerKg).toBeCloseTo(8, 4)
  })

  test('more than the pool holds is refused with a sentence', () => {
    const steps = [600, 600].map(pourG => ({ pourG, whiteG: 0, batterG: 0, batterWhiteGPerKg: 0 }))
    const result = ladder(pool, steps, STANDARD_BASE, age())
    expect(result).toMatchObject({ ok: false, step: 1 })
    expect(said(!result.ok && result.sentence)).toMatch(/400\.0 g is left/)
  })
})

test('two swatches of one’s own re-fit a colorant and say how sure they make it', () => {
  const seen = [
    { gPerKg: 1, others: [], base: STANDARD_BASE, age: age(), lab: lab(48, 14, -44) },
    { gPerKg: 4, others: [], base: STANDARD_BASE, age: age(), lab: lab(34.5, 22, -47) },
  ]
  const fit = fitPigment(ultramarine, seen)
  const found = [fit.blue, fit.green, fit.red, fit.scatter]
  ;[0.622, 0.87, 0.678, -0.027].forEach((value, j) => expect(Math.abs(found[j]! - value)).toBeLessThan(0.03))
  ;[0.16, 0.11, 0.22, 0.49].forEach((value, j) => expect(Math.abs(fit.sd[j]! - value)).toBeLessThan(0.02))
  const off = (gPerKg: number, at: { l: number; a: number; b: number }, pigment: Pigment) =>
    deltaE(mixed(STANDARD_BASE, [dose(pigment, gPerKg)], age()).lab, at)
  expect(off(1, seen[0]!.lab, ultramarine)).toBeCloseTo(11, 0)
  expect(off(1, seen[0]!.lab, fit.pigment)).toBeLessThan(1.5)
  expect(off(4, seen[1]!.lab, fit.pigment)).toBeLessThan(0.4)
  expect(off(2, lab(41.38, 18.93, -47.05), fit.pigment)).toBeLessThan(0.5)
})
