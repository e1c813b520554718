import { designFrom } from '@ostler/core'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { addDesign, designsQuery, saveDesign } from '../api/client.ts'
import { useCupHex } from '../plan/colour-view.ts'
import { usePlan } from '../plan/context.tsx'
import { useAct } from '../ui/use-act.ts'
import { useToast } from '../ui/toast.tsx'
import { t } from '../words/index.ts'

/** Keeps the open batch's design in the library, under a name; one of that name can be replaced. */
export function KeepDesign({ onKept }: { onKept: () => void }) {
  const plan = usePlan(state => state.plan)
  const hexOf = useCupHex()
  const client = useQueryClient()
  const toast = useToast()
  const { data } = useQuery(designsQuery)
  const [name, setName] = useState(plan.name)
  const [notes, setNotes] = useState('')
  const { busy, sentence, run } = useAct()
  const same = data?.find(one => one.design.name.toLowerCase() === name.trim().toLowerCase())
  const keep = () =>
    run(async () => {
      const design = { ...designFrom(plan, name.trim(), hexOf), notes }
      if (same) await saveDesign(same.id, same.revision, design)
      else await addDesign(design)
      await client.invalidateQueries(designsQuery)
      toast(t('{name} is kept among our designs.', { name: name.trim() }))
      onKept()
    })
  return (
    <form
      className="flex max-w-110 flex-col gap-3"
      onSubmit={event => {
        event.preventDefault()
        void keep()
      }}
    >
      <p className="text-soft">
        {t(
          'Kept: pours, tools, embeds, toppings and how the colours look. Recipe, scent and doses stay with the batch.',
        )}
      </p>
      <label className="flex flex-col gap-0.5 text-[13px] text-soft">
        {t('Name')}
        <input className="field" value={name} maxLength={80} onChange={event => setName(event.target.value)} />
      </label>
      <label className="flex flex-col gap-0.5 text-[13px] text-soft">
        {t('Notes')}
        <textarea
          className="field min-h-20"
          value={notes}
          maxLength={1000}
          onChange={event => setNotes(event.target.value)}
        />
      </label>
      {sentence && (
        <p role="alert" className="text-rust">
          {sentence}
        </p>
      )}
      <button className="button button-main self-start" disabled={busy || name.trim() === ''}>
        {same ? t('Replace the one of this name') : t('Keep it')}
      </button>
    </form>
  )
}
