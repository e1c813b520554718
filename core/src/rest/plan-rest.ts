import { hasSwirls } from '../swirl/index.ts'
import { layerHeights } from '../plan/index.ts'
import type { Mould, Plan, RestStep } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { scentLoad, unitBatter } from '../recipe/index.ts'
import type { UnitBatter } from '../recipe/index.ts'
import { ratesOf, recipeKey } from '../learning/index.ts'
import type { Lanes } from '../schedule/index.ts'
import { fattyGroups } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { materialOf } from './material.ts'
import type { Material } from './material.ts'
import type { RestJob } from './history.ts'
import { MOULD_WALLS } from './walls.ts'
import type { LinerKind, WallKind } from './walls.ts'
import { facesOf } from './setup.ts'
import type { MouldHeat } from './setup.ts'
import type { Phase } from './surroundings.ts'

/** Conversion when a batter is poured, by its trace (E): emulsion, light, medium, heavy. */
const POURED = [0.03, 0.06, 0.1, 0.15] as const

export function convertedAt(level: number): number {
  const at = Math.min(3, Math.max(0, level - 1))
  const i = Math.min(2, Math.floor(at))
  return POURED[i]! + (at - i) * (POURED[i + 1]! - POURED[i]!)
}

/** A scent quickens the bulk less than it thickens. */
const accelerationOf = (lnRate: number): number => Math.exp(0.7 * Math.min(2, Math.max(-0.5, lnRate)))

function compositionOf({ oils }: UnitBatter) {
  const weigh = (of: (oil: UnitBatter['oils'][number]['oil']) => number) =>
    oils.reduce((sum, part) => sum + part.share * of(part.oil), 0)
  return {
    sapKohMgPerG: weigh(oil => oil.sapKohMgPerG),
    short: weigh(oil => fattyGroups(oil).shortSaturated),
    long: weigh(oil => fattyGroups(oil).longSaturated),
    poly: weigh(oil => fattyGroups(oil).polyunsaturated),
    ricinoleic: weigh(oil => fattyGroups(oil).ricinoleic),
  }
}

/** ln of how much each cup's scent quickens it; 0 without. */
function scentRates(plan: Plan, portions: Portions, shelf: Shelf, unit: UnitBatter): number[] {
  const rates = ratesOf(shelf)
  return plan.cups.map((cup, i) => {
    const planned = cup.ownScent ?? (cup.scented ? plan.scent : null)
    if (!planned) return 0
    const parts = scentLoad(planned, shelf, unit.batterG).parts.map(({ id, share }) => ({ scent: id, share }))
    return rates.scented(recipeKey(plan), parts, portions.cups[i]!.scentOfOils * 1000).mean
  })
}

/** What each cup brings to the mould. */
export function materialsOf(plan: Plan, portions: Portions, shelf: Shelf): Material[] {
  const unit = unitBatter(plan.recipe, shelf)
  const composition = compositionOf(unit)
  const lnRates = scentRates(plan, portions, shelf, unit)
  return plan.cups.map((_, i) =>
    materialOf({
      ...composition,
      superfatShare: Math.min(0.25, Math.max(0, unit.superfatShare)),
      lyeConcentration: Math.min(0.5, Math.max(0.2, unit.water.concentration)),
      scent: portions.cups[i]!.scentOfOils,
      sugar: unit.sugarShare,
      solids: 0,
      acceleration: accelerationOf(lnRates[i]!),
    }),
  )
}

const LINING: Readonly<Record<Mould['lining'], LinerKind>> = {
  none: 'none',
  paper: 'paper',
  film: 'film',
  silicone: 'silicone',
}
const TRAY_EXPOSURE = 0.55

/** Wall and thickness that a mould usually has: bare ones are silicone, lined ones wood, tubes plastic. */
export function usualWall(mould: Mould): WallKind {
  if (mould.form === 'cylinder') return 'pvc'
  return mould.lining === 'none' ? 'silicone' : 'wood'
}

const isStanding = (mould: Mould): boolean => mould.form === 'cylinder'

export function mouldHeat(plan: Plan): MouldHeat {
  const { mould, rest } = plan
  const kind = rest.wall === 'auto' ? usualWall(mould) : rest.wall
  const isRound = isStanding(mould)
  const [a, b] = [mould.innerWidthMm, mould.innerLengthMm].sort((x, y) => x - y) as [number, number]
  return {
    widthM: a / 1000,
    heightM: mould.fillMm / 1000,
    lengthM: isRound ? null : b / 1000,
    isRound,
    wall: { kind, mm: MOULD_WALLS[kind].mm },
    liner: LINING[mould.lining],
    exposure: mould.cavities > 1 ? TRAY_EXPOSURE : 1,
  }
}

const COLD = ['refrigerator', 'freezer']

const phaseOf = (step: RestStep): Phase => ({
  fromS: step.atMin * 60,
  place: step.place,
  tempC: step.tempC,
  holdS: step.holdMin * 60,
})

/** Cells of a section: coarse for answers while one edits, finer for the picture. */
export const GRIDS = { coarse: 160, fine: 1600 } as const
export type RestGrid = keyof typeof GRIDS

/** Cells across and up, about square, in all about as many as wished for. */
function cellsOf(mould: MouldHeat, grid: RestGrid): [nx: number, ny: number] {
  const ratio = mould.heightM / (mould.widthM / 2)
  const nx = Math.max(5, Math.round(Math.sqrt(GRIDS[grid] / ratio)))
  return [nx, Math.max(5, Math.round(GRIDS[grid] / nx))]
}

/** One material for all of it, weighed by what the cups hold: for designs whose colours lie through each other. */
function mixed(materials: readonly Material[], portions: Portions): Material {
  const whole = portions.cups.reduce((sum, cup) => sum + cup.totalG, 0)
  const mean = (key: keyof Material) =>
    materials.reduce((sum, one, i) => sum + (portions.cups[i]!.totalG / whole) * one[key], 0)
  const keys = Object.keys(materials[0]!) as (keyof Material)[]
  return Object.fromEntries(keys.map(key => [key, mean(key)])) as unknown as Material
}

/** For each pour of a layered design the rows that it fills; everything in one for others. */
function rowsOf(plan: Plan, ny: number): number[] {
  const heights = layerHeights(plan)
  const whole = heights.reduce((sum, mm) => sum + mm, 0)
  const tops = heights.map((_, i) => heights.slice(0, i + 1).reduce((sum, mm) => sum + mm, 0) / whole)
  return Array.from({ length: ny }, (_, y) => {
    const at = (y + 0.5) / ny
    return Math.max(
      0,
      tops.findIndex(top => at <= top + 1e-9),
    )
  })
}

export interface RestInputs {
  plan: Plan
  shelf: Shelf
  portions: Portions
  lanes: Lanes
}

/** How long a rest is looked at, h. */
export const REST_HOURS = 48

/**
 * A plan's rest as a job: a section across the middle of the mould, its layers as warm and as far on as they are poured, all
 * there from the last pour on. Swirled designs are taken as one even material.
 */
export function restJobOf({ plan, shelf, portions, lanes }: RestInputs, grid: RestGrid, frameS = 0): RestJob {
  const mould = mouldHeat(plan)
  const [nx, ny] = cellsOf(mould, grid)
  const cups = materialsOf(plan, portions, shelf)
  const isLayered = !hasSwirls(plan)
  const rows = rowsOf(plan, ny)
  const startC = new Float64Array(nx * ny)
  const startX = new Float64Array(nx * ny)
  const materialAt = new Uint8Array(nx * ny)
  const whole = plan.score.reduce((sum, pour) => sum + pour.share, 0)
  const meanOf = (of: (pour: Lanes['pours'][number]) => number) =>
    lanes.pours.reduce((sum, pour, i) => sum + (plan.score[i]!.share / whole) * of(pour), 0)
  const levelAt = (pour: Lanes['pours'][number]) => (pour.startLevel + pour.endLevel) / 2
  const evenC = meanOf(pour => pour.tempC)
  const evenX = meanOf(pour => convertedAt(levelAt(pour)))
  for (let i = 0; i < nx * ny; i += 1) {
    const row = rows[Math.floor(i / nx)]!
    const pour = lanes.pours[row]!
    startC[i] = isLayered ? pour.tempC : evenC
    startX[i] = isLayered ? convertedAt(levelAt(pour)) : evenX
    materialAt[i] = isLayered ? plan.cups.findIndex(cup => cup.id === plan.score[row]!.cup) : 0
  }
  const wraps = plan.rest.steps.map(step =>
    facesOf(mould, { ...step, under: COLD.includes(step.place) ? 'rack' : plan.rest.under }),
  )
  const perMould = mould.isRound ? 2 * Math.PI : 2 * (mould.lengthM ?? 1)
  return {
    block: {
      ...{
        nx,
        ny,
        nz: 1,
        depthM: 1,
        widthM: mould.widthM / 2,
        heightM: mould.heightM,
        isRound: mould.isRound,
        lengthM: mould.lengthM,
      },
      materials: isLayered ? cups : [mixed(cups, portions)],
      materialOf: materialAt,
      ...{ startC, startX, faces: wraps[0]!, wallC: plan.conditions.roomC },
    },
    phases: plan.rest.steps.map(phaseOf),
    wraps,
    roomC: plan.conditions.roomC,
    untilS: REST_HOURS * 3600,
    lengthInPlace: perMould * plan.mould.cavities,
    frameS,
  }
}

/** What the verdict needs to know beside the section. */
export function aboutOf({ plan, shelf }: RestInputs, materials: readonly Material[]) {
  const unit = unitBatter(plan.recipe, shelf)
  const { short, long } = compositionOf(unit)
  const { innerLengthMm, innerWidthMm, fillMm } = plan.mould
  const whites = ['titanium-dioxide', 'zinc-oxide']
  return {
    roomC: plan.conditions.roomC,
    soft: 1 - short - long,
    acceleration: Math.max(...materials.map(one => one.quickness)),
    isWhite: plan.cups.some(cup => cup.colorants.some(part => whites.includes(part.colorant))),
    smallestMm: Math.min(innerLengthMm, innerWidthMm, fillMm),
  }
}
