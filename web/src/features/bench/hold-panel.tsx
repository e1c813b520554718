import { HOW, STANDS } from '@ostler/core'
import { useEffect, useState } from 'react'
import { useFollowed, useRunState } from '../../run/context.tsx'
import { LookKeys } from './look-keys.tsx'
import { BenchPanel } from './panel.tsx'
import type { About } from './use-bench.ts'
import { useSeconds } from '../../rehearsal/context.tsx'
import { SeenStill } from '../../rehearsal/seen-batter.tsx'
import { t } from '../../words/index.ts'

const LONG_ENOUGH_S = 15
const KEY = 'min-h-24 border-2 border-ink px-4 text-2xl font-semibold hover:bg-chosen'

interface Props {
  onNote: (about: About) => void
  onClose: () => void
}

/** Whether a batter is one: blended it holds, whipped it stands. */
export function HoldPanel(props: Props) {
  const { plan } = useFollowed()
  return plan.whipped ? <StandPanel {...props} /> : <StillPanel {...props} />
}

/** The whisk out, and how the batter stands on it; what stands as it should is divided. */
function StandPanel({ onNote, onClose }: Props) {
  const { next } = useRunState()
  const cup = next[0]?.step?.cup
  const of = cup === undefined ? {} : { cup }
  const hold = (how: keyof typeof HOW.hold) => onNote({ kind: 'hold', how, ...of })
  const look = (level: number) => {
    // One bowl is looked at as a whole; of a batter of its own it is only known whether it stands.
    if (cup === undefined) onNote({ kind: 'seen', amount: level, how: 'word' })
    if (level >= STANDS.lo && level <= STANDS.hi) hold('holds')
    else if (cup !== undefined) onClose()
  }
  return (
    <BenchPanel title={t('Does it stand?')} onClose={onClose}>
      <p className="mb-2 text-xl">{t('Lift the whisk out and turn it up.')}</p>
      <LookKeys onLevel={look} />
      <div className="mt-4 grid grid-cols-2 gap-3 max-[760px]:grid-cols-1">
        <button className={KEY} onClick={() => hold('breaks')}>
          {t('It weeps or curdles')}
        </button>
        <button className={KEY} onClick={() => hold('not-sure')}>
          {t('I take it as it is')}
        </button>
      </div>
    </BenchPanel>
  )
}

/** Blender out, fifteen seconds still, and what is seen then. */
function StillPanel({ onNote, onClose }: Props) {
  const nowS = useSeconds()
  const [began] = useState(nowS)
  const [seconds, setSeconds] = useState(0)
  useEffect(() => {
    const timer = setInterval(() => setSeconds(nowS() - began), 250)
    return () => clearInterval(timer)
  }, [began, nowS])
  const { next } = useRunState()
  const cup = next[0]?.step?.cup
  const answer = (how: keyof typeof HOW.hold) =>
    onNote({
      kind: 'hold',
      how,
      ...(cup !== undefined && { cup }),
      amount: Math.round(nowS() - began),
    })
  return (
    <BenchPanel title={t('Does it hold?')} onClose={onClose}>
      <p className="text-[clamp(2.5rem,8vw,5rem)] leading-none font-semibold">
        {Math.min(LONG_ENOUGH_S, Math.floor(seconds))} s
      </p>
      <p className="my-3 text-xl">
        {seconds < LONG_ENOUGH_S
          ? t('Keep it still for fifteen seconds, and look at the rim.')
          : t('Streaks of oil, beads at the rim, a wet shine? Then it breaks.')}
      </p>
      {seconds >= LONG_ENOUGH_S && <SeenStill cup={cup} />}
      <div className="grid grid-cols-3 gap-3 max-[760px]:grid-cols-1">
        <button className={KEY} onClick={() => answer('holds')}>
          {t('It holds')}
        </button>
        <button className={KEY} onClick={() => answer('breaks')}>
          {t('It breaks')}
        </button>
        <button className={KEY} onClick={() => answer('not-sure')}>
          {t('Not sure')}
        </button>
      </div>
    </BenchPanel>
  )
}
