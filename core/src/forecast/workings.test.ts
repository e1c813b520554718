import { describe, expect, test } from 'vitest'
import { applyEdit, starterPlan } from '../plan/index.ts'
import type { Edit, Plan } from '../plan/index.ts'
import { remediesFor } from '../batter/advice/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { forecast } from './forecast.ts'
import type { Forecast } from './forecast.ts'
import { said, say } from '../quantities/words/index.ts'

const set = (path: (string | number)[], value: unknown): Edit => ({ kind: 'set', path, value })
const of = (plan: Plan): Forecast => {
  const result = forecast(plan, referenceShelf())
  if (!result.ok) throw new Error(say(result.sentence))
  return result.forecast
}
const changed = (...edits: Edit[]): Plan => {
  const result = applyEdit(starterPlan('Trial'), { kind: 'many', edits })
  if (!result.ok) throw new Error(say(result.sentence))
  return result.plan
}

describe('the working of a number', () => {
  const { workings, portions } = of(starterPlan('Trial'))
  const input = (key: keyof typeof workings, name: string) => {
    const found = workings[key].inputs.find(one => one.name === name)
    if (!found) throw new Error(`${key} has no input ${name}`)
    return found.value
  }

  test('lye follows from its inputs, rounded down', () => {
    const exact =
      (input('lye', 'NaOH for all oils') * (1 - input('lye', 'superfat') / 100)) / (input('lye', 'purity') / 100)
    expect(workings.lye.value).toBeLessThanOrEqual(Math.min(exact, input('lye', 'not rounded')) + 1e-9)
    expect(exact - workings.lye.value).toBeLessThan(0.2)
  })

  test('water follows from its inputs, to the scale', () => {
    const c = input('water', 'lye concentration') / 100
    expect(Math.abs((input('water', 'NaOH in the lye') * (1 - c)) / c - workings.water.value)).toBeLessThanOrEqual(0.5)
  })

  test('oils follow from the batter, to the scale of five oils', () => {
    const exact =
      input('oils', 'batter') / (1 + input('oils', 'lye for 1 g of oils') + input('oils', 'water for 1 g of oils'))
    expect(Math.abs(exact - workings.oils.value)).toBeLessThan(3)
  })

  test('superfat follows from lye and demand', () => {
    const share = 1 - (input('superfat', 'lye') * 0.98) / input('superfat', 'NaOH for all oils')
    expect(workings.superfat.value).toBeCloseTo(share * 100, 6)
  })

  test('batter is what the mould holds and what clings, less scent and colour', () => {
    const ml = (input('pot', 'length') * input('pot', 'width') * input('pot', 'soap height')) / 1000
    const whole = ml * input('pot', 'density') + input('pot', 'clings to pot and cups')
    const added = portions.cups.reduce((sum, cup) => sum + cup.scentG + cup.colorantG + cup.mediumG, 0)
    expect(Math.abs(whole - added - workings.pot.value)).toBeLessThan(2)
  })

  test('every working names its source', () => {
    for (const working of Object.values(workings)) expect(say(working.source).length).toBeGreaterThan(10)
  })
})

describe('advice', () => {
  test('the gravest notice comes first', () => {
    const plan = changed(
      set(['recipe', 'superfatShare'], 0),
      set(['scent'], {
        parts: [{ scent: 'tin-roof-rain', share: 1 }],
        load: 0.08,
        basis: 'oils',
        moment: 'pot',
        how: 'hand',
        spread: 'cup',
        stabiliserRatio: 0,
        isPrivate: false,
      }),
      set(['cups', 0, 'colorants', 0, 'doseGPerKg'], 60),
      set(['recipe', 'oils', 0, 'share'], 0.39),
    )
    const weights = of(plan).notices.map(notice => notice.weight)
    expect(new Set(weights)).toEqual(new Set(['stop', 'warn', 'hint']))
    expect(weights).toEqual([...weights].sort((a, b) => 'swh'.indexOf(a[0]!) - 'swh'.indexOf(b[0]!)))
  })

  test('a calm plan has no notices and little to gain', () => {
    const plan = starterPlan('Trial')
    expect(of(plan).notices).toEqual([])
    expect(remediesFor(plan, referenceShelf())).toEqual([])
  })

  test('a layer that falls from too high breaks through, and the sentence says so', () => {
    const high = changed(
      ...[0, 1, 2].flatMap(i => [set(['score', i, 'dropMm'], 300), set(['score', i, 'overSpatula'], false)]),
    )
    const { risk } = of(high)
    expect(risk.state).toBe('trouble')
    expect(said(risk.sentence)).toMatch(/does not carry layer|too thick/)
  })

  test('batter blended too little is too thin, and blending on is advised', () => {
    const thin = changed(
      set(['conditions', 'stopLevel'], 0.9),
      set(['conditions', 'blenderStrength'], 0.3),
      set(['conditions', 'mixC'], 26),
    )
    const { risk } = of(thin)
    expect(said(risk.sentence)).toMatch(/Layer 1, Slate, is still too thin/)
    expect(said(remediesFor(thin, referenceShelf())[0]?.sentence)).toMatch(/Blend on to level 2/)
  })

  test('a scent that seizes is trouble whenever it goes in', () => {
    for (const moment of ['pot', 'with-colour', 'last']) {
      const plan = changed(
        set(['scent'], {
          parts: [{ scent: 'lily-of-nowhere', share: 1 }],
          load: 0.02,
          basis: 'oils',
          moment,
          how: 'hand',
          spread: 'cup',
          stabiliserRatio: 0,
          isPrivate: false,
        }),
      )
      expect(of(plan).risk.state).not.toBe('calm')
    }
  })

  test('only scented cups are said to be quickened', () => {
    const plan = changed(
      set(['scent'], {
        parts: [{ scent: 'attic-rosebox', share: 1 }],
        load: 0.03,
        basis: 'oils',
        moment: 'with-colour',
        how: 'hand',
        spread: 'cup',
        stabiliserRatio: 0,
        isPrivate: false,
      }),
      set(['conditions', 'mixC'], 38),
      set(['conditions', 'stopLevel'], 2),
    )
    expect(said(of(plan).risk.reason)).toMatch(/Attic Rosebox quickens it/)
    const plain = [0, 1, 2].reduce((now, i) => {
      const result = applyEdit(now, set(['cups', i, 'scented'], false))
      return result.ok ? result.plan : now
    }, plan)
    expect(said(of(plain).risk.reason)).not.toMatch(/quickens/)
  })

  test('a calmer scent is never advised above its limit', () => {
    const plan = changed(
      set(['scent'], {
        parts: [{ scent: 'attic-rosebox', share: 1 }],
        load: 0.09,
        basis: 'oils',
        moment: 'with-colour',
        how: 'hand',
        spread: 'cup',
        stabiliserRatio: 0,
        isPrivate: false,
      }),
      set(['conditions', 'mixC'], 38),
    )
    const calmer = remediesFor(plan, referenceShelf(), 20).find(remedy => remedy.id === 'calmer-scent')
    const result = calmer && applyEdit(plan, calmer.edit)
    expect(result?.ok && result.plan.scent!.load).toBe(0.04)
  })

  test('the same plan gives the same advice', () => {
    const plan = changed(set(['conditions', 'mixC'], 42), set(['conditions', 'stopLevel'], 2.4))
    expect(remediesFor(plan, referenceShelf())).toEqual(remediesFor(structuredClone(plan), referenceShelf()))
  })
})
