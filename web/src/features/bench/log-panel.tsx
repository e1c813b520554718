import { EVENT_KINDS, readQuantity, settle, showMass, showTemperature } from '@ostler/core'
import type { Settled, Words } from '@ostler/core'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { useHabits } from '../../plan/context.tsx'
import { useFollowed, useRun, useRunState } from '../../run/context.tsx'
import { Check } from '../../ui/check.tsx'
import { decimalMark, fixed, t } from '../../words/index.ts'
import { Say, useSay } from '../../ui/say.tsx'
import { showClock } from '../../ui/clock.ts'
import { lookWord } from '../../parts/look-word.ts'
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
    return n < 0 ? '' : t('layer {n}, {cup}', { n: n + 1, cup: input.cups[input.pours[n]!.cup]!.cup.name })
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
        ? `${lookWord(amount, following.plan.whipped !== null)} (${fixed(amount, 1)}${event.how === 'drip' ? t(', by drip') : ''})`
        : kind === 'temp' && amount !== undefined
          ? showTemperature(amount, habits)
          : (kind === 'weighed' || kind === 'drawn' || kind === 'left') && amount !== undefined
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
        label={t('say each deed aloud')}
        checked={speech}
        onChange={on => setSound({ speech: on })}
      />
      <Check
        className="min-h-11"
        label={t('tones when a cup’s time runs out')}
        checked={tones}
        onChange={on => setSound({ tones: on })}
      />
    </div>
  )
}

/** What has a number that can have been another one. */
const CORRECTED = new Set<Settled['kind']>(['weighed', 'drawn', 'left', 'temp', 'seen'])

/** Another number for what was noted, or that it was some time before; what was noted stays readable. */
function Correction({ event, onClose }: { event: Settled; onClose: () => void }) {
  const run = useRun()
  const habits = useHabits()
  const [text, setText] = useState('')
  const [earlierMin, setEarlier] = useState(0)
  const [sentence, setSentence] = useState<Words>('')
  const isMass = event.kind === 'weighed' || event.kind === 'drawn' || event.kind === 'left'
  const unit = isMass ? habits.mass : event.kind === 'temp' ? `°${habits.temperature}` : t('trace')
  /** The number that is meant, in g, °C or levels; null: it stays. */
  const meant = (): number | null | undefined => {
    if (text.trim() === '') return null
    if (event.kind === 'seen') {
      const level = Number(text.replace(',', '.'))
      if (level >= 0.8 && level <= 5) return level
      return void setSentence(t('Trace is from 0.8 to 5.'))
    }
    const kind = isMass ? 'mass' : 'temperature'
    const read = readQuantity(text, kind, isMass ? habits.mass : habits.temperature, undefined, decimalMark())
    return read.ok ? read.value : void setSentence(read.sentence)
  }
  const correct = () => {
    const amount = meant()
    if (amount === undefined) return
    if (amount === null && earlierMin === 0) return onClose()
    run.note({
      kind: 'correct',
      of: event.key,
      set: { ...(amount !== null && { amount }), ...(earlierMin > 0 && { r: event.r - earlierMin * 60 }) },
    })
    onClose()
  }
  return (
    <form
      aria-label={t('Correction')}
      className="flex w-full flex-wrap items-end gap-3 pb-3 pl-28 max-[760px]:pl-0"
      onSubmit={submitted => {
        submitted.preventDefault()
        correct()
      }}
    >
      <label className="flex flex-col text-[13px] text-soft">
        {t('it was, {unit}', { unit })}
        <input
          autoFocus
          className="field min-h-16 w-32 text-right text-xl text-ink"
          inputMode="decimal"
          value={text}
          onChange={changed => setText(changed.target.value)}
        />
      </label>
      <label className="flex flex-col text-[13px] text-soft">
        {t('and earlier by')}
        <select
          className="field min-h-16 text-xl text-ink"
          value={earlierMin}
          onChange={changed => setEarlier(Number(changed.target.value))}
        >
          {[0, 1, 2, 3, 5, 10, 15, 30].map(min => (
            <option key={min} value={min}>
              {t('{min} min', { min })}
            </option>
          ))}
        </select>
      </label>
      <button className="button button-main min-h-16 px-5 text-lg">{t('Correct it')}</button>
      {sentence !== '' && (
        <p role="alert" className="w-full text-rust">
          <Say of={sentence} />
        </p>
      )}
    </form>
  )
}

/** Everything that was noted, the latest first; each can be taken back. */
export function LogPanel({ onLanes, onClose }: { onLanes: () => void; onClose: () => void }) {
  const run = useRun()
  const { events, state } = useRunState()
  const wordsOf = useWords()
  const settled = useMemo(() => settle(events).reverse(), [events])
  const refused = new Set(state.toClear.map(one => one.key))
  const people = new Set(settled.flatMap(event => event.person ?? [])).size
  const from = state.lyeInAt
  const [correcting, setCorrecting] = useState<string | null>(null)
  return (
    <BenchPanel title={t('What was noted')} onClose={onClose}>
      <SoundChecks />
      <p className="my-2 flex flex-wrap gap-3">
        <button className="button min-h-11" onClick={onLanes}>
          {t('Lanes: trace so far, and to come')}
        </button>
        <Link className="button min-h-11" to={`/bench/${run.id}/sheet`}>
          {t('The sheet, as it was made')}
        </Link>
      </p>
      {settled.length === 0 && <p className="text-lg text-soft">{t('Nothing yet.')}</p>}
      <ol>
        {settled.map(event => (
          <li key={event.key} className="flex min-h-12 flex-wrap items-center gap-4 border-b border-line text-lg">
            <span className="w-24 shrink-0 text-right text-soft">
              {from !== null && event.r < from ? '−' : ''}
              {showClock(from === null ? event.r : Math.abs(event.r - from))}
            </span>
            <span className="min-w-0 flex-1">
              {t(EVENT_KINDS[event.kind])} <strong>{wordsOf(event)}</strong>
              {event.corrected !== undefined && t(' · corrected')}
              {people > 1 && event.person !== undefined && ` · ${event.person}`}
              {event.noted - event.r > LATE_S && t(' · noted late')}
              {refused.has(event.key) && <span className="text-rust"> {t('· not counted')}</span>}
            </span>
            {CORRECTED.has(event.kind) && event.amount !== undefined && (
              <button className="quiet min-h-11" onClick={() => setCorrecting(event.key)}>
                {t('correct')}
              </button>
            )}
            {event.kind !== 'open' && (
              <button className="quiet min-h-11" onClick={() => run.note({ kind: 'undo', of: event.key })}>
                {t('take back')}
              </button>
            )}
            {correcting === event.key && <Correction event={event} onClose={() => setCorrecting(null)} />}
          </li>
        ))}
      </ol>
    </BenchPanel>
  )
}
