import type { Lanes } from '@ostler/core'
import { showMinutes } from '@ostler/core'
import { useForecast, usePlan } from '../../plan/context.tsx'
import type { TimeScale } from './time-scale.ts'

type Task = Lanes['tasks'][number]

const WORDS: Record<Task['kind'], string> = {
  blend: 'blend',
  'scent-pot': 'scent',
  split: 'split',
  colour: 'colour',
  scent: 'scent',
  smooth: 'blend lumps out',
  'blend-cup': 'thicken',
  wait: 'wait',
  pour: 'pour',
  move: 'swirl',
}

const LETTER_PX = 6.4
const HEIGHT = 18

/** What the hands do when; a wait is left open. */
export function HandsRow({ scale, width, labelPx }: { scale: TimeScale; width: number; labelPx: number }) {
  const tasks = useForecast()!.lanes.tasks
  const cups = usePlan(state => state.plan.cups)
  const nameOf = (task: Task) => {
    const cup = cups.find(one => one.id === task.cup)?.name
    return cup ? `${WORDS[task.kind]} ${cup}` : WORDS[task.kind]
  }
  return (
    <div className="flex items-center">
      {labelPx > 0 ? (
        <span className="pl-5 text-[13px] text-soft" style={{ width: labelPx }}>
          Hands
        </span>
      ) : (
        <span className="w-3" />
      )}
      <svg width={width} height={HEIGHT} role="img" aria-label={`Hands: ${tasks.map(nameOf).join(', ')}`}>
        {tasks.map((task, i) => {
          const left = scale.x(task.fromMin)
          const wide = Math.max(1, scale.x(task.toMin) - left - 1)
          const free = task.kind === 'wait'
          const name = nameOf(task)
          const short = WORDS[task.kind]
          const text = name.length * LETTER_PX < wide - 6 ? name : short.length * LETTER_PX < wide - 6 ? short : ''
          return (
            <g key={i}>
              <rect
                x={left}
                y={1.5}
                width={wide}
                height={HEIGHT - 3}
                fill={free ? 'none' : 'var(--booth-deep)'}
                stroke={free ? 'var(--booth-deep)' : 'none'}
                strokeDasharray="3 3"
              />
              <text x={left + 4} y={HEIGHT - 5} className="fill-ink text-[12px]">
                {text}
              </text>
              <title>{`${name}, ${showMinutes(task.fromMin)} to ${showMinutes(task.toMin)}`}</title>
            </g>
          )
        })}
      </svg>
    </div>
  )
}
