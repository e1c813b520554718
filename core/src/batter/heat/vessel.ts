import { waterActivity, vapourPressure } from '../../recipe/index.ts'

/** What a vessel is made of, as far as heat goes. Engineering estimates. */
export type HeatMaterial = 'plastic' | 'steel'

interface Wall {
  /** kg of wall for each litre of capacity. */
  kgPerLitre: number
  /** kJ/(kg·K) */
  heatCapacity: number
  /** W/(m²·K) to still air and to stirred water. */
  toAir: number
  toBath: number
}

export const WALL_HEAT: Readonly<Record<HeatMaterial, Wall>> = {
  plastic: { kgPerLitre: 0.12, heatCapacity: 1.9, toAir: 11, toBath: 110 },
  steel: { kgPerLitre: 0.35, heatCapacity: 0.5, toAir: 9, toBath: 220 },
}

/** A vessel with its contents, sized by what is in it. Areas in m². */
export interface FilledVessel {
  material: HeatMaterial
  topM2: number
  sideM2: number
  /** Heat capacity of the wall that takes part, kJ/K. */
  wallKjPerK: number
}

/** A jug 2.2 times the size of its contents, 1.2 times as high as wide; four fifths of its wall take part. */
export function vesselFor(material: HeatMaterial, contentsM3: number): FilledVessel {
  const capacity = 2.2 * contentsM3
  const diameter = Math.cbrt((4 * capacity) / (1.2 * Math.PI))
  const topM2 = (Math.PI * diameter * diameter) / 4
  const { kgPerLitre, heatCapacity } = WALL_HEAT[material]
  return {
    material,
    topM2,
    sideM2: Math.PI * diameter * (contentsM3 / topM2),
    wallKjPerK: 0.8 * kgPerLitre * capacity * 1000 * heatCapacity,
  }
}

/** Vapour in an ordinary room, kPa. */
const ROOM_VAPOUR = 1.2

export interface AirLoss {
  bodyW: number
  topW: number
  /** Part of `topW` that leaves as vapour. */
  vapourW: number
}

/**
 * Heat that a vessel loses to the room, W.
 *
 * @param w        NaOH mass fraction of what is inside; null: nothing that evaporates
 * @param stirred  the first minutes: more draught along wall and surface
 */
export function airLoss(
  vessel: FilledVessel,
  c: number,
  roomC: number,
  w: number | null,
  { stirred = false, covered = false }: { stirred?: boolean; covered?: boolean } = {},
): AirLoss {
  const u = WALL_HEAT[vessel.material].toAir * (stirred ? 1.3 : 1)
  const surface = covered ? 0.6 : 1
  const drying = covered ? 0.15 : 1
  const pull = w === null ? 0 : Math.max(0, vapourPressure(c) * waterActivity(w) - ROOM_VAPOUR)
  const vapourW = drying * vessel.topM2 * ((stirred ? 12 : 6) / 0.066) * pull
  return {
    bodyW: u * (1.25 * vessel.sideM2 + 0.4 * vessel.topM2) * (c - roomC),
    topW: u * vessel.topM2 * surface * (c - roomC) + vapourW,
    vapourW,
  }
}
