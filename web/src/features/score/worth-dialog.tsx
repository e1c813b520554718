import { showMass, trialOfQuestion } from '@ostler/core'
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
import { fixed, showChance, t } from '../../words/index.ts'

/** Which small test would take most of this plan’s risk away, before it is made. */
export function WorthDialog({ onClose }: { onClose: () => void }) {
  const batch = useBatch()
  const [{ told, isBusy, failure }, begin, stop] = useWork<void, WorthTold>()
  useEffect(() => begin(asking => worthTesting(batch.get().plan, batch.shelf, asking)), [batch, begin])
  const tests = told?.tests ?? []
  const worth = tests.filter(one => one.isWorth)
  const others = tests.filter(one => !one.isWorth)
  return (
    <Ask open wide title={t('Try it small first')} onClose={onClose}>
      <p className="max-w-160 text-soft">
        {t(
          'What a few samples would tell about this batch before it is made: how much likelier it is to work, or how much closer a colour comes to what is drawn here.',
        )}
      </p>
      <div className="mt-2 flex min-h-11 items-center gap-4" aria-live="polite">
        {isBusy && (
          <>
            <progress className="w-60" value={told?.done ?? 0} max={1} aria-label={t('Working it out')} />
            <button className="button" onClick={stop}>
              {t('Stop')}
            </button>
          </>
        )}
        {failure && <span className="text-rust">{failure}</span>}
        {!isBusy && !failure && tests.length === 0 && (
          <span>{t('Nothing here is unknown enough for a test: no untried scent, no colorant without swatches.')}</span>
        )}
        {!isBusy && tests.length > 0 && worth.length === 0 && (
          <span>{t('Not worth a test: whatever one showed, you would do the same.')}</span>
        )}
      </div>
      <ul className="flex flex-col gap-4">
        {worth.map(one => (
          <Test key={one.key} test={one} name={batch.get().plan.name} />
        ))}
      </ul>
      {others.length > 0 && (
        <details className="mt-4">
          <summary className="min-h-9 cursor-pointer">
            {t('{others} more that would change little', { others: others.length })}
          </summary>
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

const points = (x: number): string => t('{what} points', { what: Math.max(1, Math.round(100 * x)) })

function titleOf({ kind, name, samples }: WorthTest): string {
  if (kind === 'speed')
    return t('{samples} beside {name}', { samples: samples === 2 ? t('A plain cup') : t('Two plain cups'), name })
  return kind === 'browning' ? t('How {name} browns', { name }) : t('{name} in two doses', { name })
}

/** What it would tell, in the unit of what it is about. */
function whatItTells({ of, before, after, range, changesMind }: WorthTest): string {
  if (of === 'colour')
    return t('Its colour may come out ΔE {before} off what is drawn; after it about {after}.', {
      before: fixed(before, 0),
      after: fixed(after, 1),
    })
  const now = range
    ? t('As the scent turns out, the plan works in {low} to {high}; after it that is known to within {leaves}. ', {
        low: showChance(range.low),
        high: showChance(range.high),
        leaves: points(range.leaves),
      })
    : ''
  const mind = t('{changesMind} of its outcomes would make you do something else.', {
    changesMind: showChance(changesMind ?? 0),
  })
  return t('{now}Expected: {before} now, {after} then. {mind}', {
    now,
    before: showChance(before),
    after: showChance(after),
    mind,
  })
}

const whenOf = (days: number): string =>
  days < 1 ? t('the answer at once') : t('the answer after {days} days', { days })

function Test({ test, name }: { test: WorthTest; name: string }) {
  const habits = useHabits()
  const navigate = useNavigate()
  const title = titleOf(test)
  const begin = useMutation({
    mutationFn: () =>
      addTrial(freshUuid(), trialOfQuestion(t('{title}, for {name}', { title, name }).slice(0, 80), test.question)),
    onSuccess: one => navigate(`/trials/${one.id}`),
  })
  return (
    <li className="grid grid-cols-[1fr_auto] gap-x-6 border-t border-line pt-3 max-[600px]:grid-cols-1">
      <div>
        <h3 className="text-lg font-semibold">{title}</h3>
        <p>{whatItTells(test)}</p>
        <p className="text-[13px] text-soft">
          {t('{grams} of batter, about {hours} min of work, {days}.', {
            grams: showMass(test.grams, habits, 1),
            hours: Math.round(test.hours * 60),
            days: whenOf(test.days),
          })}
        </p>
      </div>
      <div className="flex flex-col items-end gap-1">
        <span className="text-2xl font-semibold whitespace-nowrap">
          {test.of === 'chance'
            ? `+ ${points(test.gain)}`
            : t('ΔE − {before}', { before: fixed(test.before - test.after, 0) })}
        </span>
        <button className="button button-main" disabled={begin.isPending} onClick={() => begin.mutate()}>
          {t('Plan this test')}
        </button>
        {begin.error && <span className="text-rust">{begin.error.message}</span>}
      </div>
    </li>
  )
}
