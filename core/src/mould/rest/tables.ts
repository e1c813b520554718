import { standingRate, withinReach } from '../../batter/standing/index.ts'
import { GEL_NEEDS, GEL_NEEDS_WIDTH, GEL_WIDTH_K } from './constants.ts'

/** Functions that every cell asks for at every step, as tables with straight lines between their points. */

export const STEPS_PER_K = 4
export const COLDEST_C = -33
const WARMEST_C = 140
export const NODES = (WARMEST_C - COLDEST_C) * STEPS_PER_K + 2
const cAt = (i: number) => COLDEST_C + i / STEPS_PER_K

/** Of a nominal batter at every node, and one beyond. */
const RATES = Float64Array.from({ length: NODES + 1 }, (_, i) => standingRate(cAt(i)))

const logistic = (x: number) => 1 / (1 + Math.exp(-x))

const MOST_KEPT = 32
const gelKept = new Map<number, Float64Array>()

/** Share gelled by warmth alone at every node, and one beyond; kept, since most edits leave what gels where it gels. */
function gelledBy(gelC: number): Float64Array {
  const known = gelKept.get(gelC)
  if (known) return known
  if (gelKept.size >= MOST_KEPT) gelKept.clear()
  const made = Float64Array.from({ length: NODES + 1 }, (_, i) => logistic((cAt(i) - gelC) / GEL_WIDTH_K))
  gelKept.set(gelC, made)
  return made
}

/**
 * At every node the rate of a material, 1/s, its slope to the next node, the share gelled by warmth alone, and its slope: four
 * numbers a node.
 */
export function materialTable(quickness: number, gelC: number): Float64Array {
  const table = new Float64Array(4 * NODES)
  const gel = gelledBy(gelC)
  let here = gel[0]!
  let rate = withinReach(quickness * RATES[0]!)
  for (let i = 0; i < NODES; i += 1) {
    const next = gel[i + 1]!
    const nextRate = withinReach(quickness * RATES[i + 1]!)
    table[4 * i] = rate
    table[4 * i + 1] = nextRate - rate
    rate = nextRate
    table[4 * i + 2] = here
    table[4 * i + 3] = next - here
    here = next
  }
  return table
}

export const SOAP_STEPS = 512
/** Share that can gel, by how much has turned into soap: so many steps from none to all. */
export const SOAP = Float64Array.from({ length: SOAP_STEPS + 2 }, (_, i) =>
  logistic((i / SOAP_STEPS - GEL_NEEDS) / GEL_NEEDS_WIDTH),
)

/** Milk and sugar brown from here on (E). */
export const BROWNS_FROM_C = 45
export const BROWNING = Float64Array.from({ length: NODES }, (_, i) =>
  cAt(i) > BROWNS_FROM_C ? Math.pow(2.5, (cAt(i) - 65) / 10) : 0,
)

/** How fast milk and sugar brown at `c` °C, from where they begin to, against 65 °C. */
export function browningAt(c: number): number {
  const at = Math.min((c - COLDEST_C) * STEPS_PER_K, NODES - 2)
  const i = at | 0
  const left = BROWNING[i]!
  return left + (BROWNING[i + 1]! - left) * (at - i)
}
