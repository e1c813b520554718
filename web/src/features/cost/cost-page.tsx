import {
  COST_GROUPS,
  costReckoned,
  cureForecast,
  batterWater,
  listOf,
  marginAt,
  priceFor,
  recordFold,
  runSheet,
  stockNeeds,
} from '@ostler/core'
import type { CostGroup, CostReckoned, Pricing } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { useMemo } from 'react'
import { Link, useParams } from 'react-router'
import { pricingQuery, recordQuery } from '../../api/client.ts'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { useHeatPlan } from '../../parts/use-heat.ts'
import { Section } from '../../ui/section.tsx'
import { Say } from '../../ui/say.tsx'
import { PricingFields } from './pricing-fields.tsx'

/** Cutting, and clearing away, h. Engineering estimate. */
const AFTERWARDS_H = 0.75

/** Money as the workshop writes it, to the hundredth. */
const shown = (amount: number, { currency }: Pick<Pricing, 'currency'>) => `${amount.toFixed(2)} ${currency}`.trim()

/** What a bar costs, part by part, and what it may be sold for. */
export function CostPage() {
  const { data: pricing, error } = useQuery(pricingQuery)
  const forecast = useForecast()
  return (
    <main className="mx-auto w-full max-w-240 flex-1 px-5 py-4 max-[900px]:px-3">
      <h1 className="text-2xl">What a bar costs</h1>
      <ForecastRefused />
      {error && <p className="text-rust">{error.message}</p>}
      {pricing && forecast && <Reckoned pricing={pricing} />}
    </main>
  )
}

interface BarCost {
  cost: CostReckoned
  bars: number
  hours: number
}

/** The batch as it was cut, or as it is planned; work by the run sheet and the pour. */
function useCost(pricing: Pricing): BarCost | null {
  const { id = '' } = useParams()
  const plan = usePlan(state => state.plan)
  const { shelf } = useBatch()
  const forecast = useForecast()
  const heat = useHeatPlan()
  const { data: record } = useQuery(recordQuery(id))
  return useMemo(() => {
    if (!forecast || !heat) return null
    const { cutCount, yields } = recordFold(record?.entries ?? [])
    const cure = cureForecast(plan, batterWater(plan, forecast.portions, shelf))
    const bars = Math.max(0, (cutCount ?? cure.bars.count) - yields.samples.count)
    const minutes = runSheet(plan, shelf, forecast.portions, heat).busyMin + forecast.lanes.endMin
    const hours = minutes / 60 + AFTERWARDS_H
    const stock = stockNeeds(plan, shelf, forecast.portions)
    const cost = costReckoned({ stock, hours, bars, curedG: cure.curedG }, pricing)
    return cost && { cost, bars, hours }
  }, [forecast, heat, plan, pricing, record, shelf])
}

function Reckoned({ pricing }: { pricing: Pricing }) {
  const reckoned = useCost(pricing)
  const habits = useHabits()
  if (!reckoned) return <p className="mt-3 text-lg">No bar comes of this plan that could bear its cost.</p>
  const { cost, bars, hours } = reckoned
  const price = priceFor(cost.perBar, pricing)
  return (
    <>
      <dl className="mt-4 flex flex-wrap gap-x-12 gap-y-3">
        <Large
          what="a bar costs"
          value={shown(cost.perBar, pricing)}
          more={`${bars} bars of ${shown(cost.whole, pricing)}`}
        />
        <Large
          what={`with ${Math.round(pricing.margin * 100)} % left over`}
          value={shown(price, pricing)}
          more={pricing.roundTo > 0 ? `rounded up to ${shown(pricing.roundTo, pricing)}` : 'not rounded'}
        />
        {habits.mass === 'g' && (
          <Large what="100 g, cured, cost" value={shown(cost.per100G, pricing)} more="to compare sizes" />
        )}
      </dl>
      {cost.unpriced.length > 0 && (
        <p className="mt-3 max-w-160 border-l-4 border-rust pl-3">
          △ Without a price on the{' '}
          <Link to="/shelf" className="underline">
            shelf
          </Link>
          , and left out: <Say of={listOf(cost.unpriced)} />. The bar costs more than this.
        </p>
      )}
      <div className="mt-6 grid grid-cols-2 gap-10 max-[900px]:grid-cols-1">
        <Section title="Part by part" aside={<span className="text-soft">of a bar</span>}>
          <Parts cost={cost} bars={bars} pricing={pricing} hours={hours} />
        </Section>
        <Section title="At other prices" aside={<span className="text-soft">what is left over</span>}>
          <AtPrices perBar={cost.perBar} price={price} pricing={pricing} />
        </Section>
      </div>
      <PricingFields pricing={pricing} />
    </>
  )
}

function Large({ what, value, more }: { what: string; value: string; more: string }) {
  return (
    <div>
      <dt className="text-soft">{what}</dt>
      <dd className="text-4xl font-semibold">{value}</dd>
      <dd className="text-[14px] text-soft">{more}</dd>
    </div>
  )
}

interface PartsProps extends BarCost {
  pricing: Pricing
}

function Parts({ cost, bars, hours, pricing }: PartsProps) {
  const rows = (Object.entries(COST_GROUPS) as [CostGroup, string][]).filter(([group]) => cost.groups[group] > 0)
  return (
    <table className="w-full">
      <tbody>
        {rows.map(([group, name]) => (
          <tr key={group} className="border-b border-line">
            <th scope="row" className="py-1 text-left font-normal">
              {name}
              {group === 'work' && <span className="text-soft"> {hours.toFixed(1)} h for the batch</span>}
            </th>
            <td className="w-32">
              <span
                aria-hidden
                className="block h-2 bg-ink"
                style={{ width: `${(cost.groups[group] / cost.whole) * 100}%` }}
              />
            </td>
            <td className="text-right">{shown(cost.groups[group] / bars, pricing)}</td>
          </tr>
        ))}
        <tr>
          <th scope="row" className="py-1 text-left">
            together
          </th>
          <td />
          <td className="text-right font-semibold">{shown(cost.perBar, pricing)}</td>
        </tr>
      </tbody>
    </table>
  )
}

/** Steps below and above the price, in steps of its rounding or of a tenth. */
function AtPrices({ perBar, price, pricing }: { perBar: number; price: number; pricing: Pricing }) {
  const step = pricing.roundTo > 0 ? pricing.roundTo : Math.max(0.01, price / 10)
  const prices = [-2, -1, 0, 1, 2].map(n => price + n * step).filter(one => one > 0)
  return (
    <table className="w-full max-w-80">
      <tbody>
        {prices.map(one => {
          const margin = marginAt(perBar, one) ?? 0
          return (
            <tr key={one} className={`border-b border-line ${one === price ? 'font-semibold' : ''}`}>
              <th scope="row" className="py-1 text-left font-[inherit]">
                {shown(one, pricing)}
              </th>
              <td className={`text-right ${margin < 0 ? 'text-rust' : ''}`}>
                {margin < 0 ? '△ at a loss: ' : ''}
                {shown(one - perBar, pricing)}, {Math.round(margin * 100)} %
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
