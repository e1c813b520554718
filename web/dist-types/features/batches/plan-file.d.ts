import type { Plan, PlanResult } from '@ostler/core'
/** Hands a plan to the person as a file. */
export declare function downloadPlan(plan: Plan): void
/** Reads a plan from a file that someone chose, whatever it is. */
export declare function planFromFile(file: File): Promise<PlanResult>
