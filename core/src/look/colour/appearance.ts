import { hexOfLinear, isOffScreen, labOfLinear, linearOf } from './bands.ts'
import type { Lab, Linear, Spectrum } from './bands.ts'
import type { Age } from './age.ts'
import { reflectanceOf } from './surface.ts'

/** A colour of soap: a matt, planed, thick piece under daylight. */
export interface SoapColour {
  hex: string
  lab: Lab
  linear: Linear
  isOffScreen: boolean
}

/** How absorption and scattering look at an age. */
export function colourOfBands(k: Spectrum, s: Spectrum, age: Age): SoapColour {
  const linear = linearOf(reflectanceOf(k, s, age))
  return { hex: hexOfLinear(linear), lab: labOfLinear(linear), linear, isOffScreen: isOffScreen(linear) }
}
