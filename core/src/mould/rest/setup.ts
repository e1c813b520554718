import type { UnderKind, WallKind } from '../../plan/index.ts'
import type { Faces } from './block-input.ts'
import type { BlockInput } from './block-input.ts'
import type { Material } from './material.ts'
import { faceOf, topFace } from './walls.ts'
import type { Towels } from '../../plan/index.ts'
import type { LinerKind } from './walls.ts'

/** A mould as the heat model sees it. Inner sizes in m. */
export interface MouldHeat {
  widthM: number
  heightM: number
  /** Along the mould; null for a round one that stands. */
  lengthM: number | null
  isRound: boolean
  wall: { kind: WallKind; mm: number }
  liner: LinerKind
  /** Share of the sides that air reaches: less where cavities stand side by side, or another mould stands beside. */
  exposure: number
  /** The same of the ends; as the sides' unless given. */
  endExposure?: number
}

/** What a mould is wrapped in. */
export interface Wrap {
  cover: 'open' | 'film' | 'lid'
  towels: Towels
  under: UnderKind
}

export function facesOf(mould: MouldHeat, wrap: Wrap): Faces {
  const { widthM, heightM, wall, liner, exposure, isRound } = mould
  const side = faceOf({
    facing: 'side',
    sideM: heightM,
    lengthM: heightM,
    wall,
    liner,
    towels: wrap.towels.sides,
    exposure,
    ...(isRound && { radiusM: widthM / 2 }),
  })
  const bottom = faceOf({
    facing: 'bottom',
    sideM: 0,
    lengthM: widthM,
    wall,
    liner,
    towels: wrap.towels.below,
    under: wrap.under,
  })
  const end = faceOf({
    facing: 'side',
    sideM: widthM,
    lengthM: Math.sqrt(widthM * heightM),
    wall,
    liner,
    towels: wrap.towels.sides,
    exposure: mould.endExposure ?? exposure,
  })
  return { side, bottom, top: topFace(widthM, wrap.cover, wrap.towels.top), end }
}

/** Soap of one material that is poured all at once. */
export function plainBlock(
  mould: MouldHeat,
  wrap: Wrap,
  material: Material,
  pour: { tempC: number; converted: number; roomC: number },
  [nx, ny, nz = 1]: readonly [nx: number, ny: number, nz?: number],
): BlockInput {
  return {
    nx,
    ny,
    nz,
    widthM: mould.widthM / 2,
    heightM: mould.heightM,
    isRound: mould.isRound,
    lengthM: mould.lengthM,
    depthM: nz > 1 ? mould.lengthM! / 2 : 1,
    materials: [material],
    materialOf: new Uint8Array(nx * ny * nz),
    startC: new Float64Array(nx * ny * nz).fill(pour.tempC),
    startX: new Float64Array(nx * ny * nz).fill(pour.converted),
    faces: facesOf(mould, wrap),
    wallC: pour.roomC,
  }
}
