import { fact } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { PlannedScent } from './scent-part.ts'
import { CONSTANTS } from '../quantities/constants/index.ts'
import { findById, idFromName, newItem } from '../shelf/index.ts'
import type { AccelerationClass, HeatClass, Scent, Shelf } from '../shelf/index.ts'

/** Cured bar from 100 g of oils, g: at least this much, so limits on the bar are cautious on the oils. */
const CURED_PER_OILS = CONSTANTS.curedPerOils.value
/** What a plan takes at all; stands for the limit of a scent that is not on the shelf. */
const MOST_LOAD = 0.1
/** Drops to a millilitre: pipettes differ by half, so drops are only a help. */
const DROPS_PER_ML = 20

/** An item's limit as a share of the oils. */
export function limitOfOils(scent: Scent, batterPerOils: number): number {
  switch (scent.limitBasis) {
    case 'oils':
      return scent.limitShare
    case 'batter':
      return scent.limitShare * batterPerOils
    case 'soap':
      return scent.limitShare * CURED_PER_OILS
  }
}

export interface ScentPartLoad {
  scent: Scent | null
  id: string
  name: string
  /** Of the blend, 0 to 1; the parts sum to 1. */
  share: number
  /** Of the oils. */
  loadOfOils: number
  limitOfOils: number
  isOver: boolean
  dropsPerG: number
}

/** What a batch is scented with: its load on both bases, each part's limit, and which part limits the whole. */
export interface ScentLoad {
  parts: ScentPartLoad[]
  loadOfOils: number
  loadOfBatter: number
  /** Largest safe load of the whole in this ratio, share of the oils. */
  mostOfOils: number
  /** The part that sets it. */
  limiting: ScentPartLoad
  isOver: boolean
  /** Constituents that more than one part carries: their limits add up. */
  shared: string[]
  name: Words
}

/** Parts as they are smelled: at equal share the first named first. */
const nameOf = (parts: readonly ScentPartLoad[]): Words =>
  parts.length === 1
    ? parts[0]!.name
    : fact('recipe.blend-of', {
        split: [...parts].sort((a, b) => b.share - a.share)[0]!.name.split(' (')[0]!,
        partsCount: parts.length,
      })

function sharedConstituents(parts: readonly ScentPartLoad[]): string[] {
  const counts = new Map<string, number>()
  for (const part of parts)
    if (part.share > 0) for (const one of part.scent?.constituents ?? []) counts.set(one, (counts.get(one) ?? 0) + 1)
  return [...counts].filter(([, count]) => count > 1).map(([name]) => name)
}

/**
 * The load of a scent or blend. Blend limit = the smallest of (limit ÷ share) over its parts.
 *
 * @param batterPerOils g of batter for each g of oils
 */
export function scentLoad(planned: PlannedScent, shelf: Shelf, batterPerOils: number): ScentLoad {
  const whole = planned.parts.reduce((sum, part) => sum + part.share, 0)
  const loadOfOils = planned.basis === 'oils' ? planned.load : planned.load * batterPerOils
  const parts = planned.parts.map(({ scent: id, share }): ScentPartLoad => {
    const scent = findById(shelf.scents, id) ?? null
    const part = whole > 0 ? share / whole : 1 / planned.parts.length
    const limit = scent ? limitOfOils(scent, batterPerOils) : MOST_LOAD
    return {
      scent,
      id,
      name: scent?.name ?? id,
      share: part,
      loadOfOils: loadOfOils * part,
      limitOfOils: limit,
      isOver: loadOfOils * part > limit + 1e-9,
      dropsPerG: DROPS_PER_ML / (scent?.densityGPerMl ?? 0.95),
    }
  })
  const most = (part: ScentPartLoad) => (part.share > 0 ? part.limitOfOils / part.share : Infinity)
  const limiting = parts.reduce((least, part) => (most(part) < most(least) ? part : least))
  return {
    parts,
    loadOfOils,
    loadOfBatter: loadOfOils / batterPerOils,
    mostOfOils: most(limiting),
    limiting,
    isOver: parts.some(part => part.isOver),
    shared: sharedConstituents(parts),
    name: nameOf(parts),
  }
}

/** A share rounded down to hundredths of a percent: a cap is never rounded up. */
export const capShare = (share: number): number => Math.floor(share * 10_000 + 1e-6) / 10_000

/**
 * Shares of the parts such that each stands just at its limit at the load wanted, or keeps its wish where that is lower:
 * "as strong as allowed". The rest goes to the parts with room, in their ratio.
 *
 * @returns shares that sum to 1, or null when even all parts at their limits do not make the load
 */
export function sharesAtLimit(load: ScentLoad, wantedOfOils: number): number[] | null {
  const caps = load.parts.map(part => part.limitOfOils / wantedOfOils)
  if (caps.reduce((sum, cap) => sum + cap, 0) < 1 - 1e-9) return null
  const shares = load.parts.map(part => part.share)
  for (let round = 0; round < load.parts.length + 1; round += 1) {
    const over = shares.reduce((sum, share, i) => sum + Math.max(0, share - caps[i]!), 0)
    if (over < 1e-9) break
    shares.forEach((share, i) => (shares[i] = Math.min(share, caps[i]!)))
    const room = shares.map((share, i) => Math.min(1, caps[i]!) - share)
    const free = shares.reduce((sum, share, i) => (room[i]! > 1e-12 ? sum + Math.max(share, 1e-6) : sum), 0)
    shares.forEach((share, i) => {
      if (room[i]! > 1e-12) shares[i] = share + (over * Math.max(share, 1e-6)) / free
    })
  }
  return shares
}

/** From the calmest; a scent that nobody has told of stands between the mild and the lively ones. */
const PACE_ORDER: AccelerationClass[] = ['slows', 'none', 'mild', 'unknown', 'moderate', 'strong', 'seizes']
const worst = <T extends string>(order: readonly T[], values: readonly T[]): T =>
  values.reduce((most, value) => (order.indexOf(value) > order.indexOf(most) ? value : most), order[0]!)

/** A blend as an item of the shelf, as cautious as its most lively part. */
export function blendItem(name: string, load: ScentLoad, taken: (id: string) => boolean): Scent {
  const parts = load.parts.filter(part => part.scent !== null && part.share > 0)
  const of = <T>(value: (scent: Scent) => T): T[] => parts.map(part => value(part.scent!))
  const shares = parts.map(part => ({ scent: part.id, share: Number(part.share.toFixed(6)) }))
  return {
    ...newItem('scents'),
    id: idFromName(name, taken),
    name,
    type: 'blend',
    source: worst(
      ['measured', 'supplier', 'literature', 'hearsay'],
      of(scent => scent.source),
    ),
    acceleration: worst(
      PACE_ORDER,
      of(scent => scent.acceleration),
    ),
    limitShare: capShare(load.mostOfOils),
    limitBasis: 'oils',
    usualShareOfOils: Math.min(0.1, capShare(load.mostOfOils), load.loadOfOils),
    heat: scentHeat(load),
    ricing: worst(
      HEAT_ORDER,
      of(scent => scent.ricing),
    ),
    sensitiser: worst(
      ['low', 'moderate', 'high'],
      of(scent => scent.sensitiser),
    ),
    phototoxic: worst(
      ['no', 'check', 'yes'],
      of(scent => scent.phototoxic),
    ),
    constituents: [...new Set(of(scent => scent.constituents).flat())].slice(0, 12),
    parts: shares,
    note: '',
  }
}

const HEAT_ORDER: readonly HeatClass[] = ['none', 'low', 'medium', 'high']

/** The hottest part of a scent that carries at least a tenth of it. */
export const scentHeat = (load: ScentLoad): HeatClass =>
  load.parts.reduce<HeatClass>((worst, part) => {
    const heat = part.share >= 0.1 ? (part.scent?.heat ?? 'none') : 'none'
    return HEAT_ORDER.indexOf(heat) > HEAT_ORDER.indexOf(worst) ? heat : worst
  }, 'none')
