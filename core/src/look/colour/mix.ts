import type { Spectrum } from './bands.ts'
import { baseAt } from './base.ts'
import type { BaseAt, BaseTint } from './base.ts'
import type { Age } from './age.ts'
import { absorptionAt } from './pigment.ts'
import type { Pigment } from './pigment.ts'
import { colourOfBands } from './appearance.ts'
import type { SoapColour } from './appearance.ts'

export interface Dose {
  pigment: Pigment
  gPerKg: number
}

/** K and S of a mixture: absorption and scattering add up, never colours. */
export function bandsOf(plain: BaseAt, doses: readonly Dose[], extra: Spectrum | null, age: Age): BaseAt {
  const k = [...plain.k]
  const s = [...plain.s]
  for (const { pigment, gPerKg } of doses) {
    if (!(gPerKg > 0)) continue
    const absorbs = absorptionAt(pigment, age)
    for (let i = 0; i < k.length; i += 1) {
      k[i]! += gPerKg * absorbs[i]!
      s[i]! += gPerKg * pigment.s[i]!
    }
  }
  if (extra) for (let i = 0; i < k.length; i += 1) k[i]! += extra[i]!
  return { k, s }
}

/** Colour of a base with colorants (g per kg of plain batter) at an age. `extra`: what vanillin adds. */
export function mixed(base: BaseTint, doses: readonly Dose[], age: Age, extra: Spectrum | null = null): SoapColour {
  const { k, s } = bandsOf(baseAt(base, age), doses, extra, age)
  return colourOfBands(k, s, age)
}
