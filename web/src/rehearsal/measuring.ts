import { mistyped, sizeOf } from '@ostler/core'
import type { BenchEvent, BenchStep, InstrumentReading, Struck, SurpriseKey, WorldNow } from '@ostler/core'
import { FillingScale } from './filling-scale.ts'
import type { FillingShown } from './filling-scale.ts'
import { ENOUGH } from './hands.ts'
import type { Held } from './hands.ts'
import { HeldProbe } from './held-probe.ts'

type About = Pick<BenchEvent, 'kind'> & Partial<BenchEvent>

/** What scale and probe are held against. */
interface Measured {
  nowS: () => number
  ranG: () => number
  world: () => WorldNow
  /** Something that has struck and waits for the next cup that is filled; null: it has not, or one was. */
  waiting: (key: SurpriseKey) => Struck | null
  uses: (key: SurpriseKey) => void
}

/** Weights that differ by less are the same, g. */
const SAME_G = 0.5

/** The scale under the cup that is filled in a rehearsal, the probe that is held in, and what is heard of them. */
export class Measuring {
  #scale: FillingScale | null = null
  #probe: HeldProbe | null = null
  #hearing: { cup: string; g: number } | null = null

  constructor(private readonly measured: Measured) {}

  /** A key is pressed for it. */
  begin(step: BenchStep): void {
    const { nowS, world, waiting, uses } = this.measured
    if (step.kind === 'temp') this.#probe ??= new HeldProbe(nowS(), world().roomC)
    if (step.kind !== 'draw' || this.#scale) return
    const kind = (['scale-off', 'scale-over'] as const).find(key => waiting(key) !== null)
    this.#scale = new FillingScale(step.massG ?? 0, kind ? { kind, share: sizeOf(waiting(kind)!) } : null)
    if (kind) uses(kind)
  }

  /** They go on with the clock. */
  goOn(held: Held | null): void {
    const { nowS, ranG } = this.measured
    this.#scale?.after(nowS(), ranG())
    this.#probe?.after(nowS(), held?.step.kind === 'temp' ? this.#tempOf(held.step) : null)
  }

  #tempOf({ item }: BenchStep): number {
    const { lyeC, oilsC, roomC } = this.measured.world()
    return item === 'lye' ? (lyeC ?? roomC) : oilsC
  }

  /** What the probe shows; null: it is not held in anything. */
  probed(): InstrumentReading | null {
    return this.#probe?.reading ?? null
  }

  /** What the scale under the cup shows; null: nothing is filled. */
  weighs(): FillingShown | null {
    return this.#scale?.shown() ?? null
  }

  /** The scale under the cup, to see to it; null: nothing is filled. */
  get scale(): FillingScale | null {
    return this.#scale
  }

  /** Whether so much as was asked for has run, as far as can be seen. @param most what there is, g */
  isEnough({ kind, massG }: BenchStep, ran: number, most: number): boolean {
    if (kind === 'temp') return this.#probe?.reading?.isStable ?? false
    const enough = ENOUGH * Math.min(massG ?? 0, most)
    if (kind !== 'draw' || !this.#scale?.trouble) return ran >= enough
    const { state, g } = this.#scale.shown()
    return state === 'shows' && g! >= enough
  }

  /** What is noted of the probe as it stands; null: it shows nothing yet. */
  temp({ item }: BenchStep): About | null {
    const value = this.probed()?.value
    this.#probe = null
    const body = item === 'lye' ? 'lye' : 'oils'
    return value == null ? null : { kind: 'temp', body, amount: value, source: 'simulated' }
  }

  /** What is noted of a cup that is filled: as the scale says, or as it was heard. @param ran what is really in it, g */
  filled(cup: string, ran: number, seed: number): { about: About; isHeard: boolean } {
    const amount = Math.round(10 * (this.#scale?.notedG() ?? ran)) / 10
    const isHeard = this.measured.waiting('typed-wrong') !== null
    if (isHeard) this.measured.uses('typed-wrong')
    this.#scale = null
    this.#hearing = { cup, g: ran }
    const about = { kind: 'drawn', cup } as const
    return isHeard
      ? { about: { ...about, amount: mistyped(amount, seed) }, isHeard }
      : { about: { ...about, amount, source: 'simulated' }, isHeard }
  }

  /** What was really weighed of what is noted otherwise; null: it is so. */
  really({ kind, key, cup, amount }: BenchEvent): { key: string; amount: number } | null {
    const hearing = this.#hearing
    if (kind !== 'drawn' || hearing?.cup !== cup) return null
    this.#hearing = null
    return Math.abs(hearing!.g - (amount ?? 0)) < SAME_G ? null : { key, amount: hearing!.g }
  }

  forget(): void {
    this.#scale = this.#probe = this.#hearing = null
  }
}
