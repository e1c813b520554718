import { cavityWords, hasOwnCavities, restCavity, showTemperature, at, overheatsForced } from '@ostler/core'
import type { Band, Refit, TimeBand, UnitHabits } from '@ostler/core'
import { useMemo, useState } from 'react'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { showHours } from '../../ui/clock.ts'
import { NextTime } from '../../parts/next-time.tsx'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { useTold } from '../../parts/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { TextField } from '../../ui/text-field.tsx'
import { Term } from '../../ui/term.tsx'
import { lookAtRest } from '../../workers/rest.ts'
import type { RestLook, Told } from '../../workers/rest.ts'
import { useFollowing } from '../../workers/use-work.ts'
import type { Job } from '../../workers/use-work.ts'
import { BarsAlong } from './bars-along.tsx'
import { CupGels } from './cup-gels.tsx'
import { HeatMap } from './heat-map.tsx'
import { MakeItSo } from './make-it-so.tsx'
import { RestCurves } from './rest-curves.tsx'
import { RestSettings } from './rest-settings.tsx'
import { RestTasks } from './rest-tasks.tsx'
import { Say, useSay } from '../../ui/say.tsx'
import { rich, say, showChance, t } from '../../words/index.ts'

const CALM_MS = 250

interface Looked {
  look: RestLook | null
  /** Share of the fine look that is done; null when it is there. */
  progress: number | null
  /** Shares gelled from the middle of the mould to its end; null until they are there. */
  along: number[] | null
}

const NOTHING: Looked = { look: null, progress: 0, along: null }

/** What is known of the rest when the worker has told one thing more. */
function withTold(before: Looked, told: Told): Looked {
  if (typeof told === 'number') return { ...before, progress: told }
  if ('along' in told) return { ...before, ...told }
  const isFine = told.grid === 'fine'
  return { look: told, progress: isFine ? null : 0, along: isFine ? null : before.along }
}

/** The rest of the plan as it stands: coarse at once, fine a moment later; what is older is stopped. */
function useRest(): Looked & { sentence: string } {
  const { shelf } = useBatch()
  const plan = usePlan(state => state.plan)
  const ok = usePlan(state => state.result.ok)
  const [looked, setLooked] = useState(NOTHING)
  const job = useMemo<Job<void> | null>(
    () =>
      ok
        ? ({ signal }) => lookAtRest(plan, shelf, { signal, onTold: told => setLooked(now => withTold(now, told)) })
        : null,
    [ok, plan, shelf],
  )
  const { failure } = useFollowing(job, CALM_MS)
  return failure ? { ...looked, progress: null, sentence: failure } : { ...looked, sentence: '' }
}

/** What the soap does in the mould: gel, heat, and when it may be cut. */
export function RestPage() {
  const forecast = useForecast()
  const looked = useRest()
  const { look, sentence } = looked
  return (
    <main className="grid flex-1 grid-cols-[minmax(0,1fr)_380px] max-[1100px]:grid-cols-1">
      <div className="flex min-w-0 flex-col gap-5 p-5 max-[900px]:p-3">
        {!forecast && <ForecastRefused />}
        {sentence && (
          <p role="alert" className="text-rust">
            {sentence}
          </p>
        )}
        {forecast && !look && !sentence && <p className="text-soft">{t('Working the rest through …')}</p>}
        {forecast && look && <Looked {...looked} look={look} />}
      </div>
      <div className="border-l border-line bg-panel p-5 max-[1100px]:border-t max-[1100px]:border-l-0 max-[900px]:p-3">
        <NextTime at="rest" />
        <RestSettings />
        <MakeItSo />
      </div>
    </main>
  )
}

const by = (factor: number, more: string, less: string) => {
  const percent = Math.round((factor - 1) * 100)
  return percent === 0
    ? t('as expected')
    : t('{percent} % {percent2} than expected', { percent: Math.abs(percent), percent2: percent > 0 ? more : less })
}

/** What the readings have changed. */
function Fitted({ refit }: { refit: Refit }) {
  return (
    <p>
      {t(
        '{rate}From your readings: it reacts {rate2} (± {rateSd} %), and loses heat {losses} (± {lossesSd} %). The curves follow them. One more after 6 to 8 hours tells most of the losses.',
        {
          rate:
            Math.abs(Math.log(refit.rate)) > 0.6 &&
            t('That is far off: was the scent weighed, is the recipe as written? '),
          rate2: by(refit.rate, 'faster', 'slower'),
          rateSd: Math.round(refit.rateSd * 100),
          losses: by(refit.losses, 'faster', 'slower'),
          lossesSd: Math.round(refit.lossesSd * 100),
        },
      )}
    </p>
  )
}

/** The colours follow what gels, where the plan thinks otherwise. */
function UseInColours({ share }: { share: number }) {
  const batch = useBatch()
  const told = useTold()
  const gel = usePlan(state => state.plan.colour.gel)
  const goal = share >= 0.5 ? 1 : 0
  if (gel === null || (gel >= 0.5 ? 1 : 0) === goal) return null
  return (
    <p className="flex flex-wrap items-center gap-3">
      {t('The colours of this batch are set to be forecast as if it {gel}.', {
        gel: gel >= 0.5 ? t('gelled') : t('did not gel'),
      })}
      <button
        className="button"
        onClick={() => told(batch.edit({ kind: 'set', path: at(plan => plan.colour.gel), value: null }))}
      >
        {t('Let them follow the rest')}
      </button>
    </p>
  )
}

function Looked({ look, progress, along }: Looked & { look: RestLook }) {
  const plan = usePlan(state => state.plan)
  const isScented = plan.scent !== null || plan.cups.some(cup => cup.ownScent)
  return (
    <>
      <Verdict look={look} progress={progress} />
      {hasOwnCavities(plan) && (
        <p className="text-soft">
          {rich('Worked through for {plan}{isScented}; the others are not looked at apart.', {
            plan: <Say of={cavityWords(restCavity(plan))} />,
            isScented: isScented && t(', where most scent goes in'),
          })}
        </p>
      )}
      {look.refit && <Fitted refit={look.refit} />}
      <UseInColours share={look.result.gelledShare} />
      {look.frames.length > 0 && <HeatMap look={look} />}
      <Section title={t('Through the hours')}>
        <RestCurves look={look} />
      </Section>
      <CupGels cups={look.cups} />
      <BarsAlong along={along} />
      {/* At the bench, on a phone, what is to be done comes before the pictures. */}
      <div className="max-[900px]:-order-1">
        <RestTasks tasks={look.tasks} />
      </div>
    </>
  )
}

const CLASS_WORDS = { none: t('no gel'), partial: t('a ring'), full: t('full gel') }

/** A span of time, as short as it can be said. */
const between = ({ low, high }: Band): string =>
  showHours(low) === showHours(high)
    ? t('about {low}', { low: showHours(low) })
    : t('{low} to {high}', { low: showHours(low), high: showHours(high) })

interface Fact {
  what: string
  /** Its word in the glossary. */
  term?: string
  value: string
  /** Four of five runs lie within. */
  range: string
}

/** What the page is opened for: how hot, whether and when it gels, when it may come out. */
function factsOf({ result, numbers, ash }: RestLook, habits: UnitHabits): Fact[] {
  const show = (c: number) => showTemperature(Math.round(c), habits)
  const about = (min: number) => `${numbers ? '' : t('about ')}${showHours(min)}`
  const time = (what: string, min: number | null, band: TimeBand | null | undefined, never = ''): Fact[] =>
    min === null
      ? never === ''
        ? []
        : [{ what, value: never, range: '' }]
      : [{ what, value: about(min), range: band ? `${between(band)}${inRuns(band)}` : '' }]
  const { startMin, fullMin, unmouldMin, hardMin, spentMin } = result
  return [
    {
      what: t('warmest'),
      value: show(result.peakC),
      range: numbers ? t('{low} to {high}', { low: show(numbers.peakC.low), high: show(numbers.peakC.high) }) : '',
    },
    ...time(t('that is after'), result.peakMin, numbers?.peakMin),
    ...time(t('gel starts'), startMin, numbers?.startMin).map(fact => ({ ...fact, term: 'gel' })),
    ...time(t('clear to the corners'), fullMin, numbers?.fullMin),
    ...time(t('unmould and cut from'), unmouldMin, numbers?.unmouldMin, t('not within 5 days')),
    ...time(t('too hard for a wire by'), hardMin, numbers?.hardMin),
    ...time(t('lye spent by'), spentMin, null, t('later than 5 days')).map(fact => ({
      ...fact,
      range: t('no clearance'),
    })),
    { what: t('ash'), term: 'ash', value: say(ash.word), range: showChance(ash.chance) },
  ]
}

/** Said where not every run comes to it. */
const inRuns = ({ share }: TimeBand): string =>
  share < 0.9 ? t(', in {share} of 10 runs', { share: Math.round(share * 10) }) : ''

function Verdict({ look, progress }: Pick<Looked, 'progress'> & { look: RestLook }) {
  const say = useSay()
  const habits = useHabits()
  const batch = useBatch()
  const plan = usePlan(state => state.plan)
  const { result, numbers, sentence, notices } = look
  const isBad = result.crack > 0.5
  return (
    <section aria-label={t('What the rest comes to')} className="max-[900px]:-order-2">
      <h1 className={`text-2xl ${isBad ? 'text-rust' : ''}`} aria-live="polite">
        {isBad && <span aria-hidden>▲ </span>}
        {say(sentence.sentence)}
      </h1>
      <p className="max-w-180 text-soft">{say(sentence.reason)}</p>
      <dl className="mt-3 flex flex-wrap gap-x-9 gap-y-2 max-[600px]:grid max-[600px]:grid-cols-2">
        {factsOf(look, habits).map(({ what, term, value, range }) => (
          <div key={what}>
            <dt className="text-[13px] text-soft">{term ? <Term at={term}>{what}</Term> : what}</dt>
            <dd className="text-xl font-semibold">{value}</dd>
            <dd className="min-h-5 text-[13px] text-soft">{range}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-2 min-h-6 text-[14px] text-soft">
        {progress !== null ? (
          <progress
            value={progress}
            max={1}
            aria-label={t('Working it through finely')}
            className="w-40 align-middle"
          />
        ) : (
          numbers &&
          t('{what}. Small: where 4 of 5 runs lie. Lye spent is what the model says: test as usual.', {
            what: (['none', 'partial', 'full'] as const)
              .map(key => `${CLASS_WORDS[key]} ${showChance(numbers.gel[key])}`)
              .join(' · '),
          })
        )}
      </p>
      <ul className="mt-1 flex flex-col gap-1">
        {notices.map(notice => (
          <li key={say(notice.sentence)} className={notice.weight === 'hint' ? 'text-soft' : 'font-semibold'}>
            {notice.weight === 'stop' && <span aria-hidden>▲ </span>}
            {say(notice.sentence)}
          </li>
        ))}
      </ul>
      {overheatsForced(plan, result) && (
        <TextField
          label={t('Heated all the same, because')}
          value={plan.rest.forced}
          className="mt-1 w-full max-w-140"
          onValue={value => batch.edit({ kind: 'set', path: at(one => one.rest.forced), value }, 'forced')}
        />
      )}
    </section>
  )
}
