import type { GelShares } from '../../look/cups/index.ts'
import { hasSwirls } from '../../look/swirl/index.ts'
import { materialsOf } from './cup-materials.ts'
import { workedThrough } from './history.ts'
import type { Block } from './block.ts'
import { quickChances } from './chances.ts'
import type { RestNumbers } from './chances.ts'
import { aboutOf, restRunInputOf } from './plan-rest.ts'
import type { PouredInputs } from './rest-inputs.ts'
import { restRun } from './run.ts'

/** Everything that gels has begun to so long after the last change of place or wrap. */
const GELS_WITHIN_S = 8 * 3600

/** How warm each cell was at its warmest while it could gel, °C; far below any gel temperature where it never could. */
export const readyC = ({ margin, input }: Block): Float64Array =>
  margin.map((above, i) => above + input.materials[input.materialOf[i]!]!.gelC + (input.gelShiftK ?? 0))

/** What a cup's soap gels from, and how much of it does. */
export interface CupGel {
  cup: string
  gelC: number
  /** Share of all its water and lye that is lye. */
  lyeConcentration: number
  share: number
}

/**
 * Of a rest worked through, cup by cup: a layer's own cells; of colours that lie through each other each is taken to be
 * everywhere.
 */
export function cupGels({ plan, shelf, portions, lanes }: PouredInputs, block: Block): CupGel[] {
  const materials = materialsOf(plan, portions, shelf, lanes)
  // A cup that goes into other cavities than the one worked through is taken to be as warm as that one.
  const isLayered = !hasSwirls(plan)
  const isIn = new Set(block.input.materialOf)
  const warmest = readyC(block)
  const shift = block.input.gelShiftK ?? 0
  const { nx } = block.input
  return plan.cups.map((cup, i) => {
    const gelC = materials[i]!.gelC + shift
    let whole = 0
    let gelled = 0
    for (let cell = 0; cell < block.n; cell += 1) {
      if (isLayered && isIn.has(i) && block.input.materialOf[cell] !== i) continue
      const v = block.volume[cell % nx]!
      whole += v
      if (warmest[cell]! >= gelC) gelled += v
    }
    const lyeConcentration = portions.cups[i]!.concentrationShare
    return { cup: cup.id, gelC, lyeConcentration, share: whole > 0 ? gelled / whole : 0 }
  })
}

/** What one quick run says: what gels of each cup, and chances with all there is around one run. */
export interface QuickRest extends Pick<RestNumbers, 'gel' | 'crack' | 'volcano'> {
  shares: GelShares
  peakC: number
}

/** One run on few cells, as long as anything may gel: for what follows every edit. A few ms. */
export function quickRest(inputs: PouredInputs): QuickRest {
  const input = restRunInputOf(inputs, 'quick')
  const lastS = Math.max(
    ...input.phases.map(phase => phase.fromS + phase.holdS),
    ...(input.room ?? []).map(one => one.fromS),
  )
  const history = workedThrough({ ...input, isQuick: true, untilS: Math.min(input.untilS, lastS + GELS_WITHIN_S) })
  const run = restRun(history, aboutOf(inputs))
  const cups = cupGels(inputs, history.block).map(one => one.share)
  const soap = inputs.portions.cups.map(cup => cup.pouredG)
  const all = soap.reduce((sum, g) => sum + g, 0)
  const whole = all > 0 ? cups.reduce((sum, share, i) => sum + share * (soap[i]! / all), 0) : 0
  const { gel, crack, volcano } = quickChances(run)
  return { gel, crack, volcano, shares: { whole, cups }, peakC: run.heating.peakC }
}
