import { SEED } from '../../batter/standing/index.ts'
import type { BlockInput } from './block-input.ts'
import { K_GEL, K_SOAP, fields } from '../../kernel/index.ts'
import type { Kernel } from '../../kernel/index.ts'
import { CP_SLOPE, GEL_TAU_S } from './constants.ts'
import { writeMaterialTable } from './tables.ts'

/** Conductances are worked out anew once a cell may conduct so much more or less, W/(m·K). */
const K_MOVED = 0.001

/** Stretches of cells of one material. */
function stretches(materialOf: Uint8Array, n: number): { material: number; from: number; to: number }[] {
  const list: { material: number; from: number; to: number }[] = []
  for (let i = 0; i < n; i += 1) {
    const last = list.at(-1)
    if (last && last.material === materialOf[i]) last.to = i + 1
    else list.push({ material: materialOf[i]!, from: i, to: i + 1 })
  }
  return list
}

/** Saponification and gel of every cell: how far they go in a step, the heat of both, and what cells hold and conduct. */
export class Reaction {
  /** Whether conductances have to be worked out anew. */
  isStale = true
  readonly #runs: ReturnType<typeof stretches>
  /** Most that a cell may conduct otherwise than as it was last worked out. */
  #moved = 0

  constructor(
    readonly input: BlockInput,
    n: number,
  ) {
    this.#runs = stretches(input.materialOf, n)
  }

  /** Writes what the materials are like into the kernel's numbers: from `at` on, and the gel temperature of each cell from `gelAt` on. */
  write(numbers: Float64Array, at: number, gelAt: number): void {
    const { materials, rate = 1, gelShiftK = 0, cpSlope = CP_SLOPE } = this.input
    materials.forEach((m, i) => {
      const head = at + i * fields.MATERIAL_ROOM
      const gelC = m.gelC + gelShiftK
      numbers[head + fields.KEEPS] = 1 - m.superfatShare
      numbers[head + fields.HEAT] = m.density * m.heat
      numbers[head + fields.GEL_HEAT] = m.density * m.gelHeat
      numbers[head + fields.HOLDS] = m.density * m.cp50
      numbers[head + fields.SLOPE] = cpSlope
      numbers[head + fields.FRESH] = m.conductivity
      numbers[head + fields.GELS_AT] = gelC
      numbers[head + fields.SEEDS] = SEED
      writeMaterialTable(numbers, head + fields.MATERIAL_HEAD, m.quickness * rate, gelC)
    })
    for (const { material, from, to } of this.#runs)
      numbers.fill(materials[material]!.gelC + gelShiftK, gelAt + from, gelAt + to)
  }

  /**
   * Takes the first `count` cells a step of `dt` s on, `ahead` of a step's change of warmth forward, to the time `nowS`.
   *
   * @returns the largest change of conversion
   */
  step(kernel: Kernel, count: number, dt: number, ahead: number, nowS: number): number {
    const decay = Math.exp(-dt / GEL_TAU_S)
    let most = 0
    let gelled = 0
    for (const { material, from, to } of this.#runs) {
      if (from >= count) break
      most = Math.max(most, kernel.react(material, from, Math.min(to, count), dt, ahead, nowS, decay))
      gelled = Math.max(gelled, kernel.gelledMost())
    }
    this.#moved += K_SOAP * most + K_GEL * gelled
    if (this.#moved > K_MOVED) this.isStale = true
    if (this.isStale) {
      this.#moved = 0
      for (const { material, from, to } of this.#runs)
        if (from < count) kernel.conduct(material, from, Math.min(to, count))
    }
    return most
  }
}
