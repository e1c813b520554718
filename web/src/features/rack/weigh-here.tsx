import { MAX_WEIGH_INS, cutForecast, planChanges, readPlan, readQuantity } from '@ostler/core'
import type { RackBatch, WeighIn, Words } from '@ostler/core'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { Scale } from 'lucide-react'
import { useState } from 'react'
import { changeBatch, getBatch } from '../../api/client.ts'
import { useHabits } from '../../plan/context.tsx'
import { freshUuid } from '../../plan/fresh-uuid.ts'
import { decimalMark, t } from '../../words/index.ts'
import { Say } from '../../ui/say.tsx'

const MOST_TOGETHER = 100
/** What a thicker slice and a full mould may make of a bar. */
const GROWN = 1.15

/** Adds a weigh-in to the plan as it stands, whatever others have made of it meanwhile. */
async function weigh(batch: RackBatch, weighIn: WeighIn): Promise<void> {
  const { plan, revision } = await getBatch(batch.id)
  const read = readPlan(plan)
  if (!read.ok) throw new Error(t('The plan of this batch cannot be read.'))
  const { rest } = read.plan
  // Bars do not grow: more than a fresh one weighs is another count, or another batch.
  if (weighIn.massG / weighIn.count > cutForecast(read.plan).bars.mostG * GROWN)
    throw new Error(t('That is more than so many bars weighed fresh. How many lay on the scale?'))
  if (rest.weighIns.length >= MAX_WEIGH_INS)
    throw new Error(t('A batch keeps at most {what} weigh-ins.', { what: MAX_WEIGH_INS }))
  const changes = planChanges(read.plan, { ...read.plan, rest: { ...rest, weighIns: [...rest.weighIns, weighIn] } })
  await changeBatch(batch.id, { id: freshUuid(), revision, changes })
}

/** Bars of a batch on the scale, here at the rack: all that lie on it together, on the day that is today. */
export function WeighHere({ batch }: { batch: RackBatch }) {
  const habits = useHabits()
  const client = useQueryClient()
  const [text, setText] = useState<string | null>(null)
  const [count, setCount] = useState('1')
  const [sentence, setSentence] = useState<Words>('')
  const save = useMutation({
    mutationFn: (weighIn: WeighIn) => weigh(batch, weighIn),
    onSuccess: async () => {
      setText(null)
      await client.invalidateQueries({ queryKey: ['due'] })
    },
  })
  const note = () => {
    const read = readQuantity(text ?? '', 'mass', habits.mass, undefined, decimalMark())
    if (!read.ok) return setSentence(read.sentence)
    const bars = Number(count)
    if (!Number.isInteger(bars) || bars < 1 || bars > MOST_TOGETHER)
      return setSentence(t('From 1 to {what} bars are weighed together.', { what: MOST_TOGETHER }))
    if (!(read.value >= 1 && read.value <= 60_000)) return setSentence(t('What is weighed weighs 1 g to 60 kg.'))
    setSentence('')
    save.mutate({ day: batch.day, massG: Math.round(read.value * 100) / 100, bar: '', count: bars, doubt: 'ask' })
  }
  if (text === null)
    return (
      <button
        className="quiet -ml-2 min-h-9"
        aria-label={t('Weigh {batch}', { batch: batch.name })}
        onClick={() => setText('')}
      >
        <Scale size={16} aria-hidden /> {t('weigh')}
      </button>
    )
  return (
    <form
      className="mb-1 flex flex-wrap items-center gap-1.5"
      onSubmit={submitted => {
        submitted.preventDefault()
        note()
      }}
    >
      <input
        autoFocus
        aria-label={t('Weight of the bars of {batch}, {mass}', { batch: batch.name, mass: habits.mass })}
        className="field min-h-9 w-20 text-right text-ink"
        inputMode="decimal"
        placeholder={habits.mass}
        value={text}
        aria-invalid={sentence !== ''}
        onChange={changed => setText(changed.target.value)}
        onKeyDown={pressed => pressed.key === 'Escape' && setText(null)}
      />
      <label className="flex items-center gap-1">
        {t('of')}
        <input
          aria-label={t('Bars that lie on the scale')}
          className="field min-h-9 w-12 text-right text-ink"
          inputMode="numeric"
          value={count}
          onChange={changed => setCount(changed.target.value)}
        />
      </label>
      <button className="button min-h-9" disabled={save.isPending}>
        {t('Note')}
      </button>
      {(sentence !== '' || save.error) && (
        <span role="alert" className="w-full text-rust">
          <Say of={sentence} />
          {save.error?.message}
        </span>
      )}
    </form>
  )
}
