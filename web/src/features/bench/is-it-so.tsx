import { BODIES, showMass, showTemperature } from '@ostler/core'
import type { Doubt } from '@ostler/core'
import { useEffect } from 'react'
import { useHabits } from '../../plan/context.tsx'
import { useFollowed, useRun, useRunHex } from '../../run/context.tsx'
import { lookWord } from '../../parts/look-word.ts'
import type { About, Doubted } from './use-bench.ts'
import { fixed, t } from '../../words/index.ts'

/** Nobody answers for so long: it is noted as it was said, ms. */
const UNANSWERED_MS = 20_000
const KEY = 'button min-h-16 w-full justify-start px-6 text-left text-xl'

type Meant = Doubt['meant'][number]

const WHY: Readonly<Record<Extract<Meant, { kind: 'typed' }>['why'], string>> = {
  point: t('the point was lost'),
  tenfold: t('a digit was lost'),
  unit: t('it was in the other unit'),
  digits: t('two digits changed places'),
}

/** A number that does not fit: one question, its answers in large keys; left alone it stands as it was said. */
export function IsItSo({
  doubted: { about, doubt },
  onSettle,
}: {
  doubted: Doubted
  onSettle: (about: About) => void
}) {
  const habits = useHabits()
  const run = useRun()
  const hexOf = useRunHex()
  const { plan } = useFollowed()
  useEffect(() => {
    const timer = setTimeout(() => onSettle(about), UNANSWERED_MS)
    return () => clearTimeout(timer)
  }, [about, onSettle])
  const show = (amount: number) =>
    about.kind === 'seen'
      ? `${lookWord(amount, plan.whipped !== null)} (${fixed(amount, 1)})`
      : about.kind === 'temp'
        ? showTemperature(amount, habits)
        : showMass(amount, habits, doubt.expected >= 100 ? 1 : 0.1)
  const nameOf = (cup: string | undefined) => plan.cups.find(one => one.id === cup)?.name ?? ''
  const of = about.cup ? nameOf(about.cup) : about.body ? t(BODIES[about.body]) : ''
  const minutesAgo = (r: number) => Math.max(1, Math.round((run.nowS() - r) / 60))
  const wordsOf = (meant: Meant) =>
    meant.kind === 'typed'
      ? `${show(meant.amount)}: ${WHY[meant.why]}`
      : meant.kind === 'cup'
        ? t('It was {cup}', { cup: nameOf(meant.cup) })
        : t('It was seen about {r} min ago', { r: minutesAgo(meant.r) })
  const changed = (meant: Meant): About =>
    meant.kind === 'typed'
      ? { ...about, amount: Math.round(meant.amount * 100) / 100 }
      : meant.kind === 'cup'
        ? { ...about, cup: meant.cup }
        : { ...about, r: meant.r }
  return (
    <section role="alertdialog" aria-label={t('Is it so?')} className="flex-1 border-l-[16px] border-ink px-6 py-4">
      <p className="font-title text-[clamp(1.6rem,4.5vw,3.25rem)] leading-tight font-semibold">
        {show(about.amount ?? 0)}
        {of && `, ${of}`}?
      </p>
      <p className="mt-1 text-xl">{t('About {expected} was to be expected.', { expected: show(doubt.expected) })}</p>
      <ul className="mt-4 flex max-w-140 flex-col gap-3">
        {doubt.meant.map(meant => (
          <li key={wordsOf(meant)}>
            <button className={KEY} onClick={() => onSettle(changed(meant))}>
              {meant.kind === 'cup' && (
                <span aria-hidden className="size-6 border border-ink" style={{ background: hexOf(meant.cup) }} />
              )}
              {wordsOf(meant)}
            </button>
          </li>
        ))}
        <li>
          <button autoFocus className={`${KEY} button-main`} onClick={() => onSettle(about)}>
            {t('It is so{kind}', { kind: about.kind === 'seen' && t(': look again soon') })}
          </button>
        </li>
      </ul>
    </section>
  )
}
