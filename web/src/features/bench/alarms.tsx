import type { AlarmKind } from '@ostler/core'
import { useEffect } from 'react'
import { useRun, useRunHex, useRunState } from '../../run/context.tsx'
import { useSay } from '../../ui/say.tsx'
import { sound, speak, useSound } from './sound.ts'
import type { BenchOutlook } from './use-outlook.ts'

const WORDS: Readonly<Record<AlarmKind, string>> = {
  soon: 'may be too thick in a minute or two',
  now: 'has about a minute left: pour it now',
  late: 'is past its window: see Trouble',
}

/** Says the next deed aloud when it is another one, where that is wished for. */
function useSpoken(): void {
  const { next } = useRunState()
  const { speech } = useSound()
  const say = useSay()
  const [now] = next
  const text = now ? `${say(now.big)}. ${say(now.more)}` : ''
  const key = now?.step?.key ?? ''
  useEffect(() => {
    if (speech && text !== '') speak(text)
    // eslint-disable-next-line react-hooks/exhaustive-deps -- said once for each deed
  }, [speech, key])
}

/** Cups whose time runs out: seen, and heard once as it begins. */
export function Alarms({ outlook }: { outlook: BenchOutlook }) {
  const { following } = useRun()
  const hexOf = useRunHex()
  const { tones } = useSound()
  const { alarms, fresh } = outlook
  useSpoken()
  useEffect(() => {
    const worst = (['late', 'now', 'soon'] as const).find(kind => fresh.some(one => one.kind === kind))
    if (tones && worst) sound(worst)
  }, [fresh, tones])
  const shown = alarms.filter(one => one.kind !== 'soon')
  return (
    <ul role="alert" aria-label="Alarms">
      {shown.map(({ cup, kind }) => (
        <li key={cup} className="flex items-center gap-3 border-b-2 border-rust px-6 py-2 text-xl max-[760px]:px-4">
          <span aria-hidden className="size-6 shrink-0 border border-ink" style={{ background: hexOf(cup) }} />
          <span>
            ▲ <strong>{following.plan.cups.find(one => one.id === cup)?.name}</strong> {WORDS[kind]}.
          </span>
        </li>
      ))}
    </ul>
  )
}
