import { K_SOAP } from '../../kernel/index.ts'
import type { Material } from './material.ts'
import { END_FILM, outwards } from './walls.ts'
import type { Face } from './walls.ts'

const CELLS = 32

/** Half of the mould's length as a bar of unit warmth that cools through its end: what the ends take from the middle slice. */
export class EndBar {
  readonly #phi = new Float64Array(CELLS).fill(1)
  readonly #sweep = new Float64Array(CELLS)
  #wall = 0

  constructor(readonly lengthM: number) {}

  /** One step; gives the share of its warmth that the middle loses along the mould, 1/s. */
  step(dt: number, material: Material, face: Face, losses: number): number {
    const phi = this.#phi
    const dz = this.lengthM / 2 / CELLS
    const capacity = material.density * material.cp50
    const k = material.conductivity + K_SOAP
    const inner = (dt * k) / (capacity * dz * dz)
    const g1 = 1 / (face.r1 + (0.5 * dz) / k)
    const g2 = outwards(face, END_FILM, losses)
    const cw = face.capacity / dt
    const ge = (g1 * (cw + g2)) / (cw + g1 + g2)
    const te = (cw * this.#wall) / (cw + g2)
    const out = (dt * ge) / (capacity * dz)
    const was = phi[0]!
    const c = this.#sweep
    for (let i = 0; i < CELLS; i += 1) {
      const left = i > 0 ? inner : 0
      const right = i < CELLS - 1 ? inner : 0
      const isEnd = i === CELLS - 1
      const diagonal = 1 + left + right + (isEnd ? out : 0) + (i > 0 ? left * c[i - 1]! : 0)
      const value = phi[i]! + (isEnd ? out * te : 0) + (i > 0 ? left * phi[i - 1]! : 0)
      c[i] = -right / diagonal
      phi[i] = value / diagonal
    }
    for (let i = CELLS - 2; i >= 0; i -= 1) phi[i] = phi[i]! - c[i]! * phi[i + 1]!
    this.#wall = (cw * this.#wall + g1 * phi[CELLS - 1]!) / (cw + g1 + g2)
    return Math.max(0, (was - phi[0]!) / (dt * phi[0]!))
  }
}
