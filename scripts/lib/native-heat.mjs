// The heat kernel against the same arithmetic in C: a loaf's section for a day. Prints the ratio of their times; a process of its
// own, so that neither runs in the heat of anything else.
import { leastRatio, withNative } from './native.mjs'
import { ROOT } from './paths.mjs'

const part = name => import(`${ROOT}/core/dist/mould/rest/${name}.js`)
const [
  { Block },
  constants,
  fields,
  gel,
  { facesOf, plainBlock },
  { materialOf },
  tables,
  { FACING, FILM_OPEN },
  { SEED },
] = await Promise.all(
  [
    ...[
      'block',
      'constants',
      '../../kernel/heat-fields',
      '../../kernel/heat-constants',
      'setup',
      'material',
      'tables',
      'walls',
    ],
    '../../batter/standing/index',
  ].map(part),
)

const DAY_S = 24 * 3600
const PIECE_S = 300
const ROOM_C = 21
const POUR = { tempC: 38, converted: 0.06, roomC: ROOM_C }
const AROUND = { airC: ROOM_C, roomC: ROOM_C, forced: 0, matC: null }

function sectionOfLoaf() {
  const blend = { sapKohMgPerG: 211.85, short: 0.2425, long: 0.2235, poly: 0.0775, ricinoleic: 0.044 }
  const material = materialOf({
    ...blend,
    ...{ superfatShare: 0.05, lyeConcentration: 0.32, scent: 0.03, sugar: 0, solids: 0, acceleration: 1 },
  })
  const mould = {
    ...{ widthM: 0.08, heightM: 0.07, lengthM: 0.24, isRound: false, exposure: 1 },
    ...{ wall: { kind: 'wood', mm: 12 }, liner: 'silicone' },
  }
  const wrap = { cover: 'lid', towels: { top: 4, sides: 4, below: 4 }, under: 'wood' }
  return { ...plainBlock(mould, wrap, material, POUR, [48, 64]), faces: facesOf(mould, wrap) }
}

function tableOf({ quickness, gelC }) {
  const table = new Float64Array(4 * fields.NODES)
  tables.writeMaterialTable(table, 0, quickness, gelC)
  return table
}

/** What the program in C reads, in its order. */
function numbersOf({ nx, ny, widthM, heightM, lengthM, materials, faces }) {
  const [m] = materials
  const face = one => [FACING[one.facing], one.r1, one.capacity, one.r2, one.outer, one.under, one.lengthM]
  return [
    ...[nx, ny, widthM, heightM, lengthM, POUR.tempC, POUR.converted, DAY_S, PIECE_S, ROOM_C, constants.LOSSES],
    ...[FILM_OPEN.emissivity, FILM_OPEN.boltzmann, constants.ZERO_C, FILM_OPEN.h],
    ...[1 - m.superfatShare, m.density * m.heat, m.density * m.gelHeat, m.density * m.cp50, m.conductivity, m.gelC],
    ...[fields.COLDEST_C, gel.K_SOAP, gel.K_GEL, SEED, gel.GEL_QUICKENS],
    ...[constants.GEL_TAU_S, constants.CP_SLOPE, gel.GEL_NEEDS],
    ...[faces.side, faces.top, faces.bottom].flatMap(face),
    ...[fields.STEPS_PER_K, gel.GEL_HYSTERESIS_K * fields.STEPS_PER_K, fields.NODES, fields.SOAP_STEPS],
    ...tableOf(m),
    ...tables.SOAP,
    ...tables.BROWNING,
  ]
}

/** Seconds and the same sums as in C. */
function here(input) {
  const from = performance.now()
  const block = new Block(input)
  while (block.timeS < DAY_S - 1e-6) block.run(Math.min(DAY_S, block.timeS + PIECE_S), AROUND)
  const seconds = (performance.now() - from) / 1000
  let sum = 0
  for (let i = 0; i < block.n; i += 1) sum += block.T[i] + block.hottest[i] + block.margin[i] + block.dose[i]
  return [seconds, sum / block.n, block.made]
}

/**
 * Seconds that this project takes over those that C at -O3 takes.
 *
 * @returns null without a compiler
 */
function heatAgainstC() {
  const input = sectionOfLoaf()
  const numbers = numbersOf(input)
  return withNative('heat', ask =>
    leastRatio(
      () => here(input),
      () => ask(numbers),
    ),
  )
}

console.log(JSON.stringify(heatAgainstC()))
