import { referenceShelf } from '../../../shelf/index.ts'
import type { Shelf } from '../../../shelf/index.ts'

/** Fatty-acid groups that the model's reference cases were worked out with: C6–C14, long saturated, oleic, ricinoleic, poly. */
const GROUPS: Readonly<Record<string, readonly [number, number, number, number, number]>> = {
  coconut: [0.8, 0.12, 0.06, 0, 0.02],
  palm: [0.01, 0.49, 0.39, 0, 0.1],
  lard: [0.02, 0.4, 0.46, 0, 0.11],
  tallow: [0.04, 0.48, 0.44, 0, 0.04],
  'cocoa-butter': [0, 0.6, 0.35, 0, 0.03],
  shea: [0, 0.46, 0.46, 0, 0.07],
  olive: [0, 0.14, 0.72, 0, 0.13],
  'olive-pomace': [0, 0.15, 0.7, 0, 0.14],
  'sunflower-high-oleic': [0, 0.07, 0.84, 0, 0.09],
  'almond-sweet': [0, 0.08, 0.67, 0, 0.25],
  castor: [0, 0.02, 0.04, 0.89, 0.05],
  beeswax: [0, 0.6, 0.4, 0, 0],
}

/** The starting shelf with the rounded groups of the reference cases, so that they test the model and not the oils. */
export const modelShelf = (): Shelf => ({
  ...referenceShelf(),
  oils: referenceShelf().oils.map(oil => {
    const [short, long, oleic, ricinoleic, poly] = GROUPS[oil.id] ?? []
    if (short === undefined) return oil
    const none = { lauric: 0, myristic: 0, stearic: 0, linolenic: 0 }
    return {
      ...oil,
      ...none,
      shortChain: short,
      palmitic: long!,
      oleic: oleic!,
      ricinoleic: ricinoleic!,
      linoleic: poly!,
    }
  }),
})
