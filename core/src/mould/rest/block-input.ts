import type { Face } from './walls.ts'
import type { Material } from './material.ts'

export interface Faces {
  side: Face
  top: Face
  bottom: Face
  /** Of the ends; for blocks with cells along their length. */
  end: Face
}

/** Soap as cells: a section of a long or round block, or a quarter of one that is cut off. Lengths in m. */
export interface BlockInput {
  /** Cells from the middle (or axis) outwards, upwards, and from the middle along the mould: 1 for a section. */
  nx: number
  ny: number
  nz: number
  /** Half width or radius; height of the soap; half its length where there is more than one cell along it. */
  widthM: number
  heightM: number
  depthM: number
  isRound: boolean
  /** Of sections: length along the mould, for what its ends lose; null: nothing. */
  lengthM: number | null
  /** Index of the material of each cell: x first, then z, then y from the floor. */
  materials: readonly Material[]
  materialOf: Uint8Array
  /** °C and conversion of each cell as it was poured. */
  startC: Float64Array
  startX: Float64Array
  /** From which second on so many rows are filled, in order; at first and for ever all of them without any. */
  fills?: readonly { atS: number; rows: number }[]
  faces: Faces
  /** °C of walls at the start. */
  wallC: number
  /** Factors that readings can move: rate, losses; and K on the gel temperature. */
  rate?: number
  losses?: number
  gelShiftK?: number
  /** Most that a cell's warmth may change in a step, K: 1 unless given; more is quicker and coarser. */
  stepK?: number
  /** A film of fixed strength, W/(m²K), and a heat capacity that rises otherwise with warmth: for cases with exact answers. */
  film?: number
  cpSlope?: number
}

/** What surrounds the mould at a moment, °C. */
export interface Around {
  airC: number
  /** Of the room, for evaporation. */
  roomC: number
  /** Forced air, W/(m²K). */
  forced: number
  /** A mat right below, °C, instead of table and air; null: none. */
  matC: number | null
}
