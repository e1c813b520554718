import { BY_DRIP, LOOKS, PAIR_MINUTES, dripLevel, kindOfTrial } from '@ostler/core'
import type { Trial, TrialNumber, TrialSample } from '@ostler/core'
import { useEffect, useState } from 'react'
import { lastingStore, readText, removeKey, writeText } from '../../kept/storage.ts'
import { freshUuid } from '../../plan/fresh-uuid.ts'
import { TraceDrawing } from '../../parts/trace-drawing.tsx'
import type { TrialChange } from './trial-change.ts'
import { t } from '../../words/index.ts'

/** Cups of a pair, looked at side by side at the same minute: at the bench, with wet hands. */

const startKey = (id: string): string => `ostler.trial-divided.${id}`

const clockOf = (s: number): string => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, '0')}`

function useSeconds(startedAt: string | null): number {
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    if (startedAt === null) return
    const timer = setInterval(() => setNow(Date.now()), 500)
    return () => clearInterval(timer)
  }, [startedAt])
  return startedAt === null ? 0 : Math.max(0, (now - new Date(startedAt).getTime()) / 1000)
}

interface Props {
  trial: Trial
  id: string
  isBusy: boolean
  onKeep: (change: TrialChange) => Promise<unknown>
}

/** Numbers with one more; sent twice it is there once. */
export const withNumbers = (trial: Trial, more: readonly TrialNumber[]): Trial => {
  const ids = new Set(more.map(({ id }) => id))
  return { ...trial, numbers: [...(trial.numbers ?? []).filter(({ id }) => !ids.has(id)), ...more] }
}

export function PairWatch({ trial, id, isBusy, onKeep }: Props) {
  const [startedAt, setStarted] = useState<string | null>(() => readText(lastingStore(), startKey(id)))
  const [cup, setCup] = useState<string | null>(null)
  const seconds = useSeconds(startedAt)
  const cups = trial.samples.filter(({ struckOut }) => struckOut === '')
  const begin = () => {
    const now = new Date().toISOString()
    writeText(lastingStore(), startKey(id), now)
    setStarted(now)
  }
  const end = () => {
    removeKey(lastingStore(), startKey(id))
    setStarted(null)
  }
  const note = (sample: string, what: TrialNumber['what'], value: number, by = '') => {
    const minutes = Math.round(seconds / 6) / 10
    const one = { id: freshUuid(), sample, at: new Date().toISOString(), days: 0, minutes, what, value, by }
    void onKeep(now => withNumbers(now, [one])).catch(() => undefined)
    setCup(null)
  }
  if (startedAt === null)
    return (
      <p className="flex flex-wrap items-center gap-4">
        <button className="button button-main min-h-14 px-6 text-lg" onClick={begin}>
          {t('The batter is divided')}
        </button>
        {t(
          'Both cups are looked at {what} and {at} minutes later. Late looks tell most: go on until the scented cup is past 4.',
          { what: PAIR_MINUTES.slice(0, -1).join(', '), at: PAIR_MINUTES.at(-1) },
        )}
      </p>
    )
  const next = PAIR_MINUTES.find(minute => minute * 60 > seconds)
  return (
    <div>
      <p className="flex flex-wrap items-baseline gap-6">
        <strong role="timer" className="text-5xl tabular-nums">
          {clockOf(seconds)}
        </strong>
        <span className="text-lg">{next ? t('look at both at {next}:00', { next }) : t('as long as they pour')}</span>
        <button className="quiet min-h-11" onClick={end}>
          {t('That was all')}
        </button>
      </p>
      <ul className="mt-2 grid grid-cols-2 gap-3 max-[600px]:grid-cols-1">
        {cups.map(sample => (
          <Cup
            key={sample.label}
            sample={sample}
            numbers={(trial.numbers ?? []).filter(one => one.sample === sample.label)}
            isOpen={cup === sample.label}
            isBusy={isBusy}
            onOpen={() => setCup(cup === sample.label ? null : sample.label)}
            onLevel={(level, by) => note(sample.label, 'level', level, by)}
            onRiced={riced => note(sample.label, 'riced', riced ? 1 : 0)}
          />
        ))}
      </ul>
    </div>
  )
}

interface CupProps {
  sample: TrialSample
  numbers: readonly TrialNumber[]
  isOpen: boolean
  isBusy: boolean
  onOpen: () => void
  onLevel: (level: number, by?: string) => void
  onRiced: (riced: boolean) => void
}

function Cup({ sample, numbers, isOpen, isBusy, onOpen, onLevel, onRiced }: CupProps) {
  const levels = numbers.filter(({ what }) => what === 'level')
  const riced = numbers.findLast(({ what }) => what === 'riced')
  const name = sample.scented ? t('scented') : t('plain')
  return (
    <li className="border border-ink p-3">
      <p className="flex items-baseline justify-between">
        <strong className="text-2xl">{sample.label}</strong> {name}
      </p>
      <p className="min-h-6">
        {levels.map(one => t('{minutes} min: {value}', { minutes: one.minutes, value: one.value })).join(' · ')}
      </p>
      <button className="button min-h-14 w-full justify-center text-lg" disabled={isBusy} onClick={onOpen}>
        {t('Stir, lift, say what {label} shows', { label: sample.label })}
      </button>
      {isOpen && <Drip onLevel={level => onLevel(level, BY_DRIP)} />}
      {isOpen && (
        <ul className="mt-2 grid grid-cols-2 gap-2">
          {LOOKS.map(({ word, level, shows }) => (
            <li key={word}>
              <button
                className="flex min-h-14 w-full items-center gap-2 border border-ink p-1 text-left"
                onClick={() => onLevel(level)}
              >
                <TraceDrawing level={level} />
                <span>
                  <strong className="block">{word}</strong>
                  <span className="text-[13px] text-soft">{shows}</span>
                </span>
              </button>
            </li>
          ))}
        </ul>
      )}
      {sample.scented && (
        <p className="mt-2 flex flex-wrap items-center gap-2">
          {t('Grains in it, as of rice?')}
          <button className="button min-h-11" aria-pressed={riced?.value === 1} onClick={() => onRiced(true)}>
            {t('yes')}
          </button>
          <button className="button min-h-11" aria-pressed={riced?.value === 0} onClick={() => onRiced(false)}>
            {t('no')}
          </button>
        </p>
      )}
    </li>
  )
}

/** A drip that is timed tells more than words: from its fall until its mark is gone. */
function Drip({ onLevel }: { onLevel: (level: number) => void }) {
  const [fellAt, setFell] = useState<number | null>(null)
  return (
    <button
      className={`button mt-2 min-h-14 w-full justify-center ${fellAt === null ? '' : 'button-main'}`}
      onClick={() => {
        if (fellAt === null) return setFell(performance.now())
        onLevel(Math.round(100 * dripLevel((performance.now() - fellAt) / 1000)) / 100)
      }}
    >
      {fellAt === null ? t('A drip falls (it tells more than words)') : t('Its mark is gone')}
    </button>
  )
}

/** Whether its cups are watched by the clock. */
export const isWatched = ({ question }: Trial): boolean => kindOfTrial(question.kind).reads[0] === 'level'
