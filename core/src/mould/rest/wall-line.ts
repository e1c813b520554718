import type { Around } from './block-input.ts'
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
  /** Conductance from a cell's middle to the wall's, and through the wall with its own heat; W/(m²K). */
  readonly g1: Float64Array
  readonly ge: Float64Array
  /** Temperature that the cell exchanges heat with, °C. */
  readonly te: Float64Array
  /** The cells at this wall, as many as are filled. */
  readonly cells: Int32Array
  count = 0
  /** From the wall's middle outwards, W/(m²K), to what is there, °C. */
  g2 = 0
  surroundC: number

  /** Beside at most `most` cells that are `depthM` deep; `scale`: area of wall to a cell's volume, 1/m. */
  constructor(
    public face: Face,
    most: number,
    startC: number,
    readonly depthM: number,
    readonly scale: number,
  ) {
    this.wallC = new Float64Array(most).fill(startC)
    this.g1 = new Float64Array(most)
    this.ge = new Float64Array(most)
    this.te = new Float64Array(most)
    this.cells = new Int32Array(most)
    this.surroundC = startC
  }

  /** Says which cells it lies beside. */
  lieAt(count: number, cell: (j: number) => number): void {
    this.count = count
    for (let j = 0; j < count; j += 1) this.cells[j] = cell(j)
  }

  /** Works out the conductances of a step. */
  warmth(dt: number, air: Air, k: Float64Array, T: Float64Array): void {
    const { face, wallC, cells, count, depthM } = this
    this.#outwards(air, this.#mean(face.isOpen ? T : null))
    const cw = face.capacity / dt
    for (let j = 0; j < count; j += 1) {
      const g1 = 1 / (face.r1 + (0.5 * depthM) / k[cells[j]!]!)
      this.g1[j] = g1
      this.ge[j] = (g1 * (cw + this.g2)) / (cw + g1 + this.g2)
      this.te[j] = (cw * wallC[j]! + this.g2 * this.surroundC) / (cw + this.g2)
    }
  }

  /** Adds what the wall gives its cells, as warm as they are, in a step; J/m³. */
  pull(dt: number, T: Float64Array, d: Float64Array): void {
    const { cells, ge, te } = this
    for (let j = 0; j < this.count; j += 1) {
      const i = cells[j]!
      d[i] = d[i]! + dt * this.scale * ge[j]! * (te[j]! - T[i]!)
    }
  }

  /** Of the wall, or of the soap itself where nothing covers it. */
  #mean(T: Float64Array | null): number {
    let sum = 0
    for (let j = 0; j < this.count; j += 1) sum += T ? T[this.cells[j]!]! : this.wallC[j]!
    return sum / this.count
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

  /** The wall after a step in which its cell came to `stageC`. */
  after(i: number, stageC: number, dt: number): void {
    const cw = this.face.capacity / dt
    const g1 = this.g1[i]!
    this.wallC[i] = (cw * this.wallC[i]! + g1 * stageC + this.g2 * this.surroundC) / (cw + g1 + this.g2)
  }
}
