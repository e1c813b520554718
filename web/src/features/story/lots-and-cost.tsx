import { COST_GROUPS, findById, priceFor, showMass } from '@ostler/core'
import type { CostGroup, RecordState, ShelfItem } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { pricingQuery } from '../../api/client.ts'
import { lotsQuery } from '../../api/workshop.ts'
import { showMoney, useCost } from '../../parts/use-cost.ts'
import { useBatch, useHabits } from '../../plan/context.tsx'
import { Part, Table } from './part.tsx'
import { t } from '../../words/index.ts'
import { inWords } from '../../ui/options.ts'

interface Props {
  batch: string
  state: RecordState
}

/** The lots that are in it, and what a bar costs. */
export function LotsAndCost({ batch, state }: Props) {
  const habits = useHabits()
  const { shelf } = useBatch()
  const { data: lots } = useQuery(lotsQuery(batch))
  const { data: pricing } = useQuery(pricingQuery)
  return (
    <>
      {lots && lots.length > 0 && (
        <Part title={t('Lots in it')}>
          <Table
            heads={['what', 'lot', 'amount']}
            rows={lots.map(use => ({
              what: findById<ShelfItem>(shelf[use.kind], use.item)?.name ?? use.item,
              cells: [use.mark || t('not marked'), showMass(use.massG, habits, 0.1)],
            }))}
          />
        </Part>
      )}
      {pricing && state.cutCount !== null && <Cost pricing={pricing} />}
    </>
  )
}

function Cost({ pricing }: { pricing: Parameters<typeof useCost>[0] }) {
  const reckoned = useCost(pricing)
  if (!reckoned) return null
  const { cost, bars } = reckoned
  const groups = inWords<CostGroup>(COST_GROUPS).filter(([group]) => cost.groups[group] > 0)
  return (
    <Part title={t('What a bar costs')}>
      <Table
        rows={[
          ...groups.map(([group, name]) => ({ what: name, cells: [showMoney(cost.groups[group] / bars, pricing)] })),
          {
            what: <strong>{t('together, of {bars} bars', { bars })}</strong>,
            cells: [<strong key="sum">{showMoney(cost.perBar, pricing)}</strong>],
          },
          {
            what: t('sold at, with {margin} % left over', { margin: Math.round(pricing.margin * 100) }),
            cells: [showMoney(priceFor(cost.perBar, pricing), pricing)],
          },
        ]}
      />
    </Part>
  )
}
