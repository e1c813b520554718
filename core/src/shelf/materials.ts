import { fact } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { Material, Vessel } from './equipment.ts'

/** How a material stands a use. */
export type Suits = 'yes' | 'care' | 'no'

export interface MaterialVerdict {
  lye: Suits
  batter: Suits
  sentence: Words
}

/** What the craft's safety practice says of materials. "lye" means hot lye solution. */
export const MATERIAL_VERDICTS: Readonly<Record<Material, MaterialVerdict>> = {
  pp: { lye: 'yes', batter: 'yes', sentence: fact('shelf.polypropylene-stands-hot-lye') },
  hdpe: { lye: 'care', batter: 'yes', sentence: fact('shelf.hdpe-softens-near-85') },
  steel: {
    lye: 'yes',
    batter: 'yes',
    sentence: fact('shelf.stainless-steel-stands-lye'),
  },
  silicone: { lye: 'care', batter: 'yes', sentence: fact('shelf.silicone-suits-batter-hot') },
  enamel: { lye: 'care', batter: 'care', sentence: fact('shelf.enamel-good-until-chips') },
  ldpe: { lye: 'no', batter: 'yes', sentence: fact('shelf.ldpe-softens-at-60') },
  glass: { lye: 'no', batter: 'care', sentence: fact('shelf.glass-can-shatter-with') },
  aluminium: { lye: 'no', batter: 'no', sentence: fact('shelf.lye-eats-aluminium-sets') },
  wood: { lye: 'no', batter: 'care', sentence: fact('shelf.wood-splinters-lye') },
  pet: { lye: 'no', batter: 'no', sentence: fact('shelf.pet-softens-above-60') },
  polystyrene: { lye: 'no', batter: 'no', sentence: fact('shelf.polystyrene-softens-with-warm') },
  paper: { lye: 'no', batter: 'care', sentence: fact('shelf.coated-paper-leaks-at') },
  melamine: { lye: 'no', batter: 'care', sentence: fact('shelf.melamine-grows-brittle-hot') },
}

/** Density of what a vessel may hold, g/ml: usual values of the craft. */
export const CONTENT_DENSITY = { oils: 0.92, lye: 1.3, batter: 1.0 } as const

export interface VesselFit {
  fits: boolean
  volumeMl: number
  roomMl: number
  sentence: Words
}

/** Whether `massG` of something fits into a vessel with room to stir. */
export function vesselFit(vessel: Vessel, massG: number, content: keyof typeof CONTENT_DENSITY): VesselFit {
  const volumeMl = massG / CONTENT_DENSITY[content]
  const roomMl = vessel.capacityMl * vessel.workingFillShare
  const fits = volumeMl <= roomMl
  const sentence = fits
    ? fact('shelf.ml-vessel-worked-up', { volumeMl: Math.round(volumeMl), roomMl: Math.round(roomMl) })
    : fact('shelf.ml-do-not-fit', {
        volumeMl: Math.round(volumeMl),
        vessel: vessel.name,
        roomMl: Math.round(roomMl),
        capacityMl: Math.round(vessel.capacityMl),
      })
  return { fits, volumeMl, roomMl, sentence }
}
