import { HOW, showMass, showTemperature } from '@ostler/core'
import type { RunRecord, RunShown } from '@ostler/core'
import type { ReactNode } from 'react'
import { useHabits } from '../plan/context.tsx'
import { useSay } from '../ui/say.tsx'
import { Swatch } from '../ui/swatch.tsx'
import { showClock } from '../ui/clock.ts'
import { fixed, rich, showShare, t } from '../words/index.ts'
import { lookWord } from './look-word.ts'

interface Shown {
  shown: RunShown
}

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

const cupOf = ({ cups }: RunShown, id: string) => cups.find(one => one.id === id)

/** What really happened in a run beside what was planned: weights, temperatures, cups, pours and what came in between. */
export const RunSheet = ({ shown }: Shown) => (
  <>
    <Weights shown={shown} />
    <Course shown={shown} />
    <Cups shown={shown} />
    <Pours shown={shown} />
    <Told shown={shown} />
  </>
)

function Weights({ shown: { record, leanest } }: Shown) {
  const habits = useHabits()
  const say = useSay()
  const { superfat, concentration } = leanest
  return (
    <>
      <Part title={t('Weighed')} heads={[t('What'), t('planned'), t('weighed'), t('off')]}>
        {record.weights.map(({ line, massG }) => (
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
          concentration: showShare(concentration),
        })}
      </p>
    </>
  )
}

function Course({ shown }: Shown) {
  const habits = useHabits()
  const { temperatures, blend, length } = shown.record
  return (
    <Part title={t('Temperatures and time')} heads={[t('What'), t('planned'), t('really')]}>
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

function Cups({ shown }: Shown) {
  const habits = useHabits()
  const at = (s: number | null) => (s === null ? '–' : showClock(s))
  return (
    <Part
      title={t('Cups')}
      heads={[t('Cup'), t('planned'), t('drawn'), t('colour in'), t('scent in'), t('trace seen')]}
    >
      {shown.record.cups.map(cup => (
        <tr key={cup.cup} className="border-b border-line">
          <td className={CELL}>
            <span className="flex items-center gap-2">
              <Swatch hex={cupOf(shown, cup.cup)?.hex ?? ''} size={18} />
              {cupOf(shown, cup.cup)?.name}
              {cup.isLost && t(' ▲ lost')}
            </span>
          </td>
          <td className={NUMBER}>{showMass(cup.plannedG, habits, 1)}</td>
          <td className={`${NUMBER} font-semibold`}>{cup.drawnG === null ? '–' : showMass(cup.drawnG, habits, 1)}</td>
          <td className={NUMBER}>{at(cup.colouredS)}</td>
          <td className={NUMBER}>{at(cup.scentedS)}</td>
          <td className={`${CELL} text-right`}>
            {cup.seen.map(one => `${lookWord(one.value, shown.isWhipped)} (${fixed(one.value, 1)})`).join(', ') || '–'}
          </td>
        </tr>
      ))}
    </Part>
  )
}

function Pours({ shown }: Shown) {
  const habits = useHabits()
  const span = (one: { fromS: number; toS: number } | null) =>
    one === null ? '–' : t('{fromS} to {toS}', { fromS: showClock(one.fromS), toS: showClock(one.toS) })
  return (
    <Part title={t('Pours, from the lye on')} heads={[t('Pour'), t('planned'), t('of trace'), t('really')]}>
      {shown.record.pours.map((pour, i) => (
        <tr key={pour.pour} className="border-b border-line">
          <td className={CELL}>
            {i + 1} · {cupOf(shown, pour.cup)?.name}, {showMass(pour.plannedG, habits, 1)}
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

function Told({ shown }: Shown) {
  const say = useSay()
  const { lyeInAt } = shown
  const { told } = shown.record
  if (told.length === 0) return null
  const words: Readonly<Record<string, string>> = { ...HOW.wrong, ...HOW['plan-b'] }
  return (
    <section className="mb-5">
      <h2 className="mb-1 border-b-2 border-ink text-lg">{t('On the way')}</h2>
      <ul>
        {told.map(({ r, kind, how, cup, text }) => (
          <li key={`${r}-${kind}-${how}`} className="border-b border-line py-1">
            {lyeInAt !== null && r >= lyeInAt && `${showClock(r - lyeInAt)} · `}
            {KINDS[kind]}: {[words[how], cup !== null && cupOf(shown, cup)?.name, say(text)].filter(Boolean).join(', ')}
          </li>
        ))}
      </ul>
    </section>
  )
}
