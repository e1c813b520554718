import {
  CP_SLOPE,
  GEL_HYSTERESIS_K,
  GEL_NEEDS,
  GEL_QUICKENS,
  GEL_TAU_S,
  GEL_WIDTH_K,
  K_GEL,
  K_SOAP,
} from './constants.ts'
import { SEED } from '../../batter/standing/index.ts'
import type { BlockInput } from './block-input.ts'
import { COLDEST_C, NODES, SOAP, SOAP_STEPS, STEPS_PER_K, materialTable } from './tables.ts'

/** State of all cells. */
export interface Cells {
  T: Float64Array
  X: Float64Array
  g: Float64Array
  gmax: Float64Array
  /** Seconds until a cell was more than half gelled; −1: never. */
  gelledAt: Float64Array
  /** °C a step earlier. */
  before: Float64Array
}

/** Conductances are worked out anew once a cell may conduct so much more or less, W/(m·K). */
const K_MOVED = 0.001
/** Soap that has reacted and set so far, and is so many K cooler than it gels, does nothing any more. */
const SPENT = 0.9999
const SETTLED = 1e-4
const COOL_K = GEL_HYSTERESIS_K + 12 * GEL_WIDTH_K
const HYSTERESIS = 4 * GEL_HYSTERESIS_K * STEPS_PER_K
const LAST = NODES - GEL_HYSTERESIS_K * STEPS_PER_K - 2

/** Saponification and gel of every cell: how far they go in a step, the heat of both, and what cells hold and conduct. */
export class Reaction {
  /** Heat of the last step, J/m³. */
  readonly source: Float64Array
  /** W/(m·K), as the conductances were last worked out. */
  readonly k: Float64Array
  readonly gelC: Float64Array
  readonly ready = GEL_NEEDS
  /** Whether conductances have to be worked out anew from `k`. */
  isStale = true
  /** Stretches of cells of one material. */
  readonly #runs: { material: number; from: number; to: number }[] = []
  readonly #tables: Float64Array[]
  readonly #keep: Float64Array
  readonly #heat: Float64Array
  readonly #gelHeat: Float64Array
  readonly #capacity: Float64Array
  readonly #conducts: Float64Array
  readonly #slope: number
  /** Most that a cell gelled or let go in this step, and that one may conduct otherwise than in `k`. */
  #gelled = 0
  #moved = 0

  constructor(
    readonly input: BlockInput,
    n: number,
  ) {
    const { materials } = input
    const shift = input.gelShiftK ?? 0
    this.source = new Float64Array(n)
    this.k = new Float64Array(n)
    const of = (pick: (m: BlockInput['materials'][number]) => number) => Float64Array.from(materials, pick)
    this.gelC = of(m => m.gelC + shift)
    this.#keep = of(m => 1 - m.superfatShare)
    this.#heat = of(m => m.density * m.heat)
    this.#gelHeat = of(m => m.density * m.gelHeat)
    this.#capacity = of(m => m.density * m.cp50)
    this.#conducts = of(m => m.conductivity)
    this.#slope = input.cpSlope ?? CP_SLOPE
    this.#tables = materials.map(m => materialTable(m.quickness * (input.rate ?? 1), m.gelC + shift))
    for (let i = 0; i < n; i += 1) {
      const last = this.#runs.at(-1)
      if (last && last.material === input.materialOf[i]) last.to = i + 1
      else this.#runs.push({ material: input.materialOf[i]!, from: i, to: i + 1 })
    }
  }

  /**
   * Takes the first `count` cells a step of `dt` s on, `ahead` of a step's change of warmth forward, to the time `nowS`; fills what cells hold,
   * J/(m³K).
   *
   * @returns the largest change of conversion
   */
  step(count: number, dt: number, ahead: number, nowS: number, cells: Cells, capacity: Float64Array): number {
    let most = 0
    this.#gelled = 0
    for (const { material, from, to } of this.#runs) {
      if (from >= count) break
      const change = this.#run(material, from, Math.min(to, count), dt, ahead, nowS, cells, capacity)
      if (change > most) most = change
    }
    this.#moved += K_SOAP * most + K_GEL * this.#gelled
    if (this.#moved > K_MOVED) this.isStale = true
    if (this.isStale) {
      this.#moved = 0
      for (const { material, from, to } of this.#runs) {
        const fresh = this.#conducts[material]!
        for (let i = from; i < Math.min(to, count); i += 1)
          this.k[i] = fresh + K_SOAP * cells.X[i]! + K_GEL * cells.g[i]!
      }
    }
    return most
  }

  /** Cells of one material. */
  #run(
    m: number,
    from: number,
    to: number,
    dt: number,
    ahead: number,
    nowS: number,
    cells: Cells,
    capacity: Float64Array,
  ): number {
    const { T, X, g, gmax, gelledAt, before } = cells
    const { source } = this
    const table = this.#tables[m]!
    const keep = this.#keep[m]!
    const heat = this.#heat[m]!
    const gelHeat = this.#gelHeat[m]!
    const holds = this.#capacity[m]!
    const slope = this.#slope
    // Constants of other modules are looked up every time that they are named: once is enough.
    const [seed, quickens, coldest, perK, last] = [SEED, GEL_QUICKENS, COLDEST_C, STEPS_PER_K, LAST]
    const [soap, soapSteps] = [SOAP, SOAP_STEPS]
    const [spent, settled, cool] = [SPENT, SETTLED, this.gelC[m]! - COOL_K]
    const decay = Math.exp(-dt / GEL_TAU_S)
    let most = 0
    let mostGel = 0
    for (let i = from; i < to; i += 1) {
      const was = T[i]!
      const t = was + (was - before[i]!) * ahead
      const x = X[i]!
      const gel = g[i]!
      if (x > spent && gel < settled && t < cool) {
        source[i] = 0
        capacity[i] = holds * (1 + slope * (t - 50))
        continue
      }
      const highest = gmax[i]!
      const node = (t - coldest) * perK
      const whole = Math.min(Math.max(node | 0, 0), last)
      const part = node - whole
      const at = whole << 2
      const speed = dt * (table[at]! + part * table[at + 1]!) * (1 + quickens * gel)
      const half = x + 0.5 * speed * (seed + x) * (1 - x) * (1 - keep * x)
      const mid = half < 1 ? half : 1
      const full = x + speed * (seed + mid) * (1 - mid) * (1 - keep * mid)
      const now = full < 1 ? full : 1
      const soapAt = now * soapSteps
      const j = soapAt | 0
      const able = soap[j]! + (soap[j + 1]! - soap[j]!) * (soapAt - j)
      const warm = (highest > 0.5 ? at + HYSTERESIS : at) + 2
      const goal = (table[warm]! + part * table[warm + 1]!) * able
      const after = goal + (gel - goal) * decay
      source[i] = heat * (now - x) - gelHeat * (after - gel)
      capacity[i] = holds * (1 + slope * (t - 50))
      if (now - x > most) most = now - x
      const moved = Math.abs(after - gel)
      if (moved > mostGel) mostGel = moved
      X[i] = now
      g[i] = after
      if (after > highest) {
        gmax[i] = after
        if (after > 0.5 && highest <= 0.5) gelledAt[i] = nowS
      }
    }
    this.#gelled = Math.max(this.#gelled, mostGel)
    return most
  }
}
