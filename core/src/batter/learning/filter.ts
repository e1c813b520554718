/** Weights of an observation: how much of each named quantity it is the sum of. */
export type Weights = readonly (readonly [name: string, weight: number])[]

/** A surprise counts as at most this many standard deviations. */
const MOST_SURPRISE = 3

/**
 * Named quantities, each normal, known together: a Kalman filter over whatever names come up. A surprise is shared out among
 * the quantities in proportion to how little each is known.
 */
export class Filter {
  readonly #at = new Map<string, number>()
  readonly #mean: number[] = []
  readonly #covariance: number[][] = []

  /** Makes a quantity known with its prior; one that is there already stays as it is. */
  ensure(name: string, mean: number, variance: number): void {
    if (this.#at.has(name)) return
    const n = this.#mean.length
    this.#at.set(name, n)
    this.#mean.push(mean)
    for (const row of this.#covariance) row.push(0)
    this.#covariance.push(Array.from({ length: n + 1 }, (_, j) => (j === n ? variance : 0)))
  }

  /** Forgets what was learned of a quantity: a new draw that has nothing to do with the last. */
  reset(name: string, mean: number, variance: number): void {
    this.ensure(name, mean, variance)
    const i = this.#at.get(name)!
    this.#mean[i] = mean
    this.#covariance.forEach((row, j) => (row[i] = this.#covariance[i]![j] = i === j ? variance : 0))
  }

  #vector(weights: Weights): Float64Array {
    const h = new Float64Array(this.#mean.length)
    for (const [name, weight] of weights) {
      const i = this.#at.get(name)
      if (i !== undefined) h[i]! += weight
    }
    return h
  }

  #spread(h: Float64Array): number[] {
    return this.#covariance.map(row => row.reduce((sum, value, j) => sum + value * h[j]!, 0))
  }

  mean(weights: Weights): number {
    const h = this.#vector(weights)
    return this.#mean.reduce((sum, value, i) => sum + value * h[i]!, 0)
  }

  variance(weights: Weights): number {
    const h = this.#vector(weights)
    return this.#spread(h).reduce((sum, value, i) => sum + value * h[i]!, 0)
  }

  /** Learns that the weighted sum was seen as `value`, with an error of `variance`. */
  observe(weights: Weights, value: number, variance: number): void {
    const h = this.#vector(weights)
    const ph = this.#spread(h)
    const whole = ph.reduce((sum, one, i) => sum + one * h[i]!, 0) + variance
    const most = MOST_SURPRISE * Math.sqrt(whole)
    const surprise = Math.min(most, Math.max(-most, value - this.mean(weights)))
    ph.forEach((one, i) => (this.#mean[i]! += (one / whole) * surprise))
    this.#covariance.forEach((row, i) => row.forEach((_, j) => (row[j]! -= (ph[i]! * ph[j]!) / whole)))
  }
}
