import { dueLooks, kindOfTrial, readTrial } from '@ostler/core'
import type { TrialAnswer, Words } from '@ostler/core'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { parseISO } from 'date-fns'
import { Trash2 } from 'lucide-react'
import { Link, useNavigate } from 'react-router'
import { addTrial, deleteTrial, restoreTrial, trialsQuery } from '../../api/client.ts'
import { Places } from '../../frame/places.tsx'
import { TopBar } from '../../frame/top-bar.tsx'
import { freshUuid } from '../../plan/fresh-uuid.ts'
import { OpenJson } from '../../ui/open-json.tsx'
import { useToast } from '../../ui/toast.tsx'
import { NewTrial } from './new-trial.tsx'
import { dated, t } from '../../words/index.ts'

/** Small samples compared on purpose. */
export function TrialsPage() {
  const { data, error } = useQuery({ ...trialsQuery, staleTime: 0 })
  return (
    <>
      <TopBar>
        <Places />
      </TopBar>
      <main className="mx-auto w-full max-w-220 flex-1 p-5 max-[900px]:p-3">
        <h1 className="text-2xl">{t('Trials')}</h1>
        <p className="mt-1 max-w-160 text-soft">
          {t(
            'Small samples of one batter that differ in one thing. Read beside samples with nothing in them, they tell the shelf what your colorants do in your own soap.',
          )}
        </p>
        {error && <p className="mt-2 text-rust">{error.message}</p>}
        {data?.length === 0 && <p className="mt-3">{t('None yet. What would you like to know?')}</p>}
        <ul className="mt-4">
          {data?.map(one => (
            <Row key={one.id} kept={one} />
          ))}
        </ul>
        <OpenFile />
        <NewTrial />
      </main>
    </>
  )
}

const MOST_BYTES = 2_000_000

/** A trial out of a file, from here or another workshop. */
function OpenFile() {
  const navigate = useNavigate()
  const queries = useQueryClient()
  const take = async (value: unknown): Promise<Words> => {
    const read = readTrial(value)
    if (!read.ok) return read.problems[0]?.sentence ?? ''
    try {
      const { id } = await addTrial(freshUuid(), { ...read.trial, takenOn: '' })
      void queries.invalidateQueries({ queryKey: trialsQuery.queryKey })
      await navigate(`/trials/${id}`)
      return ''
    } catch (error) {
      return (error as Error).message
    }
  }
  return (
    <p className="mt-3 flex flex-wrap items-center gap-4">
      <OpenJson mostBytes={MOST_BYTES} tooLarge={t('This file is too large for a trial.')} onValue={take} />
    </p>
  )
}

/** How far a trial is, in a few words. */
export function standingOf({ trial }: TrialAnswer): string {
  if (trial.takenOn !== '') return t('the shelf has learned from it')
  if (trial.pouredOn === '') return trial.question.kind === 'claim' ? t('heard; unproven') : t('drawn up, not made yet')
  const next = dueLooks(trial).find(look => !look.isDone && !look.isPast)
  return next
    ? t('looked at next on {format}', { format: dated(parseISO(next.on), 'd MMMM yyyy') })
    : t('read: its answer can be taken on')
}

function Row({ kept }: { kept: TrialAnswer }) {
  const queries = useQueryClient()
  const toast = useToast()
  const again = () => void queries.invalidateQueries({ queryKey: trialsQuery.queryKey })
  const remove = useMutation({
    mutationFn: () => deleteTrial(kept.id),
    onSuccess: () =>
      toast(t('{trial} is deleted.', { trial: kept.trial.name }), {
        text: t('Undo'),
        run: () => void restoreTrial(kept.id).then(again, (error: Error) => toast(error.message)),
      }),
    onError: error => toast(error.message),
    onSettled: again,
  })
  return (
    <li className="flex flex-wrap items-center gap-x-6 border-b border-line py-2">
      <Link to={`/trials/${kept.id}`} className="min-h-10 content-center text-lg font-semibold underline">
        {kept.trial.name}
      </Link>
      <span>{t(kindOfTrial(kept.trial.question.kind).says)}</span>
      <span className="text-soft">{standingOf(kept)}</span>
      <button
        className="quiet ml-auto min-h-10 min-w-10"
        aria-label={t('Delete {trial}', { trial: kept.trial.name })}
        onClick={() => remove.mutate()}
      >
        <Trash2 size={18} aria-hidden />
      </button>
    </li>
  )
}
