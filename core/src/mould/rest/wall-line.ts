import type { Around } from './block-input.ts'
import { fields } from '../../kernel/index.ts'
import type { Kernel } from '../../kernel/index.ts'
import { evaporation, outerFilm, outwards } from './walls.ts'
import type { Face } from './walls.ts'

/** What stands between the bottom and a mat, m²K/W (E). */
const MAT_R = 0.04

interface Air extends Around {
  /** A film of fixed strength, W/(m²K); undefined: by air and radiation. */
  film: number | undefined
  losses: number
}

/** One side of a block: the wall beside each of its cells, whose own heat is eliminated from the soap's equations. */
export class WallLine {
  /** Temperature of the wall's middle at each boundary cell, °C. */
  readonly wallC: Float64Array
  /** The cells at this wall, as many as are filled. */
  readonly cells: Int32Array
  count = 0
  /** From the wall's middle outwards, W/(m²K), to what is there, °C. */
  g2 = 0
  surroundC: number

  /** The kernel's wall of this number, beside at most `most` cells that are `depthM` deep; `scale`: area of wall to a cell's volume, 1/m. */
  constructor(
    readonly number: number,
    public face: Face,
    most: number,
    startC: number,
    readonly depthM: number,
    readonly scale: number,
  ) {
    this.wallC = new Float64Array(most).fill(startC)
    this.cells = new Int32Array(most)
    this.surroundC = startC
  }

  /** Says which cells it lies beside. */
  lieAt(count: number, cell: (j: number) => number): void {
    this.count = count
    for (let j = 0; j < count; j += 1) this.cells[j] = cell(j)
  }

  /** Where a list of it begins among those from `start` on, which have so much room each. */
  #at(start: number, room: number, what: number): number {
    return start + (fields.WALLS + this.number * fields.WALL_LISTS + what) * room
  }

  /** Writes its warmth and its cells into the kernel's numbers. */
  write(numbers: Float64Array, start: number, room: number): void {
    numbers.set(this.wallC, this.#at(start, room, fields.WALL_C))
    this.writeCells(numbers, start, room)
  }

  writeCells(numbers: Float64Array, start: number, room: number): void {
    numbers.set(this.cells, this.#at(start, room, fields.CELL))
  }

  /** Takes its warmth over from there. */
  read(numbers: Float64Array, start: number, room: number): void {
    const from = this.#at(start, room, fields.WALL_C)
    this.wallC.set(numbers.subarray(from, from + this.wallC.length))
  }

  /** Works out the conductances of a step. */
  warmth(kernel: Kernel, dt: number, air: Air): void {
    const { number, face, count, depthM } = this
    this.#outwards(air, kernel.meanAtWall(number, count, face.isOpen))
    kernel.warmWall(number, count, face.r1, depthM, face.capacity / dt, this.g2, this.surroundC)
  }

  #outwards({ airC, roomC, forced, matC, film, losses }: Air, meanC: number): void {
    const { face } = this
    const isOnMat = face.facing === 'bottom' && matC !== null
    this.surroundC = isOnMat ? matC : airC
    if (isOnMat) {
      this.g2 = losses / (face.r2 + MAT_R)
      return
    }
    const filmAt = (c: number) => film ?? outerFilm(face.facing, c, airC, face.lengthM, forced)
    const first = filmAt(meanC)
    const surfaceC = airC + (meanC - airC) * Math.min(1, this.g2 / (first * face.outer) || 1)
    this.g2 = outwards(face, filmAt(surfaceC), losses) + (face.isOpen ? evaporation(surfaceC, roomC) : 0)
  }

  /** Heat that it takes in a step, W/m² times the cells' volumes, by what its cells came to in their own sweep; moves its warmth on. */
  after(kernel: Kernel, dt: number, isLast: boolean): number {
    return kernel.atWall(this.number, this.count, isLast, this.face.capacity / dt, this.g2, this.surroundC)
  }
}
