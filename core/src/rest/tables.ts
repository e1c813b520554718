import { ACTIVATION, GEL_NEEDS, GEL_NEEDS_WIDTH, GEL_WIDTH_K, RATE_60C, ZERO_C } from './constants.ts'

/** Functions that every cell asks for at every step, as tables with straight lines between their points. */

const STEPS_PER_K = 4
const COLDEST_K = 240
const WARMEST_K = 400
const SIZE = (WARMEST_K - COLDEST_K) * STEPS_PER_K + 2

/** Rate at a temperature, 1/s; soap that is frozen hardly reacts (E). */
function rateAt(kelvin: number): number {
  const freezing = 1 + Math.exp(-(kelvin - ZERO_C - 2) / 4)
  return (RATE_60C * Math.exp((-ACTIVATION / 8.314) * (1 / kelvin - 1 / 333.15))) / freezing
}

const RATES = Float64Array.from({ length: SIZE }, (_, i) => rateAt(COLDEST_K + i / STEPS_PER_K))

/** Rate of a nominal batter at `c` °C, 1/s. */
export function restRate(c: number): number {
  const at = Math.min(Math.max(c + (ZERO_C - COLDEST_K), 0), WARMEST_K - COLDEST_K) * STEPS_PER_K
  const i = at | 0
  const left = RATES[i]!
  return left + (RATES[i + 1]! - left) * (at - i)
}

const logistic = (x: number) => 1 / (1 + Math.exp(-x))
const REACH_K = 20
const GEL_STEPS = 16
const WARM = Float64Array.from({ length: 2 * REACH_K * GEL_STEPS + 2 }, (_, i) =>
  logistic((i / GEL_STEPS - REACH_K) / GEL_WIDTH_K),
)

/** Share gelled by warmth alone, so many K above the gel temperature. */
export function gelByWarmth(above: number): number {
  if (above <= -REACH_K) return 0
  if (above >= REACH_K) return 1
  const at = (above + REACH_K) * GEL_STEPS
  const i = at | 0
  const left = WARM[i]!
  return left + (WARM[i + 1]! - left) * (at - i)
}

const SOAP_STEPS = 512
const SOAP = Float64Array.from({ length: SOAP_STEPS + 2 }, (_, i) =>
  logistic((i / SOAP_STEPS - GEL_NEEDS) / GEL_NEEDS_WIDTH),
)

/** Share that can gel, by how much has turned into soap. */
export function gelBySoap(converted: number): number {
  const at = converted * SOAP_STEPS
  const i = at | 0
  const left = SOAP[i]!
  return left + (SOAP[i + 1]! - left) * (at - i)
}
