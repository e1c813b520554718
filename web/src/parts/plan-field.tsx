import { pathText, planField } from '@ostler/core'
import type { EditResult, FieldPath, Plan, QuantityKind } from '@ostler/core'
import type { ReactNode } from 'react'
import { useBatch, useHabits, usePlan } from '../plan/context.tsx'
import { QuantityField } from '../ui/quantity.tsx'
import { useToast } from '../ui/toast.tsx'
import { t } from '../words/index.ts'

interface Props {
  label: string
  kind: QuantityKind
  path: FieldPath
  bare?: boolean
  decimals?: number
  width?: number
  hint?: ReactNode
  densityGPerMl?: number
}

/** The number at `path` of the plan. */
function numberAt(plan: Plan, path: FieldPath): number {
  const found = path.reduce<unknown>((node, key) => (node as Record<string | number, unknown>)[key], plan)
  if (typeof found !== 'number') throw new Error(t('{path} is not a number of the plan', { path: pathText(path) }))
  return found
}

/** A quantity of the open plan, edited in place. */
export function PlanField({ path, ...field }: Props) {
  const batch = useBatch()
  const habits = useHabits()
  const value = usePlan(state => numberAt(state.plan, path))
  const set = (next: number) => batch.edit({ kind: 'set', path, value: next }, pathText(path))
  const said = planField(path)
  const range = { from: said?.from, to: said?.to, whole: said?.kind === 'whole' }
  return <QuantityField {...field} range={range} habits={habits} value={value} onValue={set} />
}

/** For edits that have no field to show a refusal beside: tells it in a note. */
export function useTold(): (result: EditResult) => void {
  const toast = useToast()
  return result => {
    if (!result.ok) toast(result.sentence)
  }
}
