import { onBasis, at } from '@ostler/core'
import type { WaterBasis } from '@ostler/core'
import { useBatch, useForecast, useHabits, usePlan } from '../plan/context.tsx'
import { QuantityField } from '../ui/quantity.tsx'
import { t } from '../words/index.ts'

interface Props {
  basis: WaterBasis
  label: string
  width?: number
  /** Says which of the four is the one kept. */
  showsKept?: boolean
}

/** Water on one of its bases. What is typed makes that basis the one kept; the others follow. */
export function WaterField({ basis, label, width, showsKept = false }: Props) {
  const batch = useBatch()
  const habits = useHabits()
  const water = usePlan(state => state.plan.recipe.water)
  const readings = useForecast()?.recipe.water
  const isKept = water.basis === basis
  const value = isKept ? water.value : readings ? onBasis(readings, basis) : 0
  const set = (next: number) =>
    batch.edit(
      { kind: 'set', path: at(plan => plan.recipe.water), value: { ...water, basis, value: next } },
      `water ${basis}`,
    )
  return (
    <QuantityField
      label={label}
      value={value}
      kind={basis === 'ratio' ? 'plain' : 'share'}
      habits={habits}
      onValue={set}
      {...(width !== undefined && { width })}
      {...(showsKept &&
        isKept && { hint: <span className="text-[13px] font-semibold whitespace-nowrap">{t('kept')}</span> })}
    />
  )
}
