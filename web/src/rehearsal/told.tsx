import { showMass, surpriseOf } from '@ostler/core'
import type { BenchEvent, Way } from '@ostler/core'
import { useEffect, useState } from 'react'
import type { ReactNode } from 'react'
import { readingNumber } from '../instruments/reading-number.ts'
import { useHabits } from '../plan/context.tsx'
import { useRehearsal, useRehearsalState } from './context.tsx'
import type { FillingShown } from './filling-scale.ts'
import type { RehearsalState } from './hands.ts'
import type { RehearsalRun } from './rehearsal-run.ts'
import { t } from '../words/index.ts'

type About = Pick<BenchEvent, 'kind'> & Partial<BenchEvent>

const BIG = 'button min-h-16 px-6 text-xl'
const SPLASHED: readonly Way[] = [
  { how: 'rinse', says: t('Rinse now, for 20 minutes'), word: '', seconds: 0 },
  { how: 'on', says: t('Go on first'), word: '', seconds: 0 },
]
const READ: readonly Way[] = [{ how: 'read', says: t('Seen'), word: '', seconds: 0 }]

/** What struck, until it was read or met in one of its ways. */
export function ToldSurprise({ onNote }: { onNote: (about: About) => void }) {
  const rehearsal = useRehearsal()
  const more = useRehearsalState()
  if (!rehearsal || !more) return null
  if (more.asked) return <Asked rehearsal={rehearsal} {...more.asked} />
  if (more.heard) return <Heard rehearsal={rehearsal} heard={more.heard} onNote={onNote} />
  if (!more.told) return null
  const { struck, text } = more.told
  const { ways } = surpriseOf(struck.key)
  const isSplash = struck.key === 'splash'
  const meet = (way: Way) => {
    if (ways) return rehearsal.meet(struck.key, way)
    if (isSplash && way.how === 'rinse') {
      rehearsal.note({ kind: 'wrong', how: 'other', text: t('rinsed for 20 minutes') })
      rehearsal.note({ kind: 'close', how: 'given-up' })
    }
    rehearsal.reads('told')
  }
  const shown = ways ?? (isSplash ? SPLASHED : READ)
  return (
    <Message label={t('What happens')} text={text}>
      {/* None of the ways is shown as the right one: that is what is practised. */}
      {shown.map(way => (
        <button
          key={way.how}
          className={isSplash && way.how === 'rinse' ? `${BIG} button-main` : BIG}
          onClick={() => meet(way)}
        >
          {t(way.says)}
        </button>
      ))}
    </Message>
  )
}

function Message({ label, text, children }: { label: string; text: string; children: ReactNode }) {
  return (
    <section role="alert" aria-label={label} className="border-b-4 border-rust px-6 py-3 max-[760px]:px-4">
      <p className="font-title text-[clamp(1.4rem,3vw,2.2rem)] leading-tight font-semibold">{text}</p>
      <div className="mt-2 flex flex-wrap gap-3">{children}</div>
    </section>
  )
}

interface HeardProps {
  rehearsal: RehearsalRun
  heard: NonNullable<RehearsalState['heard']>
  onNote: (about: About) => void
}

/** A number as it was called across the bench: typed in, the bench may ask about it. */
function Heard({ rehearsal, heard: { about, text }, onNote }: HeardProps) {
  const habits = useHabits()
  return (
    <Message
      label={t('What was heard')}
      text={t('Read off the scale and called across the bench: {amount} in {text}.', {
        amount: showMass(about.amount ?? 0, habits, 1),
        text,
      })}
    >
      <button
        className={BIG}
        onClick={() => {
          rehearsal.reads('heard')
          onNote(about)
        }}
      >
        {t('Type it in')}
      </button>
    </Message>
  )
}

/** A question of the script: the clock waits, and goes on when the answer was read. */
function Asked({ rehearsal, question, answer }: { rehearsal: RehearsalRun } & NonNullable<RehearsalState['asked']>) {
  const { ask, answers, right } = question
  if (answer === null)
    return (
      <Message label={t('A question')} text={ask}>
        {answers.map(one => (
          <button key={one} className={BIG} onClick={() => rehearsal.answer(one)}>
            {one}
          </button>
        ))}
      </Message>
    )
  return (
    <Message
      label={t('A question')}
      text={answer === answers[right] ? t('That is it.') : t('Rather: {right}.', { right: answers[right] })}
    >
      <button autoFocus className={BIG} onClick={() => rehearsal.reads('asked')}>
        {t('Go on')}
      </button>
    </Message>
  )
}

const BEAT_MS = 100

/** A number that is read again and again. */
function useBeat(read: () => number, isOn: boolean): number {
  const [value, setValue] = useState(read)
  useEffect(() => {
    if (!isOn) return
    const timer = setInterval(() => setValue(read()), BEAT_MS)
    return () => clearInterval(timer)
  }, [read, isOn])
  return isOn ? value : read()
}

/** What the hands are at: how far it is; or what has run while a key is held. */
export function AtHand() {
  const rehearsal = useRehearsal()
  const more = useRehearsalState()
  const habits = useHabits()
  const busy = more?.busy ?? null
  const isRunning = busy !== null || more?.held != null || rehearsal?.measuring.probed() != null
  const now = useBeat(() => rehearsal?.nowS() ?? 0, isRunning)
  if (!rehearsal || !more) return null
  if (busy) {
    const share = Math.min(1, Math.max(0, (now - busy.fromS) / Math.max(1, busy.toS - busy.fromS)))
    return (
      <div className="mt-3 max-w-180" role="status">
        <p className="text-xl">{busy.word} …</p>
        <div className="mt-1 h-4 border border-ink">
          <div className="h-full bg-ink" style={{ width: `${100 * share}%` }} />
        </div>
      </div>
    )
  }
  const step = more.held?.step
  const probed = rehearsal.measuring.probed()
  if (probed) return <OnProbe rehearsal={rehearsal} isHeld={step?.kind === 'temp'} />
  const ran = rehearsal.ranG()
  if (step?.kind === 'blend' || step?.kind === 'temp' || (ran <= 0 && !step)) return null
  const onScale = step === undefined || step.kind === 'draw' ? rehearsal.measuring.weighs() : null
  const g = onScale ? onScale.g : ran
  const stands = onScale?.state === 'over' ? t('▲ over what it can take') : t('△ the scale is dark')
  return (
    <>
      <p className="mt-2 text-[clamp(2rem,5vw,3.5rem)] leading-none font-semibold" role="status">
        {g === null ? stands : showMass(g, habits, 1)}{' '}
        <span className="text-xl font-normal text-soft">
          {step ? t('and runs') : g === null ? '' : t('so far: hold on, or take it as it is')}
        </span>
      </p>
      {onScale && !step && <OnScale rehearsal={rehearsal} shown={onScale} />}
    </>
  )
}

/** What can be done with a scale that is dark, woken, or over what it can take. */
function OnScale({
  rehearsal,
  shown: { state, beforeG, isCounted },
}: {
  rehearsal: RehearsalRun
  shown: FillingShown
}) {
  const habits = useHabits()
  if (state === 'over')
    return (
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <button className={BIG} onClick={() => rehearsal.weighsInParts()}>
          {t('Weigh it in two parts')}
        </button>
        <span className="text-lg text-soft">{t('As it is: taken for what was asked.')}</span>
      </div>
    )
  if (beforeG === null) return null
  const before = showMass(beforeG, habits, 1)
  return (
    <div className="mt-3 flex flex-wrap items-center gap-3">
      {state === 'off' ? (
        <button className={BIG} onClick={() => rehearsal.seesTo(scale => scale.wake())}>
          {t('Wake it')}
        </button>
      ) : (
        <button
          className={BIG}
          aria-pressed={isCounted}
          onClick={() => rehearsal.seesTo(scale => scale.count(!isCounted))}
        >
          {isCounted
            ? t('{before} counted with it', { before })
            : t('Count the {before} of before with it', { before })}
        </button>
      )}
      <span className="text-lg text-soft">{t('{before} stood there before it went dark.', { before })}</span>
    </div>
  )
}

/** What the probe shows: it lags, and is read when it has come to rest. */
function OnProbe({ rehearsal, isHeld }: { rehearsal: RehearsalRun; isHeld: boolean }) {
  const habits = useHabits()
  const reading = rehearsal.measuring.probed()
  if (reading?.value == null) return null
  const rests = reading.isStable ? t('● at rest: let go') : t('○ moving: hold on')
  return (
    <p className="mt-2 text-[clamp(2rem,5vw,3.5rem)] leading-none font-semibold" role="status">
      {readingNumber(reading, habits)} °{habits.temperature}{' '}
      <span className="text-xl font-normal text-soft">{isHeld ? rests : t('held in too short: it lags behind')}</span>
    </p>
  )
}
