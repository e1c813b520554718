import { remedyOf, showMass, showMassDown } from '@ostler/core'
import type { Addition, LyeRemedy } from '@ostler/core'
import { useMemo } from 'react'
import { useHabits } from '../../plan/context.tsx'
import { useFollowed, useRunState } from '../../run/context.tsx'
import { useSay } from '../../ui/say.tsx'
import type { About } from './use-bench.ts'
import { rich, showShare, t } from '../../words/index.ts'

const share = (value: number): string => showShare(value).replace('-', '−')

/** Amounts as the workshop's scales show them: lye never as more than it is. */
function useAmounts() {
  const habits = useHabits()
  const { scaleStepG, fineScaleStepG } = useFollowed().plan.conditions
  return {
    oil: (massG: number) => showMass(massG, habits, scaleStepG),
    lye: (massG: number) => showMassDown(massG, habits, fineScaleStepG),
  }
}

/** What puts lye and oils right that do not belong together, by what was written down of them. */
export function RemedyPart({ onNote }: { onNote: (about: About) => void }) {
  const { plan, portions, shelf } = useFollowed()
  const { state } = useRunState()
  const remedy = useMemo(() => {
    const weighed = Object.fromEntries(Object.entries(state.weighed).map(([key, one]) => [key, one.massG]))
    return remedyOf(plan, portions, shelf, weighed)
  }, [plan, portions, shelf, state.weighed])
  return (
    <section aria-label={t('By the weights')} className="my-3 max-w-180 border-2 border-ink p-4 text-xl">
      <Told remedy={remedy} onNote={onNote} />
    </section>
  )
}

const unwrittenWords = (lines: readonly string[]): string =>
  t(
    'Nothing can be reckoned: {unwritten} {unwritten2, plural, one {was} other {were}} not written down. Do not add lye or oil by guess.',
    { unwritten: lines.join(', '), unwritten2: lines.length },
  )

function Told({ remedy, onNote }: { remedy: LyeRemedy | null; onNote: (about: About) => void }) {
  const say = useSay()
  const amount = useAmounts()
  if (remedy === null)
    return <p>{t('Each cup is a batter of its own: nothing is added to it. Weigh that cup anew.')}</p>
  const { superfat, wantedShare, unwritten, oils, isTooMuch, lye } = remedy
  if (unwritten.length > 0) return <p>{unwrittenWords(unwritten.map(say))}</p>
  const stands = t('By what was weighed its superfat is {value}; planned is {wantedShare}.', {
    value: share(superfat.value),
    wantedShare: share(wantedShare),
  })
  if (isTooMuch)
    return (
      <p>
        {rich('{stands} More than a quarter of the oils would have to go in: {strong}', {
          stands,
          strong: <strong>{t('do not mould it, discard it as caustic.')}</strong>,
        })}
      </p>
    )
  if (lye)
    return (
      <>
        <p>{t('{stands} Lye is missing.', { stands })}</p>
        <p>
          {rich(
            '{strong}, cooled to 5 °C above the batter, in slowly, blended until it holds. Goggles, gloves, sleeves as before.',
            {
              strong: (
                <strong>
                  {t('{massG} lye, dissolved in {waterG} water', {
                    massG: amount.lye(lye.massG),
                    waterG: amount.oil(lye.waterG),
                  })}
                </strong>
              ),
            },
          )}
        </p>
        <p className="text-lg text-soft">
          {t(
            'Only while it is thinner than lines. It comes to {value}. Or leave it: a softer bar, sooner rancid, sound up to 12 %.',
            { value: share(lye.after.value) },
          )}
        </p>
        <Added addition={lye} onNote={onNote} />
      </>
    )
  if (oils.length === 0) return <p>{t('{stands} That is as planned.', { stands })}</p>
  return (
    <>
      <p>{t('{stands} One of these goes in, as warm as the batter, blended until it holds:', { stands })}</p>
      <ul>
        {oils.map(one => (
          <li key={one.key} className="flex flex-wrap items-center gap-3 border-t border-line py-1">
            <strong className="flex-1">
              {amount.oil(one.massG)} {say(one.name)}
            </strong>
            <span className="text-lg text-soft">
              {t('{value}, at the least {low}', { value: share(one.after.value), low: share(one.after.low) })}
            </span>
            <Added addition={one} onNote={onNote} />
          </li>
        ))}
      </ul>
      <p className="text-lg text-soft">
        {t(
          'Only while it is thinner than thin custard. The mould has to hold that much more; labels and verdict go by the new weights.',
        )}
      </p>
    </>
  )
}

function Added({
  addition: { key, massG, name, totalG },
  onNote,
}: {
  addition: Addition
  onNote: (about: About) => void
}) {
  const say = useSay()
  const amount = useAmounts()
  return (
    <button
      className="button min-h-12"
      onClick={() => onNote({ kind: 'weighed', item: key, amount: totalG })}
      aria-label={t('{key} {name} went in', {
        key: key === 'lye' ? amount.lye(massG) : amount.oil(massG),
        name: say(name),
      })}
    >
      {t('It went in')}
    </button>
  )
}
