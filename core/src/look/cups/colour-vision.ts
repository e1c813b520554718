import {
  filterDeficiencyDeuter,
  filterDeficiencyProt,
  filterDeficiencyTrit,
  formatHex,
  modeLrgb,
  modeRgb,
  parse,
  useMode,
} from 'culori/fn'
import type { Rgb } from 'culori'
import { deltaE, labOfHex } from '../colour/index.ts'

useMode(modeRgb)
useMode(modeLrgb)

export const COLOUR_VISIONS = {
  full: 'as most see it',
  deutan: 'green-weak (deuteranopia)',
  protan: 'red-weak (protanopia)',
  tritan: 'blue-weak (tritanopia)',
} as const
export type ColourVision = keyof typeof COLOUR_VISIONS

const FILTERS = {
  deutan: filterDeficiencyDeuter(1),
  protan: filterDeficiencyProt(1),
  tritan: filterDeficiencyTrit(1),
} as const

/** A colour as eyes of that kind see it. */
export const seenBy = (hex: string, sight: ColourVision): string =>
  sight === 'full' ? hex : formatHex(FILTERS[sight](parse(hex) as Rgb))

/** Two colours that most can tell apart and these eyes hardly. */
export const isLostTo = (one: string, other: string, sight: ColourVision): boolean =>
  deltaE(labOfHex(one), labOfHex(other)) >= 8 &&
  deltaE(labOfHex(seenBy(one, sight)), labOfHex(seenBy(other, sight))) < 5
