import fc from 'fast-check'
import { expect, test } from 'vitest'
import { referenceShelf } from '../shelf/index.ts'
import { withBlend } from './oil-blend.ts'

const [olive, coconut] = ['olive', 'coconut'].map(id => referenceShelf().oils.find(oil => oil.id === id)!)
const part = (oil: string, share: number) => ({ oil, share, locked: false, late: false, infusion: null })
const blend = {
  ...olive!,
  ...{ id: 'house-blend', name: 'House blend' },
  blend: [
    { oil: 'olive', share: 0.6 },
    { oil: coconut!.id, share: 0.4 },
  ],
}

test('a blend comes in as its parts, on top of what is there, and the whole stays whole where others make up for it', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 1, noNaN: true }), share => {
      const made = withBlend([part('olive', 0.7), part('castor', 0.3)], blend, share, true)
      expect(made.reduce((sum, one) => sum + one.share, 0)).toBeCloseTo(1, 4)
      expect(made.find(one => one.oil === 'coconut')!.share).toBeCloseTo(0.4 * share, 5)
      expect(made.find(one => one.oil === 'olive')!.share).toBeCloseTo(0.7 * (1 - share) + 0.6 * share, 5)
    }),
  )
  expect(withBlend([part('castor', 0.3)], blend, 0.5, false)[0]!.share).toBe(0.3)
})
