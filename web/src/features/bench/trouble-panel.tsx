import { TROUBLES, planBOf } from '@ostler/core'
import type { BenchOutlook, TroubleKind } from '@ostler/core'
import { useState } from 'react'
import { useFollowed, useRun, useRunHex, useRunState } from '../../run/context.tsx'
import { inTen } from './plan-b-call.tsx'
import { BenchPanel, Chips } from './panel.tsx'
import type { About } from './use-bench.ts'

interface Props {
  outlook: BenchOutlook | null
  onNote: (about: About) => void
  onClose: () => void
}

const KINDS = Object.keys(TROUBLES) as TroubleKind[]
const WHOLE = ''

/** What went wrong: how it is told, the ways out in their order with what each costs, and when to stop. */
export function TroublePanel({ outlook, onNote, onClose }: Props) {
  const [kind, setKind] = useState<TroubleKind | null>(null)
  if (kind === null)
    return (
      <BenchPanel title="Trouble" onClose={onClose}>
        <PlanBKey outlook={outlook} onNote={onNote} />
        <ul className="grid grid-cols-[repeat(auto-fill,minmax(210px,1fr))] gap-2">
          {KINDS.map(one => (
            <li key={one}>
              <button
                className="min-h-20 w-full border border-ink px-4 text-left text-xl font-semibold hover:bg-chosen"
                onClick={() => setKind(one)}
              >
                {TROUBLES[one].title}
              </button>
            </li>
          ))}
          <li>
            <button
              className="min-h-20 w-full border border-ink px-4 text-left text-xl font-semibold hover:bg-chosen"
              onClick={() => onNote({ kind: 'away' })}
            >
              Called away
            </button>
          </li>
        </ul>
      </BenchPanel>
    )
  return <WaysOut kind={kind} onNote={onNote} onClose={() => setKind(null)} />
}

/** Plan B at any time, and the way back from it. */
function PlanBKey({ outlook, onNote }: Pick<Props, 'outlook' | 'onNote'>) {
  const { following } = useRun()
  const { state } = useRunState()
  const name = planBOf(following.plan)?.name ?? ''
  const chance = outlook?.ways.find(way => way.kind === 'plan-b')?.chance.whole
  if (name === '' || state.closed !== null) return null
  return (
    <button
      className="mb-2 min-h-20 w-full border-2 border-ink px-4 text-left text-xl font-semibold hover:bg-chosen"
      onClick={() => onNote({ kind: 'plan-b', how: state.planB ? 'back' : 'take' })}
    >
      {state.planB ? 'Back to the first plan' : `Plan B: ${name}`}
      {!state.planB && chance !== undefined && (
        <span className="block text-lg font-normal">Brings {inTen(chance)} to an end.</span>
      )}
    </button>
  )
}

function WaysOut({ kind, onNote, onClose }: Omit<Props, 'outlook'> & { kind: TroubleKind }) {
  const following = useFollowed()
  const { state } = useRunState()
  const hexOf = useRunHex()
  const [cup, setCup] = useState(WHOLE)
  const { title, signs, ways, stop } = TROUBLES[kind]
  const cups = state.cups
    .filter(one => one.drawnG !== null)
    .map(one => ({
      value: one.cup,
      text: following.plan.cups.find(of => of.id === one.cup)!.name,
      hex: hexOf(one.cup),
    }))
  return (
    <BenchPanel title={title} onClose={onClose}>
      <p className="max-w-180 text-xl">{signs}</p>
      {cups.length > 0 && (
        <Chips label="Where" options={[{ value: WHOLE, text: 'all of it' }, ...cups]} value={cup} onValue={setCup} />
      )}
      <ol className="my-3 list-inside list-decimal text-xl leading-snug">
        {ways.map(way => (
          <li key={way.what} className="border-t border-line py-2">
            {way.what} <span className="text-lg text-soft">Costs {way.cost}.</span>
          </li>
        ))}
      </ol>
      <p className="max-w-180 border-l-4 border-rust pl-3 text-lg">
        <strong>Stop:</strong> {stop}
      </p>
      <button
        className="button button-main mt-4 min-h-16 px-6 text-xl"
        onClick={() => onNote({ kind: 'wrong', how: kind, ...(cup !== WHOLE && { cup }) })}
      >
        Note that it happened
      </button>
    </BenchPanel>
  )
}
