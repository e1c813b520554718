import {
  CARE,
  CAUSES,
  CAUSE_AT,
  FITNESS,
  NEXT_TIME,
  WORKED_CASES,
  diagnosed,
  reckon,
  signOf,
  verdictOf,
} from '@ostler/core'
import type { WorkedCase } from '@ostler/core'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { Places } from '../../frame/places.tsx'
import { TopBar } from '../../frame/top-bar.tsx'
import { GRADE_WORDS } from '../../parts/entry-words.ts'
import { lastingStore, readJson, writeJson } from '../../kept/storage.ts'
import { rich, t } from '../../words/index.ts'

const KEY = 'ostler-guesses'
type Guesses = Readonly<Record<string, string>>
const nameOf = (cause: string): string => t(CAUSES[CAUSE_AT.get(cause)!]?.name ?? cause)

/** Twenty cases to guess at, each with its answer explained; guesses stay in this browser. */
export function GuessPage() {
  const [guesses, setGuesses] = useState<Guesses>(() => readJson<Guesses>(lastingStore(), KEY) ?? {})
  const keep = (next: Guesses) => {
    setGuesses(next)
    writeJson(lastingStore(), KEY, next)
  }
  const right = WORKED_CASES.filter(one => guesses[one.id] === one.answer).length
  const done = WORKED_CASES.filter(one => guesses[one.id] !== undefined).length
  return (
    <>
      <TopBar>
        <Places />
      </TopBar>
      <main className="mx-auto w-full max-w-200 px-5 py-6 max-[900px]:px-3">
        <div className="mb-2 flex flex-wrap items-baseline gap-x-5">
          <h1 className="mr-auto text-3xl">{t('What was it?')}</h1>
          <p className="text-lg">{t('{right} right of {done}', { right, done })}</p>
          {done > 0 && (
            <button className="quiet min-h-9" onClick={() => keep({})}>
              {t('Begin anew')}
            </button>
          )}
        </div>
        <p className="mb-4 max-w-150 text-soft">
          {rich(
            'Twenty batches of a made-up workshop. Guess what went wrong; the answer says why, and whether the bars are fit. {theGuide} helps.',
            {
              theGuide: (
                <Link to="/faults" className="underline">
                  {t('The guide')}
                </Link>
              ),
            },
          )}
        </p>
        <ol>
          {WORKED_CASES.map((one, i) => (
            <Case
              key={one.id}
              {...{ one, i }}
              guess={guesses[one.id]}
              onGuess={cause => keep({ ...guesses, [one.id]: cause })}
            />
          ))}
        </ol>
      </main>
    </>
  )
}

interface CaseProps {
  one: WorkedCase
  i: number
  guess: string | undefined
  onGuess: (cause: string) => void
}

const Case = ({ one, i, guess, onGuess }: CaseProps) => (
  <li className="border-b border-line py-4">
    <p className="text-lg">
      <strong>{i + 1}</strong> {t(one.story)}
    </p>
    <div
      role="group"
      aria-label={t('Case {i}', { i: i + 1 })}
      className="mt-2 grid grid-cols-2 gap-2 max-[600px]:grid-cols-1"
    >
      {one.choices.map(cause => (
        <button
          key={cause}
          aria-pressed={guess === cause}
          disabled={guess !== undefined}
          className={`min-h-11 border border-ink px-3 py-1 text-left aria-pressed:bg-ink aria-pressed:text-paper ${guess !== undefined && cause === one.answer ? 'border-4' : ''}`}
          onClick={() => onGuess(cause)}
        >
          {guess !== undefined && cause === one.answer && '✓ '}
          {nameOf(cause)}
        </button>
      ))}
    </div>
    {guess !== undefined && <Explained one={one} isRight={guess === one.answer} />}
  </li>
)

/** Why it was that, out of the same reckoning as on a batch's own page. */
function Explained({ one, isRight }: { one: WorkedCase; isRight: boolean }) {
  const { first, verdict } = useMemo(() => {
    const reckoned = reckon(one.facts, one.told)
    return { first: diagnosed(reckoned).causes[0]!, verdict: verdictOf(reckoned) }
  }, [one])
  const reasons = [
    ...first.additions.filter(([, weight]) => weight > 0).map(([what]) => what),
    ...first.speaksFor.map(({ sign, report }) =>
      typeof report === 'number' ? `${t(signOf(sign)?.words ?? sign)} (${GRADE_WORDS[report]})` : '',
    ),
  ].filter(Boolean)
  return (
    <div role="status" className="mt-2 border-l-4 border-ink pl-3">
      <p>
        {rich('{isRight} For it: {reasons}.', {
          isRight: <strong>{isRight ? t('✓ Right.') : t('It was: {cup}.', { cup: nameOf(one.answer) })}</strong>,
          reasons: reasons.join('; '),
        })}
      </p>
      <p>
        <strong>{t(FITNESS[verdict.class])}.</strong> {t(CARE[verdict.class])}
      </p>
      <p className="text-soft">{t('Next time: {do}', { do: t(NEXT_TIME[one.answer]?.do ?? '') })}</p>
    </div>
  )
}
