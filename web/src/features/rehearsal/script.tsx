import { RUN_MOMENTS, SURPRISE_KEYS, fitsPlan, surpriseOf } from '@ostler/core'
import type { AskedQuestion, Following, RehearsalSetting, Strikes } from '@ostler/core'
import { Plus, Trash2 } from 'lucide-react'
import { useId } from 'react'
import { t } from '../../words/index.ts'
import { inWords } from '../../ui/options.ts'

/** What is chosen of a rehearsal on purpose: surprises with their moments, questions, what is held back. */
export type Script = Pick<RehearsalSetting, 'surprises' | 'questions' | 'locks'>
type Chosen = NonNullable<RehearsalSetting['surprises']>[number]
type Moment = AskedQuestion['at']

interface Props<T> {
  value: T
  onValue: (value: T) => void
}

const SIZES = [
  [0, t('mild')],
  [0.5, t('middling')],
  [1, 'harsh'],
] as const
const MOST_CHOSEN = 8
const MOST_QUESTIONS = 12
const MOST_ANSWERS = 4
const MOST_S = 3600
const USUAL_S = 30

/** Surprises that this plan can meet, each chosen with how bad it is, when it comes, and what is said then. */
export function ChosenSurprises({ value, onValue, following }: Props<readonly Chosen[]> & { following: Following }) {
  const isFull = value.length >= MOST_CHOSEN
  const change = (one: Chosen) => onValue(value.map(other => (other.key === one.key ? one : other)))
  return (
    <fieldset className="mt-3">
      <legend className="text-lg">
        {t('Surprises ({value} of at most {what})', { value: value.length, what: MOST_CHOSEN })}
      </legend>
      <ul className="columns-2 gap-8 max-[700px]:columns-1">
        {SURPRISE_KEYS.filter(key => fitsPlan(surpriseOf(key), following)).map(key => {
          const mine = value.find(one => one.key === key)
          const others = value.filter(one => one.key !== key)
          return (
            <li key={key}>
              <label className="flex min-h-11 cursor-pointer items-center gap-2">
                <input
                  type="checkbox"
                  checked={mine !== undefined}
                  disabled={!mine && isFull}
                  onChange={event => onValue(event.target.checked ? [...value, { key, size: 0.5 }] : others)}
                />
                {t(surpriseOf(key).title)}
              </label>
            </li>
          )
        })}
      </ul>
      {value.map(one => (
        <Details key={one.key} value={one} onValue={change} />
      ))}
    </fieldset>
  )
}

function Details({ value, onValue }: Props<Chosen>) {
  const { title, size } = surpriseOf(value.key)
  const { at, tell, ...plain } = value
  return (
    <fieldset className="mt-2 border border-line px-3 py-2">
      <legend className="px-1 font-semibold">{title}</legend>
      <div className="flex flex-wrap items-end gap-3">
        {size[0] !== size[1] && (
          <label className="flex flex-col text-[13px] text-soft">
            {t('how bad')}
            <select
              className="field min-h-11 text-ink"
              aria-label={t('How bad: {title}', { title })}
              value={value.size}
              onChange={event => onValue({ ...value, size: Number(event.target.value) })}
            >
              {SIZES.map(([share, word]) => (
                <option key={word} value={share}>
                  {word}
                </option>
              ))}
            </select>
          </label>
        )}
        <MomentFields
          of={title}
          value={at ?? null}
          onValue={moment => onValue({ ...plain, ...(tell && { tell }), ...(moment && { at: moment }) })}
        />
        <label className="flex min-w-60 flex-1 flex-col text-[13px] text-soft">
          {t('said as it comes, instead of its own words')}
          <input
            className="field min-h-11 text-ink"
            value={tell ?? ''}
            maxLength={300}
            aria-label={t('Said: {title}', { title })}
            onChange={event =>
              onValue({ ...plain, ...(at && { at }), ...(event.target.value && { tell: event.target.value }) })
            }
          />
        </label>
      </div>
    </fieldset>
  )
}

const secondsOf = (text: string): number => Math.min(MOST_S, Math.max(0, Math.round(Number(text)) || 0))

/** When something comes: by itself where that is possible, or so long after a moment of the run. */
function MomentFields({
  of,
  value,
  onValue,
}: {
  of: string
  value: Moment | null
  onValue: (at: Moment | null) => void
}) {
  return (
    <>
      <label className="flex flex-col text-[13px] text-soft">
        {t('when')}
        <select
          className="field min-h-11 text-ink"
          aria-label={t('When: {of}', { of })}
          value={value?.after ?? ''}
          onChange={({ target }) =>
            onValue(target.value === '' ? null : { after: target.value as Strikes, s: value?.s ?? USUAL_S })
          }
        >
          <option value="">{t('by itself')}</option>
          {inWords(RUN_MOMENTS).map(([key, text]) => (
            <option key={key} value={key}>
              {key === 'start' ? text : t('after {text}', { text })}
            </option>
          ))}
        </select>
      </label>
      {value && (
        <label className="flex flex-col text-[13px] text-soft">
          {t('seconds after')}
          <input
            className="field min-h-11 w-24 text-ink"
            type="number"
            min={0}
            max={MOST_S}
            aria-label={t('Seconds after: {of}', { of })}
            value={value.s}
            onChange={event => onValue({ ...value, s: secondsOf(event.target.value) })}
          />
        </label>
      )}
    </>
  )
}

/** Why a question cannot be asked yet; empty: it can. */
export function questionLacks({ ask, answers, right }: AskedQuestion): string {
  if (ask.trim() === '') return t('Write what is asked.')
  if (answers.filter(answer => answer.trim() !== '').length < 2) return t('Two answers at least.')
  return answers[right]?.trim() ? '' : t('Mark the right answer.')
}

const FRESH: AskedQuestion = { at: { after: 'filling', s: USUAL_S }, ask: '', answers: ['', ''], right: 0 }

/** For a class: questions that the clock waits for, and what is held back. */
export function ForAClass({ value, onValue }: Props<Script>) {
  const { questions = [], locks = {} } = value
  const change = (n: number, one: AskedQuestion | null) =>
    onValue({ ...value, questions: questions.flatMap((other, i) => (i === n ? (one ?? []) : other)) })
  const lock = (more: NonNullable<Script['locks']>) => onValue({ ...value, locks: { ...locks, ...more } })
  return (
    <details className="mt-4" open={questions.length > 0 || Object.keys(locks).length > 0}>
      <summary className="min-h-11 cursor-pointer content-center text-lg">
        {t('For a class: questions, and what is held back')}
      </summary>
      <ol>
        {questions.map((question, n) => (
          <QuestionFields key={n} n={n} value={question} onValue={one => change(n, one)} />
        ))}
      </ol>
      <button
        className="button mt-2"
        disabled={questions.length >= MOST_QUESTIONS}
        onClick={() => onValue({ ...value, questions: [...questions, FRESH] })}
      >
        <Plus size={18} aria-hidden /> {t('A question')}
      </button>
      <div className="mt-3 flex flex-wrap items-center gap-x-6 gap-y-1">
        <label className="flex min-h-11 items-center gap-2">
          {t('at most')}
          <select
            className="field"
            aria-label={t('At most so quickly')}
            value={locks.speed ?? 30}
            onChange={event => lock({ speed: Number(event.target.value) as 1 | 2 | 4 | 10 | 30 })}
          >
            {[1, 2, 4, 10, 30].map(times => (
              <option key={times} value={times}>
                {times}×
              </option>
            ))}
          </select>
        </label>
        <Tick text={t('without advice')} isOn={locks.noAdvice === true} onTick={noAdvice => lock({ noAdvice })} />
        <Tick text={t('no stepping back')} isOn={locks.noBack === true} onTick={noBack => lock({ noBack })} />
      </div>
    </details>
  )
}

function Tick({ text, isOn, onTick }: { text: string; isOn: boolean; onTick: (isOn: boolean) => void }) {
  return (
    <label className="flex min-h-11 cursor-pointer items-center gap-2">
      <input type="checkbox" checked={isOn} onChange={event => onTick(event.target.checked)} />
      {text}
    </label>
  )
}

function QuestionFields({
  n,
  value,
  onValue,
}: {
  n: number
  value: AskedQuestion
  onValue: (one: AskedQuestion | null) => void
}) {
  const id = useId()
  const { ask, answers, right, at } = value
  const lacks = questionLacks(value)
  const name = t('question {n}', { n: n + 1 })
  return (
    <li className="mt-2 border border-line px-3 py-2">
      <div className="flex flex-wrap items-end gap-3">
        <MomentFields of={name} value={at} onValue={moment => onValue({ ...value, at: moment ?? FRESH.at })} />
        <label className="flex min-w-60 flex-1 flex-col text-[13px] text-soft">
          {t('asked')}
          <input
            className="field min-h-11 text-ink"
            value={ask}
            maxLength={300}
            aria-label={t('Asked in {name}', { name })}
            aria-describedby={`${id}-lacks`}
            onChange={event => onValue({ ...value, ask: event.target.value })}
          />
        </label>
        <button
          className="quiet min-h-11 min-w-11"
          aria-label={t('Take {name} away', { name })}
          onClick={() => onValue(null)}
        >
          <Trash2 size={18} aria-hidden />
        </button>
      </div>
      <ul className="mt-2 grid grid-cols-2 gap-x-4 gap-y-1 max-[700px]:grid-cols-1">
        {answers.map((answer, i) => (
          <li key={i} className="flex items-center gap-2">
            <input
              type="radio"
              name={`${id}-right`}
              checked={right === i}
              aria-label={t('Answer {i} of {name} is right', { i: i + 1, name })}
              onChange={() => onValue({ ...value, right: i })}
            />
            <input
              className="field min-h-11 flex-1"
              value={answer}
              maxLength={120}
              placeholder={t('answer {i}', { i: i + 1 })}
              aria-label={t('Answer {i} of {name}', { i: i + 1, name })}
              onChange={event => onValue({ ...value, answers: answers.with(i, event.target.value) })}
            />
          </li>
        ))}
      </ul>
      {answers.length < MOST_ANSWERS && (
        <button className="quiet min-h-10" onClick={() => onValue({ ...value, answers: [...answers, ''] })}>
          {t('one more answer')}
        </button>
      )}
      <p id={`${id}-lacks`} className="text-rust">
        {lacks}
      </p>
    </li>
  )
}
