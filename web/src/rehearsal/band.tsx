import { settle } from '@ostler/core'
import { Pause, Play, StepBack } from 'lucide-react'
import { useState } from 'react'
import { useRunState } from '../run/context.tsx'
import { Ask } from '../ui/ask.tsx'
import { showClock } from '../ui/clock.ts'
import { useRehearsal, useRehearsalState } from './context.tsx'
import { SPEEDS, timesOf } from './hands.ts'
import type { RehearsalRun } from './rehearsal-run.ts'
import { t } from '../words/index.ts'

const KEY = 'min-h-11 min-w-11 border border-current px-2 font-semibold disabled:opacity-40'

/** Says that all of this is a rehearsal; how quickly its clock runs, and the way back. */
export function RehearsalBand() {
  const rehearsal = useRehearsal()
  const more = useRehearsalState()
  const [isBack, setBack] = useState(false)
  if (!rehearsal || !more) return null
  const { speed, isPaused, asked } = more
  const { locks = {} } = rehearsal.setting
  const isLife = timesOf(more) === 1 && speed > 1 && !isPaused
  return (
    <section
      aria-label={t('Rehearsal')}
      // Pressed with the pointer, a key keeps no focus: Enter goes on with the next deed.
      onMouseDown={event => event.preventDefault()}
      className="flex flex-wrap items-center gap-x-3 gap-y-1 bg-ink px-6 py-1.5 text-paper max-[760px]:px-3"
    >
      <strong className="text-lg">{t('Rehearsal')}</strong>
      <span className="max-[900px]:hidden">
        {t('number {seed}: nothing here is real lye', { seed: rehearsal.setting.seed })}
      </span>
      <span role="status" className="ml-auto">
        {isLife && t('as in life, while it is asked')}
      </span>
      <span role="group" aria-label={t('Speed')} className="flex gap-1">
        <button
          className={`${KEY} flex items-center gap-1`}
          aria-label={isPaused ? t('Go on') : t('Pause')}
          disabled={asked !== null}
          onClick={() => rehearsal.pause(!isPaused)}
        >
          {isPaused ? <Play size={18} aria-hidden /> : <Pause size={18} aria-hidden />}
          <span className="max-[760px]:hidden">{isPaused ? t('Go on') : t('Pause')}</span>
        </button>
        {SPEEDS.map(one => (
          <button
            key={one}
            aria-pressed={!isPaused && speed === one}
            disabled={asked !== null || one > (locks.speed ?? one)}
            className={`${KEY} aria-pressed:bg-paper aria-pressed:text-ink`}
            onClick={() => rehearsal.setSpeed(one)}
          >
            {one}×
          </button>
        ))}
      </span>
      {locks.noBack !== true && (
        <button className={`${KEY} flex items-center gap-1`} onClick={() => setBack(true)}>
          <StepBack size={18} aria-hidden /> <span className="max-[760px]:sr-only">{t('Step back')}</span>
        </button>
      )}
      {isBack && <StepBackDialog rehearsal={rehearsal} onClose={() => setBack(false)} />}
    </section>
  )
}

const MOST_BACK = 25

/** Earlier moments: from before one of them another way is tried, with the same luck. */
function StepBackDialog({ rehearsal, onClose }: { rehearsal: RehearsalRun; onClose: () => void }) {
  const { state, events } = useRunState()
  const { plan } = rehearsal.following
  const name = (id: string | undefined) => plan.cups.find(cup => cup.id === id)?.name ?? ''
  const mine = settle(events)
    .filter(event => event.key.startsWith('rehearsal:'))
    .slice(-MOST_BACK)
    .reverse()
  const from = state.lyeInAt ?? 0
  return (
    <Ask open title={t('Back to before …')} onClose={onClose}>
      <p className="mb-2 text-soft">
        {t('The same batter with the same luck, tried another way. It counts as practised then.')}
      </p>
      {mine.length === 0 && <p>{t('Nothing was done yet.')}</p>}
      <ul>
        {mine.map(event => (
          <li key={event.key}>
            <button
              className="flex min-h-12 w-full items-center gap-4 border-b border-line text-left text-lg hover:bg-chosen"
              onClick={() => {
                rehearsal.back(event)
                onClose()
              }}
            >
              <span className="w-16 text-soft">{showClock(Math.max(0, event.r - from))}</span>
              {DONE[event.kind] ?? event.kind} {name(event.cup ?? cupOf(rehearsal, event.pour))}
            </button>
          </li>
        ))}
      </ul>
    </Ask>
  )
}

const cupOf = ({ following: { input } }: RehearsalRun, pour: string | undefined): string | undefined => {
  const task = input.pours.find(one => one.pour === pour)
  return task && input.cups[task.cup]!.cup.id
}

const DONE: Partial<Record<string, string>> = {
  tick: t('a tick'),
  weighed: t('weighing'),
  'lye-mixed': t('lye into the water'),
  'lye-clear': t('the lye called clear'),
  temp: t('reading a temperature'),
  'lye-in': t('lye into the oils'),
  'blend-on': t('the blender on'),
  'blend-off': t('the blender off'),
  hold: t('the hold test'),
  seen: t('a look'),
  drawn: t('filling'),
  colour: t('colour into'),
  scent: t('scent into'),
  'pour-start': t('beginning to pour'),
  poured: t('the end of pouring'),
  tool: t('a tool'),
  'plan-b': t('plan B'),
  wrong: t('telling of trouble'),
  stir: t('stirring'),
  burst: t('a burst'),
}
