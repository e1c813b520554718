import { sampleDifferences, findById, labOfHex, takenBack, takenOn } from '@ostler/core'
import type { AgeRead, ColorantAnswer, SampleDifference, Shelf, Trial, TrialAnswer, TrialSample } from '@ostler/core'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { format } from 'date-fns'
import { useState } from 'react'
import { saveItem, shelfQuery } from '../../api/client.ts'
import { Section } from '../../ui/section.tsx'
import type { TrialChange } from './trial-change.ts'
import { DoseCurve } from './dose-curve.tsx'
import type { ReadDose } from './dose-curve.tsx'
import { answerOfTrial } from '../../workers/trial.ts'

interface Props {
  kept: TrialAnswer
  shelf: Shelf
  onKeep: (change: TrialChange) => Promise<unknown>
}

/** What the trial says so far, and what the shelf would learn of it. */
export function Answer({ kept, shelf, onKeep }: Props) {
  const { trial, id } = kept
  const answer = useQuery({
    queryKey: ['trial answer', id, kept.revision, shelf.colorants],
    queryFn: ({ signal }) => answerOfTrial(trial, id, shelf, { signal }),
    ...{ retry: false, gcTime: 0 },
  })
  return (
    <Section title="What it says">
      {answer.error && <p className="text-rust">{answer.error.message}</p>}
      {!answer.data && !answer.error && <p className="text-soft">Fitting the curve …</p>}
      {answer.data?.colorants.map(one => (
        <OfColorant key={one.colorant} answer={one} shelf={shelf} trial={trial} />
      ))}
      {answer.data && answer.data.colorants.length > 0 && (
        <TakeOn kept={kept} answers={answer.data.colorants} onKeep={onKeep} />
      )}
      {answer.data?.ages.toReversed().map(age => (
        <AtAge key={`${age.days} ${age.way}`} trial={trial} age={age} />
      ))}
    </Section>
  )
}

const hexesOf = (trial: Trial, days: number, label: string): string | undefined =>
  trial.readings.findLast(
    reading => reading.sample === label && Math.abs(reading.days - days) <= Math.max(0.5, 0.25 * days),
  )?.hex

const order = (a: TrialSample, b: TrialSample): number => a.gPerKg - b.gPerKg || a.whiteGPerKg - b.whiteGPerKg

/** What may be said of a difference, never that there is none without what could have been seen. */
function wordsOf({ word, deltaE, low, high, wouldSee, timesNeeded }: SampleDifference): string {
  const range = `ΔE ${deltaE.toFixed(1)} (${low.toFixed(1)} to ${high.toFixed(1)})`
  if (word === 'different' || word === 'probably different') return `${word}: ${range}`
  if (word === 'too little to matter') return `different, too little to matter: ${range}`
  if (word === 'the same') return `the same for this purpose: at most ΔE ${high.toFixed(1)}`
  const more = timesNeeded === null ? 'more blanks or a meter would tell' : `${timesNeeded} of each would tell`
  return `not told: this trial would have seen a lightness of about ${wouldSee.toFixed(1)}; ${more}`
}

function AtAge({ trial, age }: { trial: Trial; age: AgeRead }) {
  const of = (label: string) => age.differences.find(one => one.label === label)
  const shown = trial.samples.filter(({ label }) => hexesOf(trial, age.days, label)).sort(order)
  return (
    <section aria-label={`Day ${age.days}`} className="mt-4 break-inside-avoid">
      <h3 className="text-lg">
        Day {Math.round(10 * age.days) / 10}
        <span className="text-soft">
          {' '}
          {age.photos} {age.photos === 1 ? 'look' : 'looks'}
        </span>
      </h3>
      <ul className="mt-1 flex flex-wrap gap-3 bg-booth p-3">
        {shown.map(({ label, gPerKg, whiteGPerKg, struckOut }) => (
          <li key={label} className="w-28 text-[13px]">
            <span
              className={`block h-14 ${struckOut ? 'opacity-30' : ''}`}
              style={{ background: hexesOf(trial, age.days, label), printColorAdjust: 'exact' }}
            />
            <strong className="block text-base">{label}</strong>
            {gPerKg === 0 ? 'nothing in it' : `${gPerKg} g/kg${whiteGPerKg > 0 ? ' with white' : ''}`}
          </li>
        ))}
      </ul>
      {age.differences.length === 0 ? (
        <p className="mt-1 text-rust">
          A photograph without a sample with nothing in it: nothing can be said of this look.
        </p>
      ) : (
        <ul className="mt-1">
          {shown.flatMap(({ label, gPerKg }) => {
            const difference = of(label)
            return difference
              ? [
                  <li key={label}>
                    <strong>{label}</strong> ({gPerKg} g/kg) against nothing: {wordsOf(difference)}
                  </li>,
                ]
              : []
          })}
        </ul>
      )}
      {age.labs.size > 1 && <TwoOfThem trial={trial} age={age} />}
    </section>
  )
}

/** What was read last of each sample without white. */
function readLast(trial: Trial, colorant: string): ReadDose[] {
  const last = Math.max(...trial.readings.map(({ days }) => days))
  return trial.samples
    .filter(one => one.colorant === colorant && one.whiteGPerKg === 0 && one.struckOut === '')
    .flatMap(({ label, gPerKg }) => {
      const hex = hexesOf(trial, last, label)
      return hex ? [{ label, gPerKg, l: labOfHex(hex).l }] : []
    })
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
      {choice(other, `Compared on day ${age.days}`, label => setPair([one, label]))} against{' '}
      {choice(one, `Against, on day ${age.days}`, label => setPair([label, other]))}
      <span role="status">{found && wordsOf(found)}</span>
    </p>
  )
}

const round = (x: number): string => x.toFixed(0).replace('-', '−')

function OfColorant({ answer, shelf, trial }: { answer: ColorantAnswer; shelf: Shelf; trial: Trial }) {
  const { colorant, doseGPerKg, before, after, deltaE, curve, exchanged, beforeHex, afterHex, points } = answer
  const name = findById(shelf.colorants, colorant)?.name ?? colorant
  const odd = curve.odd.filter(label => trial.samples.some(one => one.label === label))
  return (
    <section aria-label={name} className="mb-4 break-inside-avoid">
      <h3 className="text-lg">
        {name} at {doseGPerKg} g/kg, cured
      </h3>
      <div className="mt-1 flex flex-wrap gap-3 bg-booth p-3">
        {[
          ['as the shelf had it', beforeHex, before],
          ['by this trial', afterHex, after.lab],
        ].map(([text, hex, lab]) => (
          <figure key={text as string} className="w-44 max-[420px]:w-36">
            <div className="h-20" style={{ background: hex as string, printColorAdjust: 'exact' }} />
            <figcaption className="text-[13px]">
              {text as string}: L {round((lab as typeof before).l)}, a {round((lab as typeof before).a)}, b{' '}
              {round((lab as typeof before).b)}
            </figcaption>
          </figure>
        ))}
      </div>
      <p className="mt-1">
        {deltaE < 1
          ? 'What the shelf had was right already.'
          : `It comes out by ΔE ${deltaE.toFixed(1)} otherwise than was forecast; its lightness is now known to ± ${after.sd.l.toFixed(1)}.`}
      </p>
      {points.length > 0 && <DoseCurve points={points} read={readLast(trial, colorant)} />}
      {odd.length > 0 && (
        <p className="text-rust">
          △ {odd.join(' and ')} lie too far off the curve, and count for less: weighed rightly? clumped?
        </p>
      )}
      {exchanged && (
        <p className="text-rust">
          △ Were {exchanged[0]} and {exchanged[1]} exchanged? The curve fits much better so.
        </p>
      )}
    </section>
  )
}

/** What is learned goes to the shelf with one press, and comes off it with one. */
function TakeOn({
  kept,
  answers,
  onKeep,
}: {
  kept: TrialAnswer
  answers: readonly ColorantAnswer[]
  onKeep: (change: TrialChange) => Promise<unknown>
}) {
  const { trial, id } = kept
  const queries = useQueryClient()
  const shelf = useQuery(shelfQuery).data
  const today = format(new Date(), 'yyyy-MM-dd')
  const isOn = trial.takenOn !== ''
  const move = useMutation({
    mutationFn: async () => {
      for (const { colorant } of answers) {
        const item = shelf && findById(shelf.shelf.colorants, colorant)
        if (!item) continue
        const next = isOn ? takenBack(id, item) : takenOn(trial, id, item, today)
        await saveItem('colorants', next, shelf.revisions.colorants[colorant] ?? 0)
      }
    },
    onSuccess: () => onKeep(now => ({ ...now, takenOn: isOn ? '' : today })),
    onSettled: () => void queries.invalidateQueries({ queryKey: shelfQuery.queryKey }),
  })
  return (
    <div className="mt-3 flex flex-wrap items-center gap-4 print:hidden">
      <button
        className={`button min-h-12 px-5 ${isOn ? '' : 'button-main'}`}
        disabled={move.isPending || !shelf}
        onClick={() => move.mutate()}
      >
        {isOn ? 'Take it back' : 'Let the shelf learn it'}
      </button>
      <span>
        {isOn
          ? `On the shelf since ${format(new Date(trial.takenOn), 'd MMMM yyyy')}: its samples stand among the swatches of the colorant.`
          : 'Its samples become swatches of the colorant, and forecasts go by them. It can be taken back.'}
      </span>
      {move.error && (
        <span role="alert" className="text-rust">
          {move.error.message}
        </span>
      )}
    </div>
  )
}
