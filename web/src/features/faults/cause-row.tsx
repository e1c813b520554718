import { ANSWERS, CAUSES, CAUSE_AT, signOf } from '@ostler/core'
import type { Answer, Learned, Reason, ShownCause } from '@ostler/core'
import { GRADE_WORDS } from '../../parts/entry-words.ts'
import type { OpenRecord } from '../../parts/use-record.ts'
import { NextTimeFor } from './next-time-for.tsx'
import { fixed, t } from '../../words/index.ts'

const inWords = (p: number): string =>
  p >= 0.9
    ? t('almost surely')
    : p >= 0.65
      ? t('most likely')
      : p >= 0.35
        ? t('likely')
        : p >= 0.15
          ? t('possible')
          : t('cannot be ruled out')
const toFive = (p: number): number => Math.round((p * 100) / 5) * 5
/** Never sure, and never out of the question. */
const shown = (p: number): string => (p >= 0.975 ? t('over 95 %') : p < 0.025 ? t('under 5 %') : `${toFive(p)} %`)
const strength = (ln: number): string =>
  Math.abs(ln) >= 2.3 ? t('strongly') : Math.abs(ln) >= 1 ? t('clearly') : t('a little')

const reportWords = ({ report }: Reason): string =>
  report === 'glanced' ? t('not seen') : typeof report === 'number' ? GRADE_WORDS[report] : t('by a weak test')
const reasonWords = (reason: Reason): string =>
  `${t(signOf(reason.sign)?.words ?? reason.sign)}: ${reportWords(reason)} (${strength(reason.ln)})`

const SAID: readonly Answer[] = ['yes', 'probably', 'no']

interface Props {
  cause: ShownCause
  record: OpenRecord
  /** How often it was there in the workshop's other batches. */
  count: Learned['counts'][string] | undefined
}

/** A cause with its chance, what speaks for it and against it, what to change, and whether it was it. */
export function CauseRow({ cause, record, count }: Props) {
  const { name } = CAUSES[CAUSE_AT.get(cause.id)!]!
  const said = record.state.causes[cause.id]
  const known = cause.additions.filter(([, weight]) => Math.abs(weight) >= 0.2)
  return (
    <li className="border-b border-line py-3">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <strong className="text-lg">{name}</strong>
        <span>
          {inWords(cause.p)}, {shown(cause.p)}
        </span>
      </p>
      <span aria-hidden className="my-1 block h-2 w-full max-w-110 border border-ink">
        <span className="block h-full bg-ink" style={{ width: `${cause.p * 100}%` }} />
      </span>
      <p className="max-w-150 text-[15px]">
        <span className="text-soft">{t('For:')} </span>
        {[...known.filter(([, w]) => w > 0).map(([what]) => what), ...cause.speaksFor.map(reasonWords)].join('; ') ||
          t('nothing but that it happens')}
        .
        {(cause.speaksAgainst.length > 0 || known.some(([, w]) => w < 0)) && (
          <>
            <br />
            <span className="text-soft">{t('Against:')} </span>
            {[...known.filter(([, w]) => w < 0).map(([what]) => what), ...cause.speaksAgainst.map(reasonWords)].join(
              '; ',
            )}
            .
          </>
        )}
      </p>
      <details className="text-[14px]">
        <summary className="text-soft">{t('the numbers behind it')}</summary>
        <p>
          {t(
            'Beforehand {prior} %, after what was seen {p} % ({band} to {band2} if the estimate beforehand is half off); it explains {blame} % of what it explains best.',
            {
              prior: fixed(cause.prior * 100, 1),
              p: fixed(cause.p * 100, 1),
              band: toFive(cause.band[0]),
              band2: toFive(cause.band[1]),
              blame: Math.round(cause.blame * 100),
            },
          )}
        </p>
        {count && (
          <p>
            {t(
              'In your other {batches} batches that were looked through it was said {seen} times, {expected} expected. What was said of one is taken back on its own page.',
              { batches: count.batches, seen: fixed(count.seen, 1), expected: fixed(count.expected, 1) },
            )}
          </p>
        )}
        <ul>
          {cause.additions.map(([what, weight]) => (
            <li key={what}>{t('{what}: odds × {weight}', { what, weight: fixed(Math.exp(weight), 2) })}</li>
          ))}
        </ul>
      </details>
      <div className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1">
        <span className="text-soft">{t('Was it that?')}</span>
        <span role="group" aria-label={t('Was it: {name}', { name })} className="flex">
          {SAID.map(answer => (
            <button
              key={answer}
              aria-pressed={said === answer}
              className="-ml-px min-h-9 border border-ink px-3 hover:bg-chosen aria-pressed:bg-ink aria-pressed:text-paper"
              onClick={() =>
                record.note({ kind: 'cause', cause: cause.id, answer: said === answer ? 'unsaid' : answer })
              }
            >
              {t(ANSWERS[answer])}
            </button>
          ))}
        </span>
      </div>
      {(cause.p >= 0.35 || said === 'yes') && said !== 'no' && <NextTimeFor record={record} cause={cause.id} />}
    </li>
  )
}
