import { ACCELERATIONS, LIMIT_BASES, showMass, showShare, stockOf } from '@ostler/core'
import type { Additive, Colorant, Liquid, MouldShape, Oil, Scent, ShelfItem, UnitHabits } from '@ostler/core'

/** One line of an add list: its name, what one chooses by, and its colour where it has one. */
export interface AddOption {
  id: string
  name: string
  detail?: string
  hex?: string
}

/** What is left of it, where lots are kept. */
const stock = (item: ShelfItem, habits: UnitHabits): string =>
  item.lots.length > 0 ? `${showMass(stockOf(item), habits, 1)} left` : ''

const joined = (...parts: string[]): string => parts.filter(part => part !== '').join(' · ')

export const oilOptions = (oils: readonly Oil[], habits: UnitHabits): AddOption[] =>
  oils.map(oil => ({
    id: oil.id,
    name: oil.blend.length > 0 ? `${oil.name} (blend)` : oil.name,
    detail: joined(
      oil.texture === 'soft' ? 'liquid' : 'hard',
      `usually up to ${showShare(oil.usualMostShare, 0)}`,
      stock(oil, habits),
    ),
  }))

export const scentOptions = (scents: readonly Scent[], habits: UnitHabits): AddOption[] =>
  scents.map(scent => ({
    id: scent.id,
    name: scent.type === 'blend' ? `${scent.name} (blend)` : scent.name,
    detail: joined(
      `quickens: ${ACCELERATIONS[scent.acceleration]}`,
      // A limit is never shown larger than it is.
      `limit ${showShare(Math.floor(scent.limitShare * 10_000 + 1e-6) / 10_000, 2)} ${LIMIT_BASES[scent.limitBasis]}`,
      stock(scent, habits),
    ),
  }))

export const colorantOptions = (colorants: readonly Colorant[], habits: UnitHabits): AddOption[] =>
  colorants.map(one => ({
    id: one.id,
    name: one.name,
    hex: one.soapHex,
    detail: joined(one.family, `up to ${one.usualMaxGPerKg} g/kg`, stock(one, habits)),
  }))

export const additiveOptions = (additives: readonly Additive[], habits: UnitHabits): AddOption[] =>
  additives.map(one => ({
    id: one.id,
    name: one.name,
    detail: joined(one.role, `${one.usualLeastGPerKg} to ${one.usualMostGPerKg} g/kg`, stock(one, habits)),
  }))

export const liquidOptions = (liquids: readonly Liquid[], habits: UnitHabits): AddOption[] =>
  liquids.map(one => ({
    id: one.id,
    name: one.name,
    detail: joined(
      `${showShare(one.waterShare, 0)} water, ${showShare(one.fatShare)} fat`,
      `up to ${showShare(one.mostShareOfWater, 0)} of the water`,
      stock(one, habits),
    ),
  }))

export const mouldOptions = (moulds: readonly MouldShape[]): AddOption[] =>
  moulds.map(one => ({
    id: one.id,
    name: one.name,
    detail: one.cavities > 1 ? `${one.cavities} cavities` : 'one piece',
  }))
