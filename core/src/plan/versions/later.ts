import { each, loose } from './loose.ts'
import type { Loose } from './loose.ts'
import { REST_IN_8 } from './starts.ts'

/** From the fifth form of plans on. */

/**
 * Version 6: what waiting cups do, how long blending took, and the rest in the mould. Version 5 grew while it was in use:
 * windows, hands and what was seen came later than the rest of it.
 */
export function toVersion6(document: Loose): Loose {
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
export function toVersion7(document: Loose): Loose {
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
export function toVersion8(document: Loose): Loose {
  const rest = loose(document['rest'])
  const scented = (one: unknown) => (one === null ? null : { how: 'hand', ...loose(one) })
  const poured = (pour: unknown): Loose => ({
    cavities: [],
    ...loose(pour),
    shape: { depth: 'auto', ...loose(loose(pour)['shape']) },
  })
  const planB = document['planB']
  return {
    ...document,
    version: 8,
    whipped: null,
    scent: scented(document['scent']),
    cups: each(document['cups'], cup => ({
      stop: null,
      draw: null,
      batter: '',
      lyeShare: null,
      ...cup,
      ownScent: scented(cup['ownScent']),
    })),
    score: each(document['score'], poured),
    aside: each(document['aside'], one => ({ ...one, pour: poured(one['pour']) })),
    planB: planB === null ? null : { ...loose(planB), score: each(loose(planB)['score'], poured) },
    conditions: { stopWhen: 'level', blendS: 30, leastS: 0, ...loose(document['conditions']) },
    seen: each(document['seen'], one => ({ by: 'eye', ...one })),
    rest: {
      ...REST_IN_8,
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
export function toVersion9(document: Loose): Loose {
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

/** Version 10: who makes it. */
export const toVersion10 = (document: Loose): Loose => ({ ...document, version: 10, madeBy: '' })

const without = (part: unknown, ...fields: readonly string[]): Loose =>
  Object.fromEntries(Object.entries(loose(part)).filter(([field]) => !fields.includes(field)))

/** Version 11: what was ticked, weighed and read belongs to a run, which is kept apart from the plan. */
export const toVersion11 = (document: Loose): Loose => ({
  ...document,
  version: 11,
  heat: without(document['heat'], 'readings'),
  preparation: without(document['preparation'], 'done', 'weighed'),
})

/** Version 12: how far it had gelled, as seen at the cut. */
export const toVersion12 = (document: Loose): Loose => ({
  ...document,
  version: 12,
  rest: { ...loose(document['rest']), gelSeen: '' },
})
