import { SimulatedScale } from '@ostler/core'

/** A scale under a cup that is filled, of a usual step, g. */
const STEP_G = 0.1
const USUAL_G = 10_000

/** What befalls it once so much of what is asked for has run, as a share. */
export interface ScaleTrouble {
  kind: 'scale-off' | 'scale-over'
  share: number
}

export interface FillingShown {
  /** g; null: it shows no number. */
  g: number | null
  state: 'shows' | 'over' | 'off'
  /** What stood there before it went dark, g; null: it did not. */
  beforeG: number | null
  /** That is counted with what it shows. */
  isCounted: boolean
}

/** The scale under a cup that is filled in a rehearsal: it settles, goes dark or is over, as a real one does. */
export class FillingScale {
  readonly #scale: SimulatedScale
  #shownG = 0
  #atS: number | null = null
  #ranG = 0
  #dark: { beforeG: number; wokenAtG: number | null; isCounted: boolean } | null = null
  #isParted = false

  constructor(
    readonly askedG: number,
    readonly trouble: ScaleTrouble | null,
  ) {
    const capacityG = trouble?.kind === 'scale-over' ? trouble.share * askedG : USUAL_G
    this.#scale = new SimulatedScale({ stepG: STEP_G, capacityG })
  }

  /** What lies on it at a second of the run. */
  after(nowS: number, ranG: number): void {
    const seconds = this.#atS === null ? 0 : Math.max(0, nowS - this.#atS)
    this.#atS = nowS
    this.#ranG = ranG
    this.#scale.put(ranG)
    const { value } = this.#scale.after(seconds)
    if (value !== null) this.#shownG = value
    const { trouble, askedG } = this
    if (trouble?.kind === 'scale-off' && !this.#dark && ranG >= trouble.share * askedG)
      this.#dark = { beforeG: this.#shownG, wokenAtG: null, isCounted: false }
  }

  get isOver(): boolean {
    const { trouble, askedG } = this
    return trouble?.kind === 'scale-over' && !this.#isParted && this.#ranG > trouble.share * askedG
  }

  shown(): FillingShown {
    const [beforeG, isCounted] = [this.#dark?.beforeG ?? null, this.#dark?.isCounted ?? false]
    if (this.isOver) return { g: null, state: 'over', beforeG, isCounted }
    if (this.#dark?.wokenAtG === null) return { g: null, state: 'off', beforeG, isCounted }
    const from = this.#dark?.wokenAtG ?? 0
    const g = this.#isParted ? this.#ranG : this.#shownG - from + (isCounted ? beforeG! : 0)
    return { g: Math.max(0, g), state: 'shows', beforeG, isCounted }
  }

  /** A dark scale wakes with nothing on it. */
  wake(): void {
    if (this.#dark) this.#dark = { ...this.#dark, wokenAtG: this.#shownG }
  }

  /** What stood there before is counted with it, or not. */
  count(isCounted: boolean): void {
    if (this.#dark) this.#dark = { ...this.#dark, isCounted }
  }

  /** What is too much for it is weighed in two parts. */
  inParts(): void {
    this.#isParted = true
  }

  /** What is written down of a filling, g: by what it shows; where it shows nothing, as much as was asked for. */
  notedG(): number {
    const { state, g } = this.shown()
    if (!this.trouble) return this.#ranG
    return state === 'shows' ? g! : this.askedG
  }
}
