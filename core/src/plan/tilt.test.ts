import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { forecast } from '../forecast/index.ts'
import { said } from '../quantities/words/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { starterPlan } from './starter.ts'
import { tiltedMl, tiltedPours } from './tilt.ts'

const { mould } = starterPlan('Tilted')
const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true })

describe('a tilted mould', () => {
  test('holds what lies below a level surface through its low rim, counted by grains of its section', () => {
    fc.assert(
      fc.property(mm(60, 120), mm(50, 90), mm(1, 60), (w, h, deg) => {
        const box = { ...mould, innerWidthMm: w, innerHeightMm: h, innerLengthMm: 100 }
        const slope = Math.tan((deg * Math.PI) / 180)
        const n = 300
        let grains = 0
        for (let i = 0; i < n; i += 1) {
          // So far from the low side the surface stands that much lower in the mould.
          const surface = h - ((w * (i + 0.5)) / n) * slope
          grains += Math.max(0, surface) * (w / n)
        }
        expect(tiltedMl(box, deg)).toBeCloseTo((grains * 100) / 1000, -1)
      }),
      { numRuns: 60 },
    )
  })

  test('that would run over is told with how far it may be tilted; held to that it is not', () => {
    const shelf = referenceShelf()
    const plan = starterPlan('Tilted')
    const tilt = (deg: number) => ({
      ...plan,
      score: plan.score.map((pour, i) => (i === 2 ? { ...pour, shape: { ...pour.shape, tiltDeg: deg } } : pour)),
    })
    const told = (deg: number) => {
      const made = forecast(tilt(deg), shelf)
      if (!made.ok) throw new Error('not forecast')
      return said(made.forecast.notices.map(one => one.sentence)) as string[]
    }
    const most = tiltedPours(tilt(30))[0]!.mostDeg
    expect(told(Math.ceil(most) + 2).join()).toMatch(/Pour 3 runs over the low rim/)
    expect(told(Math.max(1, Math.floor(most) - 1)).join()).not.toMatch(/low rim/)
  })
})
