import { MAX_PLAN_BYTES, readPlanText, runFromPlan, writePlan } from '@ostler/core'
import type { FromPlan, Plan, PlanResult } from '@ostler/core'

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

export interface PlanFile {
  result: PlanResult
  /** What was ticked, weighed and read, in a file of an older version. */
  run: FromPlan | null
}

/** Reads a plan from a file that someone chose, whatever it is. */
export async function planFromFile(file: File): Promise<PlanFile> {
  if (file.size > MAX_PLAN_BYTES) return { result: readPlanText(' '.repeat(MAX_PLAN_BYTES + 1)), run: null }
  const text = await file.text()
  const result = readPlanText(text)
  return { result, run: result.ok ? runFromPlan(JSON.parse(text), new Date(file.lastModified)) : null }
}
