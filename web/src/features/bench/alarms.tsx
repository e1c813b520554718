import type { AlarmKind } from '@ostler/core'
import { useEffect } from 'react'
import { useFollowed, useRunHex, useRunState } from '../../run/context.tsx'
import { useSay } from '../../ui/say.tsx'
import { sound, speak, useSound } from './sound.ts'
import type { Told } from './use-outlook.ts'
import { t } from '../../words/index.ts'

/** Of one cup, and of several. */
const WORDS: Readonly<Record<Exclude<AlarmKind, 'soon'>, readonly [one: string, several: string]>> = {
  now: [t('has about a minute left: pour it now'), t('have about a minute left: pour now')],
  late: [t('is past its window: see Trouble'), t('are past their windows: see Trouble')],
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
    // oxlint-disable-next-line react-hooks/exhaustive-deps -- said once for each deed
  }, [speech, key])
}

/** Cups whose time runs out: seen, and heard once as it begins. */
export function Alarms({ told: { alarms, fresh } }: { told: Told }) {
  const following = useFollowed()
  const hexOf = useRunHex()
  const { tones } = useSound()
  useSpoken()
  useEffect(() => {
    const worst = (['late', 'now', 'soon'] as const).find(kind => fresh.some(one => one.kind === kind))
    if (tones && worst) sound(worst)
  }, [fresh, tones])
  const kinds = (['late', 'now'] as const).map(kind => ({ kind, cups: alarms.filter(one => one.kind === kind) }))
  return (
    <ul role="alert" aria-label={t('Alarms')}>
      {kinds
        .filter(({ cups }) => cups.length > 0)
        .map(({ kind, cups }) => (
          <li
            key={kind}
            className="flex flex-wrap items-center gap-x-3 border-b-2 border-rust px-6 py-1.5 text-xl max-[760px]:px-4 max-[760px]:text-lg"
          >
            <span aria-hidden>▲</span>
            {cups.map(({ cup }) => (
              <strong key={cup} className="flex items-center gap-2">
                <span aria-hidden className="size-5 shrink-0 border border-ink" style={{ background: hexOf(cup) }} />
                {following.plan.cups.find(one => one.id === cup)?.name}
              </strong>
            ))}
            <span>{WORDS[kind][cups.length > 1 ? 1 : 0]}.</span>
          </li>
        ))}
    </ul>
  )
}
