import { MEASURES } from '@ostler/core'
import type { NumberDifference, NumbersRead, Shelf, Trial } from '@ostler/core'
import { whatIn } from './sample-words.ts'
import { fixed, rich, t } from '../../words/index.ts'

const signed = (x: number): string => `${x > 0 ? '+' : x < 0 ? '−' : ''}${fixed(Math.abs(x), 1)}`
const percent = (factor: number): string => `${factor > 1 ? '+' : '−'}${Math.abs(Math.round(100 * (factor - 1)))} %`

/** What may be said of a number against the usual; never that there is no difference without what could have been seen. */
export function numberWords({ word, by, low, high, wouldSee }: NumberDifference, isRatio: boolean): string {
  const show = isRatio ? percent : signed
  const range = t('{by} ({low} to {high})', { by: show(by), low: show(low), high: show(high) })
  if (word === 'different') return t('different: {range}', { range })
  if (word === 'probably different') return t('probably different: {range}', { range })
  if (word === 'too little to matter') return t('different, too little to matter: {range}', { range })
  if (word === 'the same')
    return t('the same for this purpose: between {low} and {high}', { low: show(low), high: show(high) })
  return t('not told: this trial would have seen {isRatio}', {
    isRatio: isRatio ? percent(wouldSee) : fixed(wouldSee, 1),
  })
}

/** Numbers of one look: of every sample, and of each level against the usual. */
export function SaysNumbers({ trial, read, shelf }: { trial: Trial; read: NumbersRead; shelf: Shelf }) {
  const { says, unit, isRatio } = MEASURES[read.what]
  const when =
    read.minutes > 0
      ? t('{minutes} min after dividing', { minutes: read.minutes })
      : t('day {days}', { days: Math.round(10 * read.days) / 10 })
  return (
    <section aria-label={`${says}, ${when}`} className="mt-4 break-inside-avoid">
      <h3 className="text-lg">
        {says}, {when} <span className="text-soft">{unit}</span>
      </h3>
      <ul className="mt-1 flex flex-wrap gap-3">
        {trial.samples.flatMap(sample => {
          const mean = read.means.get(sample.label)
          if (mean === undefined) return []
          return [
            <li key={sample.label} className="w-32 border border-line p-2 text-[13px]">
              <strong className="block text-2xl">{Math.round(10 * mean) / 10}</strong>
              {sample.label}: {whatIn(trial.question, sample, shelf)}
            </li>,
          ]
        })}
      </ul>
      <ul className="mt-1">
        {read.differences.map(difference => {
          const sample = trial.samples.find(({ label }) => label === difference.label)!
          return (
            <li key={difference.label}>
              {rich('{question} against the usual: {difference}', {
                question: <strong>{whatIn(trial.question, sample, shelf)}</strong>,
                difference: numberWords(difference, isRatio),
              })}
            </li>
          )
        })}
      </ul>
    </section>
  )
}

/** Trace of the cups of a pair, by minutes after the batter was divided. */
export function SaysLevels({ trial, numbers }: { trial: Trial; numbers: readonly NumbersRead[] }) {
  const reads = numbers.filter(({ what, minutes }) => what === 'level' && minutes > 0)
  if (reads.length === 0) return null
  return (
    <div className="mt-4 overflow-x-auto">
      <table className="text-left">
        <caption className="text-left text-[13px] text-soft">
          {t('trace, by minutes after the batter was divided')}
        </caption>
        <thead className="text-soft">
          <tr>
            <th className="pr-6 font-normal">{t('cup')}</th>
            {reads.map(({ minutes }) => (
              <th key={minutes} className="pr-6 font-normal">
                {minutes}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {trial.samples.map(({ label, scented }) => (
            <tr key={label} className="border-t border-line">
              <th className="py-1 pr-6">
                {label} <span className="font-normal text-soft">{scented ? t('scented') : t('plain')}</span>
              </th>
              {reads.map(({ minutes, means }) => (
                <td key={minutes} className="pr-6 text-lg">
                  {means.has(label) ? fixed(means.get(label)!, 1) : ''}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
