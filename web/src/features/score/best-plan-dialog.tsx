import { AIMS, FREEDOMS, showMinutes } from '@ostler/core'
import type { Aim, FoundPlan, Freedom, SearchState, Words } from '@ostler/core'
import { useState } from 'react'
import { useBatch } from '../../plan/context.tsx'
import { Ask } from '../../ui/ask.tsx'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { options } from '../../ui/options.ts'
import { useToast } from '../../ui/toast.tsx'
import { bestPlans } from '../../workers/search.ts'
import { useWork } from '../../workers/use-work.ts'
import { Say, useSay } from '../../ui/say.tsx'
import { showChance, t } from '../../words/index.ts'

const ALL = Object.keys(FREEDOMS) as Freedom[]
/** What changes the design itself waits to be asked for. */
const USUAL = ALL.filter(key => key !== 'pours')

/** Searches for settings with which the whole design is most likely to work; what is found is applied with one action. */
export function BestPlanDialog({ onClose }: { onClose: () => void }) {
  const say = useSay()
  const batch = useBatch()
  const toast = useToast()
  const [free, setFree] = useState<Freedom[]>(USUAL)
  const [aim, setAim] = useState<Aim>('works')
  const [refused, setRefused] = useState<Words>('')
  const [{ told: state, isBusy, failure }, begin, stop] = useWork<void, SearchState>()
  const start = () => {
    setRefused('')
    begin(asking => bestPlans(batch.get().plan, batch.shelf, free, aim, asking))
  }
  const sentence = refused || failure
  const apply = (found: FoundPlan) => {
    const result = batch.edit(found.edit)
    if (!result.ok) return setRefused(result.sentence)
    onClose()
    const changes = t('{n, plural, one {one change} other {# changes}}', { n: found.changes.length })
    toast(t('{title}: {changes} made.', { title: say(found.title), changes }), {
      text: t('Undo'),
      run: () => batch.undo(),
    })
  }
  return (
    <Ask open wide title={t('Best plan')} onClose={onClose}>
      <Choice
        label={t('Look for a plan that is')}
        value={aim}
        options={options(AIMS)}
        onValue={setAim}
        className="mb-3 w-full"
      />
      <fieldset>
        <legend className="text-[13px] text-soft">{t('What may change')}</legend>
        <div className="grid grid-cols-2 gap-x-6 max-[600px]:grid-cols-1">
          {ALL.map(key => (
            <Check
              key={key}
              label={t(FREEDOMS[key])}
              checked={free.includes(key)}
              onChange={on => setFree(on ? [...free, key] : free.filter(one => one !== key))}
            />
          ))}
        </div>
      </fieldset>
      <div className="mt-3 flex items-center gap-4">
        {isBusy ? (
          <>
            <progress className="w-60" value={state?.done ?? 0} max={state?.total ?? 1} aria-label={t('Searching')} />
            <span>{state && t('best so far {best}', { best: showChance(state.best) })}</span>
            <button className="button" onClick={stop}>
              {t('Stop')}
            </button>
          </>
        ) : (
          <button className="button button-main" disabled={free.length === 0} onClick={start}>
            {state ? t('Search again') : t('Search')}
          </button>
        )}
      </div>
      {sentence && (
        <p role="alert" className="mt-2 text-rust">
          <Say of={sentence} />
        </p>
      )}
      {state && !isBusy && state.found.length === 0 && (
        <p className="mt-4">{t('Nothing found that is clearly better than the plan as it is.')}</p>
      )}
      <ul className="mt-4 flex flex-col gap-4">
        {state?.found.map(found => (
          <Found key={JSON.stringify(found.title)} found={found} onApply={() => apply(found)} />
        ))}
      </ul>
    </Ask>
  )
}

function Found({ found, onApply }: { found: FoundPlan; onApply: () => void }) {
  const say = useSay()
  const points = Math.max(1, Math.round(found.error * 100))
  return (
    <li className="grid grid-cols-[1fr_auto] gap-x-6 border-t border-line pt-3">
      <div>
        <h3 className="font-semibold">
          <Say of={found.title} />
        </h3>
        <ul className="list-inside list-disc">
          {found.changes.map(change => (
            <li key={change.freedom}>{say(change.sentence)}</li>
          ))}
        </ul>
        <p className="text-[13px] text-soft">
          {t('{endMin} from lye to the last pour{moreMin}.{costs}', {
            endMin: showMinutes(found.endMin),
            moreMin:
              Math.abs(found.moreMin) >= 0.5 &&
              t(', {moreMin} {moreMin2} than now', {
                moreMin: showMinutes(Math.abs(found.moreMin)),
                moreMin2: found.moreMin > 0 ? t('more') : t('less'),
              }),
            costs: found.costs.length > 0 && t(' It costs: {costs}.', { costs: found.costs.map(say).join('; ') }),
          })}
        </p>
      </div>
      <div className="flex flex-col items-end gap-1">
        <span className="text-2xl font-semibold">{showChance(found.chance)}</span>
        <span className="text-[13px] text-soft">
          {t('now {before}; ± {points} points', { before: showChance(found.before), points })}
        </span>
        <button className="button button-main" onClick={onApply}>
          {t('Apply')}
        </button>
      </div>
    </li>
  )
}
