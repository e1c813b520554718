import { Pricing, parseForm, readQuantity } from '@ostler/core'
import type { QuantityKind, Words } from '@ostler/core'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { pricingQuery, savePricing } from '../../api/client.ts'
import { decimalMark, t } from '../../words/index.ts'
import { Section } from '../../ui/section.tsx'
import { Say } from '../../ui/say.tsx'

const FIELDS = [
  ['currency', t('Currency'), null],
  ['hourly', t('An hour of work'), 'plain'],
  ['packing', t('Packing of a bar'), 'plain'],
  ['margin', t('Left over of the price, %'), 'share'],
  ['roundTo', t('Prices are rounded up to'), 'plain'],
  ['bandLow', t('Such soap sells from'), 'plain'],
  ['bandHigh', t('up to'), 'plain'],
] as const satisfies readonly (readonly [keyof Pricing, string, QuantityKind | null])[]

type Texts = Record<keyof Pricing, string>
const textsOf = (pricing: Pricing): Texts => ({
  currency: pricing.currency,
  hourly: String(pricing.hourly),
  packing: String(pricing.packing),
  margin: String(Math.round(pricing.margin * 1000) / 10),
  roundTo: String(pricing.roundTo),
  bandLow: String(pricing.bandLow),
  bandHigh: String(pricing.bandHigh),
})

type Read = { ok: true; pricing: Pricing } | { ok: false; at: keyof Pricing; sentence: Words }

/** What was typed, as the server will take it. */
function readTexts(texts: Texts): Read {
  const values: Partial<Record<keyof Pricing, unknown>> = {}
  for (const [key, , kind] of FIELDS) {
    if (kind === null) values[key] = texts[key].trim()
    else {
      const read = readQuantity(texts[key], kind, kind === 'share' ? '%' : '', undefined, decimalMark())
      if (!read.ok) return { ok: false, at: key, sentence: read.sentence }
      values[key] = read.value
    }
  }
  const parsed = parseForm(Pricing, values)
  if (parsed.ok) return { ok: true, pricing: parsed.value }
  const [first] = parsed.problems
  return { ok: false, at: (first?.path ?? 'currency') as keyof Pricing, sentence: first?.sentence ?? '' }
}

/** How the workshop reckons: once for all of its batches. */
export function PricingFields({ pricing }: { pricing: Pricing }) {
  const client = useQueryClient()
  const [texts, setTexts] = useState(() => textsOf(pricing))
  const [wrong, setWrong] = useState<{ at: keyof Pricing; sentence: Words } | null>(null)
  const save = useMutation({
    mutationFn: savePricing,
    onSuccess: () => client.invalidateQueries(pricingQuery),
  })
  const submit = () => {
    const read = readTexts(texts)
    if (!read.ok) return setWrong(read)
    setWrong(null)
    save.mutate(read.pricing)
  }
  return (
    <Section
      title={t('How this workshop reckons')}
      aside={<span className="text-soft">{t('for all of its batches')}</span>}
      className="mt-8"
    >
      <form
        className="flex flex-wrap items-start gap-4"
        onSubmit={submitted => {
          submitted.preventDefault()
          submit()
        }}
      >
        {FIELDS.map(([key, label]) => (
          <label key={key} className="flex w-40 flex-col text-[13px] text-soft">
            {label}
            <input
              className="field min-h-9 text-base text-ink"
              inputMode={key === 'currency' ? 'text' : 'decimal'}
              value={texts[key]}
              aria-invalid={wrong?.at === key}
              onChange={changed => setTexts(all => ({ ...all, [key]: changed.target.value }))}
            />
            {wrong?.at === key && (
              <span role="alert" className="text-rust">
                <Say of={wrong.sentence} />
              </span>
            )}
          </label>
        ))}
        <button className="button mt-4 min-h-9" disabled={save.isPending}>
          {t('Reckon so')}
        </button>
      </form>
      {save.error && (
        <p role="alert" className="text-rust">
          {save.error.message}
        </p>
      )}
      {save.isSuccess && <p role="status">{t('✓ Kept for all batches.')}</p>}
    </Section>
  )
}
