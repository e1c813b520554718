import { dripLevel } from '@ostler/core'
import { useEffect, useState } from 'react'
import { useFollowed, useRunHex, useRunState } from '../../run/context.tsx'
import { BenchPanel, Chips } from './panel.tsx'
import { HandledKeys } from './handled-keys.tsx'
import { LookKeys } from './look-keys.tsx'
import { lookWord } from '../../parts/look-word.ts'
import type { About } from './use-bench.ts'
import { useRehearsal, useSeconds } from '../../rehearsal/context.tsx'
import { SeenBatter, useShown } from '../../rehearsal/seen-batter.tsx'
import { fixed, t } from '../../words/index.ts'

interface Props {
  /** The cup that is asked about; null: what is poured next. */
  first: string | null
  onNote: (about: About) => void
  onClose: () => void
}

const POT = 'pot'

/** What can be looked at, what is poured next first: the pot until it is split, then cups with batter in them. */
function useBodies() {
  const following = useFollowed()
  const { state } = useRunState()
  const hexOf = useRunHex()
  const { input, plan } = following
  const open = input.pours
    .filter(pour => state.pours[pour.pour] === undefined)
    .map(pour => input.cups[pour.cup]!.cup.id)
  const there = new Set(state.cups.filter(cup => cup.drawnG !== null).map(cup => cup.cup))
  const cups = [...new Set(open)].filter(id => there.has(id))
  const named = cups.map(id => ({ value: id, text: plan.cups.find(cup => cup.id === id)!.name, hex: hexOf(id) }))
  return state.splitAt === null && state.lyeInAt !== null
    ? [{ value: POT, text: plan.whipped ? t('the bowl') : t('the pot') }, ...named]
    : named
}

/** What trace looks like: first by how long a drip's mark stays, else by a word. */
export function SeenPanel({ first, onNote, onClose }: Props) {
  const bodies = useBodies()
  const { plan } = useFollowed()
  const [body, setBody] = useState(bodies.find(one => one.value === first)?.value ?? bodies[0]?.value ?? '')
  if (bodies.length === 0)
    return (
      <BenchPanel title={t('Trace looks like …')} onClose={onClose}>
        <p className="text-xl">{t('There is no batter to look at yet.')}</p>
      </BenchPanel>
    )
  const isWhipped = plan.whipped !== null
  const note = (amount: number, how: 'drip' | 'word') =>
    onNote({ kind: 'seen', amount, how, ...(body !== POT && { cup: body }) })
  return (
    <BenchPanel title={t('Trace looks like …')} onClose={onClose}>
      <Chips label={t('Which')} options={bodies} value={body} onValue={setBody} />
      {body !== '' && <LooksNow cup={body === POT ? undefined : body} />}
      {!isWhipped && <DripTest cup={body === POT ? undefined : body} onLevel={level => note(level, 'drip')} />}
      <p className="mt-4 text-lg">{isWhipped ? t('As the whisk or the spoon is lifted out:') : t('Or by eye:')}</p>
      <LookKeys onLevel={level => note(level, 'word')} />
      {body !== POT && <HandledKeys cup={body} onNote={onNote} onClose={onClose} />}
    </BenchPanel>
  )
}

/** What there is to be seen, in a rehearsal. */
const LooksNow = ({ cup }: { cup: string | undefined }) => (useRehearsal() ? <SeenBatter cup={cup} /> : null)

/** A drop from the spoon: pressed as it falls and again as its mark is gone. */
function DripTest({ cup, onLevel }: { cup: string | undefined; onLevel: (level: number) => void }) {
  const { plan } = useFollowed()
  const nowS = useSeconds()
  const seen = useShown(cup)
  const [since, setSince] = useState<number | null>(null)
  const [seconds, setSeconds] = useState(0)
  useEffect(() => {
    if (since === null) return
    const timer = setInterval(() => setSeconds(nowS() - since), 100)
    return () => clearInterval(timer)
  }, [since, nowS])
  const press = () => {
    if (since === null) return setSince(nowS())
    onLevel(Math.round(dripLevel(nowS() - since) * 100) / 100)
  }
  return (
    <>
      {since !== null && seen && <SeenBatter cup={cup} mark={Math.max(0, 1 - seconds / seen.shown.markS)} />}
      <button
        autoFocus
        className="mt-2 flex min-h-24 w-full flex-col items-start justify-center border-2 border-ink bg-panel px-5 text-left hover:bg-chosen"
        onClick={press}
      >
        {since === null ? (
          <>
            <strong className="text-2xl">{t('Drip test')}</strong>
            <span>{t('Stir for five seconds, let a drip fall from a hand’s height: press as it falls.')}</span>
          </>
        ) : (
          <>
            <strong className="text-3xl">
              {t('{seconds} s · press when its mark is gone', { seconds: fixed(seconds, 1) })}
            </strong>
            <span>
              {t('{seconds} so far{seconds2}', {
                seconds: lookWord(dripLevel(seconds), plan.whipped !== null),
                seconds2: seconds >= 30 && t('; more than 30 s: press, it is thicker than that'),
              })}
            </span>
          </>
        )}
      </button>
    </>
  )
}
