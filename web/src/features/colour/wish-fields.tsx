import { MOST_CHOICES, findById, nearestColorants, seenBy, withDoses, at } from '@ostler/core'
import type { Forecast, Plan, WishAnswer } from '@ostler/core'
import { useEffect, useMemo, useState } from 'react'
import { useBatch, useForecast } from '../../plan/context.tsx'
import { useColourView } from '../../plan/colour-view.ts'
import { AddChoice } from '../../ui/add-choice.tsx'
import { Check } from '../../ui/check.tsx'
import { useTold } from '../../parts/plan-field.tsx'
import { Swatch } from '../../ui/swatch.tsx'
import { wishAnswer } from '../../workers/colour.ts'
import { useFollowing } from '../../workers/use-work.ts'
import type { Job } from '../../workers/use-work.ts'
import { useToast } from '../../ui/toast.tsx'
import { Say } from '../../ui/say.tsx'
import { t, tidy } from '../../words/index.ts'

interface Props {
  plan: Plan
  forecast: Forecast
  index: number
}

/** A wanted colour, the colorants it is to be made of, and the doses that come closest. */
export function WishFields({ plan, forecast, index }: Props) {
  const batch = useBatch()
  const told = useTold()
  const cup = plan.cups[index]!
  const colour = forecast.colours.cups[index]!
  const set = (wish: string | null) =>
    told(batch.edit({ kind: 'set', path: at(plan => plan.cups[index]!.wish), value: wish }, `wish ${cup.id}`))
  return (
    <div className="border-t border-booth-deep pt-2">
      <div className="flex items-center gap-3">
        <label className="flex flex-1 items-center gap-3 font-title font-semibold">
          {t('Wished colour, cured')}
          <input
            type="color"
            className="h-9 w-16 cursor-pointer rounded border border-ink bg-paper p-0.5"
            value={cup.wish ?? colour.stages.cured.no.hex}
            onChange={event => set(event.target.value.toLowerCase())}
          />
        </label>
        {cup.wish && (
          <button className="quiet" onClick={() => set(null)}>
            {t('no wish')}
          </button>
        )}
      </div>
      {cup.wish && <Ways key={cup.id} plan={plan} index={index} hex={cup.wish} />}
    </div>
  )
}

const LATER_MS = 120

/** Nearer than this nobody looks for more, ΔE. */
const NEAR_ENOUGH = 2.5

/** Worked out off the main thread, once the hands rest: the nearest at once, then what more colorants would do. */
function useWish(plan: Plan, index: number, hex: string, ids: readonly string[]): WishAnswer | null {
  const { shelf } = useBatch()
  const toast = useToast()
  const key = ids.join()
  const job = useMemo<Job<WishAnswer | null, WishAnswer> | null>(() => {
    if (key === '') return null
    const asked = { plan, shelf, cupIndex: index, hex, colorants: key.split(',') }
    return async ({ signal, onTold }) => {
      const found = await wishAnswer(asked, false, { signal })
      if (!found || found.deltaE <= NEAR_ENOUGH) return found
      onTold(found)
      return wishAnswer(asked, true, { signal })
    }
  }, [plan, shelf, index, hex, key])
  const { answer, told, isStale, failure } = useFollowing(job, LATER_MS)
  useEffect(() => {
    if (failure) toast(failure)
  }, [failure, toast])
  if (key === '') return null
  return isStale && told ? told : answer
}

const dosesWords = ({ doses }: WishAnswer): string =>
  doses.map(dose => t('{dose} {gPerKg} g/kg', { dose: dose.name, gPerKg: tidy(dose.gPerKg, 2) })).join(' + ')

function Ways({ plan, index, hex }: { plan: Plan; index: number; hex: string }) {
  const batch = useBatch()
  const told = useTold()
  const { sight } = useColourView()
  const cup = plan.cups[index]!
  const gelled = useForecast()?.colours.cups[index]?.gelled
  const reckoned = useMemo(
    () => (plan.colour.gel === null ? { ...plan, colour: { ...plan.colour, gel: gelled === 'yes' ? 1 : 0 } } : plan),
    [plan, gelled],
  )
  const nearest = useMemo(() => nearestColorants(reckoned, batch.shelf, hex, 4), [reckoned, batch.shelf, hex])
  const [picked, setPicked] = useState<string[]>(() =>
    cup.colorants.length > 0
      ? cup.colorants.map(part => part.colorant).slice(0, MOST_CHOICES)
      : nearest.slice(0, 1).map(one => one.colorant),
  )
  const answer = useWish(reckoned, index, hex, picked)
  const name = (id: string) => findById(batch.shelf.colorants, id)?.name ?? id
  const listed = [...new Set([...picked, ...cup.colorants.map(part => part.colorant)])]
  const suggestions = nearest.filter(one => !listed.includes(one.colorant))
  const pick = (id: string, on: boolean) => setPicked(on ? [...picked, id] : picked.filter(one => one !== id))
  const take = () =>
    answer &&
    told(
      batch.edit({
        kind: 'set',
        path: at(plan => plan.cups[index]!.colorants),
        value: withDoses(plan, batch.shelf, index, answer),
      }),
    )
  const isFull = picked.length >= MOST_CHOICES
  return (
    <div className="mt-1.5 flex flex-col gap-1.5">
      <div className="flex flex-wrap items-center gap-x-4">
        <span className="text-[13px] text-soft">{t('made of')}</span>
        {listed.map(id => (
          <Check key={id} label={name(id)} checked={picked.includes(id)} onChange={on => pick(id, on)} />
        ))}
        {!isFull && (
          <AddChoice
            what={t('a colorant to try')}
            options={[
              ...suggestions.map(one => ({
                id: one.colorant,
                name: t('{one} · ΔE {deltaE} alone', { one: one.name, deltaE: tidy(one.deltaE, 0) }),
              })),
              ...batch.shelf.colorants.filter(
                one =>
                  !one.archived && !listed.includes(one.id) && !suggestions.some(other => other.colorant === one.id),
              ),
            ]}
            onAdd={id => pick(id, true)}
          />
        )}
      </div>
      {picked.length === 0 && <p className="text-[13px] text-soft">{t('Tick what it may be made of: one to four.')}</p>}
      {answer && (
        <div role="status" className="border border-ink bg-paper p-3">
          <p className="flex items-center gap-2">
            <Swatch hex={seenBy(answer.colour.hex, sight)} size={26} />
            <span>
              <Say of={answer.sentence} />
            </span>
          </p>
          <p className="mt-1 font-semibold">{dosesWords(answer)}</p>
          <div className="mt-2 flex flex-wrap gap-2">
            <button className="button button-main" onClick={take}>
              {t('Take these doses')}
            </button>
            {answer.better && !isFull && (
              <button className="button" onClick={() => pick(answer.better!.colorant, true)}>
                {t('with {better}: ΔE {deltaE}', { better: answer.better.name, deltaE: tidy(answer.better.deltaE, 1) })}
              </button>
            )}
          </div>
        </div>
      )}
    </div>
  )
}
