import { latinNormals } from '../quantities/chance/index.ts'
import { Steady } from './reading.ts'
import type { InstrumentReading } from './reading.ts'

/** A simulated kitchen scale: it settles, wanders a little, shows whole steps, can be tared, is overloaded and goes dark. */

export interface ScaleSettings {
  /** What it shows at least, g. */
  stepG: number
  /** What it takes at most, g. */
  capacityG: number
}

/** Settling, s; wander, steps a root minute; noise, steps. Engineering estimates of a kitchen scale. */
const TAU_S = 0.3
const WANDER = 0.3
const NOISE = 0.25
/** It shows that it is over some steps above what it takes, and goes dark when nothing changes for so long, s. */
const OVER_STEPS = 9
const DARK_AFTER_S = 180
const STABLE_S = 1
/** Numbers of noise that are drawn; afterwards they come again. */
const DRAWN = 997

export class SimulatedScale {
  readonly settings: ScaleSettings
  #loadG = 0
  #onPanG = 0
  #zeroG = 0
  #wanderG = 0
  #s = 0
  #changedS = 0
  #isDark = false
  #n = 0
  readonly #steady: Steady

  constructor(settings: ScaleSettings) {
    this.settings = settings
    this.#steady = new Steady({ withinS: STABLE_S, by: settings.stepG })
  }

  /** What lies on the pan, g, whatever it shows. */
  get loadG(): number {
    return this.#loadG
  }

  /** Puts something on the pan, or takes it off. */
  put(loadG: number): void {
    this.#loadG = Math.max(0, loadG)
    this.#changedS = this.#s
  }

  /** Everything on the pan counts as nothing from now on; a dark scale wakes so, with its old zero lost. Not while it is over. */
  tare(): void {
    if (this.#isOver()) return
    this.#zeroG = this.#onPanG + this.#wanderG
    this.#isDark = false
    this.#changedS = this.#s
    this.#steady.forget()
  }

  #isOver(): boolean {
    return this.#loadG > this.settings.capacityG + OVER_STEPS * this.settings.stepG
  }

  /** Lets time go by, s, and says what it shows then. */
  after(seconds: number): InstrumentReading {
    const { stepG } = this.settings
    this.#s += seconds
    this.#onPanG += (this.#loadG - this.#onPanG) * (1 - Math.exp(-seconds / TAU_S))
    const [noise, walk] = [0, 1].map(dimension => latinNormals(dimension, DRAWN, 71)[this.#n % DRAWN]!)
    this.#n += 1
    this.#wanderG += walk! * WANDER * stepG * Math.sqrt(seconds / 60)
    if (this.#s - this.#changedS > DARK_AFTER_S) this.#isDark = true
    if (this.#isDark) return { kind: 'mass', value: null, isStable: false, state: 'off' }
    if (this.#isOver()) return { kind: 'mass', value: null, isStable: false, state: 'over' }
    const exact = this.#onPanG + this.#wanderG - this.#zeroG + NOISE * stepG * noise!
    // No scale shows minus nothing.
    const value = stepG * Math.round(exact / stepG) + 0
    return { kind: 'mass', value, isStable: this.#steady.told(this.#s, value), state: 'shows' }
  }
}
