import type { PouredInputs } from './rest-inputs.ts'
import { hasSwirls } from '../../look/swirl/index.ts'
import { layerHeights } from '../../plan/index.ts'
import type { Mould, Plan, RestStep } from '../../plan/index.ts'
import { unitBatter } from '../../recipe/index.ts'
import { convertedInMould } from '../../batter/standing/index.ts'
import type { PouredAs } from '../../batter/schedule/index.ts'
import type { BlockInput } from './block-input.ts'
import { inCavity } from './cavity.ts'
import { LOSSES } from './constants.ts'
import { restPaces } from './rest-paces.ts'
import { batterWater, compositionOf, materialsOf, mixed } from './cup-materials.ts'
import { firmEnough, lnHardeners } from './hardeners.ts'
import type { RestRunInput } from './history.ts'
import type { Material } from './material.ts'
import { MOULD_WALLS } from './walls.ts'
import type { LinerKind } from './walls.ts'
import { usualWall } from './usual-wall.ts'
import { facesOf } from './setup.ts'
import type { MouldHeat } from './setup.ts'
import type { About } from './run.ts'
import type { Phase } from './surroundings.ts'

const LINING: Readonly<Record<Mould['lining'], LinerKind>> = {
  none: 'none',
  paper: 'paper',
  parchment: 'paper',
  carton: 'paper',
  film: 'film',
  silicone: 'silicone',
}
const TRAY_EXPOSURE = 0.55

const isStanding = (mould: Mould): boolean => mould.form === 'cylinder'

export function mouldHeat(plan: Plan): MouldHeat {
  const { mould, rest } = plan
  const kind = rest.wall === 'auto' ? usualWall(mould) : rest.wall
  const exposure = mould.cavities > 1 ? TRAY_EXPOSURE : 1
  const isRound = isStanding(mould)
  const [a, b] = [mould.innerWidthMm, mould.innerLengthMm].sort((x, y) => x - y) as [number, number]
  return {
    widthM: a / 1000,
    heightM: mould.fillMm / 1000,
    lengthM: isRound ? null : b / 1000,
    isRound,
    wall: { kind, mm: rest.wallMm ?? MOULD_WALLS[kind].mm },
    liner: LINING[mould.lining],
    exposure: exposure * besideShare(rest.beside),
    endExposure: exposure,
  }
}

/** What a neighbour takes of the sides' air at some distance; touching it is twice that (E). */
const NEIGHBOUR = { far: 0.225, reachMm: 50 } as const

/** Share of the sides' losses that moulds beside leave. */
const besideShare = ({ count, gapMm }: Plan['rest']['beside']): number =>
  1 - count * NEIGHBOUR.far * (1 + Math.exp(-gapMm / NEIGHBOUR.reachMm))

/** There the mould stands on a grid. */
const ON_GRID = ['refrigerator', 'freezer', 'oven']

const phaseOf = (step: RestStep): Phase => ({
  fromS: step.atMin * 60,
  place: step.place,
  tempC: step.tempC,
  holdS: step.holdMin * 60,
})

/**
 * About how many cells: few for colours that follow every edit, coarse for answers while one edits and for many runs, finer for
 * the picture; and for all of a mould at once.
 */
export const GRIDS = { quick: 80, coarse: 160, fine: 1600, whole: 12_000 } as const
export type RestGrid = keyof typeof GRIDS
const LEAST_CELLS = 4

/** Cells across, up and along, about as long as wide. */
function cellsOf({ widthM, heightM, lengthM }: MouldHeat, grid: RestGrid, isDeep: boolean): [number, number, number] {
  const sizes = [widthM / 2, heightM, ...(isDeep ? [lengthM! / 2] : [])]
  const size = Math.pow(sizes.reduce((product, m) => product * m, 1) / GRIDS[grid], 1 / sizes.length)
  const [nx, ny, nz = 1] = sizes.map(m => Math.max(LEAST_CELLS, Math.round(m / size)))
  return [nx!, ny!, nz]
}

interface Row {
  pour: number
  /** Seconds after the last pour (so at most 0) when it is in. */
  atS: number
}

/** For each row of a layered design the pour that fills it. */
function rowsOf(plan: Plan, lanes: PouredInputs['lanes'], ny: number): Row[] {
  const heights = layerHeights(plan)
  const whole = heights.reduce((sum, mm) => sum + mm, 0)
  const tops = heights.map((_, i) => heights.slice(0, i + 1).reduce((sum, mm) => sum + mm, 0) / whole)
  const lastMin = Math.max(...lanes.pours.map(pour => pour.endMin))
  return Array.from({ length: ny }, (_, y) => {
    const found = tops.findIndex(top => (y + 0.5) / ny <= top + 1e-9)
    const pour = found < 0 ? tops.length - 1 : found
    return { pour, atS: (lanes.pours[pour]!.endMin - lastMin) * 60 }
  })
}

/** When which rows are in: one after the other, as they are poured. */
function fillsOf(rows: readonly Row[]): NonNullable<BlockInput['fills']> {
  const fills: { atS: number; rows: number }[] = []
  rows.forEach(({ atS }, y) => {
    const last = fills.at(-1)
    const at = Math.max(atS, last?.atS ?? -Infinity)
    if (last && at - last.atS < 1) last.rows = y + 1
    else fills.push({ atS: at, rows: y + 1 })
  })
  return fills
}

/** Pours so close together count as one where it is to go quickly, s. */
const SOON_S = 900
/** Most that warmth may change in a step, K, where it is to go quickly: the peak is 0.1 K lower for it. */
const QUICK_STEP_K = 2

/** How long a rest is looked at, h. */
export const REST_HOURS = 48

/** Layers one on the other, each there from its own pour on, as warm and as far on as it is poured. */
function layered(
  { plan, lanes }: PouredInputs,
  materials: Material[],
  [nx, ny, nz]: readonly [number, number, number],
  isQuick: boolean,
) {
  const rows = rowsOf(plan, lanes, ny)
  const plane = nx * nz
  const n = plane * ny
  const startC = new Float64Array(n)
  const startX = new Float64Array(n)
  const materialOf = new Uint8Array(n)
  rows.forEach(({ pour: at }, y) => {
    const pour = lanes.pours[at]!
    startC.fill(pour.tempC, y * plane, (y + 1) * plane)
    startX.fill(convertedInMould(pour.converted), y * plane, (y + 1) * plane)
    materialOf.fill(
      plan.cups.findIndex(cup => cup.id === plan.score[at]!.cup),
      y * plane,
      (y + 1) * plane,
    )
  })
  // Poured within minutes of each other it matters next to nothing that the lowest waited for the last.
  if (isQuick && rows[0]!.atS > -SOON_S) return { materials, materialOf, startC, startX }
  return { materials, materialOf, startC, startX, fills: fillsOf(rows) }
}

/** Colours through each other: one even material, poured at once. */
function even({ plan, lanes, portions }: PouredInputs, materials: Material[], n: number) {
  const whole = plan.score.reduce((sum, pour) => sum + pour.share, 0)
  const meanOf = (of: (pour: PouredAs) => number) =>
    lanes.pours.reduce((sum, pour, i) => sum + (plan.score[i]!.share / whole) * of(pour), 0)
  return {
    materials: [mixed(materials, portions)],
    materialOf: new Uint8Array(n),
    startC: new Float64Array(n).fill(meanOf(pour => pour.tempC)),
    startX: new Float64Array(n).fill(meanOf(pour => convertedInMould(pour.converted))),
  }
}

/**
 * A plan's rest as an input. Loaves and slabs are a section across their middle, columns a section from the axis; cavities, and
 * any box on the grid 'whole', a quarter in three dimensions.
 */
export function restRunInputOf(inputs: PouredInputs, grid: RestGrid, frameS = 0): RestRunInput {
  const { plan, shelf, portions } = inputs
  const mould = mouldHeat(plan)
  const isDeep = !mould.isRound && (grid === 'whole' || plan.mould.cavities > 1)
  const isQuick = grid === 'quick' || grid === 'coarse'
  const cells = cellsOf(mould, grid, isDeep)
  const [nx, ny, nz] = cells
  const cups = materialsOf(plan, portions, shelf, inputs.lanes)
  const poured = inCavity(inputs)
  const soap = hasSwirls(poured.plan) ? even(poured, cups, nx * ny * nz) : layered(poured, cups, cells, isQuick)
  const wraps = plan.rest.steps.map(step =>
    facesOf(mould, { ...step, under: ON_GRID.includes(step.place) ? 'rack' : plan.rest.under }),
  )
  const { rate, losses } = restPaces(plan, shelf.evidence)
  const whole = mould.isRound ? 2 * Math.PI : isDeep ? 4 : 2 * (mould.lengthM ?? 1)
  return {
    block: {
      nx,
      ny,
      nz,
      widthM: mould.widthM / 2,
      heightM: mould.heightM,
      depthM: isDeep ? mould.lengthM! / 2 : 1,
      isRound: mould.isRound,
      lengthM: mould.lengthM,
      stepK: isQuick ? QUICK_STEP_K : 1,
      ...soap,
      faces: wraps[0]!,
      wallC: plan.rest.preheatedC ?? plan.conditions.roomC,
      rate: Math.exp(rate.mean),
      losses: LOSSES * Math.exp(losses.mean),
    },
    phases: plan.rest.steps.map(phaseOf),
    wraps,
    roomC: plan.conditions.roomC,
    oven: plan.rest.oven,
    box: plan.rest.box,
    room: plan.rest.room.map(({ atMin, tempC }) => ({ fromS: 60 * atMin, tempC })),
    sd: { rate: rate.sd, losses: losses.sd },
    untilS: REST_HOURS * 3600,
    lengthInPlace: whole * plan.mould.cavities,
    frameS,
  }
}

/** What the verdict needs to know beside the section. */
export function aboutOf(inputs: PouredInputs): About {
  const { plan, shelf, portions } = inputs
  const unit = unitBatter(plan.recipe, shelf)
  const { short, long } = compositionOf(unit)
  const { innerLengthMm, innerWidthMm, fillMm } = plan.mould
  const whites = ['titanium-dioxide', 'zinc-oxide']
  return {
    soft: 1 - short - long,
    water: batterWater(plan, portions, shelf, inputs.lanes),
    lnHardeners: lnHardeners(unit),
    firmEnough: firmEnough(plan),
    isWhite: plan.cups.some(cup => cup.colorants.some(part => whites.includes(part.colorant))),
    smallestMm: Math.min(innerLengthMm, innerWidthMm, fillMm),
  }
}
