import { EVENT_KINDS, settle, showMass, showTemperature } from '@ostler/core'
import type { Settled } from '@ostler/core'
import { useMemo } from 'react'
import { useHabits } from '../../plan/context.tsx'
import { useFollowed, useRun, useRunState } from '../../run/context.tsx'
import { Check } from '../../ui/check.tsx'
import { useSay } from '../../ui/say.tsx'
import { showClock } from './bench-head.tsx'
import { lookWord } from './cups-strip.tsx'
import { BenchPanel } from './panel.tsx'
import { setSound, useSound } from './sound.ts'

/** So much later than it happened is worth saying, s. */
const LATE_S = 20

/** What an event was about, in words. */
function useWords(): (event: Settled) => string {
  const following = useFollowed()
  const habits = useHabits()
  const say = useSay()
  const { plan, lines, input } = following
  const cupName = (id: string | undefined) => plan.cups.find(cup => cup.id === id)?.name ?? ''
  const ofPour = (id: string | undefined) => {
    const n = input.pours.findIndex(pour => pour.pour === id)
    return n < 0 ? '' : `layer ${n + 1}, ${input.cups[input.pours[n]!.cup]!.cup.name}`
  }
  return event => {
    const { kind, amount } = event
    const line = lines.find(one => one.key === event.item)
    const about = [
      line ? say(line.what) : event.item?.replace(/^[a-z]+:/, ''),
      cupName(event.cup),
      ofPour(event.pour),
      event.body,
      kind === 'seen' && amount !== undefined
        ? `${lookWord(amount)} (${amount.toFixed(1)}${event.how === 'drip' ? ', by drip' : ''})`
        : kind === 'temp' && amount !== undefined
          ? showTemperature(amount, habits)
          : (kind === 'weighed' || kind === 'drawn') && amount !== undefined
            ? showMass(amount, habits, line?.stepG ?? 1)
            : '',
      kind === 'seen' ? '' : event.how,
      event.text,
    ]
    return about.filter(Boolean).join(', ')
  }
}

function SoundChecks() {
  const { speech, tones } = useSound()
  return (
    <div className="flex flex-wrap gap-x-8">
      <Check
        className="min-h-11"
        label="say each deed aloud"
        checked={speech}
        onChange={on => setSound({ speech: on })}
      />
      <Check
        className="min-h-11"
        label="tones when a cup’s time runs out"
        checked={tones}
        onChange={on => setSound({ tones: on })}
      />
    </div>
  )
}

/** Everything that was noted, the latest first; each can be taken back. */
export function LogPanel({ onClose }: { onClose: () => void }) {
  const run = useRun()
  const { events, state } = useRunState()
  const wordsOf = useWords()
  const settled = useMemo(() => settle(events).reverse(), [events])
  const refused = new Set(state.toClear.map(one => one.key))
  const from = state.lyeInAt
  return (
    <BenchPanel title="What was noted" onClose={onClose}>
      <SoundChecks />
      {settled.length === 0 && <p className="text-lg text-soft">Nothing yet.</p>}
      <ol>
        {settled.map(event => (
          <li key={event.key} className="flex min-h-12 items-center gap-4 border-b border-line text-lg">
            <span className="w-24 shrink-0 text-right text-soft">
              {from !== null && event.r < from ? '−' : ''}
              {showClock(from === null ? event.r : Math.abs(event.r - from))}
            </span>
            <span className="min-w-0 flex-1">
              {EVENT_KINDS[event.kind]} <strong>{wordsOf(event)}</strong>
              {event.corrected !== undefined && ' · corrected'}
              {event.noted - event.r > LATE_S && ' · noted late'}
              {refused.has(event.key) && <span className="text-rust"> · not counted</span>}
            </span>
            {event.kind !== 'open' && (
              <button className="quiet min-h-11" onClick={() => run.note({ kind: 'undo', of: event.key })}>
                take back
              </button>
            )}
          </li>
        ))}
      </ol>
    </BenchPanel>
  )
}
