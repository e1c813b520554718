import { COST_GROUPS, inBand, listOf, marginAt, priceFor } from '@ostler/core'
import type { CostGroup, CostReckoned, CostVariant, Pricing } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { pricingQuery } from '../../api/client.ts'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { showMoney, useCost } from '../../parts/use-cost.ts'
import { useForecast, useHabits } from '../../plan/context.tsx'
import { Section } from '../../ui/section.tsx'
import { Say } from '../../ui/say.tsx'
import { PricingFields } from './pricing-fields.tsx'
import { fixed, rich, t } from '../../words/index.ts'
import { inWords } from '../../ui/options.ts'

/** What a bar costs, part by part, and what it may be sold for. */
export function CostPage() {
  const { data: pricing, error } = useQuery(pricingQuery)
  const forecast = useForecast()
  return (
    <main className="mx-auto w-full max-w-240 flex-1 px-5 py-4 max-[900px]:px-3">
      <h1 className="text-2xl">{t('What a bar costs')}</h1>
      <ForecastRefused />
      {error && <p className="text-rust">{error.message}</p>}
      {pricing && forecast && <Reckoned pricing={pricing} />}
    </main>
  )
}

function Reckoned({ pricing }: { pricing: Pricing }) {
  const reckoned = useCost(pricing)
  const habits = useHabits()
  if (!reckoned) return <p className="mt-3 text-lg">{t('No bar comes of this plan that could bear its cost.')}</p>
  const { cost, bars, hours, isWeighed, variants } = reckoned
  const price = priceFor(cost.perBar, pricing)
  return (
    <>
      <dl className="mt-4 flex flex-wrap gap-x-12 gap-y-3">
        <Large
          what={t('a bar costs')}
          value={showMoney(cost.perBar, pricing)}
          more={t('{bars} bars of {whole}', { bars, whole: showMoney(cost.whole, pricing) })}
        />
        <Large
          what={t('with {margin} % left over', { margin: Math.round(pricing.margin * 100) })}
          value={showMoney(price, pricing)}
          more={
            pricing.roundTo > 0
              ? t('rounded up to {money}', { money: showMoney(pricing.roundTo, pricing) })
              : t('not rounded')
          }
        />
        {habits.mass === 'g' && (
          <Large what={t('100 g, cured, cost')} value={showMoney(cost.per100G, pricing)} more={t('to compare sizes')} />
        )}
      </dl>
      <p className="mt-2 text-soft">
        {isWeighed
          ? t('By what was weighed, and the prices of the lots that went in.')
          : t('By the amounts of the plan: nothing was weighed yet.')}
      </p>
      <Band price={price} perBar={cost.perBar} pricing={pricing} />
      {cost.unpriced.length > 0 && (
        <p className="mt-3 max-w-160 border-l-4 border-rust pl-3">
          {rich('△ Without a price on the {shelf}, and left out: {unpriced}. The bar costs more than this.', {
            shelf: (
              <Link to="/shelf" className="underline">
                {t('shelf')}
              </Link>
            ),
            unpriced: <Say of={listOf(cost.unpriced)} />,
          })}
        </p>
      )}
      <div className="mt-6 grid grid-cols-2 gap-10 max-[900px]:grid-cols-1">
        <Section title={t('Part by part')} aside={<span className="text-soft">{t('of a bar')}</span>}>
          <Parts cost={cost} bars={bars} pricing={pricing} hours={hours} />
        </Section>
        <Section title={t('What a change does')} aside={<span className="text-soft">{t('to the cost of a bar')}</span>}>
          <Variants variants={variants} perBar={cost.perBar} pricing={pricing} />
        </Section>
        <Section title={t('At other prices')} aside={<span className="text-soft">{t('what is left over')}</span>}>
          <AtPrices perBar={cost.perBar} price={price} pricing={pricing} />
        </Section>
      </div>
      <PricingFields pricing={pricing} />
    </>
  )
}

/** Where the price stands among what such soap sells for. */
function Band({ price, perBar, pricing }: { price: number; perBar: number; pricing: Pricing }) {
  const place = inBand(price, pricing)
  if (place === null) return null
  const { bandLow, bandHigh } = pricing
  const share = (at: number) => `${Math.round((marginAt(perBar, at) ?? 0) * 100)} %`
  return (
    <p className={`mt-2 max-w-180 ${place === 'above' ? 'font-semibold text-rust' : ''}`}>
      {t('{place}{place2}{place3}: {bandLow} to {bandHigh} would leave {bandLow2} to {bandHigh2}.', {
        place: place === 'in' && t('✓ Within what such soap sells for'),
        place2: place === 'below' && t('△ Less than such soap sells for: you may ask more'),
        place3: place === 'above' && t('▲ More than such soap sells for'),
        bandLow: showMoney(bandLow, pricing),
        bandHigh: showMoney(bandHigh, pricing),
        bandLow2: share(bandLow),
        bandHigh2: share(bandHigh),
      })}
    </p>
  )
}

const CHANGES: Readonly<Record<CostVariant['change'], string>> = {
  half: t('half the batch, with the same work'),
  twice: t('twice the batch, with the same work'),
  thinner: t('bars a tenth thinner'),
  thicker: t('bars a tenth thicker'),
  dearest: t('a tenth less of'),
}

function Variants({
  variants,
  perBar,
  pricing,
}: {
  variants: readonly CostVariant[]
  perBar: number
  pricing: Pricing
}) {
  return (
    <table className="w-full max-w-110">
      <tbody>
        {variants.map(({ change, of, perBar: then }) => (
          <tr key={change} className="border-b border-line">
            <th scope="row" className="py-1 text-left font-normal">
              {CHANGES[change]} {change === 'dearest' && <Say of={of} />}
            </th>
            <td className="text-right whitespace-nowrap">
              {then >= perBar ? '+' : '−'}
              {showMoney(Math.abs(then - perBar), pricing)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
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

interface PartsProps {
  cost: CostReckoned
  bars: number
  hours: number
  pricing: Pricing
}

function Parts({ cost, bars, hours, pricing }: PartsProps) {
  const rows = inWords<CostGroup>(COST_GROUPS).filter(([group]) => cost.groups[group] > 0)
  return (
    <table className="w-full">
      <tbody>
        {rows.map(([group, name]) => (
          <tr key={group} className="border-b border-line">
            <th scope="row" className="py-1 text-left font-normal">
              {name}
              {group === 'work' && (
                <span className="text-soft"> {t('{hours} h for the batch', { hours: fixed(hours, 1) })}</span>
              )}
            </th>
            <td className="w-32">
              <span
                aria-hidden
                className="block h-2 bg-ink"
                style={{ width: `${(cost.groups[group] / cost.whole) * 100}%` }}
              />
            </td>
            <td className="text-right">{showMoney(cost.groups[group] / bars, pricing)}</td>
          </tr>
        ))}
        <tr>
          <th scope="row" className="py-1 text-left">
            {t('together')}
          </th>
          <td />
          <td className="text-right font-semibold">{showMoney(cost.perBar, pricing)}</td>
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
                {showMoney(one, pricing)}
              </th>
              <td className={`text-right ${margin < 0 ? 'text-rust' : ''}`}>
                {margin < 0 ? t('△ at a loss: ') : ''}
                {showMoney(one - perBar, pricing)}, {Math.round(margin * 100)} %
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
