import { SHARED_WHATS } from '@ostler/core'
import type { SharedWhat } from '@ostler/core'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Share2 } from 'lucide-react'
import { useState } from 'react'
import { addShare, endShare, sharesQuery } from '../api/shares.ts'
import { usePlan } from '../plan/context.tsx'
import { Ask } from '../ui/ask.tsx'
import { Check } from '../ui/check.tsx'
import { OneLink } from '../ui/one-link.tsx'
import { dated, t } from '../words/index.ts'

/** Links by which somebody outside sees the design, the pour sheet, or the record. */
export function ShareLinks({ what }: { what: SharedWhat }) {
  const [isOpen, setOpen] = useState(false)
  return (
    <>
      <button className="button" onClick={() => setOpen(true)}>
        <Share2 size={16} aria-hidden /> {t('Share …')}
      </button>
      {isOpen && <Links what={what} onClose={() => setOpen(false)} />}
    </>
  )
}

function Links({ what, onClose }: { what: SharedWhat; onClose: () => void }) {
  const batch = usePlan(state => state.id)
  const queries = useQueryClient()
  const { data, error } = useQuery(sharesQuery(batch))
  const [withScents, setWithScents] = useState(false)
  const [withNotes, setWithNotes] = useState(false)
  const [token, setToken] = useState('')
  const again = () => void queries.invalidateQueries(sharesQuery(batch))
  const add = useMutation({
    mutationFn: () => addShare(batch, { what, withScents, withNotes }),
    onSuccess: made => setToken(made.token),
    onSettled: again,
  })
  const end = useMutation({ mutationFn: (id: string) => endShare(batch, id), onSettled: again })
  const sentence = (error ?? add.error ?? end.error)?.message
  return (
    <Ask open wide title={t('Share')} onClose={onClose}>
      <p>
        {t(
          'Whoever has the link sees {what}, as it is by then; nobody has to sign in, nothing can be changed. {inside}',
          {
            what: t(SHARED_WHATS[what]),
            inside:
              what === 'record'
                ? t('Costs, lots, sales, places, who saw what and for whom it is made stay here.')
                : t('Costs, lots, notes and for whom it is made stay here.'),
          },
        )}
      </p>
      {what === 'sheet' && (
        <>
          <p className="mt-1">{t('The recipe is on the sheet: whoever has the link can read it.')}</p>
          <Check label={t('with the names of its scents')} checked={withScents} onChange={setWithScents} />
        </>
      )}
      {what === 'record' && (
        <>
          <p className="mt-1">{t('What was weighed is in it, and its photographs.')}</p>
          <p className="flex flex-wrap gap-x-6">
            <Check label={t('with its scents and their weights')} checked={withScents} onChange={setWithScents} />
            <Check label={t('with what was noted in own words')} checked={withNotes} onChange={setWithNotes} />
          </p>
        </>
      )}
      <p className="mt-3">
        <button className="button button-main min-h-11" disabled={add.isPending} onClick={() => add.mutate()}>
          {t('Make a link')}
        </button>
      </p>
      {token !== '' && <OneLink says="" address={`${location.origin}/shared/${token}`} />}
      {sentence && (
        <p role="alert" className="mt-2 text-rust">
          {sentence}
        </p>
      )}
      <ul className="mt-3">
        {data?.map(one => (
          <li key={one.id} className="flex flex-wrap items-center gap-4 border-b border-line py-1">
            {t(SHARED_WHATS[one.what])}
            {one.withScents && t(', with scents')}
            {one.withNotes && t(', with notes')}
            <span className="text-soft">
              {one.madeBy}, {dated(new Date(one.at), 'd MMMM yyyy')}
            </span>
            <button className="quiet ml-auto min-h-10" onClick={() => end.mutate(one.id)}>
              {t('End it')}
            </button>
          </li>
        ))}
      </ul>
    </Ask>
  )
}
