import { at } from './at.ts'
import type { CupColorant } from './cup-part.ts'
import type { Plan } from './document.ts'
import type { Edit } from './edit.ts'
import { freshId } from './edit-result.ts'
import { plainCup } from './starter.ts'

/** What a blank is to tell apart from the plain one: the batch's scent, or one of its colours. */
export type Suspect = { is: 'scent' } | { is: 'colorant'; part: CupColorant }

/** Weight of a blank with one suspect, g: enough to weigh its powder on a fine scale, and to see it set. */
const BLANK_G = 40

/**
 * What may be tried alone: the scent, where it does not go into the whole pot anyway, and each colour of the cups once. None where
 * each cup is a batter of its own: then there is no pot to draw a second blank from.
 */
export function suspects(plan: Plan): Suspect[] {
  if (plan.division.mode !== 'one-pot' || plan.whipped) return []
  const parts = new Map(plan.cups.flatMap(cup => cup.colorants).map(part => [part.colorant, part]))
  const colours = [...parts.values()].map((part): Suspect => ({ is: 'colorant', part }))
  return plan.scent && plan.scent.moment !== 'oils' ? [{ is: 'scent' }, ...colours] : colours
}

/** A second blank with only the suspect: a cup that is not poured, and all of it kept back beside the plain blank. */
export function suspectBlank(plan: Plan, suspect: Suspect, name: string): Edit {
  const cup = {
    ...plainCup(freshId('cup', plan.cups), name.slice(0, 40)),
    scented: suspect.is === 'scent',
    colorants: suspect.is === 'colorant' ? [suspect.part] : [],
  }
  const reserve = { id: freshId('reserve', plan.reserves), use: 'sample' as const, cup: cup.id, massG: BLANK_G }
  const edits: Edit[] = [
    { kind: 'add-cup', cup },
    { kind: 'set', path: at(plan => plan.reserves), value: [...plan.reserves, reserve] },
  ]
  return { kind: 'many', edits }
}
