// Times of things, and how the benchmark tells them.
/** One line of the benchmark. */
export const tell = (name, value, unit) =>
  console.log(JSON.stringify({ name, value: Number(value.toPrecision(4)), unit }))

/** The time that a share of all times does not exceed. */
export const percentile = (times, share) => [...times].sort((a, b) => a - b)[Math.ceil(times.length * share) - 1]

export const p95 = times => percentile(times, 0.95)

const STRETCHES = 10

/** The 95th percentile of the quietest of ten stretches: about what it is where nobody else uses the machine. */
export function quietP95(times) {
  const length = Math.ceil(times.length / STRETCHES)
  const stretches = Array.from({ length: STRETCHES }, (_, i) => times.slice(i * length, (i + 1) * length))
  return Math.min(...stretches.filter(one => one.length > 0).map(p95))
}

/** A part's 95th percentile, of all times and of the quietest stretch. */
export function tellP95(name, times) {
  tell(`${name}.p95_ms`, p95(times), 'ms')
  tell(`${name}.quiet_p95_ms`, quietP95(times), 'ms')
}

/** Milliseconds of each of some rounds. */
export async function timed(rounds, act) {
  const times = []
  for (let i = 0; i < rounds; i += 1) {
    const from = performance.now()
    await act(i)
    times.push(performance.now() - from)
  }
  return times
}

export const median = times => [...times].sort((a, b) => a - b)[times.length >> 1]

/** The least that `fixedKernel` took in 45 runs on the machine that the figures of this project are from, 29 November 2026, ms. */
const QUIET_KERNEL_MS = 93.4
const KERNEL_STEPS = 4_000_000
const KERNEL_CELLS = 4096

/** Always the same work, of the kind that the models do: floating point, a logarithm, a table, a whole-number hash. */
export function fixedKernel() {
  const cells = new Float64Array(KERNEL_CELLS).fill(1)
  let seed = 12345
  let sum = 0
  for (let i = 0; i < KERNEL_STEPS; i += 1) {
    seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0
    const at = seed % KERNEL_CELLS
    const value = cells[at] * 0.999 + Math.log1p((seed >>> 8) / 16777216) * 0.001
    cells[at] = value
    sum += value
  }
  return sum
}

/** How much slower than at that quiet hour this machine runs now: absolute times are to be divided by it. */
export async function machineRatio() {
  await timed(3, fixedKernel)
  return median(await timed(9, fixedKernel)) / QUIET_KERNEL_MS
}
