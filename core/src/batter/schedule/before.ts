import { fact, together } from '../../quantities/facts/index.ts'
import type { Fact } from '../../quantities/facts/index.ts'
import { MOVE_TOOLS } from '../../plan/index.ts'
import type { Plan } from '../../plan/index.ts'

/** What is done before the lye goes in, so that no hand does it while the batter thickens. */
export function beforeLye(plan: Plan): Fact[] {
  const poured = new Set(plan.score.map(pour => pour.cup))
  const cups = plan.cups.filter(cup => poured.has(cup.id))
  const colours = cups.flatMap(cup => cup.colorants.filter(part => part.medium !== 'none')).length
  const scents = new Set(cups.flatMap(cup => (cup.ownScent ? [cup.id] : cup.scented && plan.scent ? ['shared'] : [])))
  const { scent, mould } = plan
  const isEach = scent?.moment === 'with-colour' || scent?.moment === 'last'
  const perCup = isEach && cups.filter(cup => cup.scented).length > 1
  const scentWords =
    scent?.moment === 'oils'
      ? fact('schedule.scent-weighed-into-oils')
      : perCup
        ? fact('schedule.scent-weighed-share-for')
        : fact('schedule.scent-weighed-into-cup')
  const tools = [...new Set(plan.moves.filter(move => !move.off).map(move => MOVE_TOOLS[move.tool]))]
  return [
    ...(colours > 0 ? [fact('schedule.colours-mixed', { colours })] : []),
    ...(scents.size > 0 ? [scentWords] : []),
    ...(cups.length > 1 ? [fact('schedule.cups-set-out-order', { cupsCount: cups.length })] : []),
    ...(tools.length > 0
      ? [
          fact('schedule.at-hand', {
            tools: together(
              tools.map(tool => fact(tool)),
              ', ',
            ),
          }),
        ]
      : []),
    ...(plan.finish.toppings.length > 0 ? [fact('schedule.toppings-weighed')] : []),
    mould.lining === 'none' ? fact('schedule.mould-level') : fact('schedule.mould-lined-level'),
  ]
}
