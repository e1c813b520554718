import { freshId, newCupColorant, plainCup } from '@ostler/core'
import type { Cup, Plan, Shelf } from '@ostler/core'
import { t } from '../words/index.ts'

/** A cup with the first lasting colorant on the shelf that no other cup uses, at its usual dose. */
export function newCup(plan: Plan, shelf: Shelf): Cup {
  const used = new Set(plan.cups.flatMap(cup => cup.colorants.map(part => part.colorant)))
  const colorant = shelf.colorants.find(
    one => !used.has(one.id) && !one.archived && one.inLye === 'stable' && one.inLight === 'fast',
  )
  const id = freshId('cup', plan.cups)
  if (!colorant) return plainCup(id, t('Cup {cups}', { cups: plan.cups.length + 1 }))
  return { ...plainCup(id, shortName(colorant.name)), colorants: [newCupColorant(colorant)] }
}

/** "Mica, teal" is Teal, "Red iron oxide" stays; at most 40 letters. */
function shortName(name: string): string {
  const [family = name, shade] = name.split(', ')
  const text = family === 'Mica' && shade ? shade : family
  return (text.charAt(0).toUpperCase() + text.slice(1)).slice(0, 40)
}
