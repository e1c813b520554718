/** What an instrument shows at a moment. */
export interface InstrumentReading {
  kind: 'mass' | 'temperature'
  /** g or °C; null where it shows no number. */
  value: number | null
  /** It has come to rest. */
  isStable: boolean
  /** 'over': more than it can take; 'off': dark. */
  state: 'shows' | 'over' | 'off'
}

/** Readings that lie within so much for so long are stable. */
export interface Steadiness {
  withinS: number
  by: number
}

/** Whether what was shown has come to rest: kept as it is told, latest last. */
export class Steady {
  readonly #rule: Steadiness
  #shown: { s: number; value: number }[] = []

  constructor(rule: Steadiness) {
    this.#rule = rule
  }

  /** Takes a value in. @param s seconds on any clock that goes forward */
  told(s: number, value: number): boolean {
    this.#shown.push({ s, value })
    const from = s - this.#rule.withinS
    // One from before is kept: only so is it known that the whole time has passed.
    const first = this.#shown.findLastIndex(one => one.s <= from + 1e-9)
    if (first < 0) return false
    this.#shown = this.#shown.slice(first)
    const values = this.#shown.map(one => one.value)
    return Math.max(...values) - Math.min(...values) <= this.#rule.by + 1e-9
  }

  forget(): void {
    this.#shown = []
  }
}
