import { lastPourAt, planChanges, readPlan, seenIn, withRun } from '@ostler/core'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { format } from 'date-fns'
import { Link } from 'react-router'
import { changeBatch, getBatch } from '../../api/client.ts'
import { freshUuid } from '../../plan/fresh-uuid.ts'
import { useRun, useRunState } from '../../run/context.tsx'

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
      if (!read.ok) throw new Error('The plan of this batch cannot be read.')
      const changes = planChanges(read.plan, withRun(read.plan, state, clock))
      if (changes.length > 0) await changeBatch(run.batch, { id: freshUuid(), revision, changes })
    },
    onSuccess: () => void client.invalidateQueries({ queryKey: ['batches', 'one', run.batch] }),
  })
  const told = [
    poured !== null && `poured at ${format(run.openedAt + poured * 1000, 'HH:mm')}`,
    looks > 0 && `${looks} ${looks === 1 ? 'look' : 'looks'} at the trace`,
    state.blendS >= 1 && `${Math.round(state.blendS)} s of blending`,
  ].filter(Boolean)
  return (
    <section aria-label="Now" className="flex-1 px-6 py-4 max-[760px]:px-4">
      <p className="font-title text-[clamp(2.25rem,5vw,4rem)] leading-tight font-semibold">
        {state.closed === 'moulded' ? 'In the mould' : 'Given up'}
      </p>
      {state.closed === 'moulded' && told.length > 0 && (
        <p className="mt-2 max-w-160 text-xl">
          Told to the plan: {told.join(', ')}. Then its rest begins, and later forecasts learn from it.
        </p>
      )}
      <div className="mt-5 flex flex-wrap gap-4">
        {state.closed === 'moulded' && told.length > 0 && !take.isSuccess && (
          <button
            className={`${BIG} button-main`}
            disabled={take.isPending || unsent > 0}
            onClick={() => take.mutate()}
          >
            Tell the plan
          </button>
        )}
        {state.closed === 'moulded' && (
          <Link className={`${BIG} ${take.isSuccess ? 'button-main' : ''}`} to={`/batches/${run.batch}/rest`}>
            On to the rest
          </Link>
        )}
        <Link className={BIG} to={`/bench/${run.id}/sheet`}>
          The sheet, as it was made
        </Link>
      </div>
      {take.isSuccess && (
        <p role="status" className="mt-3 text-lg">
          ✓ The plan knows.
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
