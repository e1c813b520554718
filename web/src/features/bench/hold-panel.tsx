import { HOW } from '@ostler/core'
import { useEffect, useState } from 'react'
import { useRunState } from '../../run/context.tsx'
import { BenchPanel } from './panel.tsx'
import type { About } from './use-bench.ts'

const LONG_ENOUGH_S = 15
const KEY = 'min-h-24 border-2 border-ink px-4 text-2xl font-semibold hover:bg-chosen'

/** Blender out, fifteen seconds still, and what is seen then. */
export function HoldPanel({ onNote, onClose }: { onNote: (about: About) => void; onClose: () => void }) {
  const [began] = useState(() => performance.now())
  const [seconds, setSeconds] = useState(0)
  useEffect(() => {
    const timer = setInterval(() => setSeconds((performance.now() - began) / 1000), 250)
    return () => clearInterval(timer)
  }, [began])
  const { next } = useRunState()
  const cup = next[0]?.step?.cup
  const answer = (how: keyof typeof HOW.hold) =>
    onNote({
      kind: 'hold',
      how,
      ...(cup !== undefined && { cup }),
      amount: Math.round((performance.now() - began) / 1000),
    })
  return (
    <BenchPanel title="Does it hold?" onClose={onClose}>
      <p className="text-[clamp(2.5rem,8vw,5rem)] leading-none font-semibold">
        {Math.min(LONG_ENOUGH_S, Math.floor(seconds))} s
      </p>
      <p className="my-3 text-xl">
        {seconds < LONG_ENOUGH_S
          ? 'Keep it still for fifteen seconds, and look at the rim.'
          : 'Streaks of oil, beads at the rim, a wet shine? Then it breaks.'}
      </p>
      <div className="grid grid-cols-3 gap-3 max-[760px]:grid-cols-1">
        <button className={KEY} onClick={() => answer('holds')}>
          It holds
        </button>
        <button className={KEY} onClick={() => answer('breaks')}>
          It breaks
        </button>
        <button className={KEY} onClick={() => answer('not-sure')}>
          Not sure
        </button>
      </div>
    </BenchPanel>
  )
}
