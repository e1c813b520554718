// Times of things, and how the benchmark tells them.
/** One line of the benchmark. */
export const tell = (name, value, unit) =>
  console.log(JSON.stringify({ name, value: Number(value.toPrecision(4)), unit }))

export const p95 = times => [...times].sort((a, b) => a - b)[Math.ceil(times.length * 0.95) - 1]

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
