import type { BatchAnswer, Plan } from '@ostler/core'

/** What of a batch a page gets to work on. */
export const COLUMNS = ['id', 'revision', 'plan', 'updated_at'] as const

export interface Row {
  id: string
  revision: number
  plan: Plan
  updated_at: Date
}

export const answer = (row: Row): BatchAnswer => ({
  id: row.id,
  name: row.plan.name,
  revision: row.revision,
  updatedAt: row.updated_at.toISOString(),
  plan: row.plan,
})
