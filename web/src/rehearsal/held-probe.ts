import { SimulatedThermometer } from '@ostler/core'
import type { InstrumentReading } from '@ostler/core'

/** A page that slept does not make up for it in one step, s. */
const STEP_S = 5

/** A probe that is held into lye or oils while a key is held: it lags, and is read when it has come to rest. */
export class HeldProbe {
  readonly #probe: SimulatedThermometer
  #atS: number
  #reading: InstrumentReading | null = null

  constructor(
    nowS: number,
    readonly airC: number,
  ) {
    this.#probe = new SimulatedThermometer(airC)
    this.#atS = nowS
  }

  /** @param inC what it is held in and stirred with, °C; null: the air */
  after(nowS: number, inC: number | null): void {
    const seconds = Math.min(STEP_S, Math.max(0, nowS - this.#atS))
    this.#atS = nowS
    this.#probe.hold(inC ?? this.airC, inC === null ? 'air' : 'stirred')
    if (seconds > 0) this.#reading = this.#probe.after(seconds)
  }

  get reading(): InstrumentReading | null {
    return this.#reading
  }
}
