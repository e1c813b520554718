import { findById, readQuantity, showLength, showMass, sizedToBars, stockOf, at, resized, isFact } from '@ostler/core'
import type { Forecast, Shelf, ShelfItem, SizeWish, Words } from '@ostler/core'
import { useState } from 'react'
import { useBatch, useForecast, useHabits } from '../../plan/context.tsx'
import { Choice } from '../../ui/choice.tsx'
import { Section } from '../../ui/section.tsx'
import { decimalMark, t } from '../../words/index.ts'
import { useSay } from '../../ui/say.tsx'

type By = SizeWish['by'] | 'bars'

const WAYS: readonly { value: By; text: string }[] = [
  { value: 'oils', text: t('this much oil') },
  { value: 'batter', text: t('this much batter') },
  { value: 'bars', text: t('so many bars') },
  { value: 'ingredient', text: t('as far as one thing goes') },
]

/** What is weighed of each thing, and the item on the shelf that it comes from. */
function needsOf(portions: Forecast['portions'], shelf: Shelf) {
  const need = (key: string, { name, exactG }: { name: string; exactG: number }, stock: ShelfItem | undefined) => ({
    ...{ key, name, needG: exactG, stock },
  })
  return [
    ...portions.oils.map(part => need(part.oil, part, findById(shelf.oils, part.oil))),
    ...portions.liquids.map(part => need(part.id, part, findById(shelf.liquids, part.id))),
    ...portions.additives.map(part => need(part.id, part, findById(shelf.additives, part.id))),
    ...portions.scents.map(part => need(part.scent, part, findById(shelf.scents, part.scent))),
  ].filter(one => one.needG > 0)
}

interface TextInputProps {
  label: string
  value: string
  onValue: (text: string) => void
  placeholder: string
}

const TextInput = ({ label, value, onValue, placeholder }: TextInputProps) => (
  <label className="flex flex-col gap-0.5 text-[13px] text-soft">
    {label}
    <input
      className="field w-24 text-right text-ink"
      value={value}
      placeholder={placeholder}
      onChange={event => onValue(event.target.value)}
    />
  </label>
)

/** What is typed of a wished size. */
interface Typed {
  by: By
  amount: string
  /** A bar, where so many of them are wished. */
  each: string
}

/** Gives the batch the size that is typed, and says what came of it. */
function useResize({ by, amount, each }: Typed, chosen: ReturnType<typeof needsOf>[number] | undefined) {
  const batch = useBatch()
  const habits = useHabits()
  const [told, setTold] = useState<{ words: Words; isDone: boolean } | null>(null)
  const setDone = (words: Words, isDone: boolean) => setTold({ words, isDone })
  const wish = (): SizeWish | Words => {
    const mass = readQuantity(amount, 'mass', habits.mass, by === 'ingredient' ? 1 : undefined, decimalMark())
    if (!mass.ok) return mass.sentence
    if (by === 'ingredient')
      return chosen ? { by, needG: chosen.needG, haveG: mass.value } : t('Nothing is weighed yet.')
    return { by: by === 'batter' ? by : 'oils', massG: mass.value }
  }
  const applyBars = () => {
    const count = readQuantity(amount, 'plain', '', undefined, decimalMark())
    const weight = readQuantity(each, 'mass', habits.mass, undefined, decimalMark())
    if (!count.ok) return setDone(count.sentence, false)
    if (!weight.ok) return setDone(weight.sentence, false)
    const size = sizedToBars(batch.get().plan, count.value, weight.value)
    if (!size.ok) return setDone(size.sentence, false)
    const edits = [
      { kind: 'set' as const, path: ['mould', 'fillMm'], value: size.fillMm },
      { kind: 'set' as const, path: ['cutting', 'barMm'], value: size.barMm },
    ]
    const result = batch.edit({ kind: 'many', edits })
    const bars = t('{makes} bars of {eachG}, {barMm} thick', {
      makes: size.makes,
      eachG: showMass(size.eachG, habits, 1),
      barMm: showLength(size.barMm, habits),
    })
    const done = t('Done: {bars}; the soap stands {fillMm} high.', { bars, fillMm: showLength(size.fillMm, habits) })
    setDone(result.ok ? done : result.sentence, result.ok)
  }
  const apply = () => {
    if (by === 'bars') return applyBars()
    const wanted = wish()
    if (typeof wanted === 'string' || isFact(wanted)) return setDone(wanted, false)
    const size = resized(batch.get().plan, batch.shelf, wanted)
    if (!size.ok) return setDone(size.sentence, false)
    const result = batch.edit({ kind: 'set', path: at(plan => plan.mould.fillMm), value: size.fillMm })
    const done = t('Done: the soap stands {fillMm} high.', { fillMm: showLength(size.fillMm, habits) })
    setDone(result.ok ? done : result.sentence, result.ok)
  }
  return { apply, told, forget: () => setTold(null) }
}

/** Makes the batch as large as wished; every mass follows, and the soap's height with them. */
export function SizeFields() {
  const batch = useBatch()
  const habits = useHabits()
  const forecast = useForecast()
  const say = useSay()
  const [by, setBy] = useState<By>('oils')
  const [amount, setAmount] = useState('')
  const [each, setEach] = useState('')
  const [item, setItem] = useState('')
  const needs = forecast ? needsOf(forecast.portions, batch.shelf) : []
  const chosen = needs.find(one => one.key === item) ?? needs[0]
  const { apply, told, forget } = useResize({ by, amount, each }, chosen)
  if (!forecast) return null
  return (
    <Section title={t('Size')}>
      <form
        className="flex flex-wrap items-end gap-x-3 gap-y-2"
        onSubmit={event => {
          event.preventDefault()
          apply()
        }}
      >
        <Choice<By>
          label={t('Make')}
          className="w-40"
          value={by}
          options={WAYS}
          onValue={value => {
            setBy(value)
            forget()
          }}
        />
        {by === 'ingredient' && (
          <Choice
            label={t('Of')}
            className="max-w-40"
            value={chosen?.key ?? ''}
            options={needs.map(one => ({ value: one.key, text: one.name }))}
            onValue={key => {
              setItem(key)
              const stock = needs.find(one => one.key === key)?.stock
              if (stock && stock.lots.length > 0) setAmount(`${stockOf(stock)} g`)
            }}
          />
        )}
        {by === 'bars' ? (
          <TextInput label={t('Bars')} value={amount} onValue={setAmount} placeholder="10" />
        ) : (
          <TextInput
            label={by === 'ingredient' ? t('There is') : t('Amount')}
            value={amount}
            onValue={setAmount}
            placeholder={habits.mass === 'g' ? '800 g' : t('28 oz')}
          />
        )}
        {by === 'bars' && (
          <TextInput
            label={t('Each, fresh')}
            value={each}
            onValue={setEach}
            placeholder={habits.mass === 'g' ? '130 g' : t('4 1/2 oz')}
          />
        )}
        <button className="button" type="submit">
          {t('Resize')}
        </button>
      </form>
      {told && (
        <p role="status" className={`mt-2 text-[13px] ${told.isDone ? 'text-soft' : 'text-rust'}`}>
          {say(told.words)}
        </p>
      )}
    </Section>
  )
}
