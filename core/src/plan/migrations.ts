import { startingRest } from './rest-part.ts'
import {
  startingColour,
  startingDivision,
  startingFinish,
  startingHeat,
  startingPreparation,
  startingShape,
} from './starter.ts'

export type Migration = (document: Record<string, unknown>) => Record<string, unknown>

type Loose = Record<string, unknown>
const loose = (value: unknown): Loose => (typeof value === 'object' && value !== null ? (value as Loose) : {})

/** Version 2 brings water on any basis, liquids, additives, late and infused oils, blends, mould forms, heat and preparation. */
function toVersion2(document: Loose): Loose {
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
    heat: startingHeat(),
    division: { mode: 'one-pot', lye: 'divided', melt: 'common', top: null },
    preparation: startingPreparation(),
  }
}

/** Version 3: several colorants and a scent of its own for each cup, reserves, more moulds, colour of the whole pot. */
function toVersion3(document: Loose): Loose {
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
    division: { ...startingDivision(), ...loose(document['division']) },
    colour: { ...startingColour(), gel: 0 },
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
function toVersion4(document: Loose): Loose {
  const { score } = document
  return {
    ...document,
    version: 4,
    score: Array.isArray(score) ? score.map(pour => ({ ...loose(pour), shape: startingShape() })) : score,
    moves: [],
    cutting: { barMm: 25, trimMm: 5, kerfMm: 0.5 },
  }
}

/** Version 5: windows of one's own, hands, what was seen of trace, pours at once, pours set aside, embeds, toppings, a mat on the floor, plan B, bars across and on their side. */
function toVersion5(document: Loose): Loose {
  const { score } = document
  return {
    ...document,
    version: 5,
    score: Array.isArray(score) ? score.map(pour => ({ ...loose(pour), together: 'no', window: null })) : score,
    aside: [],
    finish: startingFinish(),
    planB: null,
    hands: { order: 'first', people: 1, pace: 1 },
    seen: [],
    cutting: { ...loose(document['cutting']), rows: 1, onSide: false },
  }
}

/**
 * Version 6: what waiting cups do, how long blending took, and the rest in the mould. Version 5 grew while it was in use:
 * windows, hands and what was seen came later than the rest of it.
 */
function toVersion6(document: Loose): Loose {
  const { score } = document
  return {
    ...document,
    version: 6,
    score: Array.isArray(score) ? score.map(pour => ({ window: null, ...loose(pour) })) : score,
    seen: document['seen'] ?? [],
    hands: { order: 'first', people: 1, pace: 1, ...loose(document['hands']), waiting: 'rest', blend: 'stick' },
    blendedS: null,
    rest: RESTED_IN_7,
  }
}

/** The rest as version 7 began it: later starts say it otherwise. */
const STEP_IN_7 = { atMin: 0, place: 'room', tempC: 50, holdMin: 0, cover: 'film', towels: 0, below: false }
const RESTED_IN_7 = {
  wish: 'any',
  wall: 'auto',
  under: 'wood',
  pouredAt: '',
  wantedOn: '',
  steps: [STEP_IN_7],
  mist: false,
  oven: null,
  cut: { waitH: 0, sideTrimMm: 0, topTrimMm: 0, sampleMm: 0 },
  readings: [],
  weighIns: [],
}

/**
 * Version 7: trials, and a written answer to free lye. Version 6 grew while it was in use, so what its earlier forms lack
 * is filled in here: the rest and its parts, how batter is blended, what waiting cups do.
 */
function toVersion7(document: Loose): Loose {
  const rest = loose(document['rest'])
  const { steps } = rest
  return {
    ...document,
    version: 7,
    isTrial: false,
    freeLye: null,
    hands: { waiting: 'rest', blend: 'stick', ...loose(document['hands']) },
    blendedS: document['blendedS'] ?? null,
    rest: {
      ...RESTED_IN_7,
      ...rest,
      cut: { ...RESTED_IN_7.cut, ...loose(rest['cut']) },
      steps: Array.isArray(steps)
        ? steps.map(step => {
            const whole = { ...STEP_IN_7, ...loose(step) }
            return { ...whole, towels: Math.round(Number(whole.towels)) }
          })
        : RESTED_IN_7.steps,
    },
  }
}

/**
 * Version 8: what ends the blending, stops and draws of single cups, batters that cups share, lye of their own, scent by bursts
 * or poured without a stop, cavities of their own, whipped batches; towels by side, walls by thickness, a room that changes,
 * neighbours, boxes by size, the rack; drips and named bars. What was planned before is forecast in the same way.
 */
function toVersion8(document: Loose): Loose {
  const rest = loose(document['rest'])
  const start = startingRest()
  const scented = (one: unknown) => (one === null ? null : { how: 'hand', ...loose(one) })
  const poured = (pour: unknown): Loose => ({
    cavities: [],
    ...loose(pour),
    shape: { depth: 'auto', ...loose(loose(pour)['shape']) },
  })
  const each = (list: unknown, change: (one: Loose) => Loose): unknown =>
    Array.isArray(list) ? list.map(one => change(loose(one))) : list
  const planB = document['planB']
  return {
    ...document,
    version: 8,
    whipped: null,
    scent: scented(document['scent']),
    cups: each(document['cups'], cup => ({
      ...{ stop: null, draw: null, batter: '', lyeShare: null },
      ...cup,
      ownScent: scented(cup['ownScent']),
    })),
    score: each(document['score'], poured),
    aside: each(document['aside'], one => ({ ...one, pour: poured(one['pour']) })),
    planB: planB === null ? null : { ...loose(planB), score: each(loose(planB)['score'], poured) },
    conditions: { stopWhen: 'level', blendS: 30, leastS: 0, ...loose(document['conditions']) },
    seen: each(document['seen'], one => ({ by: 'eye', ...one })),
    rest: {
      ...start,
      ...rest,
      steps: each(rest['steps'], ({ below, towels, ...step }) => ({
        ...step,
        towels: { top: towels, sides: towels, below: below === true ? towels : 0 },
      })),
      weighIns: each(rest['weighIns'], one => ({ bar: '', count: 1, doubt: 'ask', ...one })),
    },
  }
}

/** Version 9: a stabiliser in some cups only, and the powder that an enlarged cup already has in it. */
function toVersion9(document: Loose): Loose {
  const cups = document['cups']
  const division = loose(document['division'])
  const actual = division['actual']
  return {
    ...document,
    version: 9,
    cups: Array.isArray(cups) ? cups.map(cup => ({ stabiliserRatio: null, ...loose(cup) })) : cups,
    division: {
      ...division,
      actual: Array.isArray(actual) ? actual.map(one => ({ powders: [], ...loose(one) })) : actual,
    },
  }
}

/**
 * From an older version to the next, by the version it starts from: plain data in, plain data out, nothing thrown. The
 * current version has no entry.
 */
export const MIGRATIONS: Readonly<Record<number, Migration>> = {
  1: toVersion2,
  2: toVersion3,
  3: toVersion4,
  4: toVersion5,
  5: toVersion6,
  6: toVersion7,
  7: toVersion8,
  8: toVersion9,
}

/** Brings an older document to the current version, one version at a time. */
export function migrated(
  document: Record<string, unknown>,
  migrations: Readonly<Record<number, Migration>> = MIGRATIONS,
): Record<string, unknown> {
  let now = document
  for (let steps = 0; steps < 1000; steps += 1) {
    const migrate = typeof now['version'] === 'number' ? migrations[now['version']] : undefined
    if (!migrate) return now
    now = migrate(now)
  }
  return now
}
