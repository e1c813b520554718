import type { Lanes } from '@ostler/core'
import { beforeLye, showMinutes } from '@ostler/core'
import { Link } from 'react-router'
import { useLanes, usePlan } from '../../plan/context.tsx'
import { useCupHex } from '../../plan/colour-view.ts'
import type { TimeScale } from './time-scale.ts'
import { useSay } from '../../ui/say.tsx'
import { rich, t } from '../../words/index.ts'

type Task = Lanes['tasks'][number]

export const TASK_WORDS: Record<Task['kind'], string> = {
  blend: t('blend'),
  'scent-pot': t('scent'),
  split: t('split'),
  colour: t('colour'),
  scent: t('scent'),
  smooth: t('blend lumps out'),
  'blend-cup': t('thicken'),
  wait: t('wait'),
  pour: t('pour'),
  move: t('swirl'),
}

/** A swirl is as safe as the least likely of the tools that make it up. */
function toolChance(tools: Lanes['tools'], task: Task): number {
  if (task.kind !== 'move') return 1
  const within = tools.filter(
    tool => tool.pour === task.pour && tool.startMin < task.toMin && tool.endMin > task.fromMin,
  )
  return Math.min(1, ...within.map(tool => tool.chance))
}

/** What a task leaves of the hands. */
export const HANDS_WORDS = { 0: '', 1: t(', one hand'), 2: t(', both hands') } as const

const LETTER_PX = 6.4
const HEIGHT = 18

/** What the hands do when; a wait is left open. */
export function HandsRow({ scale, width, labelPx }: { scale: TimeScale; width: number; labelPx: number }) {
  const { tasks, tools } = useLanes()!
  const cups = usePlan(state => state.plan.cups)
  const nameOf = (task: Task) => {
    const cup = cups.find(one => one.id === task.cup)?.name
    return cup ? `${TASK_WORDS[task.kind]} ${cup}` : TASK_WORDS[task.kind]
  }
  return (
    <div className="flex items-center">
      {labelPx > 0 ? (
        <span className="sticky left-0 z-10 shrink-0 bg-panel pl-5 text-[13px] text-soft" style={{ width: labelPx }}>
          {rich('Hands {darkBoth}', { darkBoth: <span className="text-[12px]">{t('dark: both')}</span> })}
        </span>
      ) : (
        <span className="w-3" />
      )}
      <svg
        width={width}
        height={HEIGHT}
        className="shrink-0"
        role="img"
        aria-label={t('Hands: {tasks}', { tasks: tasks.map(nameOf).join(', ') })}
      >
        {tasks.map((task, i) => {
          const left = scale.x(task.fromMin)
          const wide = Math.max(1, scale.x(task.toMin) - left - 1)
          const free = task.kind === 'wait'
          const name = nameOf(task)
          const isBad = toolChance(tools, task) < 0.6
          const short = TASK_WORDS[task.kind]
          const text = name.length * LETTER_PX < wide - 6 ? name : short.length * LETTER_PX < wide - 6 ? short : ''
          return (
            <g key={i}>
              <rect
                x={left}
                y={1.5}
                width={wide}
                height={HEIGHT - 3}
                fill={free ? 'none' : task.hands === 2 ? 'var(--booth-deep)' : 'var(--booth)'}
                stroke={isBad ? 'var(--rust)' : free ? 'var(--booth-deep)' : 'none'}
                strokeWidth={isBad ? 2 : 1}
                strokeDasharray={isBad ? undefined : '3 3'}
              />
              <text x={left + 4} y={HEIGHT - 5} className="fill-ink text-[12px]">
                {text}
              </text>
              <title>
                {t('{name}, {fromMin} to {toMin}{hands}', {
                  name,
                  fromMin: showMinutes(task.fromMin),
                  toMin: showMinutes(task.toMin),
                  hands: HANDS_WORDS[task.hands],
                })}
              </title>
            </g>
          )
        })}
      </svg>
    </div>
  )
}

const DOT_PX = 12

/** When waiting cups want a stir: each a dot of its colour. */
export function StirRow({ scale, width, labelPx }: { scale: TimeScale; width: number; labelPx: number }) {
  const { lanes } = useLanes()!
  const cups = usePlan(state => state.plan.cups)
  const hexOf = useCupHex()
  const nameOf = (id: string) => cups.find(cup => cup.id === id)?.name ?? id
  const stirs = lanes.flatMap(lane => lane.stirs.map(min => ({ cup: lane.cup, min }))).sort((a, b) => a.min - b.min)
  if (stirs.length === 0) return null
  const words = stirs.map(({ cup, min }) => t('{cup} at {min}', { cup: nameOf(cup), min: showMinutes(min) })).join(', ')
  return (
    <div className="flex items-center">
      {labelPx > 0 ? (
        <span className="sticky left-0 z-10 shrink-0 bg-panel pl-5 text-[13px] text-soft" style={{ width: labelPx }}>
          {t('Stir these')}
        </span>
      ) : (
        <span className="w-3" />
      )}
      <svg
        width={width}
        height={HEIGHT}
        className="shrink-0"
        role="img"
        aria-label={t('Stir waiting cups: {words}', { words })}
      >
        {stirs.map(({ cup, min }) => (
          <rect
            key={`${cup} ${min}`}
            x={scale.x(min) - DOT_PX / 2}
            y={(HEIGHT - DOT_PX) / 2}
            width={DOT_PX}
            height={DOT_PX}
            rx={DOT_PX / 2}
            fill={hexOf(cup)}
            stroke="var(--ink)"
          >
            <title>{t('stir {cup} at {min}', { cup: nameOf(cup), min: showMinutes(min) })}</title>
          </rect>
        ))}
      </svg>
    </div>
  )
}

/** What is done before the clock starts. */
export function BeforeLye() {
  const say = useSay()
  const plan = usePlan(state => state.plan)
  const list = beforeLye(plan)
    .map(one => say(one))
    .join('; ')
  return (
    <p className="mx-3 min-w-0 flex-1 truncate text-[13px] text-soft" title={list}>
      <Link to="../prepare" className="underline">
        {t('Before the lye')}
      </Link>
      : {list}
    </p>
  )
}
