import { MAX_PLAN_BYTES, readPlanText, writePlan } from '@ostler/core'
import type { Plan, PlanResult } from '@ostler/core'

/** Hands a plan to the person as a file. */
export function downloadPlan(plan: Plan): void {
  const url = URL.createObjectURL(new Blob([writePlan(plan)], { type: 'application/json' }))
  const link = document.createElement('a')
  link.href = url
  link.download = `${fileName(plan.name)}.json`
  link.click()
  setTimeout(() => URL.revokeObjectURL(url), 1000)
}

const fileName = (name: string): string =>
  name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'batch'

/** Reads a plan from a file that someone chose, whatever it is. */
export async function planFromFile(file: File): Promise<PlanResult> {
  if (file.size > MAX_PLAN_BYTES) return readPlanText(' '.repeat(MAX_PLAN_BYTES + 1))
  return readPlanText(await file.text())
}
