import { dayAfter } from '@ostler/core'
import type { RunSheet, StepAhead, Words } from '@ostler/core'
import { parseISO } from 'date-fns'
import { Link } from 'react-router'
import { useLastDays } from '../../parts/last-days.tsx'
import { usePlan } from '../../plan/context.tsx'
import { useTicks } from '../../parts/ticks.ts'
import { Check } from '../../ui/check.tsx'
import { clockBefore, showHours } from '../../ui/clock.ts'
import { Section } from '../../ui/section.tsx'
import { useSay } from '../../ui/say.tsx'
import { clock, dated, rich, t } from '../../words/index.ts'

interface StepProps {
  /** It is ticked under this. */
  name: string
  time: Words
  what: Words
  why: Words
  isCritical?: boolean
  /** Shares of the whole time. */
  bar?: { from: number; hands: number; to: number }
}

/** One step to tick off, with how long it takes of the whole. */
function Step({ name, time, what, why, isCritical = false, bar }: StepProps) {
  const ticks = useTicks()
  const say = useSay()
  return (
    <li className="border-b border-line">
      <Check
        className="min-h-11 w-full"
        checked={ticks.isDone(`prep:${name}`)}
        onChange={done => ticks.set(`prep:${name}`, done)}
        label={
          <span className="grid flex-1 grid-cols-[132px_minmax(0,1fr)_120px] items-center gap-x-3 py-1 max-[600px]:grid-cols-[88px_minmax(0,1fr)]">
            <strong>{say(time)}</strong>
            <span>
              {say(what)}
              {isCritical && <span className="ml-1.5 text-[13px] font-semibold">{t('◆ sets the length')}</span>}
              <span className="block text-[13px] text-soft">{say(why)}</span>
            </span>
            {bar && (
              <span aria-hidden className="relative block h-4 bg-panel max-[600px]:hidden">
                <span
                  className="absolute inset-y-1 bg-booth-deep"
                  style={{ left: `${bar.from * 100}%`, width: `${(bar.to - bar.from) * 100}%` }}
                />
                <span
                  className="absolute inset-y-0 bg-ink"
                  style={{ left: `${bar.from * 100}%`, width: `${Math.max(1, (bar.hands - bar.from) * 100)}%` }}
                />
              </span>
            )}
          </span>
        }
      />
    </li>
  )
}

/** The day on which a step is begun that is done beforehand, where it is known when it is poured, or wanted. */
function useDayOf(): (step: StepAhead) => string | null {
  const pouredAt = usePlan(state => state.plan.rest.pouredAt)
  const pourOn = useLastDays()?.makeOn ?? (pouredAt === '' ? null : pouredAt.slice(0, 10))
  return ({ days }) =>
    pourOn === null ? null : t('by {pourOn}', { pourOn: dated(parseISO(dayAfter(pourOn, -days)), 'd MMM') })
}

/** Preparation in the order of the hands, so that everything ends as lye meets oils. */
export function RunSheetSection({ sheet, startAt }: { sheet: RunSheet; startAt: string }) {
  const dayOf = useDayOf()
  const part = (before: number) => (sheet.lengthMin - before) / sheet.lengthMin
  return (
    <Section
      title={t('Run sheet')}
      aside={
        <p className="text-soft">
          {startAt ? (
            <>
              {rich('begin at {startAt}, mix at {startAt2}', {
                startAt: <strong className="text-ink">{clockBefore(startAt, sheet.lengthMin)}</strong>,
                startAt2: clock(startAt),
              })}
            </>
          ) : (
            <>
              {rich('{lengthMin} before mixing · {sayWhen}', {
                lengthMin: showHours(sheet.lengthMin),
                sayWhen: (
                  <Link to="../heat" className="underline">
                    {t('say when')}
                  </Link>
                ),
              })}
            </>
          )}
          {t('; hands busy {busyMin} of {lengthMin} min', {
            busyMin: Math.round(sheet.busyMin),
            lengthMin: Math.round(sheet.lengthMin),
          })}
        </p>
      }
    >
      <ul aria-label={t('Steps of preparation')}>
        {sheet.ahead.map(step => (
          <Step key={step.key} name={step.key} time={dayOf(step) ?? step.when} what={step.what} why="" />
        ))}
        {sheet.steps.map(step => (
          <Step
            key={step.key}
            name={step.key}
            time={clockBefore(startAt, step.startsMin)}
            what={step.what}
            why={step.why}
            isCritical={step.isCritical}
            bar={{
              from: part(step.startsMin),
              hands: part(step.startsMin - step.handsMin),
              to: part(step.endsMin),
            }}
          />
        ))}
        <li className="grid grid-cols-[132px_1fr] gap-3 border-b-2 border-ink py-2 pl-6.5">
          <strong>{startAt ? clock(startAt) : t('minute 0')}</strong>
          <strong>{t('Lye meets oils')}</strong>
        </li>
      </ul>
      <p className="mt-1.5 text-[13px] text-soft">
        {t(
          'Dark: hands busy; grey: it goes on by itself. Minutes of hands are estimates for one pair of them. Never leave fat on the heat or open lye alone.',
        )}
      </p>
    </Section>
  )
}
