import { STANDARD_BASE, browningAt, mixed, openDays } from '../look/colour/index.ts'
import type { BaseTint, Lab, Pigment } from '../look/colour/index.ts'
import { apartFrom } from '../shelf/index.ts'
import { CHANNELS, MAKING, patchSd } from './noise.ts'
import type { ReadingWay } from './noise.ts'
import { posteriorOfTwo } from './posterior.ts'
import type { Believed, Expected } from './posterior.ts'

/** What samples become beside plain ones: by their scent's browning, by a stabiliser, by light. Colours of the core's model. */

/** Colour of one sample at one age less that of what it is held against, with how often each was read. */
export interface ShadeRead {
  days: number
  /** Lab units. */
  by: Lab
  way: ReadingWay
  photos: number
  /** Samples made alike behind it, and behind what it is held against. */
  samples: number
  blanks: number
}

const lessLab = (a: Lab, b: Lab): Lab => ({ l: a.l - b.l, a: a.a - b.a, b: a.b - b.b })

/**
 * ln of how well colours explain readings of one sample at several ages: what stays with it through all ages, the making, is shared; what is
 * read anew each time is not.
 */
export function lnExplained(reads: readonly ShadeRead[], model: readonly Lab[]): number {
  let ln = 0
  CHANNELS.forEach((channel, c) => {
    let [sum, precision, squares] = [0, 0, 0]
    reads.forEach(({ by, way, photos, samples, blanks }, i) => {
      const miss = by[channel] - model[i]![channel]
      const weight = 1 / ((patchSd(way)[c]! ** 2 / photos) * (1 / samples + 1 / blanks))
      sum += weight * miss
      precision += weight
      squares += weight * miss * miss
    })
    if (reads.length === 0) return
    const lasting = MAKING[c]! ** 2 * (1 / reads[0]!.samples + 1 / reads[0]!.blanks)
    ln -= (squares - (sum * sum * lasting) / (1 + precision * lasting)) / 2
  })
  return ln
}

/** What a shade's reading told: apart from what was expected, and with it. */
export interface Shade {
  expected: Expected
  believed: Believed
  found: { value: number; sd: number } | null
}

const shadeOf = (expected: Expected, believed: Believed): Shade => ({
  expected,
  believed,
  found: apartFrom(expected, believed),
})

/** A scent's vanillin in the samples, g per kg of batter, and the tint of the batter. */
export interface BrowningAsked {
  vanillinGPerKg: number
  base?: BaseTint
  gel?: number
  deeper: Expected
  later: Expected
}

const plainAt = (base: BaseTint, days: number, gel: number): Lab => mixed(base, [], { days, gel }).lab

/** Colour that browning adds to plain soap. */
export function brownedBy(
  { vanillinGPerKg, base = STANDARD_BASE, gel = 0 }: Pick<BrowningAsked, 'vanillinGPerKg' | 'base' | 'gel'>,
  days: number,
  how: { deeper: number; later: number; held: number; stabiliserGPerKg: number },
): Lab {
  const extra = browningAt({ vanillinGPerKg, ...how }, openDays(days))
  return lessLab(mixed(base, [], { days, gel }, extra).lab, plainAt(base, days, gel))
}

/** How strongly a scent's vanillin acts and how soon, by samples of it without a stabiliser. */
export function browningBy(asked: BrowningAsked, reads: readonly ShadeRead[]): { deeper: Shade; later: Shade } {
  const [deeper, later] = posteriorOfTwo(asked.deeper, asked.later, (x, y) =>
    lnExplained(
      reads,
      reads.map(({ days }) => brownedBy(asked, days, { deeper: x, later: y, held: 0, stabiliserGPerKg: 0 })),
    ),
  )
  return { deeper: shadeOf(asked.deeper, deeper), later: shadeOf(asked.later, later) }
}

/** What a stabiliser holds back, as ln of odds against the usual, with how deep the scent browns. */
export function stabiliserBy(
  asked: BrowningAsked & { held: Expected },
  suspect: readonly ShadeRead[],
  treated: readonly { stabiliserGPerKg: number; reads: readonly ShadeRead[] }[],
): { deeper: Shade; held: Shade } {
  const later = asked.later.mean
  const [deeper, held] = posteriorOfTwo(asked.deeper, asked.held, (x, z) => {
    const of = (reads: readonly ShadeRead[], stabiliserGPerKg: number): number =>
      lnExplained(
        reads,
        reads.map(({ days }) => brownedBy(asked, days, { deeper: x, later, held: z, stabiliserGPerKg })),
      )
    return of(suspect, 0) + treated.reduce((sum, one) => sum + of(one.reads, one.stabiliserGPerKg), 0)
  })
  return { deeper: shadeOf(asked.deeper, deeper), held: shadeOf(asked.held, held) }
}

/** Light of a window against the room, as the colour model counts it. */
const WINDOW_LIGHT = 3

export interface FadingAsked {
  pigment: Pigment
  gPerKg: number
  base?: BaseTint
  gel?: number
  /** Share that light takes, and ln of days against the shelf's. */
  share: Expected
  later: Expected
  fadeDays: number
}

/** Colour in the window less that of its twin in the dark. */
export function fadedBy(
  { pigment, gPerKg, base = STANDARD_BASE, gel = 0, fadeDays }: Omit<FadingAsked, 'share' | 'later'>,
  days: number,
  share: number,
  later: number,
): Lab {
  const doses = [{ pigment: { ...pigment, fade: { share, tauDays: fadeDays * Math.exp(later) } }, gPerKg }]
  const at = (light: number): Lab => mixed(base, doses, { days, gel, light }).lab
  return lessLab(at(WINDOW_LIGHT), at(0))
}

/** What light takes of a colorant and over how long, by twins in window and dark. */
export function fadingBy(asked: FadingAsked, reads: readonly ShadeRead[]): { share: Shade; later: Shade } {
  const [share, later] = posteriorOfTwo(asked.share, asked.later, (a, y) =>
    lnExplained(
      reads,
      reads.map(({ days }) => fadedBy(asked, days, a, y)),
    ),
  )
  return { share: shadeOf(asked.share, share), later: shadeOf(asked.later, later) }
}
