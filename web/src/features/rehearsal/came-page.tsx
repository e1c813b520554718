import {
  WRONGS,
  acrossView,
  answersIn,
  asMade,
  barsAlong,
  colourNames,
  designOf,
  followingOf,
  forecast,
  isColumn,
  isTray,
  metRight,
  rehearsedIn,
  showMass,
  surpriseOf,
} from '@ostler/core'
import type { BenchEvent, ColourForecast, Plan, PourResult, Put, RehearsalAnswer, RehearsalOutcome } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useMemo } from 'react'
import { Link, useParams } from 'react-router'
import { getRehearsal, saveRehearsal } from '../../api/client.ts'
import { FaceCanvas } from '../../drawing/face-canvas.tsx'
import { FacePicture } from '../../drawing/face-picture.tsx'
import { Places } from '../../frame/places.tsx'
import { TopBar } from '../../frame/top-bar.tsx'
import { cupHex, useColourView } from '../../plan/colour-view.ts'
import { SaidAsLiked, useHabits } from '../../plan/context.tsx'
import { outcomeOfRehearsal } from '../../workers/rehearsal.ts'
import { NotOpened } from '../../ui/not-opened.tsx'
import { fixed, rich, t } from '../../words/index.ts'

const FACE_PX = 110
const MOST_BARS = 6
const FINE = 2

/** What came of a rehearsal. */
export function CamePage() {
  const { rehearsal: id = '' } = useParams()
  const taken = useQuery({
    queryKey: ['rehearsal', id],
    queryFn: () => getRehearsal(id),
    ...{ staleTime: 0, gcTime: 0, retry: false },
  })
  const outcome = useQuery({
    queryKey: ['rehearsal', id, 'outcome', taken.data?.revision],
    queryFn: ({ signal }) => outcomeOfRehearsal(taken.data!, { signal }),
    enabled: taken.data !== undefined,
    retry: false,
  })
  const error = taken.error ?? outcome.error
  if (error) return <NotOpened why={error.message} />
  if (!taken.data || !outcome.data)
    return <p className="p-10 text-soft">{t('Pouring the same batter with perfect hands, to compare …')}</p>
  return (
    <SaidAsLiked>
      <Came answer={taken.data} outcome={outcome.data} />
    </SaidAsLiked>
  )
}

const backOf = ({ batch }: RehearsalAnswer): string => (batch === '' ? '/lessons' : `/batches/${batch}/rehearse`)

const isOver = ({ done }: RehearsalAnswer): boolean => done.events.some(event => event.kind === 'close')

/** Points that its page reckoned are kept with it, so that the list can say them. */
function useKept(answer: RehearsalAnswer, { score }: RehearsalOutcome): void {
  const { id, revision, done } = answer
  const ended = isOver(answer)
  useEffect(() => {
    if (ended) void saveRehearsal(id, { revision, done, score }).catch(() => undefined)
  }, [id, revision, done, score, ended])
}

function Came({ answer, outcome }: { answer: RehearsalAnswer; outcome: RehearsalOutcome }) {
  useKept(answer, outcome)
  const { score, minutes, bestMinutes, isPractised, slips } = outcome
  const following = useMemo(() => followingOf(answer.plan, answer.shelf), [answer])
  const rehearsed = useMemo(() => rehearsedIn(following, answer.lesson, answer.setting), [following, answer])
  return (
    <>
      <TopBar>
        <Places />
      </TopBar>
      <main className="mx-auto w-full max-w-240 flex-1 p-5 max-[900px]:p-3">
        <p className="text-soft">
          {rich('Rehearsal of {plan}, number {seed}{isPractised}', {
            plan: (
              <Link className="underline" to={backOf(answer)}>
                {answer.plan.name}
              </Link>
            ),
            seed: answer.setting.seed,
            isPractised: isPractised && t(', practised: it was gone back in it'),
          })}
        </p>
        <h1 className="text-2xl">{t('What came of it')}</h1>
        <p className="mt-2 text-[clamp(2rem,5vw,3.25rem)] leading-tight font-semibold">
          {t('{score} of 100', { score })}
        </p>
        <p className="text-lg">
          {t('{points}, {points2}, {points3}. {minutes} min from lye to mould; perfect hands took {bestMinutes}.', {
            points: t('made {made}', { made: Math.round(outcome.made) }),
            points2: t('time {points}', { points: signed(outcome.time) }),
            points3: t('safety {points}', { points: signed(outcome.safety) }),
            minutes: Math.round(minutes),
            bestMinutes: Math.round(bestMinutes),
          })}
        </p>
        {!isOver(answer) && (
          <p className="mt-2 text-lg">
            {rich('It goes on still: these are points of what was done so far. {link}', {
              link: (
                <Link className="underline" to={`/rehearsals/${answer.id}`}>
                  {t('Go on with it')}
                </Link>
              ),
            })}
          </p>
        )}
        {slips.length > 0 && (
          <section aria-label={t('Safety')} className="mt-4 border-2 border-rust p-3">
            <h2 className="text-lg">{t('Safety first')}</h2>
            <ul className="list-disc pl-5">
              {slips.map((slip, n) => (
                <li key={n}>{slip.text}</li>
              ))}
            </ul>
          </section>
        )}
        <Faces answer={answer} outcome={outcome} />
        <Cost answer={answer} outcome={outcome} />
        <Surprises puts={rehearsed.puts} events={answer.done.events} />
        <Answers answer={answer} />
        <Eye outcome={outcome} />
        <div className="mt-6 flex flex-wrap gap-3">
          <Link className="button button-main" to={backOf(answer)}>
            {t('Another rehearsal')}
          </Link>
          {answer.batch !== '' && (
            <Link className="button" to={`/batches/${answer.batch}/score`}>
              {t('To the plan')}
            </Link>
          )}
        </div>
      </main>
    </>
  )
}

const signed = (count: number): string => `${count > 0 ? '+' : ''}${Math.round(count)}`.replace('-', '−')

interface Row {
  title: string
  plan: Plan
  /** Trace of each pour. */
  levels: readonly number[]
}

/** Faces of the bars as they were planned, and as this run would have given them. */
function Faces({ answer, outcome }: { answer: RehearsalAnswer; outcome: RehearsalOutcome }) {
  const made = useMemo(() => forecast(answer.plan, answer.shelf), [answer])
  const rows = useMemo<Row[]>(() => {
    const planned = made.ok ? made.forecast.lanes.pours.map(pour => (pour.startLevel + pour.endLevel) / 2) : []
    const rehearsed = rehearsedIn(followingOf(answer.plan, answer.shelf), answer.lesson, answer.setting)
    const really = asMade(rehearsed, outcome.pours, answer.done.strokes)
    return [
      { title: t('Planned'), plan: answer.plan, levels: planned },
      { title: t('As it was poured'), ...really },
    ]
  }, [answer, made, outcome])
  if (outcome.pours.every(one => one.startLevel === null)) return null
  const colours = made.ok ? made.forecast.colours : null
  return (
    <section aria-label={t('Faces')} className="mt-5">
      {rows.map(row => (
        <div key={row.title} className="mb-3">
          <h2 className="text-lg">{row.title}</h2>
          <div className="flex gap-2 overflow-x-auto bg-booth p-3">
            {isTray(row.plan.mould) || isColumn(row.plan.mould) ? (
              <FacePicture
                plan={row.plan}
                colours={colours}
                pours={row.levels.map(level => ({ startLevel: level, endLevel: level }))}
                height={2 * FACE_PX}
              />
            ) : (
              <Bars row={row} colours={colours} />
            )}
          </div>
        </div>
      ))}
    </section>
  )
}

/** Faces of the bars of a loaf, from one end to the other; of many every second or third. */
function Bars({ row: { title, plan, levels }, colours }: { row: Row; colours: ColourForecast | null }) {
  const view = useColourView()
  const stage = view.stage === 'pour' ? 'cut' : view.stage
  const design = useMemo(() => designOf(plan, levels), [plan, levels])
  const { innerWidthMm, innerLengthMm, fillMm } = plan.mould
  const places = barsAlong(innerLengthMm, plan.cutting).bars.map(({ from, to }) => (from + to) / 2 / innerLengthMm)
  const step = Math.max(1, Math.ceil(places.length / MOST_BARS))
  const width = Math.round((FACE_PX * innerWidthMm) / fillMm)
  const hexes = [
    ...design.cups.map(cup => cupHex(plan, colours, { ...view, stage }, cup)),
    ...design.pencils.map(() => '#444444'),
  ]
  return places.flatMap((place, n) =>
    n % step === 0
      ? [
          <figure key={place} className="shrink-0">
            <FaceCanvas
              program={design.program}
              view={acrossView(design.program, place, width * FINE)}
              hexes={hexes}
              names={colourNames(plan, design)}
              drawnWith={plan}
              label={t('{title}, bar {n}', { title, n: 1 + n })}
              style={{ width, height: FACE_PX }}
            />
            <figcaption className="text-[13px]">{t('bar {n}', { n: 1 + n })}</figcaption>
          </figure>,
        ]
      : [],
  )
}

/** What cost most, in sentences. */
function Cost({ answer: { plan }, outcome }: { answer: RehearsalAnswer; outcome: RehearsalOutcome }) {
  const { pours, best, worth } = outcome
  const habits = useHabits()
  const all = pours.reduce((sum, one) => sum + one.massG, 0)
  const name = (cup: string) => plan.cups.find(one => one.id === cup)?.name ?? cup
  const told = pours
    .map((pour, n) => ({ pour, n, lost: lostOf(pour) * pour.massG }))
    .filter(({ lost }) => lost > 0)
    .sort((a, b) => b.lost - a.lost)
  const off = pours.filter(
    one => one.wrong === null && one.startLevel !== null && Math.abs(one.pouredG - one.massG) > 0.05 * one.massG,
  )
  return (
    <section aria-label={t('What cost most')} className="mt-5">
      <h2 className="text-lg">{t('What cost most')}</h2>
      {told.length === 0 ? (
        <p>{t('Nothing: every pour came out as it was meant.')}</p>
      ) : (
        <ul>
          {told.map(({ pour, n, lost }) => (
            <li key={pour.pour} className="border-b border-line py-1.5">
              <strong>{t('Layer {n}, {cup}', { n: n + 1, cup: name(pour.cup) })}</strong> {sentenceOf(pour)}{' '}
              <span className="text-soft">{t('({lost} % of the soap)', { lost: Math.round((100 * lost) / all) })}</span>
            </li>
          ))}
        </ul>
      )}
      {off.length > 0 && (
        <p className="mt-2">
          {t('Poured by eye: {off}.', {
            off: off
              .map(
                one =>
                  `${name(one.cup)} ${one.pouredG > one.massG ? '+' : '−'}${showMass(Math.abs(one.pouredG - one.massG), habits, 1)}`,
              )
              .join(', '),
          })}
        </p>
      )}
      <p className="mt-2 text-soft">
        {t(
          'Of the same batter, with the same luck, perfect hands make {best} % of what was meant; you made {worth} %.',
          { best: Math.round(100 * best), worth: Math.round(100 * worth) },
        )}
      </p>
    </section>
  )
}

const lostOf = ({ wrong, tools, isPlanB, isPlain }: PourResult): number =>
  wrong !== null ? 1 : Math.max(isPlanB || isPlain ? 0.3 : 0, tools.some(tool => tool !== null) ? 0.5 : 0)

function sentenceOf({ wrong, tools, isPlanB, isPlain, startLevel }: PourResult): string {
  const at = startLevel === null ? '' : t(' It was at trace {startLevel}.', { startLevel: fixed(startLevel, 1) })
  if (wrong !== null) return `${t(WRONGS[wrong])}.${at}`
  const tool = tools.find(one => one !== null)
  if (tool) return t('came out, but its tool: {tool}.', { tool: t(WRONGS[tool]) })
  if (isPlain) return t('came out unscented.')
  return isPlanB ? t('came out by plan B.') : ''
}

/** What came in between, and what is right to do about it. */
function Surprises({ puts, events }: { puts: readonly Put[]; events: readonly BenchEvent[] }) {
  return (
    <section aria-label={t('What came in between')} className="mt-5">
      <h2 className="text-lg">{t('What came in between')}</h2>
      {puts.length === 0 ? (
        <p>{t('Nothing.')}</p>
      ) : (
        <ul>
          {puts.map(({ key }) => (
            <li key={key} className="border-b border-line py-1.5">
              <strong>{t(surpriseOf(key).title)}.</strong> {t(surpriseOf(key).good)}
              {metRight(key, events) !== null && <span className="text-soft"> {t('That is what you did.')}</span>}
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}

/** What was asked, what was answered, and what is right. */
function Answers({ answer: { setting, done } }: { answer: RehearsalAnswer }) {
  const { questions = [] } = setting
  if (questions.length === 0) return null
  const answers = answersIn(setting, done.events)
  return (
    <section aria-label={t('Questions')} className="mt-5">
      <h2 className="text-lg">{t('Questions')}</h2>
      <ul>
        {questions.map(({ ask, answers: all, right }, n) => (
          <li key={n} className="border-b border-line py-1.5">
            <strong>{ask}</strong> {answers[n] ?? t('Not answered.')}
            {answers[n] !== all[right] && (
              <span className="text-rust"> {t('Rather: {right}.', { right: all[right] })}</span>
            )}
          </li>
        ))}
      </ul>
    </section>
  )
}

/** From so many looks on something can be said of an eye; off by less than this it is good. */
const ENOUGH_LOOKS = 5
const GOOD_EYE = 0.15

function Eye({ outcome: { readings } }: { outcome: RehearsalOutcome }) {
  const { count, off, bias } = readings
  if (count === 0) return null
  return (
    <p className="mt-4">
      {t(
        '{count} {count, plural, one {look} other {looks}} at the trace, off by {off} of a level on the whole{count2}',
        {
          count,
          off: fixed(off, 2),
          count2:
            count >= ENOUGH_LOOKS && Math.abs(bias) >= GOOD_EYE
              ? t(': you call it {bias} by {bias2}.', {
                  bias: bias > 0 ? t('thick') : t('thin'),
                  bias2: fixed(Math.abs(bias), 2),
                })
              : '.',
        },
      )}
    </p>
  )
}
