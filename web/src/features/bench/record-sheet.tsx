import { HOW, recordOf, settle, showMass, showTemperature } from '@ostler/core'
import type { RunRecord } from '@ostler/core'
import { Printer } from 'lucide-react'
import { useMemo } from 'react'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { useHabits } from '../../plan/context.tsx'
import { useFollowed, useRun, useRunHex, useRunState } from '../../run/context.tsx'
import { useSay } from '../../ui/say.tsx'
import { Swatch } from '../../ui/swatch.tsx'
import { showClock } from '../../ui/clock.ts'
import { lookWord } from './look-keys.tsx'
import { dated, fixed, rich, showShare, t } from '../../words/index.ts'

const CELL = 'py-1 pr-3 align-top print:py-0.5'
const NUMBER = `${CELL} text-right whitespace-nowrap`

const Part = ({ title, heads, children }: { title: string; heads: readonly string[]; children: ReactNode }) => (
  <section className="mb-5 overflow-x-auto print:mb-3">
    <h2 className="mb-1 border-b-2 border-ink text-lg">{title}</h2>
    <table className="w-full">
      <thead className="text-left text-[13px] text-soft">
        <tr>
          {heads.map((head, i) => (
            <th key={head} scope="col" className={i > 0 ? NUMBER : CELL}>
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>{children}</tbody>
    </table>
  </section>
)

/** What really happened in this run beside what was planned, as a sheet to print and keep. */
export function RunRecordSheet() {
  const run = useRun()
  const { state, events } = useRunState()
  const record = useMemo(() => recordOf(run.following, state, settle(events)), [run, state, events])
  const { plan } = run.following
  return (
    <main className="min-h-screen bg-booth py-6 max-[600px]:py-0 print:bg-white print:p-0">
      <div className="mx-auto mb-4 flex max-w-200 gap-3 px-4 max-[600px]:pt-3 print:hidden">
        <button className="button button-main" onClick={() => print()}>
          <Printer size={16} aria-hidden /> {t('Print')}
        </button>
        <Link className="button" to={`/bench/${run.id}`}>
          {t('To the bench')}
        </Link>
        <Link className="button" to={`/batches/${run.batch}/bench`}>
          {t('To its runs')}
        </Link>
      </div>
      <article className="sheet mx-auto max-w-200 bg-paper p-8 text-[15px] max-[600px]:p-4 print:max-w-none print:p-0 print:text-[11pt]">
        <h1 className="text-3xl">{t('{plan}, as it was made', { plan: plan.name })}</h1>
        <p className="mb-4 text-soft">
          {dated(run.openedAt, 'd MMMM yyyy, HH:mm')} ·{' '}
          {state.closed === 'moulded'
            ? t('in the mould')
            : state.closed === 'given-up'
              ? t('given up')
              : t('not ended')}
          {plan.madeBy && t(' · made by {madeBy}', { madeBy: plan.madeBy })}
        </p>
        <Weights record={record} />
        <Course record={record} />
        <Cups record={record} />
        <Pours record={record} />
        <Told record={record} />
      </article>
    </main>
  )
}

function Weights({ record: { weights, actual } }: { record: RunRecord }) {
  const habits = useHabits()
  const say = useSay()
  const { superfat } = actual.leanest
  return (
    <>
      <Part title={t('Weighed')} heads={[t('What'), 'planned', 'weighed', 'off']}>
        {weights.map(({ line, massG }) => (
          <tr key={line.key} className="border-b border-line">
            <td className={CELL}>{say(line.what)}</td>
            <td className={NUMBER}>{showMass(line.massG, habits, line.stepG)}</td>
            <td className={`${NUMBER} font-semibold`}>
              {massG === null ? t('not noted') : showMass(massG, habits, line.stepG)}
            </td>
            <td className={NUMBER}>
              {massG === null || Math.abs(massG - line.massG) < line.stepG / 2
                ? ''
                : `${massG > line.massG ? '+' : '−'}${showMass(Math.abs(massG - line.massG), habits, line.stepG)}`}
            </td>
          </tr>
        ))}
      </Part>
      <p className="-mt-3 mb-5">
        {rich('Superfat as weighed {value} ({low} to {high}), lye concentration {concentration}.', {
          value: <strong>{showShare(superfat.value, 2)}</strong>,
          low: showShare(superfat.low),
          high: showShare(superfat.high),
          concentration: showShare(actual.leanest.concentration),
        })}
      </p>
    </>
  )
}

function Course({ record: { temperatures, blend, length } }: { record: RunRecord }) {
  const habits = useHabits()
  return (
    <Part title={t('Temperatures and time')} heads={[t('What'), 'planned', 'really']}>
      {temperatures.map(({ body, plannedC, readC }) => (
        <tr key={body} className="border-b border-line">
          <td className={CELL}>{t('{body} as they met', { body: body === 'lye' ? t('Lye') : t('Oils') })}</td>
          <td className={NUMBER}>{showTemperature(plannedC, habits)}</td>
          <td className={`${NUMBER} font-semibold`}>
            {readC === null ? t('not read') : showTemperature(readC, habits)}
          </td>
        </tr>
      ))}
      <tr className="border-b border-line">
        <td className={CELL}>{t('Blender on')}</td>
        <td className={NUMBER}>{Math.round(blend.plannedS)} s</td>
        <td className={`${NUMBER} font-semibold`}>{Math.round(blend.realS)} s</td>
      </tr>
      <tr className="border-b border-line">
        <td className={CELL}>{t('From the lye to the last pour')}</td>
        <td className={NUMBER}>{showClock(length.plannedS)}</td>
        <td className={`${NUMBER} font-semibold`}>{length.realS === null ? '–' : showClock(length.realS)}</td>
      </tr>
    </Part>
  )
}

function Cups({ record: { cups } }: { record: RunRecord }) {
  const habits = useHabits()
  const hexOf = useRunHex()
  const { plan } = useFollowed()
  const at = (s: number | null) => (s === null ? '–' : showClock(s))
  return (
    <Part title={t('Cups')} heads={[t('Cup'), 'planned', 'drawn', t('colour in'), t('scent in'), t('trace seen')]}>
      {cups.map(cup => (
        <tr key={cup.cup} className="border-b border-line">
          <td className={CELL}>
            <span className="flex items-center gap-2">
              <Swatch hex={hexOf(cup.cup)} size={18} />
              {plan.cups.find(one => one.id === cup.cup)?.name}
              {cup.isLost && t(' ▲ lost')}
            </span>
          </td>
          <td className={NUMBER}>{showMass(cup.plannedG, habits, 1)}</td>
          <td className={`${NUMBER} font-semibold`}>{cup.drawnG === null ? '–' : showMass(cup.drawnG, habits, 1)}</td>
          <td className={NUMBER}>{at(cup.colouredS)}</td>
          <td className={NUMBER}>{at(cup.scentedS)}</td>
          <td className={`${CELL} text-right`}>
            {cup.seen.map(one => `${lookWord(one.value, plan)} (${fixed(one.value, 1)})`).join(', ') || '–'}
          </td>
        </tr>
      ))}
    </Part>
  )
}

function Pours({ record: { pours } }: { record: RunRecord }) {
  const habits = useHabits()
  const { plan } = useFollowed()
  const span = (one: { fromS: number; toS: number } | null) =>
    one === null ? '–' : t('{fromS} to {toS}', { fromS: showClock(one.fromS), toS: showClock(one.toS) })
  return (
    <Part title={t('Pours, from the lye on')} heads={[t('Pour'), 'planned', t('of trace'), 'really']}>
      {pours.map((pour, i) => (
        <tr key={pour.pour} className="border-b border-line">
          <td className={CELL}>
            {i + 1} · {plan.cups.find(one => one.id === pour.cup)?.name}, {showMass(pour.plannedG, habits, 1)}
            {pour.isPlanB && t(' · plan B')}
          </td>
          <td className={NUMBER}>{span(pour.planned)}</td>
          <td className={NUMBER}>{pour.planned ? fixed(pour.planned.level, 1) : '–'}</td>
          <td className={`${NUMBER} font-semibold`}>{span(pour.real)}</td>
        </tr>
      ))}
    </Part>
  )
}

const KINDS: Readonly<Record<RunRecord['told'][number]['kind'], string>> = {
  wrong: t('Trouble'),
  note: t('Note'),
  'plan-b': t('Plan B'),
  waive: t('Gone on all the same'),
}

function Told({ record: { told } }: { record: RunRecord }) {
  const say = useSay()
  const { state } = useRunState()
  const { plan } = useFollowed()
  if (told.length === 0) return null
  const words: Readonly<Record<string, string>> = { ...HOW.wrong, ...HOW['plan-b'] }
  return (
    <section className="mb-5">
      <h2 className="mb-1 border-b-2 border-ink text-lg">{t('On the way')}</h2>
      <ul>
        {told.map(({ r, kind, how, cup, text }) => (
          <li key={`${r}-${kind}-${how}`} className="border-b border-line py-1">
            {state.lyeInAt !== null && r >= state.lyeInAt && `${showClock(r - state.lyeInAt)} · `}
            {KINDS[kind]}:{' '}
            {[words[how], plan.cups.find(one => one.id === cup)?.name, say(text)].filter(Boolean).join(', ')}
          </li>
        ))}
      </ul>
    </section>
  )
}
