import { Choice, NumberFrom, Parts, YesNo } from '../document/fields/index.ts'
import { MAX_SCENT_PARTS, ScentPart } from '../shelf/index.ts'

/** A scent as a plan has it: what it is made of, how much, when and how it goes in. */

export type ScentMoment = 'oils' | 'pot' | 'with-colour' | 'last' | 'never-stop'
export const SCENT_MOMENTS: readonly ScentMoment[] = ['oils', 'pot', 'with-colour', 'last', 'never-stop']

export const SCENT_WAYS = { hand: 'stirred in by hand', bursts: 'blended in, in two short bursts' } as const
export type ScentWay = keyof typeof SCENT_WAYS

/** One scent or a blend. Shares are parts of their sum. */
export class PlannedScent {
  @Parts(() => ScentPart, 1, MAX_SCENT_PARTS, `A scent has 1 to ${MAX_SCENT_PARTS} parts.`, { elements: 'scent' })
  parts!: ScentPart[]

  @NumberFrom(0, 0.1, 'Scent is from 0 to 10 %; the supplier’s limit comes first.')
  load!: number

  @Choice(['oils', 'batter'], 'Scent is measured by the oils or by the batter.', { start: 'oils' })
  basis!: 'oils' | 'batter'

  @Choice(SCENT_MOMENTS, `The moment for scent is one of ${SCENT_MOMENTS.join(', ')}.`, { start: 'with-colour' })
  moment!: ScentMoment

  @Choice(Object.keys(SCENT_WAYS), `Scent goes in one of these ways: ${Object.keys(SCENT_WAYS).join(', ')}.`, {
    start: 'hand',
  })
  how!: ScentWay

  @Choice(['cup', 'batch'], 'The load is of each scented cup, or of the whole batch.', {
    says: "'cup': each scented cup has this load; 'batch': the whole batch's scent goes into the scented cups.",
    start: 'cup',
  })
  spread!: 'cup' | 'batch'

  @NumberFrom(0, 3, 'Vanilla stabiliser is from 0 to 3 g per g of scent; the supplier’s document says how much.', {
    start: 0,
  })
  stabiliserRatio!: number

  @YesNo('Whether a blend is private is true or false.', {
    says: 'Its parts stay off everything that is printed or shared.',
    start: false,
  })
  isPrivate!: boolean
}
