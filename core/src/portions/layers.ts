import {
  batterDensity,
  baseAreaMm2,
  cavityKinds,
  displacedMm3,
  fillVolumeMl,
  heightsIn,
  pourShares,
} from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'

/** A layer as it lies in the first mould. Heights from the mould's floor, where it stands first. */
export interface Layer {
  pour: string
  cup: string
  fromMm: number
  toMm: number
  heightMm: number
  /** Of all that lies in the first mould. */
  share: number
  /** In all moulds together. */
  volumeMl: number
  /** What goes into all moulds, scent and colour included. */
  massG: number
}

/**
 * Layers stacked from the floor up in every kind of cavity; the last ends exactly at the fill height. Further moulds take the
 * same shares. Where embeds or a mat lie in the first mould, a layer is so much less batter; at least a hundredth of it is left.
 */
export function stackLayers(plan: Plan): Layer[] {
  const areaMm2 = baseAreaMm2(plan.mould) / plan.mould.cavities
  const moreMl = plan.moreMoulds.reduce((sum, mould) => sum + fillVolumeMl(mould), 0)
  const shares = pourShares(plan)
  const layers = plan.score.map((pour, i): Layer => ({
    pour: pour.id,
    cup: pour.cup,
    fromMm: 0,
    toMm: 0,
    heightMm: 0,
    share: shares[i]!,
    volumeMl: moreMl * shares[i]!,
    massG: 0,
  }))
  for (const kind of cavityKinds(plan)) {
    let floor = 0
    heightsIn(plan, kind).forEach((heightMm, n, all) => {
      const layer = layers[kind.pours[n]!]!
      const fromMm = floor
      const toMm = n === all.length - 1 ? plan.mould.fillMm : floor + heightMm
      floor = toMm
      layer.volumeMl += kind.cavities.length * cavityMl(plan, areaMm2, fromMm, toMm)
      if (layer.heightMm === 0) Object.assign(layer, { fromMm, toMm, heightMm: toMm - fromMm })
    })
  }
  return layers.map(layer => ({ ...layer, massG: layer.volumeMl * batterDensity(plan) }))
}

/** Batter between two heights of one cavity of the first mould, ml. */
function cavityMl(plan: Plan, areaMm2: number, fromMm: number, toMm: number): number {
  const whole = (toMm - fromMm) * areaMm2
  return Math.max(0.01 * whole, whole - displacedMm3(plan, areaMm2, fromMm, toMm)) / 1000
}

/** What one mould takes of each cup. */
export interface MouldPart {
  name: string
  cavities: number
  volumeMl: number
  /** By cup, in the plan's order; for each cavity that it goes into the same. */
  parts: { cup: string; massG: number; perCavityG: number }[]
}

/** Every mould's part of every cup: volumes by each mould's own fill, shares by the score. */
export function mouldParts(plan: Plan, layers: readonly Layer[]): MouldPart[] {
  const shareOf = (cup: string) => layers.reduce((sum, layer) => (layer.cup === cup ? sum + layer.share : sum), 0)
  const othersMl = plan.moreMoulds.map(fillVolumeMl)
  const allOthersMl = othersMl.reduce((sum, ml) => sum + ml, 0)
  const firstMl = layers.reduce((sum, layer) => sum + layer.volumeMl, 0) - allOthersMl
  const inFirstMl = (cup: string) =>
    layers.reduce((sum, layer) => (layer.cup === cup ? sum + layer.volumeMl : sum), 0) - allOthersMl * shareOf(cup)
  return [plan.mould, ...plan.moreMoulds].map((mould, i) => {
    const volumeMl = i === 0 ? firstMl : othersMl[i - 1]!
    return {
      name: mould.name,
      cavities: mould.cavities,
      volumeMl,
      parts: plan.cups.map(cup => {
        const ml = i === 0 ? inFirstMl(cup.id) : volumeMl * shareOf(cup.id)
        const massG = ml * batterDensity(plan)
        const into = i === 0 ? cavitiesWith(plan, cup.id) : mould.cavities
        return { cup: cup.id, massG, perCavityG: massG / into }
      }),
    }
  })
}

/** How many cavities of the first mould get something of a cup; 1 at least. */
const cavitiesWith = (plan: Plan, cup: string): number =>
  Math.max(
    1,
    cavityKinds(plan)
      .filter(kind => kind.pours.some(i => plan.score[i]!.cup === cup))
      .reduce((sum, kind) => sum + kind.cavities.length, 0),
  )
