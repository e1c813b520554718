import { showChance, showTemperature } from '@ostler/core'
import type { Refit } from '@ostler/core'
import { useEffect, useState } from 'react'
import { useBatch, useForecast, useHabits, usePlan, useSay } from '../../plan/context.tsx'
import { showHours } from '../../ui/clock.ts'
import { ForecastRefused } from '../../ui/forecast-refused.tsx'
import { useTold } from '../../ui/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { lookAtRest } from '../../workers/rest.ts'
import type { RestLook } from '../../workers/rest.ts'
import { BarsAlong } from './bars-along.tsx'
import { CupGels } from './cup-gels.tsx'
import { HeatMap } from './heat-map.tsx'
import { MakeItSo } from './make-it-so.tsx'
import { RestCurves } from './rest-curves.tsx'
import { RestSettings } from './rest-settings.tsx'
import { RestTasks } from './rest-tasks.tsx'

const CALM_MS = 250

interface Looked {
  look: RestLook | null
  /** Share of the fine look that is done; null when it is there. */
  progress: number | null
  sentence: string | null
  /** Shares gelled from the middle of the mould to its end; null until they are there. */
  along: number[] | null
}

/** The rest of the plan as it stands: coarse at once, fine a moment later; what is older is stopped. */
function useRest(): Looked {
  const batch = useBatch()
  const plan = usePlan(state => state.plan)
  const ok = usePlan(state => state.result.ok)
  const [looked, setLooked] = useState<Looked>({ look: null, progress: 0, sentence: null, along: null })
  useEffect(() => {
    if (!ok) return
    let stop = () => {}
    const timer = setTimeout(() => {
      const working = lookAtRest(plan, batch.shelf, told =>
        setLooked(before => {
          if (typeof told === 'number') return { ...before, progress: told }
          if ('along' in told) return { ...before, along: told.along }
          const isFine = told.grid === 'fine'
          return { look: told, progress: isFine ? null : 0, sentence: null, along: isFine ? null : before.along }
        }),
      )
      stop = working.stop
      working.done.catch((error: Error) =>
        setLooked(before => ({ ...before, progress: null, sentence: error.message })),
      )
    }, CALM_MS)
    return () => {
      clearTimeout(timer)
      stop()
    }
  }, [plan, batch, ok])
  return looked
}

/** What the soap does in the mould: gel, heat, and when it may be cut. */
export function RestPage() {
  const forecast = useForecast()
  const { look, progress, sentence, along } = useRest()
  return (
    <main className="grid flex-1 grid-cols-[minmax(0,1fr)_380px] max-[1100px]:grid-cols-1">
      <div className="flex min-w-0 flex-col gap-5 p-5 max-[900px]:p-3">
        {!forecast && <ForecastRefused />}
        {sentence && (
          <p role="alert" className="text-rust">
            {sentence}
          </p>
        )}
        {forecast && !look && !sentence && <p className="text-soft">Working the rest through …</p>}
        {forecast && look && <Looked look={look} progress={progress} along={along} />}
      </div>
      <div className="border-l border-line bg-panel p-5 max-[1100px]:border-t max-[1100px]:border-l-0 max-[900px]:p-3">
        <RestSettings />
        <MakeItSo />
      </div>
    </main>
  )
}

const by = (factor: number, more: string, less: string) => {
  const percent = Math.round((factor - 1) * 100)
  return percent === 0 ? 'as expected' : `${Math.abs(percent)} % ${percent > 0 ? more : less} than expected`
}

/** What the readings have changed. */
function Fitted({ refit }: { refit: Refit }) {
  return (
    <p>
      {Math.abs(Math.log(refit.rate)) > 0.6 && 'That is far off: was the scent weighed, is the recipe as written? '}
      From your readings: it reacts {by(refit.rate, 'faster', 'slower')} (± {Math.round(refit.rateSd * 100)} %), and
      loses heat {by(refit.losses, 'faster', 'slower')} (± {Math.round(refit.lossesSd * 100)} %). The curves follow
      them. One more after 6 to 8 hours tells most of the losses.
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
      The colours of this batch are set to be forecast as if it {gel >= 0.5 ? 'gelled' : 'did not gel'}.
      <button
        className="button"
        onClick={() => told(batch.edit({ kind: 'set', path: ['colour', 'gel'], value: null }))}
      >
        Let them follow the rest
      </button>
    </p>
  )
}

function Looked({ look, progress, along }: Pick<Looked, 'progress' | 'along'> & { look: RestLook }) {
  return (
    <>
      <Verdict look={look} progress={progress} />
      {look.refit && <Fitted refit={look.refit} />}
      <UseInColours share={look.result.gelledShare} />
      {look.frames.length > 0 && <HeatMap look={look} />}
      <Section title="Through the hours">
        <RestCurves look={look} />
      </Section>
      <CupGels cups={look.cups} />
      <BarsAlong along={along} />
      <RestTasks tasks={look.tasks} />
    </>
  )
}

const CLASS_WORDS = { none: 'no gel', partial: 'a ring', full: 'full gel' } as const

function Verdict({ look, progress }: { look: RestLook; progress: number | null }) {
  const say = useSay()
  const habits = useHabits()
  const { result, chances, sentence, notices } = look
  const isBad = result.crack > 0.4
  const facts: [string, string][] = [
    ['warmest', `${showTemperature(Math.round(result.peakC), habits)} after ${showHours(result.peakMin)}`],
    ['gels from', showTemperature(Math.round(result.gelC), habits)],
    ['unmould and cut from', result.unmouldMin === null ? 'not within 2 days' : showHours(result.unmouldMin)],
    ['lye spent by', result.spentMin === null ? 'later than 2 days' : showHours(result.spentMin)],
  ]
  return (
    <section aria-label="What the rest comes to">
      <h1 className={`text-2xl ${isBad ? 'text-rust' : ''}`} aria-live="polite">
        {isBad && <span aria-hidden>▲ </span>}
        {say(sentence.sentence)}
      </h1>
      <p className="max-w-180 text-soft">{say(sentence.reason)}</p>
      <dl className="mt-3 flex flex-wrap gap-x-9 gap-y-2">
        {facts.map(([what, value]) => (
          <div key={what}>
            <dt className="text-[13px] text-soft">{what}</dt>
            <dd className="text-xl font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-2 min-h-6 text-[14px] text-soft">
        {progress !== null ? (
          <progress value={progress} max={1} aria-label="Working it through finely" className="w-40 align-middle" />
        ) : (
          chances &&
          `${(['none', 'partial', 'full'] as const)
            .map(key => `${CLASS_WORDS[key]} ${showChance(chances.gel[key])}`)
            .join(
              ' · ',
            )}; peak ${showTemperature(Math.round(chances.peakC[0]), habits)} to ${showTemperature(Math.round(chances.peakC[2]), habits)} in 4 of 5 runs. Times are right to about 40 %. Lye spent is what the model says, no clearance: test as usual.`
        )}
      </p>
      <ul className="mt-1 flex flex-col gap-1">
        {notices.map(notice => (
          <li key={notice.sentence} className={notice.weight === 'hint' ? 'text-soft' : 'font-semibold'}>
            {notice.weight === 'stop' && <span aria-hidden>▲ </span>}
            {say(notice.sentence)}
          </li>
        ))}
      </ul>
    </section>
  )
}
