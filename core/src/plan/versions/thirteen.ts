import { each, loose } from './loose.ts'
import type { Loose } from './loose.ts'

/** Version 13. Frozen, as every step is. */

const BRIEF = { occasion: '', forWhom: '', wish: '', priceFrom: 0, priceTo: 0 }

export const mouldIn13 = (mould: unknown): Loose => ({ ...loose(mould), taperMm: 0 })
export const cuttingIn13 = (cutting: unknown): Loose => ({ ...loose(cutting), blade: 'wire' })
export const finishIn13 = (finish: unknown): Loose => {
  const { embeds, toppings, ...others } = loose(finish)
  return {
    ...others,
    embeds: each(embeds, embed => ({ ...embed, castDays: 0 })),
    toppings: each(toppings, topping => ({ ...topping, side: 'all', clearMm: 2, jitter: false })),
  }
}

export const recipeIn13 = (recipe: unknown): Loose => {
  const { oils, ...others } = loose(recipe)
  return {
    ...others,
    oils: each(oils, part => {
      const { infusion } = part
      return infusion === null || infusion === undefined
        ? part
        : { ...part, infusion: { ...loose(infusion), way: 'warm', twice: false } }
    }),
    rinseG: 0,
  }
}

const scentIn13 = (scent: unknown): unknown =>
  scent === null || scent === undefined ? scent : { ...loose(scent), isPrivate: false }

const restIn13 = (rest: unknown): Loose => {
  const { mist, ...others } = loose(rest)
  return { ...others, mists: mist === true ? 2 : 0, forced: '' }
}

/**
 * Version 13: what it is made for, water that rinses the lye jug, how plants are steeped, private blends, embeds that are cast before,
 * how often it is misted, blades, toppings in halves and clear of the blade, moulds that narrow.
 */
export const toVersion13 = (document: Loose): Loose => ({
  ...document,
  version: 13,
  brief: BRIEF,
  recipe: recipeIn13(document['recipe']),
  mould: mouldIn13(document['mould']),
  moreMoulds: each(document['moreMoulds'], mouldIn13),
  scent: scentIn13(document['scent']),
  cups: each(document['cups'], cup => ({ ...cup, ownScent: scentIn13(cup['ownScent']) })),
  finish: finishIn13(document['finish']),
  cutting: cuttingIn13(document['cutting']),
  rest: restIn13(document['rest']),
  preparation: { ...loose(document['preparation']), linerWay: 'strips', linerLayers: 1 },
})
