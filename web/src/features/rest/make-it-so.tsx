import { GEL_WISHES, showTemperature, together, fact } from '@ostler/core'
import type { GelWish, RestSearch, RestWay, Words } from '@ostler/core'
import { useState } from 'react'
import { useBatch, useHabits, usePlan } from '../../plan/context.tsx'
import { showHours } from '../../ui/clock.ts'
import { useToast } from '../../ui/toast.tsx'
import { searchRest } from '../../workers/rest.ts'
import { useWork } from '../../workers/use-work.ts'
import { Say, useSay } from '../../ui/say.tsx'
import { showChance, t } from '../../words/index.ts'

/** Looks for the simplest rest that does what is wished for; each is applied with one action. */
export function MakeItSo() {
  const wish = usePlan(state => state.plan.rest.wish)
  return wish === 'any' ? null : <Search key={wish} wish={wish} />
}

function Search({ wish }: { wish: Exclude<GelWish, 'any'> }) {
  const batch = useBatch()
  const toast = useToast()
  const say = useSay()
  const [refused, setRefused] = useState<Words>('')
  const [{ told: state, isBusy, failure }, begin, stop] = useWork<void, RestSearch>()
  const start = () => {
    setRefused('')
    begin(asking => searchRest(batch.get().plan, batch.shelf, wish, asking))
  }
  const sentence = refused || failure
  const apply = (way: RestWay) => {
    const result = batch.edit(way.edit)
    if (!result.ok) return setRefused(result.sentence)
    toast(t('{sentence}: done.', { sentence: say(way.sentence) }), { text: t('Undo'), run: () => batch.undo() })
  }
  const isDone = state && !isBusy
  return (
    <section aria-label={t('Make it so')} className="mt-4 border-t border-ink pt-3">
      <h2 className="text-lg first-letter:uppercase">{t('{wish}: how', { wish: say(fact(GEL_WISHES[wish])) })}</h2>
      <div className="mt-1 flex items-center gap-3">
        {isBusy ? (
          <>
            <progress className="w-40" value={state?.done ?? 0} max={state?.total ?? 1} aria-label={t('Searching')} />
            <button className="button" onClick={stop}>
              {t('Stop')}
            </button>
          </>
        ) : (
          <button className="button button-main" onClick={start}>
            {state ? t('Search again') : t('Search')}
          </button>
        )}
      </div>
      {sentence && (
        <p role="alert" className="mt-2 text-rust">
          <Say of={sentence} />
        </p>
      )}
      {state?.refusal && (
        <p className="mt-2 font-semibold">
          <Say of={state.refusal} />
        </p>
      )}
      {isDone && !state.refusal && state.found.length === 0 && (
        <p className="mt-2">
          {t('Nothing found that does it in 4 of 5 runs. A smaller or thinner mould, or another recipe, would.')}
          {state.nearest && (
            <span className="mt-1 block">{t('Nearest: {nearest}', { nearest: say(state.nearest) })}</span>
          )}
        </p>
      )}
      <ul>
        {state?.found.map(way => (
          <Way key={way.kind} way={way} say={say} onApply={() => apply(way)} />
        ))}
      </ul>
    </section>
  )
}

function Way({ way, say, onApply }: { way: RestWay; say: (words: Words) => string; onApply: () => void }) {
  const habits = useHabits()
  return (
    <li className="mt-3 border-t border-line pt-2">
      <p className="font-semibold">{say(way.sentence)}</p>
      <p className="text-[14px] text-soft">
        {t('{chance}; peak about {peakC}{unmouldMin}.{costs}', {
          chance: showChance(way.chance),
          peakC: showTemperature(Math.round(way.peakC), habits),
          unmouldMin:
            way.unmouldMin !== null && t('; unmould from {unmouldMin}', { unmouldMin: showHours(way.unmouldMin) }),
          costs: way.costs.length > 0 && t(' It costs: {costs}.', { costs: say(together(way.costs, '; ')) }),
        })}
      </p>
      <button className="button mt-1" onClick={onApply}>
        {t('Apply')}
      </button>
    </li>
  )
}
