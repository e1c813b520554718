import {
  CARE,
  FIRST_AID,
  FITNESS,
  dayAfter,
  diagnosed,
  factsToAsk,
  faultFactsOf,
  isHeld,
  knownIn,
  questionsOf,
  reckon,
  signOf,
  toldAtBench,
  toldIn,
  verdictOf,
  whichBars,
} from '@ostler/core'
import type { AskStage, Diagnosis, Facts, Learned, Reckoned, FitnessVerdict, ToldSign, WhichBars } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { parseISO } from 'date-fns'
import { useMemo } from 'react'
import { Link, useParams } from 'react-router'
import { learnedQuery } from '../../api/workshop.ts'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { Signs } from '../../parts/signs.tsx'
import { useRecord } from '../../parts/use-record.ts'
import type { OpenRecord } from '../../parts/use-record.ts'
import { useBatch, useForecast, usePlan } from '../../plan/context.tsx'
import { useNotedState } from '../../run/noted.tsx'
import { Section } from '../../ui/section.tsx'
import { restSaid } from '../../workers/rest.ts'
import type { RestWords } from '../../workers/rest.ts'
import { useFollowing } from '../../workers/use-work.ts'
import type { Job } from '../../workers/use-work.ts'
import { Bars } from './bars.tsx'
import { CauseRow } from './cause-row.tsx'
import { KnownRows } from './known-rows.tsx'
import { WouldTell } from './would-tell.tsx'
import { dated, t, todayHere } from '../../words/index.ts'

/** What went wrong with a batch: whether it is fit, what it most likely was, what would tell, and what to do next time. */
export function FaultsPage() {
  const { id = '' } = useParams()
  const record = useRecord(id)
  const forecast = useForecast()
  return (
    <main className="mx-auto w-full max-w-300 flex-1 px-5 py-4 max-[900px]:px-3">
      <div className="flex flex-wrap items-baseline gap-x-5">
        <h1 className="text-2xl">{t('What went wrong')}</h1>
        {record.unsent > 0 && (
          <p role="status">
            {t('{unsent} kept in this browser; sent as soon as the server answers', { unsent: record.unsent })}
          </p>
        )}
        <Link to="/faults" className="ml-auto underline">
          {t('the guide, sign by sign')}
        </Link>
      </div>
      {record.error && <p className="text-rust">{record.error.message}</p>}
      <ForecastRefused />
      {forecast && <Found batch={id} record={record} />}
    </main>
  )
}

interface Found {
  facts: Facts
  reckoned: Reckoned
  found: Diagnosis
  verdict: FitnessVerdict
  bars: WhichBars
  /** Signs that were noted at the bench alone. */
  benchSigns: readonly ToldSign[]
}

/** The reckoning, anew with everything that is noted. */
function useFound(record: OpenRecord, learned: Learned | undefined): Found {
  const plan = usePlan(one => one.plan)
  const { shelf } = useBatch()
  const forecast = useForecast()!
  const noted = useNotedState()?.state ?? null
  const today = todayHere()
  // A first look stands in until the rest was worked through.
  const job = useMemo<Job<RestWords>>(() => asking => restSaid(plan, shelf, asking), [plan, shelf])
  const { answer: rest } = useFollowing(job, 0)
  return useMemo(() => {
    const { state } = record
    const known = knownIn(state)
    const facts = faultFactsOf({ plan, shelf, forecast, rest, noted, record: state, known, today })
    const atBench = toldAtBench(noted?.wrong ?? [])
    const told = [...atBench, ...toldIn(state)]
    const reckoned = reckon(facts, told, learned?.shifts)
    const verdict = verdictOf(reckoned)
    const bars = whichBars(verdict, { plan, forecast, noted, facts, told, count: state.cutCount })
    const benchSigns = atBench.filter(one => !state.signs.some(entry => entry.sign === one.sign))
    return { facts, reckoned, found: diagnosed(reckoned), verdict, bars, benchSigns }
  }, [forecast, learned, noted, plan, record, rest, shelf, today])
}

const stageFor = (days: number): AskStage => (days < 1 ? 'mould' : days < 7 ? 'cut' : 'cure')

function Found({ batch, record }: { batch: string; record: OpenRecord }) {
  const { data: learned } = useQuery(learnedQuery(batch))
  const { facts, reckoned, found, verdict, bars, benchSigns } = useFound(record, learned)
  const questions = questionsOf(reckoned, stageFor(facts.days))
  return (
    <div className="mt-3 grid grid-cols-[minmax(0,1fr)_minmax(0,1.15fr)] gap-x-10 gap-y-6 max-[900px]:grid-cols-1">
      <div className="flex flex-col gap-8 max-[900px]:order-2">
        <Signs record={record} />
        <FromBench signs={benchSigns} />
        <KnownRows
          record={record}
          order={factsToAsk(reckoned, verdict.all, new Set(Object.keys(record.state.known)))}
        />
      </div>
      <div className="flex flex-col gap-8 max-[900px]:order-1">
        <div>
          <IsItFit verdict={verdict} facts={facts} />
          <Bars which={bars} verdict={verdict} />
        </div>
        <Section title={t('What it most likely was')}>
          <WhatItWas found={found} />
          <ul>
            {found.causes.map(cause => (
              <CauseRow key={cause.id} {...{ cause, record }} count={learned?.counts[cause.id]} />
            ))}
          </ul>
        </Section>
        <WouldTell questions={questions} record={record} />
      </div>
    </div>
  )
}

/** Signs that trouble at the bench is; marked among the signs they are the maker's word. */
function FromBench({ signs }: { signs: readonly ToldSign[] }) {
  if (signs.length === 0) return null
  const words = [...new Set(signs.map(({ sign }) => t(signOf(sign)?.words ?? sign)))]
  return (
    <p className="-mt-5 text-soft">{t('Noted at the bench, and counted: {words}.', { words: words.join('; ') })}</p>
  )
}

function WhatItWas({ found }: { found: Diagnosis }) {
  const percent = Math.round((found.freeLye * 100) / 5) * 5
  return (
    <>
      {found.freeLye >= 0.1 && (
        <p className="mb-2 font-semibold text-rust">
          {t('▲ Lye left over, whatever the cause: about {percent} %', { percent })}
        </p>
      )}
      {found.causes.length === 0 && (
        <p className="max-w-130 text-soft">
          {t(
            'Nothing was seen that calls for a cause. Mark a sign: what most likely brought it stands here, with what speaks for it and against it.',
          )}
        </p>
      )}
      {found.isUnexplained && (
        <p className="mb-1">{t('Nothing that is known here explains it well. Look further first.')}</p>
      )}
      {found.isRough && <p className="mb-1 text-soft">{t('Many things at once: the chances are rough.')}</p>}
    </>
  )
}

const MARKS = { fit: '✓', cosmetic: '✓', hold: '△', test: '▲', discard: '▲' } as const
const day = (on: string) => dated(parseISO(on), 'd MMMM yyyy')

/** Whether it may be used: by rules that no chance overrides. */
function IsItFit({ verdict, facts }: { verdict: FitnessVerdict; facts: Facts }) {
  const pouredAt = usePlan(one => one.plan.rest.pouredAt)
  const today = todayHere()
  const isPoured = pouredAt !== ''
  const again = [
    verdict.againInDays > 0 ? dayAfter(today, verdict.againInDays) : null,
    verdict.atDays > 0 && isPoured ? dayAfter(pouredAt, verdict.atDays) : null,
  ].filter(one => one !== null)
  const last = again.sort().at(-1)
  const unwritten = Math.round(facts.lines * (1 - facts.weighedShare))
  return (
    <section
      aria-label={t('Is it fit')}
      className={`border-l-8 py-1 pl-4 ${isHeld(verdict.class) ? 'border-rust' : 'border-ink'}`}
    >
      <p className={`font-title text-4xl font-semibold ${isHeld(verdict.class) ? 'text-rust' : ''}`}>
        {verdict.class === 'fit' && !verdict.lookedAt
          ? t('not looked at yet')
          : `${MARKS[verdict.class]} ${t(FITNESS[verdict.class])}`}
      </p>
      <p className="mt-1 max-w-150 text-lg">{t(CARE[verdict.class])}</p>
      {last !== undefined && last > today && (
        <p className="text-lg font-semibold">{t('Look again on {last}.', { last: day(last) })}</p>
      )}
      {verdict.untilCured && <p>{t('And at the end of its cure.')}</p>}
      {unwritten > 0 && (
        <p className="text-soft">
          {t('{unwritten} of the {lines} weights that decide the lye were not written down.', {
            unwritten,
            lines: facts.lines,
          })}
        </p>
      )}
      {isHeld(verdict.class) && <p className="mt-1 max-w-150 text-[14px] text-soft">{t(FIRST_AID)}</p>}
      {verdict.all.length > 0 && (
        <details className="mt-1 text-[14px]">
          <summary className="text-soft">{t('by which rules')}</summary>
          <p>
            {t(
              '{all}; chance of free lye {freeLye} %. Rules and chances are estimates of the craft; no chance lowers a class.',
              { all: verdict.all.join(', '), freeLye: Math.round(verdict.freeLye * 100) },
            )}
          </p>
        </details>
      )}
    </section>
  )
}
