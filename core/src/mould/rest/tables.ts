import { standingRate, withinReach } from '../../batter/standing/index.ts'
import { BROWNS_FROM_C, GEL_NEEDS, GEL_WIDTH_K, fields } from '../../kernel/index.ts'
import { GEL_NEEDS_WIDTH } from './constants.ts'

/** Functions that every cell asks for at every step, as tables with straight lines between their points. */

const { COLDEST_C, NODES, SOAP_STEPS, STEPS_PER_K } = fields
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
 * Writes at every node the rate of a material, 1/s, its slope to the next node, the share gelled by warmth alone, and its slope: four
 * numbers a node, from `at` on.
 */
export function writeMaterialTable(numbers: Float64Array, at: number, quickness: number, gelC: number): void {
  const gel = gelledBy(gelC)
  let here = gel[0]!
  let rate = withinReach(quickness * RATES[0]!)
  for (let i = 0; i < NODES; i += 1) {
    const next = gel[i + 1]!
    const nextRate = withinReach(quickness * RATES[i + 1]!)
    const node = at + 4 * i
    numbers[node] = rate
    numbers[node + 1] = nextRate - rate
    numbers[node + 2] = here
    numbers[node + 3] = next - here
    rate = nextRate
    here = next
  }
}

/** Share that can gel, by how much has turned into soap: so many steps from none to all. */
export const SOAP = Float64Array.from({ length: SOAP_STEPS + 2 }, (_, i) =>
  logistic((i / SOAP_STEPS - GEL_NEEDS) / GEL_NEEDS_WIDTH),
)

/** How fast milk and sugar brown at every node, against 65 °C (E). */
export const BROWNING = Float64Array.from({ length: NODES }, (_, i) =>
  cAt(i) > BROWNS_FROM_C ? Math.pow(2.5, (cAt(i) - 65) / 10) : 0,
)
