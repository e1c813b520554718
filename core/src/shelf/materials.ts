import type { Material, Vessel } from './equipment.ts'

/** How a material stands a use. */
export type Suits = 'yes' | 'care' | 'no'

export interface MaterialVerdict {
  lye: Suits
  batter: Suits
  sentence: string
}

/** What the craft's safety practice says of materials. "lye" means hot lye solution. */
export const MATERIAL_VERDICTS: Readonly<Record<Material, MaterialVerdict>> = {
  pp: { lye: 'yes', batter: 'yes', sentence: 'Polypropylene stands hot lye and batter.' },
  hdpe: { lye: 'care', batter: 'yes', sentence: 'HDPE softens near 85 °C: cool the water first or use polypropylene.' },
  steel: {
    lye: 'yes',
    batter: 'yes',
    sentence: 'Stainless steel stands lye and batter, without an aluminium base or rivets.',
  },
  silicone: { lye: 'care', batter: 'yes', sentence: 'Silicone suits batter; hot lye attacks it slowly.' },
  enamel: { lye: 'care', batter: 'care', sentence: 'Enamel is good until it chips.' },
  ldpe: { lye: 'no', batter: 'yes', sentence: 'LDPE softens at 60 °C: batter yes, hot lye no.' },
  glass: { lye: 'no', batter: 'care', sentence: 'Glass can shatter with hot lye, which also etches it.' },
  aluminium: { lye: 'no', batter: 'no', sentence: 'Lye eats aluminium and sets free a gas that burns: never.' },
  wood: { lye: 'no', batter: 'care', sentence: 'Wood splinters in lye.' },
  pet: { lye: 'no', batter: 'no', sentence: 'PET softens above 60 °C and lye attacks it.' },
  polystyrene: { lye: 'no', batter: 'no', sentence: 'Polystyrene softens with warm oils and scent dissolves it.' },
  paper: { lye: 'no', batter: 'care', sentence: 'Coated paper leaks at its seam.' },
  melamine: { lye: 'no', batter: 'care', sentence: 'Melamine grows brittle in hot lye.' },
}

/** Density of what a vessel may hold, g/ml: usual values of the craft. */
export const CONTENT_DENSITY = { oils: 0.92, lye: 1.3, batter: 1.0 } as const

export interface VesselFit {
  fits: boolean
  volumeMl: number
  roomMl: number
  sentence: string
}

/** Whether `massG` of something fits into a vessel with room to stir. */
export function vesselFit(vessel: Vessel, massG: number, content: keyof typeof CONTENT_DENSITY): VesselFit {
  const volumeMl = massG / CONTENT_DENSITY[content]
  const roomMl = vessel.capacityMl * vessel.workingFillShare
  const fits = volumeMl <= roomMl
  const sentence = fits
    ? `${Math.round(volumeMl)} ml in a vessel worked up to ${Math.round(roomMl)} ml.`
    : `${Math.round(volumeMl)} ml do not fit: ${vessel.name} is worked up to ${Math.round(roomMl)} ml of ${Math.round(vessel.capacityMl)} ml.`
  return { fits, volumeMl, roomMl, sentence }
}
