import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { STANDARD_BASE, WHITES, mixed, pigmentOf } from '../look/colour/index.ts'
import type { Lab } from '../look/colour/index.ts'
import { library } from '../look/colour/test/library.ts'
import { confounded } from './confounding.ts'
import { colourBy, doseCurve, exchangedIn } from './curve.ts'
import type { CurveReading } from './curve.ts'
import { differences } from './difference.ts'
import { evenDoses } from './even-doses.ts'
import { MAKING, commonSd, patchSd } from './noise.ts'
import { driftOf, driftsIn, drawingOrder, randomOf } from './order.ts'
import { bestBlanks, leastSeen, timesToSee } from './power.ts'
import { ricingKnown } from '../batter/schedule/riced-pots.ts'
import { clingInSample, trialSize } from './size.ts'
import { weighingOf } from './weighing.ts'

const blue = library.ultramarine
const CURED = { days: 42, gel: 0 }
/** Normal numbers of a seed. */
function normals(seed: number): () => number {
  const random = randomOf(seed)
  return () => Math.sqrt(-2 * Math.log(Math.max(1e-12, random()))) * Math.cos(2 * Math.PI * random())
}

describe('size', () => {
  test('covers samples, what clings and what is lost', () => {
    expect(trialSize(9, 113.4)).toMatchObject({ samplesG: 1020.6, batchG: 1100 })
    expect(trialSize(9, 113.4).clingG).toBeCloseTo(46.4, 1)
    expect(trialSize(9, 113.4).needG).toBeCloseTo(1096.3, 1)
    expect(trialSize(7, 40)).toMatchObject({ samplesG: 280, batchG: 315, isTooSmall: true })
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.double({ min: 20, max: 250, noNaN: true }), (count, sampleG) => {
        const { batchG, spareG } = trialSize(count, sampleG)
        const more = trialSize(count + 1, sampleG)
        return batchG >= count * (sampleG + clingInSample(sampleG)) && spareG >= 0 && more.needG > batchG - spareG
      }),
    )
  })
})

describe('weighing', () => {
  const fine = { stepG: 0.01, batterStepG: 0.01 }
  const errors = (of: ReturnType<typeof weighingOf>) =>
    of.way === 'none' ? [] : of.doses.map(one => Math.round(1000 * one.error) / 10)

  test('goes straight where the scale can, else by a slurry, else by thinning; errors as they are told', () => {
    expect(weighingOf([4, 12], 40, fine)).toMatchObject({ way: 'direct' })
    expect(errors(weighingOf([4, 12], 40, fine))).toEqual([3.8, 1.3])
    const slurry = weighingOf([0.5, 1, 2], 40, fine)
    expect(slurry).toMatchObject({ way: 'slurry', share: 0.1 })
    const thin = weighingOf([0.5, 1, 2, 4], 40, fine)
    expect(thin).toMatchObject({ way: 'thinned', strongG: 85 })
    expect(thin.way === 'thinned' && thin.powderG).toBeCloseTo(0.34, 9)
    expect(thin.way === 'thinned' && thin.doses.map(one => one.weighG)).toEqual([5, 10, 20, 40])
    expect(errors(thin)).toEqual([1.8, 1.8, 1.8, 1.8])
    const coarse = weighingOf([0.5, 1, 2, 4], 40, { stepG: 0.1, batterStepG: 0.1 })
    expect(coarse).toMatchObject({ way: 'thinned', strongG: 335 })
    expect(errors(coarse)).toEqual([4.6, 4.5, 4.5, 4.5])
  })

  test('keeps every dose within its error, brings no more carrier than a sample bears, and adds up', () => {
    const dose = fc.double({ min: 0.1, max: 30, noNaN: true })
    const steps = fc.constantFrom(0.01, 0.1, 1)
    fc.assert(
      fc.property(
        fc.array(dose, { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 20, max: 200 }),
        steps,
        (doses, g, step) => {
          const of = weighingOf(doses, g, { stepG: step, batterStepG: step })
          if (of.way === 'none') return of.sampleG === null || of.sampleG > g
          return of.doses.every(one => {
            const powder = of.way === 'thinned' ? (one.weighG * of.powderG) / of.strongG : one.powderG
            const isWhole = of.way !== 'thinned' || Math.abs(one.weighG + one.plainG - g) < 1e-9
            const carrier = of.way === 'slurry' ? one.weighG - one.powderG : 0
            return (
              one.error <= 0.05 + 1e-9 &&
              Math.abs(powder - (one.gPerKg * g) / 1000) < 1e-9 &&
              isWhole &&
              carrier <= 0.03 * g
            )
          })
        },
      ),
    )
  })

  test('says so where the scale cannot, rather than ask for kilograms of strong batter', () => {
    const coarse = { stepG: 1, batterStepG: 1 }
    expect(weighingOf([4], 150, coarse)).toEqual({ way: 'none', sampleG: null })
    expect(weighingOf([20], 150, coarse)).toEqual({ way: 'none', sampleG: null })
    expect(weighingOf([60, 60, 60, 60, 60, 60], 150, coarse)).toMatchObject({ way: 'thinned' })
  })
})

describe('order', () => {
  test('keeps drift and bend apart from the doses, the middle one at both ends, each dose drawn', () => {
    const order = drawingOrder([1, 2, 3, 4, 5], 1)
    expect([order[0], order.at(-1)]).toEqual([2, 2])
    for (let count = 3; count <= 12; count += 1)
      for (const seed of [1, 2, 9]) {
        const doses = Array.from({ length: count }, (_, i) => 2 ** i)
        const found = drawingOrder(doses, seed)
        expect(drawingOrder(doses, seed)).toEqual(found)
        expect(new Set(found).size).toBe(count)
        const { straight, bent } = driftsIn(found.slice(1, -1))
        if (count >= 5) expect(Math.abs(straight), `${count} of seed ${seed}`).toBeLessThan(0.15)
        if (count >= 5) expect(Math.abs(bent), `${count} of seed ${seed}`).toBeLessThan(0.35)
      }
  })

  test('a drift is taken off only when it is believed', () => {
    expect(driftOf(50, 44, 1, 5)).toMatchObject({ aPlace: -1.2, isTakenOff: true })
    expect(driftOf(50, 49, 1, 5).isTakenOff).toBe(false)
  })
})

describe('what goes together', () => {
  const place = { name: 'place', values: [0, 1, 2, 3] }
  test('is named by how much others explain, whatever the units', () => {
    expect(confounded({ name: 'dose', values: [0, 1, 2, 3] }, [place]).verdict).toBe('cannot be told apart')
    expect(confounded({ name: 'dose', values: [1, 3, 0, 2] }, [place])).toMatchObject({ share: 0, verdict: 'clean' })
    const [a, b] = [
      [0, 0, 1, 1],
      [0, 1, 0, 1],
    ]
    expect(confounded({ name: 'a', values: a }, [{ name: 'b', values: b }]).share).toBeCloseTo(0, 9)
    const one = { name: 'a', values: [0, 0, 1, 1, 1] }
    const other = { name: 'b', values: [0, 0, 1, 1, 0] }
    const partly = confounded(one, [other])
    expect(partly.share).toBeCloseTo(0.444, 3)
    expect(partly).toMatchObject({ verdict: 'partly', most: 'b' })
    const metres = { ...other, values: other.values.map(x => 1000 * x + 7) }
    expect(confounded(one, [metres]).share).toBeCloseTo(partly.share, 9)
    const kinds = { name: 'white', values: ['none', 'none', 'zinc', 'zinc'] }
    expect(confounded(kinds, [{ name: 'scent', values: [0, 0, 3, 3] }]).verdict).toBe('cannot be told apart')
  })
})

describe('what a trial can see', () => {
  const photo = { way: 'photo', photos: 1, direction: 'known' } as const
  test('is told before it is made', () => {
    const seen = (samples: number, times: number, way: 'photo' | 'eye' | 'meter' = 'photo') =>
      (['known', 'any'] as const).map(direction =>
        leastSeen({ ...photo, way, samples, times, blanks: 2, direction }).toFixed(1),
      )
    expect([seen(1, 1), seen(1, 3), seen(8, 1)]).toEqual([
      ['3.8', '4.8'],
      ['2.8', '3.5'],
      ['5.5', '6.7'],
    ])
    expect(Math.abs(Number(seen(1, 1, 'eye')[0]) - 8.4)).toBeLessThan(0.2)
    expect(seen(1, 1, 'meter')[0]).toBe('3.0')
    expect(timesToSee(3, { ...photo, samples: 1, blanks: 2 })).toBe(3)
    expect(timesToSee(1, { ...photo, samples: 1, blanks: 2 })).toBeNull()
    expect(bestBlanks(8, 1)).toBe(3)
  })
})

/** One photograph of samples and blanks that lie so far apart in lightness. */
function photographed(seed: number, differs: readonly number[], blanks: number, times = 1) {
  const z = normals(seed)
  const common = commonSd('photo').map(sd => sd * z())
  const sample = (dl: number): Lab => {
    const off = MAKING.map((making, c) => making * z() + patchSd('photo')[c]! * z() + common[c]!)
    return { l: 90 + dl + off[0]!, a: off[1]!, b: 8 + off[2]! }
  }
  return {
    blanks: Array.from({ length: blanks }, () => sample(0)),
    samples: differs.map((dl, i) => ({ label: `K${i}`, labs: Array.from({ length: times }, () => sample(dl)) })),
    ...({ way: 'photo', photos: 1, matters: 2.5, direction: 'any' } as const),
  }
}

describe('differences to the blank', () => {
  test('reckon with repeats, and say what this trial could have seen', () => {
    const blanks = [
      { l: 93.8, a: -0.9, b: 8.6 },
      { l: 93, a: -0.5, b: 9 },
    ]
    const asked = { blanks, way: 'photo', photos: 1, matters: 2.5, direction: 'any' } as const
    const sample = { label: 'K1', labs: [{ l: 90.2, a: -0.2, b: 10.4 }] }
    const [alone] = differences({ ...asked, samples: [sample] })
    expect([alone!.lab.l, alone!.lab.a, alone!.lab.b].map(x => x.toFixed(1))).toEqual(['-3.2', '0.5', '1.6'])
    expect(alone!.p).toBeCloseTo(0.081, 3)
    expect(alone!.deltaE).toBeCloseTo(2.38, 1)
    expect(Math.abs(alone!.low - 1.44)).toBeLessThan(0.2)
    expect(Math.abs(alone!.high - 4.05)).toBeLessThan(0.2)
    expect(alone!.word).toBe('probably different')
    const plain = { labs: [{ l: 93.4, a: -0.7, b: 8.8 }] }
    const four = differences({ ...asked, samples: [sample, ...['K2', 'K3', 'K4'].map(label => ({ label, ...plain }))] })
    expect(four.map(one => one.word)).toEqual(['not told', 'not told', 'not told', 'not told'])
    expect(four[0]!.wouldSee).toBeGreaterThan(4)
  })

  test('call one where there is none in at most a tenth of the trials, and see what they said they would', () => {
    const seeds = Array.from({ length: 200 }, (_, n) => n)
    const isSeen = (word: string) => word.includes('different') || word === 'too little to matter'
    const falseOf = (of: (seed: number) => ReturnType<typeof photographed>) =>
      seeds.filter(seed => differences(of(seed)).some(one => isSeen(one.word))).length / seeds.length
    const none = Array.from({ length: 8 }, () => 0)
    expect(falseOf(seed => photographed(seed, none, 2))).toBeLessThanOrEqual(0.1)
    expect(falseOf(seed => photographed(seed, none, 3, 3))).toBeLessThanOrEqual(0.1)
    const wouldSee = leastSeen({ way: 'photo', photos: 1, samples: 1, times: 1, blanks: 2, direction: 'any' })
    const seen =
      seeds.filter(seed => isSeen(differences(photographed(seed, [-wouldSee], 2))[0]!.word)).length / seeds.length
    expect(Math.abs(seen - 0.8)).toBeLessThan(0.1)
  })

  test('are hardly ever said to be none where there is one that matters', () => {
    const seeds = Array.from({ length: 200 }, (_, n) => n)
    const wrong = seeds.filter(seed => differences(photographed(seed, [-3.4], 3, 3))[0]!.word === 'the same')
    expect(wrong.length / seeds.length).toBeLessThanOrEqual(0.05)
  })
})

describe('doses that are even to the eye', () => {
  test('go from a 48th to the most, in equal steps', () => {
    const { doses, step } = evenDoses(blue, STANDARD_BASE, CURED, 12, 6)
    const expected = [0.25, 0.576, 1.204, 2.315, 4.67, 12]
    doses.forEach((dose, i) => expect(Math.abs(dose / expected[i]! - 1), String(dose)).toBeLessThan(0.03))
    expect(step).toBeCloseTo(7.5, 0)
  })
})

describe('a curve of dose against colour', () => {
  const read = (sample: string, gPerKg: number, lab: Lab, whiteGPerKg = 0, photo = 'one'): CurveReading => ({
    ...{ sample, photo, way: 'photo', gPerKg, whiteGPerKg, base: STANDARD_BASE, age: CURED, lab },
  })

  test('is fitted to a blank and two doses of one photograph', () => {
    const curve = doseCurve(blue, [
      read('blank', 0, { l: 93, a: -0.5, b: 9.4 }),
      read('one', 1, { l: 48, a: 14, b: -44 }),
      read('four', 4, { l: 34.5, a: 22, b: -47 }),
    ])
    const expected = [0.634, 0.879, 0.754, 0.082]
    curve.p.forEach((value, i) => expect(Math.abs(value - expected[i]!), String(curve.p)).toBeLessThan(0.03))
    const sds = [0.108, 0.074, 0.16, 0.473]
    curve.sd.forEach((value, i) => expect(Math.abs(value - sds[i]!), String(curve.sd)).toBeLessThan(0.03))
    const { lab, sd } = colourBy(curve, { gPerKg: 2, whiteGPerKg: 0, base: STANDARD_BASE, age: CURED })
    expect([lab.l, lab.a, lab.b].map(Math.round)).toEqual([41, 19, -47])
    expect(sd.l).toBeCloseTo(0.95, 1)
  })

  const DOSES = [0.5, 1, 2, 4, 8]
  /** A made-up trial: its truth drawn from what is believed, two photographs of two blanks and five doses. */
  function madeUp(seed: number, change: (dose: number, i: number) => number = dose => dose) {
    const z = normals(seed)
    const truth = [0.7, 0.7, 0.7, 0.5].map(sd => sd * z())
    const really = { ...blue, ...scaled(blue, truth) }
    const rows = [0, 0, ...DOSES].map((dose, i) => ({ sample: `S${i}`, dose, off: MAKING.map(sd => sd * z()) }))
    const readings = ['first', 'second'].flatMap(photo => {
      const common = commonSd('photo').map(sd => sd * z())
      return rows.map(({ sample, dose, off }, i) => {
        const { lab } = mixed(STANDARD_BASE, [{ pigment: really, gPerKg: change(dose, i) }], CURED)
        const patch = patchSd('photo').map(sd => sd * z())
        const read3 = [lab.l, lab.a, lab.b].map((x, c) => x + off[c]! + common[c]! + patch[c]!)
        return read(sample, dose, { l: read3[0]!, a: read3[1]!, b: read3[2]! }, 0, photo)
      })
    })
    return { truth, really, readings }
  }

  test('holds the truth in its bands four times in five', { timeout: 120_000 }, () => {
    const Z80 = 1.2816
    let [inside, all] = [0, 0]
    for (let seed = 0; seed < 200; seed += 1) {
      const { really, readings } = madeUp(seed)
      const curve = doseCurve(blue, readings)
      for (const gPerKg of [2, 6]) {
        const { lab, sd } = colourBy(curve, { gPerKg, whiteGPerKg: 0, base: STANDARD_BASE, age: CURED })
        const true3 = mixed(STANDARD_BASE, [{ pigment: really, gPerKg }], CURED).lab
        for (const channel of ['l', 'a', 'b'] as const) {
          all += 1
          if (Math.abs(lab[channel] - true3[channel]) <= Z80 * sd[channel]) inside += 1
        }
      }
    }
    expect(inside / all).toBeGreaterThan(0.75)
    expect(inside / all).toBeLessThan(0.85)
  })

  test(
    'names a dose that was weighed wrongly, and two labels that were exchanged; of a good trial neither',
    { timeout: 120_000 },
    () => {
      let [wrong, exchanged, calm] = [0, 0, 0]
      for (let seed = 0; seed < 12; seed += 1) {
        if (doseCurve(blue, madeUp(seed, (dose, i) => (i === 4 ? 2.5 * dose : dose)).readings).odd.includes('S4'))
          wrong += 1
        const swap = (dose: number, i: number) => (i === 3 ? DOSES[3]! : i === 5 ? DOSES[1]! : dose)
        if (String(exchangedIn(blue, madeUp(seed, swap).readings)) === 'S3,S5') exchanged += 1
        const good = madeUp(seed).readings
        if (doseCurve(blue, good).odd.length === 0 && exchangedIn(blue, good) === null) calm += 1
      }
      expect(wrong).toBeGreaterThanOrEqual(11)
      expect(exchanged).toBeGreaterThanOrEqual(11)
      expect(calm).toBeGreaterThanOrEqual(11)
    },
  )

  test('takes off what all of a photograph are off by, and never widens with more readings of the same colorant', () => {
    const { readings } = madeUp(4)
    const curve = doseCurve(blue, readings)
    const moved = doseCurve(
      blue,
      readings.map(one => (one.photo === 'first' ? { ...one, lab: { ...one.lab, l: one.lab.l + 3 } } : one)),
    )
    const at = (of: typeof curve) => colourBy(of, { gPerKg: 2, whiteGPerKg: 0, base: STANDARD_BASE, age: CURED }).lab.l
    expect(Math.abs(at(moved) - at(curve))).toBeLessThan(0.8 * 3)
    const fewer = doseCurve(blue, readings.slice(0, 7))
    curve.sd.forEach((sd, i) => expect(sd).toBeLessThanOrEqual(fewer.sd[i]! * 1.02))
    const turned = doseCurve(blue, [...readings].reverse())
    turned.p.forEach((value, i) => expect(value).toBeCloseTo(curve.p[i]!, 3))
  })

  test('scattering is learned beside white alone', () => {
    const { readings } = madeUp(2)
    const white = readings
      .filter(one => one.sample === 'S4')
      .map(one => {
        const { lab } = mixed(
          STANDARD_BASE,
          [
            { pigment: blue, gPerKg: 2 },
            { pigment: WHITES.titanium, gPerKg: 4 },
          ],
          CURED,
        )
        return { ...one, sample: 'W', whiteGPerKg: 4, lab }
      })
    expect(doseCurve(blue, [...readings, ...white]).sd[3]!).toBeLessThan(doseCurve(blue, readings).sd[3]!)
  })
})

/** A pigment with ln of its bands moved. */
function scaled(of: ReturnType<typeof pigmentOf>, p: readonly number[]) {
  const weights = [
    [1, 1, 0.75, 0.5, 0.25, 0, 0, 0, 0, 0, 0, 0],
    [0, 0, 0.25, 0.5, 0.75, 1, 0.75, 0.5, 0.25, 0, 0, 0],
    [0, 0, 0, 0, 0, 0, 0.25, 0.5, 0.75, 1, 1, 1],
  ]
  return {
    k: of.k.map((k, i) => k * Math.exp(weights.reduce((sum, row, c) => sum + p[c]! * row[i]!, 0))),
    s: of.s.map(s => s * Math.exp(p[3]!)),
  }
}

describe('ricing', () => {
  test('is learned of pots, of which many teach more than many cups of one', () => {
    const known = (chance: number, ...pots: [number, number][]) =>
      ricingKnown(
        chance,
        pots.map(([riced, cups]) => ({ riced, cups })),
      )
    const rows = [
      known(0.1, [0, 3]),
      known(0.1, [3, 3]),
      known(0.1, [0, 3], [0, 3], [0, 3]),
      known(0.4, [1, 1], [2, 3]),
    ]
    rows.forEach(({ mean }, i) => expect(Math.abs(mean - [0.075, 0.305, 0.05, 0.554][i]!)).toBeLessThan(0.01))
    rows.forEach(({ upper }, i) => expect(Math.abs(upper - [0.217, 0.584, 0.144, 0.802][i]!)).toBeLessThan(0.015))
    expect(known(0.1, [0, 1], [0, 1], [0, 1]).mean).toBeLessThan(known(0.1, [0, 3]).mean)
  })
})
