import { MOVE_TOOLS } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'

const counted = (count: number, one: string, many: string) => (count === 1 ? one : `${count} ${many}`)

/** What is done before the lye goes in, so that no hand does it while the batter thickens. */
export function beforeLye(plan: Plan): string[] {
  const poured = new Set(plan.score.map(pour => pour.cup))
  const cups = plan.cups.filter(cup => poured.has(cup.id))
  const colours = cups.flatMap(cup => cup.colorants.filter(part => part.medium !== 'none')).length
  const scents = new Set(cups.flatMap(cup => (cup.ownScent ? [cup.id] : cup.scented && plan.scent ? ['shared'] : [])))
  const { scent, mould } = plan
  const isEach = scent?.moment === 'with-colour' || scent?.moment === 'last'
  const perCup = isEach && cups.filter(cup => cup.scented).length > 1
  const scentWords =
    scent?.moment === 'oils'
      ? 'scent weighed into the oils'
      : perCup
        ? 'scent weighed, a share for each cup'
        : 'scent weighed into a cup of its own'
  const tools = [...new Set(plan.moves.filter(move => !move.off).map(move => MOVE_TOOLS[move.tool]))]
  return [
    ...(colours > 0 ? [counted(colours, 'the colour mixed in its liquid', 'colours mixed in their liquid')] : []),
    ...(scents.size > 0 ? [scentWords] : []),
    ...(cups.length > 1 ? [`${cups.length} cups set out in the order of the pours`] : []),
    ...(tools.length > 0 ? [`${tools.join(', ')} at hand`] : []),
    ...(plan.finish.toppings.length > 0 ? ['toppings weighed'] : []),
    mould.lining === 'none' ? 'mould level' : 'mould lined and level',
  ]
}
