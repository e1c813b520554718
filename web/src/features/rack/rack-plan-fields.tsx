import { RackPlan, parseForm } from '@ostler/core'
import type { Words } from '@ostler/core'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { Plus, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { rackPlanQuery, saveRackPlan } from '../../api/workshop.ts'
import { Say } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

interface Typed {
  places: { name: string; holds: string }[]
  turnDays: string
}

const typedOf = ({ places, turnDays }: RackPlan): Typed => ({
  places: places.map(({ name, holds }) => ({ name, holds: String(holds) })),
  turnDays: String(turnDays),
})

/** The places of the rack, how many bars each holds, and how often bars are turned: once for the workshop. */
export function RackPlanFields({ rack }: { rack: RackPlan }) {
  const client = useQueryClient()
  const [typed, setTyped] = useState(() => typedOf(rack))
  const [sentence, setSentence] = useState<Words>('')
  const save = useMutation({
    mutationFn: saveRackPlan,
    onSuccess: () =>
      Promise.all([
        client.invalidateQueries({ queryKey: rackPlanQuery.queryKey }),
        client.invalidateQueries({ queryKey: ['due'] }),
      ]),
  })
  const set = (i: number, change: Partial<Typed['places'][number]>) =>
    setTyped(now => ({ ...now, places: now.places.map((one, j) => (j === i ? { ...one, ...change } : one)) }))
  const submit = () => {
    const places = typed.places
      .map(({ name, holds }) => ({ name: name.trim(), holds: Number(holds) }))
      .filter(({ name }) => name !== '')
    const names = places.map(({ name }) => name.toLowerCase())
    const twice = names.find((name, i) => names.indexOf(name) < i)
    if (twice !== undefined) return setSentence(t('Two places are called “{twice}”.', { twice }))
    const parsed = parseForm(RackPlan, { places, turnDays: Number(typed.turnDays) })
    if (!parsed.ok) return setSentence(parsed.problems[0]!.sentence)
    setSentence('')
    save.mutate(parsed.value)
  }
  return (
    <details className="mt-10" open={rack.places.length === 0}>
      <summary className="font-title text-xl font-semibold">{t('The places of the rack')}</summary>
      <form
        className="mt-2"
        onSubmit={submitted => {
          submitted.preventDefault()
          submit()
        }}
      >
        <ul className="max-w-110">
          {typed.places.map((place, i) => (
            <PlaceFields
              key={i}
              {...{ place, i }}
              onPlace={change => set(i, change)}
              onRemove={() => setTyped(now => ({ ...now, places: now.places.filter((_, j) => j !== i) }))}
            />
          ))}
        </ul>
        <button
          type="button"
          className="quiet min-h-9"
          onClick={() => setTyped(now => ({ ...now, places: [...now.places, { name: '', holds: '24' }] }))}
        >
          <Plus size={16} aria-hidden /> {t('A place')}
        </button>
        <div className="mt-2 flex flex-wrap items-center gap-4">
          <label className="flex items-center gap-2">
            {t('Bars are turned every')}
            <input
              aria-label={t('Days between turns')}
              className="field min-h-9 w-16 text-right"
              inputMode="numeric"
              value={typed.turnDays}
              onChange={changed => setTyped(now => ({ ...now, turnDays: changed.target.value }))}
            />
            {t('days')}
          </label>
          <button className="button min-h-9" disabled={save.isPending}>
            {t('Keep the rack so')}
          </button>
          {save.isSuccess && sentence === '' && <span role="status">{t('✓ Kept.')}</span>}
        </div>
        {(sentence !== '' || save.error) && (
          <p role="alert" className="text-rust">
            <Say of={sentence} />
            {save.error?.message}
          </p>
        )}
      </form>
    </details>
  )
}

interface PlaceProps {
  place: Typed['places'][number]
  i: number
  onPlace: (change: Partial<Typed['places'][number]>) => void
  onRemove: () => void
}

const PlaceFields = ({ place, i, onPlace, onRemove }: PlaceProps) => (
  <li className="flex items-center gap-3 border-b border-line py-1">
    <input
      aria-label={t('Name of place {i}', { i: i + 1 })}
      className="field min-h-9 min-w-0 flex-1"
      maxLength={40}
      value={place.name}
      onChange={changed => onPlace({ name: changed.target.value })}
    />
    <label className="flex items-center gap-1.5 text-soft">
      {t('holds')}
      <input
        aria-label={t('Bars that place {i} holds', { i: i + 1 })}
        className="field min-h-9 w-18 text-right text-ink"
        inputMode="numeric"
        value={place.holds}
        onChange={changed => onPlace({ holds: changed.target.value })}
      />
      {t('bars')}
    </label>
    <button type="button" className="quiet min-h-9" aria-label={t('Remove place {i}', { i: i + 1 })} onClick={onRemove}>
      <Trash2 size={15} aria-hidden />
    </button>
  </li>
)
