import { Steady } from './reading.ts'
import type { InstrumentReading } from './reading.ts'

/** A simulated probe thermometer: it lags behind what it is held in, less so where that is stirred. */

/** Time constants of a probe, s. Engineering estimates. */
const TAU_S = { stirred: 5, still: 14, air: 45 } as const
export type ProbeIn = keyof typeof TAU_S

const STEP_C = 0.1
const STABLE_S = 2.5
const STABLE_C = 0.2

export class SimulatedThermometer {
  /** What it shows too much, °C: its own error. */
  readonly offsetC: number
  #probeC: number
  #in: { tempC: number; how: ProbeIn }
  #s = 0
  readonly #steady = new Steady({ withinS: STABLE_S, by: STABLE_C })

  constructor(roomC: number, offsetC = 0) {
    this.offsetC = offsetC
    this.#probeC = roomC
    this.#in = { tempC: roomC, how: 'air' }
  }

  /** Holds the probe in something. */
  hold(tempC: number, how: ProbeIn): void {
    this.#in = { tempC, how }
  }

  after(seconds: number): InstrumentReading {
    this.#s += seconds
    this.#probeC += (this.#in.tempC - this.#probeC) * (1 - Math.exp(-seconds / TAU_S[this.#in.how]))
    const value = Number((Math.round((this.#probeC + this.offsetC) / STEP_C) * STEP_C).toFixed(1))
    return { kind: 'temperature', value, isStable: this.#steady.told(this.#s, value), state: 'shows' }
  }
}
