import { ROLES, TRIAL_KINDS, baseOf, drawnUp, planOfTrial, starterPlan, trialOutlook } from '@ostler/core'
import type { Shelf, Trial, TrialAnswer } from '@ostler/core'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { format } from 'date-fns'
import { Download, Printer, Repeat } from 'lucide-react'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import {
  ApiError,
  addBatch,
  addTrial,
  batchQuery,
  recipesQuery,
  saveTrial,
  shelfQuery,
  trialQuery,
} from '../../api/client.ts'
import { Places } from '../../frame/places.tsx'
import { TopBar } from '../../frame/top-bar.tsx'
import { freshUuid } from '../../plan/fresh-uuid.ts'
import { NotOpened } from '../../ui/not-opened.tsx'
import { saveFile } from '../../ui/save-file.ts'
import { Section } from '../../ui/section.tsx'
import { Answer } from './answer.tsx'
import { Looks } from './looks.tsx'
import { ShowsAtAll } from './shows-at-all.tsx'
import type { TrialChange } from './trial-change.ts'
import { MapOfSamples, WeighedIn } from './weighed-in.tsx'
import { standingOf } from './trials-page.tsx'

/** One trial: what is weighed, when it is looked at, what it says. */
export function TrialPage() {
  const { id = '' } = useParams()
  const kept = useQuery({ ...trialQuery(id), retry: false })
  const shelf = useQuery(shelfQuery)
  const error = kept.error ?? shelf.error
  if (error) return <NotOpened why={error.message} />
  if (!kept.data || !shelf.data) return <p className="p-10 text-soft">Opening the trial …</p>
  return <Opened kept={kept.data} shelf={shelf.data.shelf} />
}

interface Change {
  change: TrialChange
  batch?: string | null
}

/** Keeps a trial as it is changed; what is refused is told and nothing is lost on the page. */
function useKeeping(kept: TrialAnswer) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: async ({ change, batch }: Change) => {
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
              Trials
            </Link>
          </p>
          <h1 className="text-2xl">{trial.name}</h1>
          <p className="text-lg">
            {trial.question.asked || TRIAL_KINDS[trial.question.kind]}{' '}
            <span className="text-soft">({standingOf(kept)})</span>
          </p>
          <p className="mt-1 flex flex-wrap gap-x-6 print:hidden">
            <button className="quiet flex min-h-11 items-center gap-1" onClick={() => print()}>
              <Printer size={18} aria-hidden /> Print
            </button>
            <Again trial={trial} />
            <button
              className="quiet flex min-h-11 items-center gap-1"
              onClick={() => saveFile('trial.json', `${JSON.stringify(trial, null, 2)}\n`, 'application/json')}
            >
              <Download size={18} aria-hidden /> Save as a file
            </button>
          </p>
          {keeping.isPaused && <p role="status">No network: it is sent as soon as that is back.</p>}
          {keeping.error && (
            <p role="alert" className="text-rust">
              {keeping.error.message}
            </p>
          )}
        </header>
        <Section title="What goes into each" className="break-inside-avoid">
          <WeighedIn trial={trial} shelf={shelf} onStrike={strike} />
          <MapOfSamples trial={trial} />
          <ShowsAtAll outlook={trialOutlook(trial)} />
        </Section>
        <Making kept={kept} shelf={shelf} onKeep={keeping.mutate} />
        {trial.pouredOn !== '' && <Looks trial={trial} id={kept.id} onKeep={keep} isBusy={keeping.isPending} />}
        {trial.readings.length > 0 && <Answer kept={kept} shelf={shelf} onKeep={keep} />}
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
      <Repeat size={18} aria-hidden /> {again.error?.message ?? 'Ask it again'}
    </button>
  )
}

function askedAgain({ readings: _, ...trial }: Trial): Trial {
  const question = { ...trial.question, seed: trial.question.seed + 1 }
  return { ...trial, question, samples: drawnUp(question), pouredOn: '', readings: [], takenOn: '' }
}

interface MakingProps {
  kept: TrialAnswer
  shelf: Shelf
  onKeep: (change: Change) => void
}

/** A trial is made as a batch of its own: lye, weigh list, cup cards and the Bench are those of any batch. */
function Making({ kept, shelf, onKeep }: MakingProps) {
  const { trial, batch } = kept
  const navigate = useNavigate()
  const recipes = useQuery(recipesQuery).data ?? []
  const [recipe, setRecipe] = useState('')
  const begin = useMutation({
    mutationFn: () => {
      const usual = starterPlan(trial.name)
      const like = { ...usual, recipe: recipes.find(({ id }) => id === recipe)?.recipe ?? usual.recipe }
      return addBatch({ ...planOfTrial(trial, shelf, like), name: `${trial.name}: samples`.slice(0, 80) })
    },
    onSuccess: async made => {
      // Its plain soap is what the recipe makes it.
      const { carotene, chlorophyll, brown, scatter } = baseOf(made.plan, shelf)
      const base = { carotene, chlorophyll, brown, scatter, gel: trial.base.gel }
      onKeep({ change: now => ({ ...now, base }), batch: made.id })
      await navigate(`/batches/${made.id}/prepare`)
    },
  })
  return (
    <Section title="Making it" className="print:hidden">
      <p className="max-w-160">
        Every sample is a cup and a cavity of its own, drawn in this order:{' '}
        {trial.samples.map(({ label }) => label).join(', ')}. Nothing that was in colour goes back into one with{' '}
        {ROLES.nothing}.
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-4">
        {batch ? (
          <Link className="button" to={`/batches/${batch}/prepare`}>
            To its batch
          </Link>
        ) : (
          <>
            <label className="flex flex-col text-[13px] text-soft">
              its batter
              <select
                className="field min-h-11 text-ink"
                value={recipe}
                onChange={event => setRecipe(event.target.value)}
              >
                <option value="">a calm, balanced recipe</option>
                {recipes.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
            <button className="button button-main" disabled={begin.isPending} onClick={() => begin.mutate()}>
              Make it as a batch
            </button>
          </>
        )}
        <label className="flex flex-col text-[13px] text-soft">
          poured on
          <input
            type="date"
            className="field min-h-11 text-ink"
            value={trial.pouredOn}
            onChange={({ target: { value: pouredOn } }) => onKeep({ change: now => ({ ...now, pouredOn }) })}
          />
        </label>
        {batch && trial.pouredOn === '' && (
          <PouredWith batch={batch} onDay={pouredOn => onKeep({ change: now => ({ ...now, pouredOn }) })} />
        )}
        {begin.error && <p className="text-rust">{begin.error.message}</p>}
      </div>
    </Section>
  )
}

/** Once its batch was poured, so was the trial. */
function PouredWith({ batch, onDay }: { batch: string; onDay: (day: string) => void }) {
  const pouredAt = useQuery(batchQuery(batch)).data?.plan.rest.pouredAt ?? ''
  if (pouredAt === '') return null
  const day = pouredAt.slice(0, 10)
  return (
    <button className="button min-h-11" onClick={() => onDay(day)}>
      Its batch was poured on {format(new Date(day), 'd MMMM yyyy')}: take that
    </button>
  )
}
