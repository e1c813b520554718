import { drawnUp, kindOfTrial, trialOutlook } from '@ostler/core'
import type { Shelf, Trial, TrialAnswer } from '@ostler/core'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Download, Printer, Repeat } from 'lucide-react'
import { Link, useNavigate, useParams } from 'react-router'
import { ApiError, addTrial, saveTrial, shelfQuery, trialQuery } from '../../api/client.ts'
import { Places } from '../../frame/places.tsx'
import { TopBar } from '../../frame/top-bar.tsx'
import { freshUuid } from '../../plan/fresh-uuid.ts'
import { NotOpened } from '../../ui/not-opened.tsx'
import { saveFile } from '../../ui/save-file.ts'
import { Section } from '../../ui/section.tsx'
import { Answer } from './answer.tsx'
import { Looks } from './looks.tsx'
import { ShowsAtAll } from './shows-at-all.tsx'
import { Making } from './making.tsx'
import { PairWatch, isWatched } from './pair-watch.tsx'
import type { KeptChange, TrialChange } from './trial-change.ts'
import { MapOfSamples, WeighedIn } from './weighed-in.tsx'
import { standingOf } from './trials-page.tsx'
import { t, todayHere } from '../../words/index.ts'

/** One trial: what is weighed, when it is looked at, what it says. */
export function TrialPage() {
  const { id = '' } = useParams()
  const kept = useQuery({ ...trialQuery(id), retry: false })
  const shelf = useQuery(shelfQuery)
  const error = kept.error ?? shelf.error
  if (error) return <NotOpened why={error.message} />
  if (!kept.data || !shelf.data) return <p className="p-10 text-soft">{t('Opening the trial …')}</p>
  return <Opened kept={kept.data} shelf={shelf.data.shelf} />
}

/** Keeps a trial as it is changed; what is refused is told and nothing is lost on the page. */
function useKeeping(kept: TrialAnswer) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: async ({ change, batch }: KeptChange) => {
      const sent = (on: TrialAnswer) =>
        saveTrial({ ...on, trial: change(on.trial), batch: batch === undefined ? on.batch : batch })
      try {
        return await sent(kept)
      } catch (error) {
        if (!(error instanceof ApiError && error.status === 409)) throw error
        // Another window was first: the same is done to what it made of it.
        return sent(await queries.fetchQuery({ ...trialQuery(kept.id), staleTime: 0 }))
      }
    },
    onSuccess: saved => {
      queries.setQueryData(trialQuery(kept.id).queryKey, saved)
      void queries.invalidateQueries({ queryKey: ['trials'], exact: true })
    },
  })
}

function Opened({ kept, shelf }: { kept: TrialAnswer; shelf: Shelf }) {
  const { trial } = kept
  const keeping = useKeeping(kept)
  const keep = (change: TrialChange) => keeping.mutateAsync({ change })
  /** Cups that are looked at were poured today, if nobody said otherwise. */
  const keepPoured = (change: TrialChange) => keep(now => change({ ...now, pouredOn: now.pouredOn || todayHere() }))
  const strike = (label: string, struckOut: string) =>
    keeping.mutate({
      change: now => ({
        ...now,
        samples: now.samples.map(one => (one.label === label ? { ...one, struckOut } : one)),
      }),
    })
  return (
    <>
      <TopBar>
        <Places />
      </TopBar>
      <main className="mx-auto grid w-full max-w-240 flex-1 grid-cols-[minmax(0,1fr)] gap-7 p-5 max-[900px]:p-3">
        <header>
          <p className="text-soft print:hidden">
            <Link className="underline" to="/trials">
              {t('Trials')}
            </Link>
          </p>
          <h1 className="text-2xl">{trial.name}</h1>
          <p className="text-lg">
            {trial.question.asked || t(kindOfTrial(trial.question.kind).says)}{' '}
            <span className="text-soft">({standingOf(kept)})</span>
          </p>
          <p className="mt-1 flex flex-wrap gap-x-6 print:hidden">
            <button className="quiet flex min-h-11 items-center gap-1" onClick={() => print()}>
              <Printer size={18} aria-hidden /> {t('Print')}
            </button>
            <Again trial={trial} />
            <button
              className="quiet flex min-h-11 items-center gap-1"
              onClick={() => saveFile('trial.json', `${JSON.stringify(trial, null, 2)}\n`, 'application/json')}
            >
              <Download size={18} aria-hidden /> {t('Save as a file')}
            </button>
          </p>
          {keeping.isPaused && <p role="status">{t('No network: it is sent as soon as that is back.')}</p>}
          {keeping.error && (
            <p role="alert" className="text-rust">
              {keeping.error.message}
            </p>
          )}
        </header>
        <Section title={t('What goes into each')} className="break-inside-avoid">
          <WeighedIn trial={trial} shelf={shelf} onStrike={strike} />
          <MapOfSamples trial={trial} />
          <ShowsAtAll outlook={trialOutlook(trial)} />
        </Section>
        <Making kept={kept} shelf={shelf} onKeep={keeping.mutate} />
        {isWatched(trial) && (
          <Section title={t('At the bench')} className="print:hidden">
            <PairWatch trial={trial} id={kept.id} isBusy={keeping.isPending} onKeep={keepPoured} />
          </Section>
        )}
        {trial.pouredOn !== '' && !isWatched(trial) && (
          <Looks trial={trial} id={kept.id} batch={kept.batch} onKeep={keep} isBusy={keeping.isPending} />
        )}
        {(trial.readings.length > 0 || (trial.numbers ?? []).length > 0) && (
          <Answer kept={kept} shelf={shelf} onKeep={keep} />
        )}
      </main>
    </>
  )
}

/** The same question once more, in a new order under new labels. */
function Again({ trial }: { trial: Trial }) {
  const navigate = useNavigate()
  const again = useMutation({
    mutationFn: () => addTrial(freshUuid(), askedAgain(trial)),
    onSuccess: one => navigate(`/trials/${one.id}`),
  })
  return (
    <button
      className="quiet flex min-h-11 items-center gap-1"
      disabled={again.isPending}
      onClick={() => again.mutate()}
    >
      <Repeat size={18} aria-hidden /> {again.error?.message ?? t('Ask it again')}
    </button>
  )
}

function askedAgain({ readings: _, numbers: __, ...trial }: Trial): Trial {
  const question = { ...trial.question, seed: trial.question.seed + 1 }
  return { ...trial, question, samples: drawnUp(question), pouredOn: '', readings: [], takenOn: '' }
}
