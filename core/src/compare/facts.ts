import { PLACES } from '../plan/index.ts'
import { cutForecast } from '../cure/index.ts'
import {
  BLENDINGS,
  COVERS,
  CUP_ORDERS,
  GEL_WISHES,
  LAYER_FACES,
  MOVE_TOOLS,
  POUR_WAYS,
  WAITING,
  layerHeights,
} from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import type { Forecast } from '../forecast/forecast.ts'
import { showTowels } from '../rest/index.ts'
import { findById } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { showChance, showMinutes, showShare, tidy } from '../units/index.ts'

export const FACT_GROUPS = {
  outcome: 'What comes of it',
  batter: 'Batter',
  scent: 'Scent',
  cups: 'Cups',
  score: 'Score',
  hands: 'Hands',
  rest: 'Rest and cut',
} as const
export type FactGroup = keyof typeof FACT_GROUPS

/** One thing that can be said of a plan. Facts of two plans belong together by group and what. */
export interface Fact {
  group: FactGroup
  what: string
  value: string
}

const grams = (g: number): string => `${tidy(g, g < 10 ? 1 : 0)} g`

function outcome(plan: Plan, { lanes, portions }: Forecast): Fact[] {
  const fact = (what: string, value: string): Fact => ({ group: 'outcome', what, value })
  const tightest = lanes.pours.reduce((a, b) => (b.marginMin < a.marginMin ? b : a))
  const cup = plan.cups.find(one => one.id === tightest.cup)?.name ?? ''
  return [
    fact('Works', showChance(lanes.chance)),
    fact('Lye to last pour', showMinutes(lanes.endMin)),
    fact(
      'Least time to spare',
      tightest.marginMin < 0
        ? `${cup}, ${showMinutes(-tightest.marginMin)} late`
        : tightest.marginMin >= 59
          ? 'an hour or more'
          : `${cup}, ${showMinutes(tightest.marginMin)}`,
    ),
    fact('Sound split', showChance(lanes.split.chance)),
    fact('Batter', grams(portions.potG)),
    fact('Lye (NaOH)', grams(portions.lyeG)),
  ]
}

function batter({ recipe, conditions, mould }: Plan, forecast: Forecast, shelf: Shelf): Fact[] {
  const fact = (what: string, value: string): Fact => ({ group: 'batter', what, value })
  return [
    ...recipe.oils.map(part => fact(findById(shelf.oils, part.oil)?.name ?? part.oil, showShare(part.share))),
    fact('Superfat', showShare(recipe.superfatShare)),
    fact('Lye concentration', showShare(forecast.recipe.water.concentration)),
    ...recipe.additives.map(part =>
      fact(
        findById(shelf.additives, part.additive)?.name ?? part.additive,
        `${tidy(part.gPerKgOils, 1)} g per kg of oils`,
      ),
    ),
    fact('Oils and lye meet at', `${tidy(conditions.mixC, 1)} °C`),
    fact('Room', `${tidy(conditions.roomC, 1)} °C`),
    fact('Blending stops at', `level ${tidy(conditions.stopLevel, 1)}`),
    fact('Mould', mould.name),
    fact('Filled to', `${tidy(mould.fillMm, 1)} mm`),
  ]
}

const MOMENTS = {
  oils: 'into the oils, before the lye',
  pot: 'into the pot',
  'with-colour': 'with the colour',
  last: 'cup by cup, last',
  'never-stop': 'blended in and poured without a stop',
} as const

function scent({ scent: planned }: Plan, { recipe }: Forecast): Fact[] {
  const fact = (what: string, value: string): Fact => ({ group: 'scent', what, value })
  if (!planned) return [fact('Scent', 'none')]
  return [
    fact('Scent', recipe.scent?.name ?? ''),
    fact('Dose', `${showShare(recipe.scent?.loadOfOils ?? 0, 2)} of the oils`),
    fact('Goes in', MOMENTS[planned.moment]),
  ]
}

function cups(plan: Plan, { portions }: Forecast): Fact[] {
  return plan.cups.map((cup, i): Fact => {
    const portion = portions.cups[i]!
    const colours = portion.colours.map(part => `${part.name} ${tidy(part.powderG, 2)} g`)
    const scented = cup.ownScent || (cup.scented && plan.scent) ? 'scented' : 'no scent'
    return { group: 'cups', what: cup.name, value: [grams(portion.totalG), ...colours, scented].join(', ') }
  })
}

function score(plan: Plan): Fact[] {
  const heights = layerHeights(plan)
  const name = (id: string) => plan.cups.find(cup => cup.id === id)?.name ?? id
  const pours = plan.score.map((pour, i): Fact => {
    const { way, texture, tiltDeg } = pour.shape
    const words = [
      `${name(pour.cup)}, ${tidy(heights[i]!, 1)} mm`,
      way === 'layer' ? `${LAYER_FACES[texture]} layer` : POUR_WAYS[way],
      ...(tiltDeg === 0 ? [] : [`tilted ${tidy(tiltDeg, 0)}°`]),
      `from ${tidy(pour.dropMm, 0)} mm${pour.overSpatula ? ' over a spatula' : ''}`,
      ...(pour.waitMin > 0 ? [`after ${showMinutes(pour.waitMin)}`] : []),
    ]
    return { group: 'score', what: `Pour ${i + 1}`, value: words.join(', ') }
  })
  const tools = plan.moves
    .filter(move => !move.off)
    .map((move, i): Fact => {
      const after = plan.score.findIndex(pour => pour.id === move.after) + 1
      return {
        group: 'score',
        what: `Tool ${i + 1}`,
        value: `${MOVE_TOOLS[move.tool]}, ${move.count}, after pour ${after}`,
      }
    })
  return [...pours, ...tools]
}

function hands({ hands: of, division }: Plan): Fact[] {
  const fact = (what: string, value: string): Fact => ({ group: 'hands', what, value })
  return [
    fact('Batter is made', division.mode === 'one-pot' ? 'in one pot' : 'for each cup on its own'),
    fact('Blended', BLENDINGS[of.blend]),
    fact('Colour', CUP_ORDERS[of.order]),
    fact('Waiting cups', WAITING[of.waiting]),
    fact('People', String(of.people)),
    fact('Times of the hands', showShare(of.pace, 0)),
  ]
}

/** Where the mould stands, from when, in what. */
function rest(plan: Plan): Fact[] {
  const fact = (what: string, value: string): Fact => ({ group: 'rest', what, value })
  const { bars } = cutForecast(plan)
  return [
    fact('Wished for', GEL_WISHES[plan.rest.wish]),
    ...plan.rest.steps.map(({ atMin, place, cover, towels, tempC, holdMin }, i) => {
      const warm = place === 'oven' || place === 'mat' ? `, ${tidy(tempC, 0)} °C, ${tidy(holdMin, 0)} min` : ''
      const wrap = showTowels(towels)
      return fact(
        i === 0 ? 'From the pour' : `From ${showMinutes(atMin)}`,
        `${PLACES[place]}${warm}, ${COVERS[cover]}${wrap === '' ? '' : `, ${wrap}`}`,
      )
    }),
    fact('Bars', bars.count > 0 ? `${bars.count} of ${grams(bars.massG)}, fresh` : 'none'),
  ]
}

export const factsOf = (plan: Plan, forecast: Forecast, shelf: Shelf): Fact[] => [
  ...outcome(plan, forecast),
  ...batter(plan, forecast, shelf),
  ...scent(plan, forecast),
  ...cups(plan, forecast),
  ...score(plan),
  ...hands(plan),
  ...rest(plan),
]
