export { refit } from './refit.ts'

export { clockMinutes, heatPlan, mixedC } from './heat-plan.ts'
export type { BodyPlan, HeatPlan, HeatReading } from './heat-plan.ts'
export { heatWorkings } from './workings.ts'
