import { blendOf, creamingKey, looksDue, showMass, showMassDown } from '@ostler/core'
import type { BenchState, BenchStep, NextAction } from '@ostler/core'
import { useHabits } from '../../plan/context.tsx'
import { useFollowed, useRunHex, useRunState } from '../../run/context.tsx'
import { Say } from '../../ui/say.tsx'
import { useConnected } from '../../instruments/connected.ts'
import { Shown } from './shown.tsx'
import { showClock } from '../../ui/clock.ts'
import { useNow } from './bench-head.tsx'
import { useRehearsal } from '../../rehearsal/context.tsx'
import { SeenBatter, SeenLye } from '../../rehearsal/seen-batter.tsx'
import { AtHand } from '../../rehearsal/told.tsx'
import { ToolPath } from '../../rehearsal/tool-path.tsx'
import { rich, t } from '../../words/index.ts'

type StepKind = BenchStep['kind']

/** Kinds of lines that are rounded down on the scale. */
const DOWN = new Set(['lye', 'solution', 'scent'])

/** How much, as it is read off the scale; empty where nothing is weighed. */
function useAmount(): (action: NextAction) => string {
  const following = useFollowed()
  const habits = useHabits()
  return ({ step, massG }) => {
    if (massG === null || step === null) return ''
    const line = following.lines.find(one => one.key === step.item)
    if (!line) return showMass(massG, habits, 1)
    return DOWN.has(line.kind) ? showMassDown(massG, habits, line.stepG) : showMass(massG, habits, line.stepG)
  }
}

/** The next deed, as large as the page lets it be; under it what follows. */
export function NextDeed({ onLook }: { onLook: (cup: string) => void }) {
  const { next, state } = useRunState()
  const hexOf = useRunHex()
  const amountOf = useAmount()
  const [now, ...later] = next
  if (!now) return null
  const { step } = now
  const edge = step?.cup ? hexOf(step.cup) : 'transparent'
  const amount = amountOf(now)
  const since = beganAt(step, state)
  return (
    <section
      aria-label={t('Now')}
      className="flex flex-1 flex-col border-l-[16px] px-6 py-4 max-[760px]:px-4"
      style={{ borderColor: edge }}
    >
      <p className="font-title text-[clamp(2.75rem,6.5vw,4.75rem)] leading-[1.05] font-semibold" aria-live="assertive">
        <Say of={now.big} />
      </p>
      {amount !== '' && <p className="mt-2 text-[clamp(3.5rem,8vw,6rem)] leading-none font-semibold">{amount}</p>}
      {step?.kind === 'blend' && <BlendClock cup={step.cup} />}
      {since !== undefined && <Since from={since} of={now.seconds} />}
      <p className="mt-3 max-w-200 text-[clamp(1.25rem,2.2vw,1.6rem)] leading-snug first-letter:uppercase">
        <Say of={now.more} />
      </p>
      {step && <OnInstrument kind={step.kind} />}
      <AtHand />
      <InRehearsal step={step} seconds={now.seconds} />
      <LooksDue onLook={onLook} />
      <ol className="mt-auto pt-6 text-[clamp(1rem,1.7vw,1.25rem)] text-soft" aria-label={t('After that')}>
        {later.map(action => (
          <li key={action.step?.key ?? 'end'} className="flex items-baseline gap-3">
            <span className="text-[13px]">{t('then')}</span>
            <span>
              <Say of={action.big} /> {amountOf(action)}
            </span>
          </li>
        ))}
      </ol>
    </section>
  )
}

/** Since when a deed that takes its time goes on, s of the run. */
function beganAt(step: BenchStep | null, state: BenchState): number | undefined {
  if (step?.kind === 'pour') return state.pouring?.since
  if (step?.kind === 'cream') return state.ticked[creamingKey(step.cup)]
  const lyeInAt = step?.cup === undefined ? state.lyeInAt : state.batters[step.cup]?.lyeInAt
  return step?.kind === 'trickle' ? (lyeInAt ?? undefined) : undefined
}

/** What is seen of the batter in a rehearsal; nothing in a real run. */
function InRehearsal({ step, seconds }: { step: BenchStep | null; seconds: number }) {
  const rehearsal = useRehearsal()
  const { input } = useFollowed()
  const { state } = useRunState()
  if (!rehearsal || !step) return null
  if (step.kind === 'lye-clear') return <SeenLye />
  if (step.kind === 'tool') return <ToolPath key={step.key} move={step.move!} seconds={seconds} />
  const open = input.pours.find(pour => state.pours[pour.pour] === undefined)
  const next = open && input.cups[open.cup]!.cup.id
  return (
    <div className="mt-4">
      <SeenBatter cup={step.cup ?? (state.splitAt === null ? undefined : next)} />
    </div>
  )
}

/** What a connected instrument shows of what is measured now; a scale that can be tared from here is. */
function OnInstrument({ kind }: { kind: StepKind }) {
  const connected = useConnected()
  const of = kind === 'weigh' || kind === 'draw' ? 'mass' : kind === 'temp' ? 'temperature' : null
  const now = of && connected[of]
  if (!now) return null
  const { tare } = now.instrument
  return (
    <div className="mt-3 flex flex-wrap items-center gap-4">
      <Shown kind={of} />
      {tare && (
        <button className="button min-h-16 px-5 text-lg" onClick={tare}>
          {rich('Tare {part}', { part: <span className="text-soft">0</span> })}
        </button>
      )}
    </div>
  )
}

/** Cups that should be looked at now: when one looks decides whether a call still comes in time. */
function LooksDue({ onLook }: { onLook: (cup: string) => void }) {
  const following = useFollowed()
  const { state } = useRunState()
  const hexOf = useRunHex()
  const now = useNow()
  const due = looksDue(following, state, now)
  if (due.length === 0) return null
  return (
    <p className="mt-4 flex flex-wrap items-center gap-3 text-lg">
      {t('First look at')}
      {due.map(cup => (
        <button
          key={cup}
          className="flex min-h-16 items-center gap-3 border border-ink px-4 font-semibold hover:bg-chosen"
          onClick={() => onLook(cup)}
        >
          <span aria-hidden className="size-6 border border-ink" style={{ background: hexOf(cup) }} />
          {following.plan.cups.find(one => one.id === cup)!.name}
        </button>
      ))}
    </p>
  )
}

/** Seconds that the blender was on. */
function BlendClock({ cup }: { cup: string | undefined }) {
  const { state } = useRunState()
  const { input } = useFollowed()
  const { blendS, blendingSince } = blendOf(input, state, cup)
  const now = useNow()
  const on = blendingSince === null ? 0 : now - blendingSince
  return (
    <p className="mt-2 text-[clamp(2.5rem,8vw,6rem)] leading-none font-semibold">
      {Math.round(blendS + on)} s{' '}
      <span className="text-2xl font-normal text-soft">{on > 0 ? t('and on') : t('so far')}</span>
    </p>
  )
}

function Since({ from, of }: { from: number; of: number }) {
  const now = useNow()
  return (
    <p className="mt-2 text-[clamp(2rem,6vw,4rem)] leading-none font-semibold">
      {showClock(now - from)}{' '}
      <span className="text-2xl font-normal text-soft">{t('of about {of}', { of: showClock(of) })}</span>
    </p>
  )
}
