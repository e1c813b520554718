import {
  celsius,
  chance,
  fact,
  grams,
  halfMinutes,
  millimetres,
  plain,
  share,
  together,
} from '../../quantities/facts/index.ts'
import type { Measure, Words } from '../../quantities/facts/index.ts'
import { PLACES } from '../../plan/index.ts'
import { cutForecast } from '../../mould/cure/index.ts'
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
} from '../../plan/index.ts'
import type { Plan } from '../../plan/index.ts'
import type { Forecast } from '../forecast.ts'
import { showTowels } from '../../mould/rest/index.ts'
import { findById } from '../../shelf/index.ts'
import type { Shelf } from '../../shelf/index.ts'

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
export interface Said {
  group: FactGroup
  what: Words
  value: Words | Measure
}

const weight = (g: number): Measure => grams(g, g < 10 ? 1 : 0)

function outcome(plan: Plan, { portions, sure }: Forecast): Said[] {
  // By the runs that the batch's own page goes by.
  const { lanes } = sure
  const line = (what: Words, value: Words | Measure): Said => ({ group: 'outcome', what, value })
  const tightest = lanes.pours.reduce((a, b) => (b.marginMin < a.marginMin ? b : a))
  const cup = plan.cups.find(one => one.id === tightest.cup)?.name ?? ''
  return [
    line(fact('Works'), chance(lanes.chance)),
    line(fact('compare.lye-last-pour'), halfMinutes(lanes.endMin)),
    line(
      fact('compare.least-time-spare'),
      tightest.marginMin < 0
        ? fact('compare.late', { cup, marginMin: halfMinutes(-tightest.marginMin) })
        : tightest.marginMin >= 59
          ? fact('compare.hour-or-more')
          : together([cup, halfMinutes(tightest.marginMin)], ', '),
    ),
    line(fact('compare.sound-split'), chance(lanes.split.chance)),
    line(fact('Batter'), weight(portions.potG)),
    // Never more than is weighed: rounded down, as everywhere.
    line(fact('compare.lye-naoh'), grams(Math.floor(10 * portions.lyeG + 1e-6) / 10, 1)),
  ]
}

function batter({ recipe, conditions, mould }: Plan, forecast: Forecast, shelf: Shelf): Said[] {
  const line = (what: Words, value: Words | Measure): Said => ({ group: 'batter', what, value })
  return [
    ...recipe.oils.map(part => line(findById(shelf.oils, part.oil)?.name ?? part.oil, share(part.share, 1))),
    line(fact('Superfat'), share(recipe.superfatShare, 1)),
    line(fact('compare.lye-concentration'), share(forecast.recipe.water.concentration, 1)),
    ...recipe.additives.map(part =>
      line(
        findById(shelf.additives, part.additive)?.name ?? part.additive,
        fact('compare.g-per-kg-oils', { gPerKgOils: plain(part.gPerKgOils, 1) }),
      ),
    ),
    line(fact('compare.oils-lye-meet-at'), celsius(conditions.mixC, 1)),
    line(fact('Room'), celsius(conditions.roomC, 1)),
    line(fact('compare.blending-stops-at'), fact('compare.level', { stopLevel: plain(conditions.stopLevel, 1) })),
    line(fact('Mould'), mould.name),
    line(fact('compare.filled-to'), millimetres(mould.fillMm, 1)),
  ]
}

const MOMENTS = {
  oils: 'into the oils, before the lye',
  pot: 'into the pot',
  'with-colour': 'with the colour',
  last: 'cup by cup, last',
  'never-stop': 'blended in and poured without a stop',
} as const

function scent({ scent: planned }: Plan, { recipe }: Forecast): Said[] {
  const line = (what: Words, value: Words | Measure): Said => ({ group: 'scent', what, value })
  if (!planned) return [line(fact('Scent'), fact('none'))]
  return [
    line(fact('Scent'), recipe.scent?.name ?? ''),
    line(fact('Dose'), fact('compare.of-the-oils', { loadOfOils: share(recipe.scent?.loadOfOils ?? 0, 2) })),
    line(fact('compare.goes-in'), fact(MOMENTS[planned.moment])),
  ]
}

function cups(plan: Plan, { portions }: Forecast): Said[] {
  return plan.cups.map((cup, i): Said => {
    const portion = portions.cups[i]!
    const colours = portion.colours.map(part => together([part.name, grams(part.powderG, 2)]))
    const scented = cup.ownScent || (cup.scented && plan.scent) ? 'scented' : fact('compare.no-scent')
    return { group: 'cups', what: cup.name, value: together([weight(portion.totalG), ...colours, scented], ', ') }
  })
}

function score(plan: Plan): Said[] {
  const heights = layerHeights(plan)
  const name = (id: string) => plan.cups.find(cup => cup.id === id)?.name ?? id
  const pours = plan.score.map((pour, i): Said => {
    const { way, texture, tiltDeg } = pour.shape
    const words = [
      fact('compare.cup-and-height', { name: name(pour.cup), heights: millimetres(heights[i]!, 1) }),
      way === 'layer' ? fact('compare.layer', { face: fact(LAYER_FACES[texture]) }) : fact(POUR_WAYS[way]),
      ...(tiltDeg === 0 ? [] : [fact('compare.tilted', { tiltDeg: plain(tiltDeg, 0) })]),
      fact('compare.from', {
        dropMm: millimetres(pour.dropMm, 0),
        which: pour.overSpatula ? fact('compare.over-spatula') : '',
      }),
      ...(pour.waitMin > 0 ? [fact('compare.after', { waitMin: halfMinutes(pour.waitMin) })] : []),
    ]
    return { group: 'score', what: fact('compare.pour', { i: i + 1 }), value: together(words, ', ') }
  })
  const tools = plan.moves
    .filter(move => !move.off)
    .map((move, i): Said => {
      const after = plan.score.findIndex(pour => pour.id === move.after) + 1
      return {
        group: 'score',
        what: fact('compare.tool', { i: i + 1 }),
        value: fact('compare.after-pour', { tool: fact(MOVE_TOOLS[move.tool]), count: move.count, after }),
      }
    })
  return [...pours, ...tools]
}

function hands({ hands: of, division }: Plan): Said[] {
  const line = (what: Words, value: Words | Measure): Said => ({ group: 'hands', what, value })
  return [
    line(
      fact('compare.batter-made'),
      division.mode === 'one-pot' ? fact('compare.one-pot') : fact('compare.for-each-cup-on'),
    ),
    line(fact('Blended'), fact(BLENDINGS[of.blend])),
    line(fact('Colour'), fact(CUP_ORDERS[of.order])),
    line(fact('compare.waiting-cups'), fact(WAITING[of.waiting])),
    line(fact('People'), String(of.people)),
    line(fact('compare.times-hands'), share(of.pace, 0)),
  ]
}

/** Where the mould stands, from when, in what. */
function rest(plan: Plan): Said[] {
  const line = (what: Words, value: Words | Measure): Said => ({ group: 'rest', what, value })
  const { bars } = cutForecast(plan)
  return [
    line(fact('compare.wished-for'), fact(GEL_WISHES[plan.rest.wish])),
    ...plan.rest.steps.map(({ atMin, place, cover, towels, tempC, holdMin }, i) => {
      const warm =
        place === 'oven' || place === 'mat'
          ? fact('compare.min', { tempC: celsius(tempC, 0), holdMin: plain(holdMin, 0) })
          : ''
      const wrap = showTowels(towels)
      return line(
        i === 0 ? fact('compare.from-pour') : fact('compare.from-2', { atMin: halfMinutes(atMin) }),
        fact('compare.stands', {
          place: fact(PLACES[place]),
          warm,
          cover: fact(COVERS[cover]),
          wrap: wrap === '' ? '' : together([', ', wrap], ''),
        }),
      )
    }),
    line(
      fact('Bars'),
      bars.count > 0 ? fact('compare.of-fresh', { count: bars.count, weight: weight(bars.massG) }) : fact('none'),
    ),
  ]
}

/** All that can be said of a plan. Some hundredths of a second. */
export const factsOf = (plan: Plan, forecast: Forecast, shelf: Shelf): Said[] => [
  ...outcome(plan, forecast),
  ...batter(plan, forecast, shelf),
  ...scent(plan, forecast),
  ...cups(plan, forecast),
  ...score(plan),
  ...hands(plan),
  ...rest(plan),
]
