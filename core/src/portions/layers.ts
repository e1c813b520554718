import { baseAreaMm2, displacedMm3, fillVolumeMl, layerHeights } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'

/** A layer as it lies in the first mould. Heights from the mould's floor. */
export interface Layer {
  pour: string
  cup: string
  fromMm: number
  toMm: number
  heightMm: number
  /** In all moulds together. */
  volumeMl: number
  /** What goes into all moulds, scent and colour included. */
  massG: number
}

/**
 * Layers stacked from the floor up; the last ends exactly at the fill height. Further moulds take the same shares. Where
 * embeds or a mat lie in the first mould, a layer is so much less batter; at least a hundredth of it is left.
 */
export function stackLayers(plan: Plan): Layer[] {
  const areaMm2 = baseAreaMm2(plan.mould)
  const moreMl = plan.moreMoulds.reduce((sum, mould) => sum + fillVolumeMl(mould), 0)
  let floor = 0
  return layerHeights(plan).map((heightMm, i, all) => {
    const fromMm = floor
    const toMm = i === all.length - 1 ? plan.mould.fillMm : floor + heightMm
    floor = toMm
    const inFirstMl = firstMouldMl(plan, areaMm2, fromMm, toMm)
    const volumeMl = inFirstMl + (moreMl * (toMm - fromMm)) / plan.mould.fillMm
    const pour = plan.score[i]!
    const massG = volumeMl * plan.conditions.densityGPerMl
    return { pour: pour.id, cup: pour.cup, fromMm, toMm, heightMm: toMm - fromMm, volumeMl, massG }
  })
}

/** Batter between two heights of the first mould, ml. */
function firstMouldMl(plan: Plan, areaMm2: number, fromMm: number, toMm: number): number {
  const whole = (toMm - fromMm) * areaMm2
  const { cavities } = plan.mould
  const taken = cavities * displacedMm3(plan, areaMm2 / cavities, fromMm, toMm)
  return Math.max(0.01 * whole, whole - taken) / 1000
}

/** What one mould takes of each cup. */
export interface MouldPart {
  name: string
  cavities: number
  volumeMl: number
  /** By cup, in the plan's order; for each cavity the same. */
  parts: { cup: string; massG: number; perCavityG: number }[]
}

/** Every mould's part of every cup: volumes by each mould's own fill, shares by the score. */
export function mouldParts(plan: Plan, layers: readonly Layer[]): MouldPart[] {
  const shareOf = (cup: string) =>
    layers.reduce((sum, layer) => (layer.cup === cup ? sum + layer.heightMm / plan.mould.fillMm : sum), 0)
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
        const massG = ml * plan.conditions.densityGPerMl
        return { cup: cup.id, massG, perCavityG: massG / mould.cavities }
      }),
    }
  })
}
