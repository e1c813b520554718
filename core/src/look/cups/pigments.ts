import {
  SETTLED_DAYS,
  STANDARD_BASE,
  WHITES,
  absorptionOfPowder,
  fitPigment,
  labOfHex,
  mixed,
  pigmentOf,
} from '../colour/index.ts'
import { foundOf } from '../../shelf/index.ts'
import type { Fit, Observation, Pigment, SoapColour } from '../colour/index.ts'
import type { Colorant, OwnSwatch } from '../../shelf/index.ts'

/** How well a colorant is known, and by how much (ΔE) real soap may differ from its forecast. */
export interface KnownPigment {
  pigment: Pigment
  basis: 'estimate' | 'own swatch' | 'fitted'
  lowDeltaE: number
  highDeltaE: number
  fit: Fit | null
}

const BANDS = {
  estimate: [5, 10],
  'own swatch': [3, 6],
  fitted: [1.5, 3],
} as const

/** As much of a colour as light ever takes, and as much as it adds. */
const MOST_FADED = { light: 0.95, darker: -0.5 } as const

const NOTHING = new Array<number>(12).fill(0)
/** Water and other clear liquids. */
const CLEAR: Pigment = { k: NOTHING, s: NOTHING, fresh: null, fade: null, offBy: 0 }

/** What light takes of a colorant and over how long, by the shelf and the workshop's trials. */
export function fadingOf({ findings = [], fadeShare, fadeDays }: Colorant): { share: number; days: number } {
  const isTried = findings.some(one => one.what === 'fade-share')
  const share = isTried ? foundOf(findings, 'fade-share', fadeShare).mean : fadeShare
  const days = isTried ? fadeDays * Math.exp(foundOf(findings, 'fade-pace').mean) : fadeDays
  return { share: Math.min(MOST_FADED.light, Math.max(MOST_FADED.darker, share)), days }
}

function starting(colorant: Colorant): Pigment {
  const { spectrum, soapHex: hex, referenceDoseGPerKg: doseGPerKg, scatter, inLye } = colorant
  if (spectrum === 'clear') return CLEAR
  if (spectrum !== 'swatch') return WHITES[spectrum]
  // A colour that lye destroys and of which only the powder is known: weak, in the powder's hue.
  if (inLye === 'dies' && colorant.soapHex === colorant.hex) {
    const k = absorptionOfPowder(hex, Math.max(0.01, scatter), /mica/i.test(colorant.family)).map(value => value * 0.4)
    return { k, s: k.map(() => scatter), fresh: null, fade: null, offBy: 0 }
  }
  const { freshHex, shiftDays } = colorant
  const { share: fadeShare, days: fadeDays } = fadingOf(colorant)
  return pigmentOf({ hex, doseGPerKg, scatter, freshHex, shiftDays, fadeShare, fadeDays })
}

const observed = (swatch: OwnSwatch): Observation => ({
  gPerKg: swatch.doseGPerKg,
  others: swatch.whiteGPerKg > 0 ? [{ pigment: WHITES.titanium, gPerKg: swatch.whiteGPerKg }] : [],
  base: {
    ...STANDARD_BASE,
    carotene: swatch.carotene,
    chlorophyll: swatch.chlorophyll,
    brown: swatch.brown,
    scatter: swatch.scatter,
  },
  age: { days: swatch.days, gel: swatch.gel },
  lab: labOfHex(swatch.hex),
})

/** Swatches that tell of the settled colour. */
const settled = (colorant: Colorant): Observation[] =>
  colorant.swatches
    .filter(swatch => swatch.doseGPerKg > 0 && (colorant.shiftDays === 0 || swatch.days >= SETTLED_DAYS))
    .map(observed)

const KNOWN = new WeakMap<Colorant, KnownPigment>()

/** A shelf colorant as the colour model needs it, re-fitted from the workshop's own swatches. */
export function pigmentOfColorant(colorant: Colorant): KnownPigment {
  const known = KNOWN.get(colorant)
  if (known) return known
  const start = starting(colorant)
  const seen = settled(colorant)
  const fit = seen.length > 0 ? fitPigment(start, seen) : null
  const basis = seen.length === 0 ? 'estimate' : seen.length === 1 ? 'own swatch' : 'fitted'
  const [lowDeltaE, highDeltaE] = BANDS[basis]
  const found: KnownPigment = { pigment: fit?.pigment ?? start, basis, lowDeltaE, highDeltaE, fit }
  KNOWN.set(colorant, found)
  return found
}

/** What a swatch should look like by all that is known of its colorant. */
export function colourOfSwatch(colorant: Colorant, swatch: OwnSwatch): SoapColour {
  const { base, others, gPerKg, age } = observed(swatch)
  return mixed(base, [{ pigment: pigmentOfColorant(colorant).pigment, gPerKg }, ...others], age)
}
