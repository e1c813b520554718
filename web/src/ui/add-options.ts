import { ACCELERATIONS, LIMIT_BASES, showMass, stockOf } from '@ostler/core'
import type { Additive, Colorant, Liquid, MouldShape, Oil, Scent, ShelfItem, UnitHabits } from '@ostler/core'
import { showShare, t } from '../words/index.ts'

/** One line of an add list: its name, what one chooses by, and its colour where it has one. */
export interface AddOption {
  id: string
  name: string
  detail?: string
  hex?: string
}

/** What is left of it, where lots are kept. */
const stock = (item: ShelfItem, habits: UnitHabits): string =>
  item.lots.length > 0 ? t('{item} left', { item: showMass(stockOf(item), habits, 1) }) : ''

const joined = (...parts: string[]): string => parts.filter(part => part !== '').join(' · ')

export const oilOptions = (oils: readonly Oil[], habits: UnitHabits): AddOption[] =>
  oils.map(oil => ({
    id: oil.id,
    name: oil.blend.length > 0 ? t('{oil} (blend)', { oil: oil.name }) : oil.name,
    detail: joined(
      oil.texture === 'soft' ? 'liquid' : 'hard',
      t('usually up to {usualMostShare}', { usualMostShare: showShare(oil.usualMostShare, 0) }),
      stock(oil, habits),
    ),
  }))

export const scentOptions = (scents: readonly Scent[], habits: UnitHabits): AddOption[] =>
  scents.map(scent => ({
    id: scent.id,
    name: scent.type === 'blend' ? t('{scent} (blend)', { scent: scent.name }) : scent.name,
    detail: joined(
      t('quickens: {acceleration}', { acceleration: t(ACCELERATIONS[scent.acceleration]) }),
      // A limit is never shown larger than it is.
      t('limit {limitShare} {limitBasis}', {
        limitShare: showShare(Math.floor(scent.limitShare * 10_000 + 1e-6) / 10_000, 2),
        limitBasis: t(LIMIT_BASES[scent.limitBasis]),
      }),
      stock(scent, habits),
    ),
  }))

export const colorantOptions = (colorants: readonly Colorant[], habits: UnitHabits): AddOption[] =>
  colorants.map(one => ({
    id: one.id,
    name: one.name,
    hex: one.soapHex,
    detail: joined(
      one.family,
      t('up to {usualMaxGPerKg} g/kg', { usualMaxGPerKg: one.usualMaxGPerKg }),
      stock(one, habits),
    ),
  }))

export const additiveOptions = (additives: readonly Additive[], habits: UnitHabits): AddOption[] =>
  additives.map(one => ({
    id: one.id,
    name: one.name,
    detail: joined(
      one.role,
      t('{usualLeastGPerKg} to {usualMostGPerKg} g/kg', {
        usualLeastGPerKg: one.usualLeastGPerKg,
        usualMostGPerKg: one.usualMostGPerKg,
      }),
      stock(one, habits),
    ),
  }))

export const liquidOptions = (liquids: readonly Liquid[], habits: UnitHabits): AddOption[] =>
  liquids.map(one => ({
    id: one.id,
    name: one.name,
    detail: joined(
      t('{waterShare} water, {fatShare} fat', {
        waterShare: showShare(one.waterShare, 0),
        fatShare: showShare(one.fatShare),
      }),
      t('up to {mostShareOfWater} of the water', { mostShareOfWater: showShare(one.mostShareOfWater, 0) }),
      stock(one, habits),
    ),
  }))

export const mouldOptions = (moulds: readonly MouldShape[]): AddOption[] =>
  moulds.map(one => ({
    id: one.id,
    name: one.name,
    detail: one.cavities > 1 ? t('{cavities} cavities', { cavities: one.cavities }) : t('one piece'),
  }))
