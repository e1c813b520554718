import { fact, together } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import type { UnderKind, WallKind } from '../../plan/index.ts'
import { LOSSES, ZERO_C } from './constants.ts'

/** Mould walls: usual thickness in mm, conductivity W/(m·K), density kg/m³, heat capacity J/(kg·K). Handbook values. */
export const MOULD_WALLS: Readonly<Record<WallKind, { mm: number; k: number; density: number; cp: number }>> = {
  silicone: { mm: 2, k: 0.25, density: 1150, cp: 1250 },
  wood: { mm: 12, k: 0.12, density: 500, cp: 1600 },
  hdpe: { mm: 9, k: 0.45, density: 950, cp: 1900 },
  cardboard: { mm: 4, k: 0.065, density: 150, cp: 1400 },
  pvc: { mm: 4, k: 0.17, density: 1380, cp: 950 },
  acrylic: { mm: 5, k: 0.19, density: 1180, cp: 1450 },
  film: { mm: 0.5, k: 0.2, density: 900, cp: 1900 },
}

/** Resistance of what it stands on, m²K/W. */
export const UNDERS: Readonly<Record<UnderKind, number>> = { wood: 0.17, stone: 0.05, towel: 0.27, rack: 0 }

/** Resistance in m²K/W and capacity in J/(m²K) of what lies on a wall. Handbook values and engineering estimates. */
const LINERS = {
  none: { r: 0, c: 0 },
  paper: { r: 0.006, c: 0 },
  film: { r: 0.0025, c: 855 },
  silicone: { r: 0.022, c: 4312 },
} as const
export type LinerKind = keyof typeof LINERS
const TOWEL = { r: 0.1, c: 630, m: 0.005 }
/** Air trapped once under towels: at the sides, on top, below. */
const TRAPPED = { side: 0.05, top: 0.03, bottom: 0 } as const
const LID = { gapR: 0.12, wall: 'cardboard' } as const
export const FILM_OPEN = { h: 8.5, emissivity: 0.9, boltzmann: 5.67e-8 }
export const FACING = { side: 1.42, top: 1.32, bottom: 0.59 } as const
export type Facing = keyof typeof FACING

/** One side of the mould, per m² of inner surface. */
export interface Face {
  facing: Facing
  /** From the soap's surface to the middle of the wall, m²K/W. */
  r1: number
  /** Capacity of wall, liner and half the insulation, J/(m²K). */
  capacity: number
  /** From the middle of the wall to the outer surface. */
  r2: number
  /** Outer area against inner, neighbours taken off. */
  outer: number
  /** What it stands on, in series with the air's film. */
  under: number
  /** Length that the air passes along, m. */
  lengthM: number
  /** Whether soap meets air, so that water evaporates. */
  isOpen: boolean
}

export interface FaceInput {
  facing: Facing
  /** Length of the inner side across which the perimeter grows, m; 0: it does not. */
  sideM: number
  lengthM: number
  wall: { kind: WallKind; mm: number }
  liner: LinerKind
  towels: number
  /** Share of the side that air reaches: less between cavities. */
  exposure?: number
  under?: UnderKind | null
  /** Growth of the perimeter of a round mould of this radius, m, instead of the side's. */
  radiusM?: number
}

function growth({ facing, sideM, radiusM }: FaceInput): (x: number) => number {
  if (facing !== 'side') return () => 1
  return radiusM !== undefined ? x => (radiusM + x) / radiusM : x => 1 + (2 * x) / sideM
}

/** A walled side with its liner and towels. */
export function faceOf(input: FaceInput): Face {
  const { facing, wall, towels } = input
  const data = MOULD_WALLS[wall.kind]
  const t = wall.mm / 1000
  const ar = growth(input)
  const liner = LINERS[input.liner]
  const rIns = towels > 0 ? towels * TOWEL.r + TRAPPED[facing] : 0
  const tIns = towels * TOWEL.m
  return {
    facing,
    r1: liner.r + t / 2 / data.k / ar(t / 4),
    capacity: data.density * data.cp * t * ar(t / 2) + liner.c + ((towels * TOWEL.c) / 2) * ar(t + tIns / 2),
    r2: t / 2 / data.k / ar((3 * t) / 4) + rIns / ar(t + tIns / 2),
    outer: ar(t + tIns) * (input.exposure ?? 1),
    under: input.under ? UNDERS[input.under] : 0,
    lengthM: input.lengthM,
    isOpen: false,
  }
}

/** The soap's top under film, under a lid over air, or open to the air. */
export function topFace(lengthM: number, cover: 'open' | 'film' | 'lid', towels: number): Face {
  if (cover === 'open' && towels === 0)
    return { facing: 'top', r1: 0, capacity: 0, r2: 0, outer: 1, under: 0, lengthM, isOpen: true }
  const kind: WallKind = cover === 'lid' ? LID.wall : 'film'
  const face = faceOf({
    facing: 'top',
    sideM: 0,
    lengthM,
    liner: 'none',
    towels,
    wall: { kind, mm: MOULD_WALLS[kind].mm },
  })
  return cover === 'lid' ? { ...face, r1: face.r1 + LID.gapR } : face
}

/** Heat that air and radiation take from an outer surface, W/(m²K). */
export function outerFilm(facing: Facing, surfaceC: number, airC: number, lengthM: number, forced: number): number {
  const free = FACING[facing] * Math.pow(Math.max(0.3, Math.abs(surfaceC - airC)) / lengthM, 0.25)
  const mean = (surfaceC + airC) / 2 + ZERO_C
  return Math.max(free, forced) + FILM_OPEN.emissivity * 4 * FILM_OPEN.boltzmann * mean * mean * mean
}

const saturation = (c: number): number => (610.94 * Math.exp((17.625 * c) / (c + 243.04))) / (461.5 * (c + ZERO_C))

/** Extra conductance of an open top by evaporation through its skin, W/(m²K) (E, to a factor of 2). */
export function evaporation(surfaceC: number, roomC: number): number {
  if (surfaceC <= roomC + 1) return 0
  const flow = (4 / (1200 * 0.9)) * 2.36e6 * (0.75 * saturation(surfaceC) - 0.5 * saturation(roomC))
  return (0.05 * Math.max(0, flow)) / (surfaceC - roomC)
}

/** Conductance from the wall's middle to the surroundings, W/(m²K) of inner surface. */
export const outwards = (face: Face, h: number, losses = LOSSES): number =>
  losses / (face.r2 + face.under / face.outer + 1 / (h * face.outer))

export const END_FILM = FILM_OPEN.h

/** How a mould is wrapped, in words; empty: not at all. */
export function showTowels({ top, sides, below }: { top: number; sides: number; below: number }): Words {
  if (top === 0 && sides === 0 && below === 0) return ''
  if (top === sides && sides === below) return fact('rest.all-round', { layers: top })
  if (top === sides && below === 0) return fact('rest.on-top-round-sides', { layers: top })
  const where = [
    { layers: top, place: fact('rest.on-top') },
    { layers: sides, place: fact('rest.round-sides') },
    { layers: below, place: fact('rest.below') },
  ].filter(({ layers }) => layers > 0)
  return together(
    where.map(({ layers, place }, i) => fact(i === 0 ? 'rest.layers-there' : 'rest.so-many-there', { layers, place })),
    ', ',
  )
}
