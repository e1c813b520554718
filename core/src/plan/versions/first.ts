import { loose } from './loose.ts'
import type { Loose } from './loose.ts'
import { COLOUR, DIVISION, FINISH, HEAT, PREPARATION, SHAPE } from './starts.ts'

/** From the first form of plans to the fifth. */

/** Version 2 brings water on any basis, liquids, additives, late and infused oils, blends, mould forms, heat and preparation. */
export function toVersion2(document: Loose): Loose {
  const recipe = loose(document['recipe'])
  const { lyeConcentrationShare, oils, ...restOfRecipe } = recipe
  const mould = loose(document['mould'])
  const { fillMm, ...restOfMould } = mould
  const scent = document['scent'] === null ? null : loose(document['scent'])
  return {
    ...document,
    version: 2,
    recipe: {
      name: '',
      origin: null,
      ...restOfRecipe,
      oils: Array.isArray(oils)
        ? oils.map(part => ({ ...loose(part), locked: false, late: false, infusion: null }))
        : oils,
      water: { basis: 'concentration', value: lyeConcentrationShare, fullShareOfOils: 0.38 },
      liquids: [],
      additives: [],
    },
    mould: { ...restOfMould, form: 'box', cavities: 1, lining: 'none', fillMm },
    scent: scent && {
      parts: [{ scent: scent['scent'], share: 1 }],
      load: scent['shareOfOils'],
      basis: 'oils',
      moment: scent['moment'],
    },
    heat: HEAT,
    division: { mode: 'one-pot', lye: 'divided', melt: 'common', top: null },
    preparation: PREPARATION,
  }
}

/** Version 3: several colorants and a scent of its own for each cup, reserves, more moulds, colour of the whole pot. */
export function toVersion3(document: Loose): Loose {
  const scent = document['scent'] === null ? null : loose(document['scent'])
  const { cups } = document
  const preparation = loose(document['preparation'])
  /** A line of the weigh list now names the colorant too. */
  const renamed = (key: unknown): unknown => {
    const [kind, id] = String(key).split(':')
    const cup = Array.isArray(cups) ? cups.map(loose).find(one => one['id'] === id) : undefined
    const colorant = loose(cup?.['colorant'])['colorant']
    return (kind === 'colour' || kind === 'medium') && typeof colorant === 'string' ? `${kind}:${id}:${colorant}` : key
  }
  const { done, weighed } = preparation
  return {
    ...document,
    version: 3,
    moreMoulds: [],
    scent: scent && { ...scent, spread: 'cup', stabiliserRatio: 0 },
    potColorants: [],
    cups: Array.isArray(cups)
      ? cups.map(one => {
          const { swatch, colorant, ...cup } = loose(one)
          const colorants = colorant ? [{ ...loose(colorant), basis: 'batter', slurry: null }] : []
          return { ...cup, wish: swatch, colorants, ownScent: null, vessel: '' }
        })
      : cups,
    ladders: [],
    reserves: [],
    division: { ...DIVISION, ...loose(document['division']) },
    colour: { ...COLOUR, gel: 0 },
    preparation: {
      ...preparation,
      done: Array.isArray(done) ? done.map(renamed) : done,
      weighed: Array.isArray(weighed)
        ? weighed.map(line => ({ ...loose(line), item: renamed(loose(line)['item']) }))
        : weighed,
    },
  }
}

/** Version 4: how each pour lies, moves of tools, how the loaf is cut. */
export function toVersion4(document: Loose): Loose {
  const { score } = document
  return {
    ...document,
    version: 4,
    score: Array.isArray(score) ? score.map(pour => ({ ...loose(pour), shape: SHAPE })) : score,
    moves: [],
    cutting: { barMm: 25, trimMm: 5, kerfMm: 0.5 },
  }
}

/** Version 5: windows of one's own, hands, what was seen of trace, pours at once, pours set aside, embeds, toppings, a mat on the floor, plan B, bars across and on their side. */
export function toVersion5(document: Loose): Loose {
  const { score } = document
  return {
    ...document,
    version: 5,
    score: Array.isArray(score) ? score.map(pour => ({ ...loose(pour), together: 'no', window: null })) : score,
    aside: [],
    finish: FINISH,
    planB: null,
    hands: { order: 'first', people: 1, pace: 1 },
    seen: [],
    cutting: { ...loose(document['cutting']), rows: 1, onSide: false },
  }
}
