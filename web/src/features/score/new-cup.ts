import { freshId } from '@ostler/core'
import type { Cup, Plan, Shelf } from '@ostler/core'

/** A cup with the first colorant on the shelf that no other cup uses, at its usual dose. */
export function newCup(plan: Plan, shelf: Shelf): Cup {
  const used = new Set(plan.cups.map(cup => cup.colorant?.colorant))
  const colorant = shelf.colorants.find(one => !used.has(one.id))
  return {
    id: freshId('cup', plan.cups),
    name: colorant ? shortName(colorant.name) : `Cup ${plan.cups.length + 1}`,
    swatch: colorant?.hex ?? '#e9e2d2',
    colorant: colorant
      ? {
          colorant: colorant.id,
          doseGPerKg: colorant.referenceDoseGPerKg,
          medium: colorant.medium,
          mediumRatio: colorant.mediumRatio,
        }
      : null,
    scented: true,
    clingG: 5,
  }
}

/** "Mica, teal" is Teal, "Red iron oxide" stays; at most 40 letters. */
function shortName(name: string): string {
  const [family = name, shade] = name.split(', ')
  const text = family === 'Mica' && shade ? shade : family
  return (text.charAt(0).toUpperCase() + text.slice(1)).slice(0, 40)
}
