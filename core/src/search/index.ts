export { FREEDOMS, searchPlans, slopesOf } from './best-plan.ts'
export type { FoundPlan, Freedom, SearchState, Slope } from './best-plan.ts'
