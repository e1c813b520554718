import { lastPourAt, saidAtSplit, planChanges, readPlan, seenIn, withRun } from '@ostler/core'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { format } from 'date-fns'
import { useMemo } from 'react'
import { Link } from 'react-router'
import { changeBatch, getBatch } from '../../api/client.ts'
import { freshUuid } from '../../plan/fresh-uuid.ts'
import { useRun, useRunState } from '../../run/context.tsx'
import { inTen } from './plan-b-call.tsx'
import { dated, t } from '../../words/index.ts'

const BIG = 'button min-h-16 px-6 text-xl'

/** A run that has ended: what it tells its plan, and the ways on from here. */
export function RunOver() {
  const run = useRun()
  const { state, unsent } = useRunState()
  const client = useQueryClient()
  const clock = (r: number) => format(run.openedAt + r * 1000, "yyyy-MM-dd'T'HH:mm")
  const poured = lastPourAt(state)
  const looks = seenIn(state).length
  const take = useMutation({
    mutationFn: async () => {
      const { plan, revision } = await getBatch(run.batch)
      const read = readPlan(plan)
      if (!read.ok) throw new Error(t('The plan of this batch cannot be read.'))
      const changes = planChanges(read.plan, withRun(read.plan, state, clock))
      if (changes.length > 0) await changeBatch(run.batch, { id: freshUuid(), revision, changes })
    },
    onSuccess: () => void client.invalidateQueries({ queryKey: ['batches', 'one', run.batch] }),
  })
  const told = [
    poured !== null && t('poured at {openedAt}', { openedAt: dated(run.openedAt + poured * 1000, 'HH:mm') }),
    looks > 0 && t('{looks} {looks, plural, one {look} other {looks}} at the trace', { looks }),
    state.blendS >= 1 && t('{blendS} s of blending', { blendS: Math.round(state.blendS) }),
  ].filter(Boolean)
  return (
    <section aria-label={t('Now')} className="flex-1 px-6 py-4 max-[760px]:px-4">
      <p className="font-title text-[clamp(2.25rem,5vw,4rem)] leading-tight font-semibold">
        {state.closed === 'moulded' ? t('In the mould') : t('Given up')}
      </p>
      <Outcome />
      {state.closed === 'moulded' && told.length > 0 && (
        <p className="mt-2 max-w-160 text-xl">
          {t('For the plan: {told}. Then its rest begins, and later forecasts learn from it.', {
            told: told.join(', '),
          })}
        </p>
      )}
      <div className="mt-5 flex flex-wrap gap-4">
        {state.closed === 'moulded' && told.length > 0 && !take.isSuccess && (
          <button
            className={`${BIG} button-main`}
            disabled={take.isPending || unsent > 0}
            onClick={() => take.mutate()}
          >
            {t('Tell the plan')}
          </button>
        )}
        {state.closed === 'moulded' && (
          <Link className={`${BIG} ${take.isSuccess ? 'button-main' : ''}`} to={`/batches/${run.batch}/rest`}>
            {t('On to the rest')}
          </Link>
        )}
        <Link className={BIG} to={`/bench/${run.id}/sheet`}>
          {t('The sheet, as it was made')}
        </Link>
      </div>
      {take.isSuccess && (
        <p role="status" className="mt-3 text-lg">
          {t('✓ The plan knows.')}
        </p>
      )}
      {take.error && (
        <p role="alert" className="mt-3 text-lg text-rust">
          {take.error.message}
        </p>
      )}
    </section>
  )
}

/** Whether it came out as planned: held against what was said of it, in the end over all runs. */
function Outcome() {
  const run = useRun()
  const { state, events } = useRunState()
  const said = useMemo(() => saidAtSplit(run.following, events), [run, events])
  const answer = (how: 'as-planned' | 'otherwise') =>
    run.note({ kind: 'outcome', how, ...(said !== null && { amount: Math.round(said * 1000) / 10 }) })
  if (said === null && state.outcome === null) return null
  return (
    <div className="mt-3 border-y border-line py-3">
      {state.outcome === null ? (
        <>
          <p className="text-xl">
            {t('Did it come out as planned?')}
            {said !== null && (
              <span className="text-soft">
                {' '}
                {t('As the batter was divided, {said} was said.', { said: inTen(said) })}
              </span>
            )}
          </p>
          <div className="mt-2 flex flex-wrap gap-4">
            <button className={BIG} onClick={() => answer('as-planned')}>
              {t('Yes, as planned')}
            </button>
            <button className={BIG} onClick={() => answer('otherwise')}>
              {t('No, otherwise')}
            </button>
          </div>
        </>
      ) : (
        <p className="flex flex-wrap items-center gap-4 text-xl">
          {state.outcome === 'as-planned' ? t('✓ It came out as planned') : t('△ It came out otherwise')}
          {said !== null && <span className="text-soft">{t('{said} was said', { said: inTen(said) })}</span>}
          <button
            className="quiet min-h-11"
            onClick={() => answer(state.outcome === 'as-planned' ? 'otherwise' : 'as-planned')}
          >
            {t('It was the other way')}
          </button>
        </p>
      )}
    </div>
  )
}
