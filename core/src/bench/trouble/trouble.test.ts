import { describe, expect, test } from 'vitest'
import { HOW } from '../event.ts'
import { TROUBLES, TROUBLE_GROUPS, openWays } from './index.ts'
import type { Pinch } from './index.ts'

const UNKNOWN: Pinch = {
  ...{ level: null, tempC: null, overClearC: null, isDivided: false, isPoured: false },
  ...{ isScentLeft: null, hasPlanB: false, isHeld: null, isWhipped: false },
}

describe('ways out', () => {
  test('every trouble that can be noted has its key, what it costs, and when to stop', () => {
    const kinds = TROUBLE_GROUPS.flatMap(group => group.kinds)
    expect([...kinds].sort()).toEqual(Object.keys(HOW.wrong).sort())
    for (const kind of kinds) {
      const { ways, stop } = TROUBLES[kind]
      expect(stop, kind).not.toBe('')
      if (kind !== 'other') expect(ways.length, kind).toBeGreaterThan(0)
    }
  })

  test('as long as nothing is known all are open that do not need a plan B, and say what to look at', () => {
    const ways = openWays(TROUBLES['too-thick'].ways, UNKNOWN)
    expect(ways.map(way => way.what)).toHaveLength(
      TROUBLES['too-thick'].ways.filter(way => way.batter !== 'whipped').length,
    )
    expect(ways[0]!.ask).toEqual(['thinner than thick pudding'])
    expect(ways.at(-1)!.notNow).toEqual(['a plan B was chosen'])
  })

  test('whipped batter is warmed and chilled, never blended', () => {
    const whipped = { ...UNKNOWN, isWhipped: true }
    const wordsOf = (kind: 'too-thick' | 'too-thin', pinch: Pinch) =>
      openWays(TROUBLES[kind].ways, pinch).map(way => way.what)
    for (const [kind, own] of [
      ['too-thick', /Warm bowl/],
      ['too-thin', /into the cold/],
    ] as const) {
      expect(wordsOf(kind, whipped).join(' '), kind).toMatch(own)
      expect(wordsOf(kind, whipped).join(' '), kind).not.toMatch(/blender|[Bb]ursts/)
      expect(wordsOf(kind, UNKNOWN).join(' '), kind).not.toMatch(own)
    }
  })

  test('what is not open any more stands last, with the reason', () => {
    const thin = openWays(TROUBLES.ricing.ways, { ...UNKNOWN, level: 2, overClearC: 12 })
    expect(thin[0]!.what).toMatch(/bursts/)
    const thick = openWays(TROUBLES.ricing.ways, { ...UNKNOWN, level: 3.6, overClearC: 12 })
    expect(thick[0]!.what).not.toMatch(/bursts/)
    expect(thick.slice(-2).map(way => way.notNow[0])).toEqual([
      'thinner than pudding',
      'colder than 5 °C above its clear point',
    ])
  })

  test('in the mould nothing is blended: it is poured back or left', () => {
    const ways = openWays(TROUBLES.split.ways, { ...UNKNOWN, isDivided: true, isPoured: true })
    expect(ways.filter(way => way.notNow.length === 0).map(way => way.what)).toEqual([
      expect.stringMatching(/Cold fat/),
      expect.stringMatching(/In the mould/),
    ])
  })
})
