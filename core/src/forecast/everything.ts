import type { Plan } from '../plan/index.ts'
import { heatPlan } from '../batter/heat/index.ts'
import { compareWays, divisionSheet, linersOf, runSheet, toolList, topSheet } from '../preparation/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { stockNeeds, weighList } from '../weighing/index.ts'
import type { Forecast } from './forecast.ts'

/** What a forecast leaves to its own pages, since it takes longer: heat, weighing and preparation. */
export function everything(plan: Plan, shelf: Shelf, { portions }: Forecast) {
  const heat = heatPlan(plan, shelf, portions)
  return {
    heat,
    weighList: weighList(plan, portions, shelf),
    preparation: {
      tools: toolList(plan, shelf, portions),
      stock: stockNeeds(plan, shelf, portions),
      runSheet: runSheet(plan, shelf, portions, heat),
      liners: linersOf(plan),
      ways: compareWays(plan, portions),
      division: plan.division.mode === 'own-batters' ? divisionSheet(plan, shelf, portions) : null,
      top: topSheet(plan, shelf),
    },
  }
}
