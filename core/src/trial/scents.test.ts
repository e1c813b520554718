import { describe, expect, test } from 'vitest'
import { ratesOf } from '../batter/learning/index.ts'
import { plainOil, starterPlan } from '../plan/index.ts'
import { mixing } from '../quantities/chance/index.ts'
import { browningOf } from '../look/cups/index.ts'
import { portionsOf } from '../portions/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import type { Finding, Shelf } from '../shelf/index.ts'
import { trialOf } from './draw-up.ts'
import type { Trial, TrialNumber, TrialQuestion } from './document.ts'
import { readTrial } from './document.ts'
import { foundSaid, shelfWithoutTrial, taughtBy } from './findings.ts'
import { planOfTrial } from './plan-of-trial.ts'
import { brownedBy, browningBy, fadedBy, fadingBy, stabiliserBy } from './shade.ts'
import type { ShadeRead } from './shade.ts'
import { cupLevels, pairBatter, pairSaid, worthOfSlopes } from './speed.ts'

const shelf = referenceShelf()
const ID = '5f0f8f2e-0000-4000-8000-000000000001'

/** Sums of twelve: near enough normal. */
const normals = (seed: number) => {
  const random = mixing(seed)
  return () => Array.from({ length: 12 }, random).reduce((sum, x) => sum + x, -6)
}

const question = (kind: TrialQuestion['kind'], more: Partial<TrialQuestion> = {}): TrialQuestion => ({
  ...{ kind, asked: '', levels: [], blanks: 2, whiteGPerKg: 0, sampleG: 50, stepG: 0.01, matters: 2.5 },
  ...{ way: 'photo', seed: 3, scent: 'moss-cathedral', load: 0.03 },
  ...more,
})

describe('a scented cup beside a plain one', () => {
  const batter = pairBatter(starterPlan('Pair').recipe, shelf, { mixC: 38, roomC: 21, stopLevel: 1.6, cupG: 130 })
  const minutes = [2, 5, 8, 12]

  test('is worth what its slopes say: late readings most, alone a seventh', () => {
    const mild = worthOfSlopes([0.548, 1.032, 1.604, 2.418])
    expect(mild.pair).toBeCloseTo(0.0192, 4)
    expect(mild.alone).toBeCloseTo(0.133, 3)
    expect(mild.weights.map(w => Number(w.toFixed(3)))).toEqual([-0.163, -0.025, 0.138, 0.37])
    const moderate = worthOfSlopes([1.44, 2.482, 3.453, 3.898])
    expect(moderate.pair).toBeCloseTo(0.0068, 4)
    expect(moderate.alone).toBeCloseTo(0.1282, 3)
  })

  test('holds its scent’s true pace in its band four times in five, and knows it better than a cup alone', () => {
    const draw = normals(11)
    const plain = { mean: 0, sd: 0.35 }
    let [held, all, wider] = [0, 0, 0]
    for (let n = 0; n < 45; n += 1) {
      const scent = [
        { mean: 0.27, sd: 0.35 },
        { mean: 0.6, sd: 0.39 },
      ][n % 2]!
      const [f, u, stop] = [scent.mean + scent.sd * draw(), plain.sd * draw(), 0.15 * draw()]
      const cup = (levels: number[], off: number) => levels.map(level => Math.max(0, level + off + 0.15 * draw()))
      const plainSeen = cup(cupLevels(batter, u, 0, minutes, stop), 0.15 * draw())
      const scentedSeen = cup(cupLevels(batter, u, f, minutes, stop), 0.15 * draw())
      const reads = minutes.map((minute, i) => ({ minutes: minute, plain: plainSeen[i]!, scented: scentedSeen[i]! }))
      const said = pairSaid(batter, { plain, scent }, [reads]).believed
      all += 1
      if (Math.abs(f - said.mean) < 1.2816 * said.sd) held += 1
      if (n < 8) wider += pairSaid(batter, { plain, scent }, [reads], false).believed.sd / said.sd / 8
    }
    // Four in five of 45, give or take two standard errors.
    expect(held / all).toBeGreaterThan(0.68)
    expect(held / all).toBeLessThan(0.92)
    expect(wider).toBeGreaterThan(1.2)
  }, 60_000)

  test('moves what is known of the scent as a filter would, and in its own recipe further', () => {
    const pair = (value: number, sd: number, date: string): Finding => ({
      ...{ trial: `trial-${date}`, date, what: 'rate', value, sd, weight: 1, recipe: 'olive:100', cups: 0, riced: 0 },
    })
    const mild = shelf.scents.find(one => one.acceleration === 'mild' && one.ownRuns === 0)!
    const after = (...findings: Finding[]) => {
      const own = { scents: [{ ...mild, findings }], evidence: [] }
      const rates = ratesOf(own)
      return { own: rates.scent(mild.id), here: rates.scented('olive:100', [{ scent: mild.id, share: 1 }], 30) }
    }
    const sd = Math.sqrt(0.0192)
    const first = after(pair(0.6, sd, '2026-12-01'))
    expect(first.own.mean).toBeCloseTo(0.48, 2)
    expect(first.own.sd).toBeCloseTo(0.181, 2)
    expect(first.here.mean).toBeCloseTo(0.532, 2)
    const second = after(pair(0.6, sd, '2026-12-01'), pair(0.5, sd, '2026-12-02'))
    expect(second.own.mean).toBeCloseTo(0.468, 2)
    expect(second.own.sd).toBeCloseTo(0.162, 2)
    expect(second.here.mean).toBeCloseTo(0.518, 2)
  })
})

describe('shades', () => {
  const read = (days: number, by: ShadeRead['by']): ShadeRead => ({
    ...{ days, by, way: 'photo', photos: 1, samples: 1, blanks: 1 },
  })
  const browning = { vanillinGPerKg: 0.4, deeper: { mean: 0, sd: 0.5 }, later: { mean: 0, sd: 0.4 } }

  test('of a browning scent tell how strongly its vanillin acts', () => {
    const days = [3, 14, 42]
    const true_ = { deeper: 0.3, later: -0.2, held: 0, stabiliserGPerKg: 0 }
    const seen = days.map(day => brownedBy(browning, day, true_))
    expect(seen.map(({ l }) => Number(l.toFixed(2)))).toEqual([-14.49, -21.48, -24.01])
    const said = browningBy(
      browning,
      days.map((day, i) => read(day, seen[i]!)),
    )
    expect(said.deeper.believed.mean).toBeCloseTo(0.306, 2)
    expect(said.deeper.believed.sd).toBeCloseTo(0.089, 2)
    expect(said.later.believed.mean).toBeCloseTo(-0.14, 2)
    expect(said.later.believed.sd).toBeCloseTo(0.221, 2)
    // What the readings alone say is further out than what is believed with them.
    expect(said.deeper.found!.value).toBeGreaterThan(said.deeper.believed.mean)
  })

  test('of a stabiliser tell what it holds back', () => {
    const odds = (e: number) => Math.log(e / (1 - e))
    const usual = 0.7 * (1 - Math.exp(-1.5))
    const held = odds(0.35) - odds(usual)
    const days = [14, 42]
    const at = (stabiliserGPerKg: number) =>
      days.map(day => read(day, brownedBy(browning, day, { deeper: 0.2, later: 0, held, stabiliserGPerKg })))
    expect(at(4).map(({ by }) => Number(by.l.toFixed(2)))).toEqual([-9.91, -13.84])
    const said = stabiliserBy({ ...browning, held: { mean: 0, sd: 0.6 } }, at(0), [
      { stabiliserGPerKg: 4, reads: at(4) },
    ])
    const efficiency = 1 / (1 + Math.exp(-(odds(usual) + said.held.believed.mean)))
    expect(Math.abs(efficiency - 0.37)).toBeLessThan(0.02)
  })

  test('of twins in window and dark tell what light takes', () => {
    const item = shelf.colorants.find(({ fadeShare }) => fadeShare === 0.45)!
    const pigment = { k: new Array<number>(12).fill(0.04), s: new Array<number>(12).fill(0.01), fresh: null, offBy: 0 }
    const asked = {
      ...{ pigment: { ...pigment, fade: null }, gPerKg: 4, fadeDays: item.fadeDays },
      ...{ share: { mean: 0.45, sd: 0.15 }, later: { mean: 0, sd: 0.6 } },
    }
    const reads = [21, 45, 90].map(day => read(day, fadedBy(asked, day, 0.3, Math.log(40 / 60))))
    const { share } = fadingBy(asked, reads)
    expect(share.believed.mean).toBeGreaterThan(0.28)
    expect(share.believed.mean).toBeLessThan(0.36)
    expect(share.believed.sd).toBeLessThan(0.1)
  })

  test('hold the truth four times in five', () => {
    const draw = normals(29)
    let held = 0
    const runs = 60
    for (let n = 0; n < runs; n += 1) {
      const [x, y] = [0.5 * draw(), 0.4 * draw()]
      const lasting = { l: 0.9 * Math.SQRT2 * draw(), a: 0.5 * Math.SQRT2 * draw(), b: 0.7 * Math.SQRT2 * draw() }
      const reads = [3, 14, 42].map(day => {
        const by = brownedBy(browning, day, { deeper: x, later: y, held: 0, stabiliserGPerKg: 0 })
        const off = (channel: 'l' | 'a' | 'b', sd: number) => by[channel] + lasting[channel] + sd * Math.SQRT2 * draw()
        return read(day, { l: off('l', 0.8), a: off('a', 0.5), b: off('b', 0.7) })
      })
      const { believed } = browningBy(browning, reads).deeper
      if (Math.abs(x - believed.mean) < 1.2816 * believed.sd) held += 1
    }
    expect(held / runs).toBeGreaterThan(0.68)
    expect(held / runs).toBeLessThan(0.92)
  }, 60_000)
})

describe('what the shelf is taught', () => {
  const scent = shelf.scents.find(one => one.acceleration === 'mild' && one.vanillinShare > 0.01)!
  const own: Shelf = { ...shelf, evidence: [] }

  function paired(scented: readonly number[]): Trial {
    const trial = trialOf('Pair', question('speed', { scent: scent.id, times: 1, blanks: 1, sampleG: 130 }))
    const [plain, with_] = trial.samples
    const number = (sample: string, minutes: number, value: number, n: number): TrialNumber => ({
      ...{ id: `00000000-0000-4000-8000-00000000000${n}`, sample, at: '2026-12-01T10:00:00Z', days: 0, minutes, value },
      ...{ what: 'level', by: 'drip' },
    })
    const numbers = [5, 12].flatMap((minute, i) => [
      number(plain!.label, minute, [1.9, 2.4][i]!, 2 * i),
      number(with_!.label, minute, scented[i]!, 2 * i + 1),
    ])
    return { ...trial, numbers }
  }

  test('of a pair: the scent is quicker from then on, and as before once it is taken back', () => {
    const trial = paired([2.6, 4.2])
    expect(readTrial(JSON.parse(JSON.stringify(trial))).ok).toBe(true)
    const { scent: learned } = taughtBy(trial, ID, own, foundSaid(trial, own), '2026-12-01')
    const with_: Shelf = { ...own, scents: own.scents.map(one => (one.id === scent.id ? learned! : one)) }
    expect(ratesOf(with_).scent(scent.id).mean).toBeGreaterThan(ratesOf(own).scent(scent.id).mean + 0.05)
    expect(ratesOf(with_).scent(scent.id).sd).toBeLessThan(ratesOf(own).scent(scent.id).sd)
    // Taken on again from a shelf that has it already it is the same.
    const again = taughtBy(trial, ID, with_, foundSaid(trial, shelfWithoutTrial(with_, ID, null)), '2026-12-01')
    expect(again.scent!.findings).toEqual(learned!.findings)
    const back = shelfWithoutTrial(with_, ID, null)
    expect(back.scents.find(({ id }) => id === scent.id)!.findings).toEqual([])
    expect(ratesOf(back).scent(scent.id)).toEqual(ratesOf(own).scent(scent.id))
  })

  test('of browning: a batch with that scent is forecast browner', () => {
    const plan = planOfTrial(trialOf('Brown', question('browning', { scent: scent.id, times: 2 })), own)
    const depth: Finding = {
      ...{ trial: 'trial-1', date: '2026-12-01', what: 'depth', value: 0.4, sd: 0.1 },
      ...{ weight: 1, recipe: '', cups: 0, riced: 0 },
    }
    const learned: Shelf = {
      ...own,
      scents: own.scents.map(one => (one.id === scent.id ? { ...one, findings: [depth] } : one)),
    }
    const i = plan.cups.findIndex(({ scented }) => scented)
    const deeper = (of: Shelf) => browningOf(plan, portionsOf(plan, of), i, of)!.deeper
    expect(deeper(own)).toBe(0)
    expect(deeper(learned)).toBeGreaterThan(0.3)
    expect(deeper(learned)).toBeLessThan(0.4)
  })

  test('an oil of its own: a hundred percent of one keeps its name in the recipe’s key', () => {
    const trial = paired([2.6, 4.2])
    const batter = {
      ...{ recipe: { ...starterPlan('x').recipe, oils: [plainOil('olive', 1)] } },
      ...{ mixC: 38, roomC: 21, stopLevel: 1.6 },
    }
    expect(foundSaid({ ...trial, batter }, own).speed!.recipe).toBe('olive:100')
  })
})
