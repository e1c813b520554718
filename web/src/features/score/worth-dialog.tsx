import { showChance, showMass, trialOfQuestion } from '@ostler/core'
import type { WorthTest, WorthTold } from '@ostler/core'
import { useMutation } from '@tanstack/react-query'
import { useEffect } from 'react'
import { useNavigate } from 'react-router'
import { addTrial } from '../../api/client.ts'
import { useBatch, useHabits } from '../../plan/context.tsx'
import { freshUuid } from '../../plan/fresh-uuid.ts'
import { Ask } from '../../ui/ask.tsx'
import { worthTesting } from '../../workers/trial.ts'
import { useWork } from '../../workers/use-work.ts'

/** Which small test would take most of this plan’s risk away, before it is made. */
export function WorthDialog({ onClose }: { onClose: () => void }) {
  const batch = useBatch()
  const [{ told, isBusy, failure }, begin, stop] = useWork<void, WorthTold>()
  useEffect(() => begin(asking => worthTesting(batch.get().plan, batch.shelf, asking)), [batch, begin])
  const tests = told?.tests ?? []
  const worth = tests.filter(one => one.isWorth)
  const others = tests.filter(one => !one.isWorth)
  return (
    <Ask open wide title="Try it small first" onClose={onClose}>
      <p className="max-w-160 text-soft">
        What a few samples would tell about this batch before it is made: how much likelier it is to work, or how much
        closer a colour comes to what is drawn here.
      </p>
      <div className="mt-2 flex min-h-11 items-center gap-4" aria-live="polite">
        {isBusy && (
          <>
            <progress className="w-60" value={told?.done ?? 0} max={1} aria-label="Working it out" />
            <button className="button" onClick={stop}>
              Stop
            </button>
          </>
        )}
        {failure && <span className="text-rust">{failure}</span>}
        {!isBusy && !failure && tests.length === 0 && (
          <span>Nothing here is unknown enough for a test: no untried scent, no colorant without swatches.</span>
        )}
        {!isBusy && tests.length > 0 && worth.length === 0 && (
          <span>Not worth a test: whatever one showed, you would do the same.</span>
        )}
      </div>
      <ul className="flex flex-col gap-4">
        {worth.map(one => (
          <Test key={one.key} test={one} name={batch.get().plan.name} />
        ))}
      </ul>
      {others.length > 0 && (
        <details className="mt-4">
          <summary className="min-h-9 cursor-pointer">{others.length} more that would change little</summary>
          <ul className="mt-2 flex flex-col gap-4">
            {others.map(one => (
              <Test key={one.key} test={one} name={batch.get().plan.name} />
            ))}
          </ul>
        </details>
      )}
    </Ask>
  )
}

const points = (x: number): string => `${Math.max(1, Math.round(100 * x))} points`

function titleOf({ kind, name, samples }: WorthTest): string {
  if (kind === 'speed') return `${samples === 2 ? 'A plain cup' : 'Two plain cups'} beside ${name}`
  return kind === 'browning' ? `How ${name} browns` : `${name} in two doses`
}

/** What it would tell, in the unit of what it is about. */
function whatItTells({ of, before, after, range, changesMind }: WorthTest): string {
  if (of === 'colour')
    return `Its colour may come out ΔE ${before.toFixed(0)} off what is drawn; after it about ${after.toFixed(1)}.`
  const now = range
    ? `As the scent turns out, the plan works in ${showChance(range.low)} to ${showChance(range.high)}; after it that is known to within ${points(range.leaves)}. `
    : ''
  const mind = `${showChance(changesMind ?? 0)} of its outcomes would make you do something else.`
  return `${now}Expected: ${showChance(before)} now, ${showChance(after)} then. ${mind}`
}

const whenOf = (days: number): string => (days < 1 ? 'the answer at once' : `the answer after ${days} days`)

function Test({ test, name }: { test: WorthTest; name: string }) {
  const habits = useHabits()
  const navigate = useNavigate()
  const title = titleOf(test)
  const begin = useMutation({
    mutationFn: () => addTrial(freshUuid(), trialOfQuestion(`${title}, for ${name}`.slice(0, 80), test.question)),
    onSuccess: one => navigate(`/trials/${one.id}`),
  })
  return (
    <li className="grid grid-cols-[1fr_auto] gap-x-6 border-t border-line pt-3 max-[600px]:grid-cols-1">
      <div>
        <h3 className="text-lg font-semibold">{title}</h3>
        <p>{whatItTells(test)}</p>
        <p className="text-[13px] text-soft">
          {showMass(test.grams, habits, 1)} of batter, about {Math.round(test.hours * 60)} min of work,{' '}
          {whenOf(test.days)}.
        </p>
      </div>
      <div className="flex flex-col items-end gap-1">
        <span className="text-2xl font-semibold whitespace-nowrap">
          {test.of === 'chance' ? `+ ${points(test.gain)}` : `ΔE − ${(test.before - test.after).toFixed(0)}`}
        </span>
        <button className="button button-main" disabled={begin.isPending} onClick={() => begin.mutate()}>
          Plan this test
        </button>
        {begin.error && <span className="text-rust">{begin.error.message}</span>}
      </div>
    </li>
  )
}
