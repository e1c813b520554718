import { HOW, recordOf, settle, showMass, showTemperature } from '@ostler/core'
import type { RunRecord } from '@ostler/core'
import { useMemo } from 'react'
import { Link } from 'react-router'
import { useDesign, useDesignHexes } from '../../drawing/use-design.ts'
import { useHabits, usePlan } from '../../plan/context.tsx'
import { useNoted, useNotedState } from '../../run/noted.tsx'
import { showClock } from '../../ui/clock.ts'
import { Say } from '../../ui/say.tsx'
import { Part, Table } from './part.tsx'
import { dated, rich, showShare, t } from '../../words/index.ts'

/** What was weighed and how the run went, as far as it was noted. */
export function Made() {
  const { run } = useNoted()
  const noted = useNotedState()
  const record = useMemo(
    () => (run && noted ? recordOf(run.following, noted.state, settle(noted.events)) : null),
    [noted, run],
  )
  if (!run || !noted || !record) return null
  const weighed = record.weights.filter(one => one.massG !== null)
  const hasRun = noted.state.lyeInAt !== null
  if (weighed.length === 0 && !hasRun)
    return (
      <Part title={t('Made')}>
        <p className="text-soft">{t('Nothing was noted while it was weighed and made.')}</p>
      </Part>
    )
  return (
    <>
      {weighed.length > 0 && <Weighed record={record} />}
      {hasRun && (
        <Part
          title={t('Made {openedAt}', {
            openedAt: dated(run.openedAt + noted.state.lyeInAt! * 1000, 'd MMMM yyyy, HH:mm'),
          })}
        >
          <Lanes record={record} />
          <Course record={record} />
          <Told record={record} />
          <p className="mt-1 print:hidden">
            <Link className="underline" to={`/bench/${run.id}/sheet`}>
              {t('the sheet of this run, cup by cup')}
            </Link>
          </p>
        </Part>
      )}
    </>
  )
}

function Weighed({ record: { weights, actual } }: { record: RunRecord }) {
  const habits = useHabits()
  const { superfat } = actual.leanest
  const noted = weights.filter(one => one.massG !== null)
  return (
    <Part title={t('Weighed')}>
      <Table
        heads={['what', 'planned', 'weighed']}
        rows={noted.map(({ line, massG }) => ({
          what: <Say of={line.what} />,
          cells: [
            showMass(line.massG, habits, line.stepG),
            <strong key="weighed">{showMass(massG!, habits, line.stepG)}</strong>,
          ],
        }))}
      />
      <p className="mt-1">
        {rich('Superfat as weighed {value} ({low} to {high}){noted}.', {
          value: <strong>{showShare(superfat.value, 2)}</strong>,
          low: showShare(superfat.low),
          high: showShare(superfat.high),
          noted: noted.length < weights.length && t('; what was not noted is taken as planned'),
        })}
      </p>
    </Part>
  )
}

const WIDTH = 700
const ROW = 16
const NAME = 110

/** Each cup's pours over the minutes: as an outline what was planned, filled what was done. */
function Lanes({ record: { pours, cups, length } }: { record: RunRecord }) {
  const plan = usePlan(one => one.plan)
  const hexes = useDesignHexes(useDesign())
  const ends = pours.flatMap(pour => [pour.planned?.toS ?? 0, pour.real?.toS ?? 0])
  const endS = Math.max(60, length.plannedS, ...ends)
  const x = (s: number) => NAME + (s / endS) * (WIDTH - NAME)
  const name = (id: string) => plan.cups.find(cup => cup.id === id)?.name ?? id
  return (
    <svg
      role="img"
      aria-label={t('Pours of each cup over the minutes, planned and done')}
      viewBox={`0 0 ${WIDTH} ${cups.length * ROW + 18}`}
      className="my-2 block w-full"
    >
      {cups.map(({ cup }, i) => (
        <g key={cup} transform={`translate(0 ${i * ROW})`}>
          <text x={0} y={11} fontSize={11} fill="currentColor">
            {name(cup).slice(0, 18)}
          </text>
          <line x1={NAME} x2={WIDTH} y1={ROW - 1} y2={ROW - 1} stroke="var(--line)" />
          {pours
            .filter(pour => pour.cup === cup)
            .map(pour => (
              <g key={pour.pour}>
                {pour.real && (
                  <rect
                    x={x(pour.real.fromS)}
                    width={Math.max(2, x(pour.real.toS) - x(pour.real.fromS))}
                    y={3}
                    height={9}
                    fill={hexes[plan.cups.findIndex(one => one.id === cup)] ?? '#888888'}
                    stroke="currentColor"
                    strokeWidth={0.5}
                  />
                )}
                {pour.planned && (
                  <rect
                    x={x(pour.planned.fromS)}
                    width={Math.max(2, x(pour.planned.toS) - x(pour.planned.fromS))}
                    y={1}
                    height={13}
                    fill="none"
                    stroke="currentColor"
                    strokeDasharray="2 2"
                  />
                )}
              </g>
            ))}
        </g>
      ))}
      {[0, 0.25, 0.5, 0.75, 1].map(share => (
        <text key={share} x={x(endS * share)} y={cups.length * ROW + 13} fontSize={10} textAnchor="middle">
          {showClock(endS * share)}
        </text>
      ))}
    </svg>
  )
}

function Course({ record: { temperatures, blend, length } }: { record: RunRecord }) {
  const habits = useHabits()
  return (
    <Table
      heads={['', t('planned'), t('really')]}
      rows={[
        ...temperatures.map(({ body, plannedC, readC }) => ({
          what: t('{body} as they met', { body: body === 'lye' ? t('Lye') : t('Oils') }),
          cells: [showTemperature(plannedC, habits), readC === null ? t('not read') : showTemperature(readC, habits)],
        })),
        { what: t('Blender on'), cells: [`${Math.round(blend.plannedS)} s`, `${Math.round(blend.realS)} s`] },
        {
          what: t('From the lye to the last pour'),
          cells: [showClock(length.plannedS), length.realS === null ? '–' : showClock(length.realS)],
        },
      ]}
    />
  )
}

function Told({ record: { told } }: { record: RunRecord }) {
  const words: Readonly<Record<string, string>> = { ...HOW.wrong, ...HOW['plan-b'] }
  if (told.length === 0) return null
  return (
    <ul className="mt-1">
      {told.map((one, i) => (
        <li key={i}>
          △ {words[one.how] ?? one.how} <Say of={one.text} />
        </li>
      ))}
    </ul>
  )
}
