import { SWATCH_FAULTS, sampleDifferences } from '@ostler/core'
import type { AgeRead, SampleDifference, Shelf, Trial, TrialSample } from '@ostler/core'
import { useState } from 'react'
import { whatIn } from './sample-words.ts'
import { fixed, rich, t } from '../../words/index.ts'

const readingOf = (trial: Trial, days: number, label: string) =>
  trial.readings.findLast(
    reading => reading.sample === label && Math.abs(reading.days - days) <= Math.max(0.5, 0.25 * days),
  )

/** Colour of a sample about so many days after the pour. */
export const hexesOf = (trial: Trial, days: number, label: string): string | undefined =>
  readingOf(trial, days, label)?.hex

const order = (a: TrialSample, b: TrialSample): number =>
  Number(a.scented ?? false) - Number(b.scented ?? false) ||
  a.gPerKg - b.gPerKg ||
  a.whiteGPerKg - b.whiteGPerKg ||
  (a.level ?? -1) - (b.level ?? -1)

/** What may be said of a difference, never that there is none without what could have been seen. */
function wordsOf({ word, deltaE, low, high, wouldSee, timesNeeded }: SampleDifference): string {
  const range = t('ΔE {deltaE} ({low} to {high})', {
    deltaE: fixed(deltaE, 1),
    low: fixed(low, 1),
    high: fixed(high, 1),
  })
  if (word === 'different') return t('different: {range}', { range })
  if (word === 'probably different') return t('probably different: {range}', { range })
  if (word === 'too little to matter') return t('different, too little to matter: {range}', { range })
  if (word === 'the same') return t('the same for this purpose: at most ΔE {high}', { high: fixed(high, 1) })
  const more =
    timesNeeded === null
      ? t('more blanks or a meter would tell')
      : t('{timesNeeded} of each would tell', { timesNeeded })
  return t('not told: this trial would have seen a lightness of about {wouldSee}; {more}', {
    wouldSee: fixed(wouldSee, 1),
    more,
  })
}

/** Everything that was seen at one age, and what may be said of it. */
export function AtAge({ trial, age, shelf }: { trial: Trial; age: AgeRead; shelf: Shelf }) {
  const shown = trial.samples.filter(({ label }) => hexesOf(trial, age.days, label)).sort(order)
  return (
    <section aria-label={t('Day {days}', { days: age.days })} className="mt-4 break-inside-avoid">
      <h3 className="text-lg">
        {rich('Day {days}{part}', {
          days: Math.round(10 * age.days) / 10,
          part: (
            <span className="text-soft">
              {' '}
              {age.photos} {age.photos === 1 ? t('look') : t('looks')}
            </span>
          ),
        })}
      </h3>
      <ul className="mt-1 flex flex-wrap gap-3 bg-booth p-3">
        {shown.map(sample => (
          <li key={sample.label} className="w-28 text-[13px]">
            <span
              className={`block h-14 ${sample.struckOut ? 'opacity-30' : ''}`}
              style={{ background: hexesOf(trial, age.days, sample.label), printColorAdjust: 'exact' }}
            />
            <strong className="block text-base">{sample.label}</strong>
            {inFew(trial, sample, shelf)}
            <Remarked trial={trial} days={age.days} label={sample.label} />
          </li>
        ))}
      </ul>
      {age.differences.length === 0 ? (
        <p className="mt-1 text-rust">
          {t('A photograph without a sample with nothing in it: nothing can be said of this look.')}
        </p>
      ) : (
        <Against trial={trial} shelf={shelf} shown={shown} what={t('nothing')} differences={age.differences} />
      )}
      {age.againstScent.length > 0 && (
        <Against trial={trial} shelf={shelf} shown={shown} what={t('the scent alone')} differences={age.againstScent} />
      )}
      {age.labs.size > 1 && <TwoOfThem trial={trial} age={age} />}
    </section>
  )
}

/** Faults and note of a sample at a look. */
function Remarked({ trial, days, label }: { trial: Trial; days: number; label: string }) {
  const { faults, note } = readingOf(trial, days, label) ?? { faults: [], note: '' }
  const texts = [...faults.map(fault => t(SWATCH_FAULTS[fault])), note].filter(Boolean)
  return texts.length > 0 ? <span className="block text-rust">{texts.join('; ')}</span> : null
}

/** A sample in few words: of one colorant its dose tells. */
function inFew(trial: Trial, sample: TrialSample, shelf: Shelf): string {
  const { gPerKg, whiteGPerKg, colorant } = sample
  const isLadder = trial.question.kind === 'ladder' && colorant !== ''
  const dose =
    gPerKg > 0 ? t('{gPerKg} g/kg{whiteGPerKg}', { gPerKg, whiteGPerKg: whiteGPerKg > 0 ? t(' with white') : '' }) : ''
  return isLadder ? dose : [whatIn(trial.question, sample, shelf), dose].filter(Boolean).join(', ')
}

interface AgainstProps {
  trial: Trial
  shelf: Shelf
  shown: readonly TrialSample[]
  what: string
  differences: readonly SampleDifference[]
}

/** Every sample against what it is compared with. */
function Against({ trial, shelf, shown, what, differences }: AgainstProps) {
  return (
    <ul className="mt-1">
      {shown.flatMap(sample => {
        const difference = differences.find(one => one.label === sample.label)
        return difference
          ? [
              <li key={sample.label}>
                {rich('{label} ({trial}) against {what}: {difference}', {
                  label: <strong>{sample.label}</strong>,
                  trial: inFew(trial, sample, shelf),
                  what,
                  difference: wordsOf(difference),
                })}
              </li>,
            ]
          : []
      })}
    </ul>
  )
}

/** Two samples of one look against each other, when that is asked. */
function TwoOfThem({ trial, age }: { trial: Trial; age: AgeRead }) {
  const labels = trial.samples.map(({ label }) => label).filter(label => age.labs.has(label))
  const [pair, setPair] = useState<readonly [string, string]>(['', ''])
  const [one, other] = pair
  const both = one !== '' && other !== '' && one !== other
  const [found] = both
    ? sampleDifferences({
        ...{ blanks: [age.labs.get(one)!], samples: [{ label: other, labs: [age.labs.get(other)!] }] },
        ...{ way: age.way, photos: age.photos, matters: trial.question.matters, direction: 'any' },
      })
    : []
  const choice = (value: string, name: string, onValue: (label: string) => void) => (
    <select className="field" aria-label={name} value={value} onChange={event => onValue(event.target.value)}>
      <option value="">…</option>
      {labels.map(label => (
        <option key={label}>{label}</option>
      ))}
    </select>
  )
  return (
    <p className="mt-1 flex flex-wrap items-center gap-2 print:hidden">
      {rich('{otherIs} against {one}{found}', {
        otherIs: choice(other, t('Compared on day {days}', { days: age.days }), label => setPair([one, label])),
        one: choice(one, t('Against, on day {days}', { days: age.days }), label => setPair([label, other])),
        found: <span role="status">{found && wordsOf(found)}</span>,
      })}
    </p>
  )
}
