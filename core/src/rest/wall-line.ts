import type { Around } from './section.ts'
import { evaporation, outerFilm, outwards } from './walls.ts'
import type { Face } from './walls.ts'

/** What stands between the bottom and a mat, m²K/W (E). */
const MAT_R = 0.04

interface Air extends Around {
  /** A film of fixed strength, W/(m²K); undefined: by air and radiation. */
  film: number | undefined
  losses: number
}

/** One side of a section: the wall beside each of its cells, whose own heat is eliminated from the soap's equations. */
export class WallLine {
  /** Temperature of the wall's middle at each boundary cell, °C. */
  readonly wallC: Float64Array
  /** Conductance from a cell's middle to the wall's, and through the wall with its own heat; W/(m²K). */
  readonly g1: Float64Array
  readonly ge: Float64Array
  /** Temperature that the cell exchanges heat with, °C. */
  readonly te: Float64Array
  /** From the wall's middle outwards, W/(m²K), to what is there, °C. */
  g2 = 0
  surroundC: number

  constructor(
    public face: Face,
    count: number,
    startC: number,
  ) {
    this.wallC = new Float64Array(count).fill(startC)
    this.g1 = new Float64Array(count)
    this.ge = new Float64Array(count)
    this.te = new Float64Array(count)
    this.surroundC = startC
  }

  /** Works out the conductances of a step; cells lie at `first`, and `stride` apart, `sizeM` deep. */
  warmth(dt: number, sizeM: number, air: Air, k: Float64Array, T: Float64Array, first: number, stride: number): void {
    const { face, wallC } = this
    const count = wallC.length
    this.#outwards(air, face.isOpen ? this.#mean(T, first, stride) : wallC.reduce((sum, c) => sum + c, 0) / count)
    const cw = face.capacity / dt
    for (let i = 0; i < count; i += 1) {
      const g1 = 1 / (face.r1 + (0.5 * sizeM) / k[first + i * stride]!)
      this.g1[i] = g1
      this.ge[i] = (g1 * (cw + this.g2)) / (cw + g1 + this.g2)
      this.te[i] = (cw * wallC[i]! + this.g2 * this.surroundC) / (cw + this.g2)
    }
  }

  #mean(T: Float64Array, first: number, stride: number): number {
    let sum = 0
    for (let i = 0; i < this.wallC.length; i += 1) sum += T[first + i * stride]!
    return sum / this.wallC.length
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
