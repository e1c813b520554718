/** Where the lists of a block stand while it is stepped on. Cells lie x first, then z, then y from the floor. */
import { LISTS, MATERIAL_ROOM, WALLS, WALL_LISTS } from './heat-fields.ts'

/** Where the lists begin, and the tables that all blocks share. */
let start: i32 = 0
let soapTable: i32 = 0
let browningTable: i32 = 0
/** Cells over x and along, both together, and the room of each list. */
let nx: i32 = 0
let nz: i32 = 0
let plane: i32 = 0
let room: i32 = 0

/** Cells over x, along, and in a row of both. */
export function cellsAcross(): i32 {
  return nx
}

export function cellsAlong(): i32 {
  return nz
}

export function cellsInRow(): i32 {
  return plane
}

/** Where the share that can gel stands, by conversion, and how fast things brown, by warmth. */
export function soapAt(): i32 {
  return soapTable
}

export function browningAt(): i32 {
  return browningTable
}

/** Where a list begins; one of a wall's; a material's numbers. */
export function list(field: i32): i32 {
  return start + field * room
}

export function ofWall(wall: i32, what: i32): i32 {
  return list(WALLS + wall * WALL_LISTS + what)
}

export function material(m: i32): i32 {
  return start + LISTS * room + m * MATERIAL_ROOM
}

/** Says where those tables stand. */
export function useTables(soap: i32, browns: i32): void {
  soapTable = soap
  browningTable = browns
}

/** Says how the lists lie, from `at` on: of so many cells over x and along, with so much room each. */
export function lay(at: i32, across: i32, along: i32, roomEach: i32): void {
  start = at
  nx = across
  nz = along
  plane = across * along
  room = roomEach
}
