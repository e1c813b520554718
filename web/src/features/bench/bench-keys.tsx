import { Check, Eye, Ruler, TriangleAlert, Undo2 } from 'lucide-react'
import { useConnected } from '../../instruments/connected.ts'
import { blendOf, creamingKey } from '@ostler/core'
import { useFollowed, useRunState } from '../../run/context.tsx'
import type { BenchDeeds } from './use-bench.ts'
import { useRehearsal, useRehearsalState } from '../../rehearsal/context.tsx'
import { t } from '../../words/index.ts'

const KEY =
  'flex min-h-18 flex-1 flex-col items-center justify-center gap-0.5 border-r border-line px-1 font-semibold last:border-r-0 hover:bg-chosen aria-pressed:bg-chosen disabled:text-soft'

/** Four deeds and undo: as high as a thumb in a wet glove is wide. */
export function BenchKeys({ deeds }: { deeds: BenchDeeds }) {
  const { state, next } = useRunState()
  const { input } = useFollowed()
  const { panel, open } = deeds
  const connected = useConnected()
  const toggle = (name: 'seen' | 'measured' | 'trouble') => open(panel === name ? null : name)
  const kind = next[0]?.step?.kind
  const isBlending = kind === 'blend' && blendOf(input, state, next[0]?.step?.cup).blendingSince !== null
  const isCreaming = kind === 'cream' && state.ticked[creamingKey(next[0]?.step?.cup)] !== undefined
  const isMeasured = kind === 'weigh' || kind === 'draw' ? connected.mass : kind === 'temp' && connected.temperature
  const rehearsal = useRehearsal()
  const more = useRehearsalState()
  const step = next[0]?.step ?? null
  const isHeld = rehearsal !== null && step !== null && rehearsal.isHeld(step)
  const word = isHeld
    ? more?.held
      ? t('Let go')
      : t('Hold')
    : isMeasured
      ? t('Take it')
      : kind === 'pour' && state.pouring === null
        ? t('Begin')
        : kind === 'blend' || kind === 'cream'
          ? isBlending || isCreaming
            ? t('Off')
            : t('On')
          : t('Done')
  return (
    <nav
      aria-label={t('Deeds')}
      className="flex border-t-2 border-ink text-lg max-[760px]:text-[14px] max-[420px]:text-[12px]"
    >
      <button
        className={`${KEY} flex-[2] bg-ink text-2xl text-paper hover:bg-soft`}
        disabled={state.closed !== null || more?.busy != null}
        onClick={isHeld ? undefined : deeds.done}
        onPointerDown={event => isHeld && deeds.press() && event.currentTarget.setPointerCapture(event.pointerId)}
        onPointerUp={() => deeds.release(true)}
        onPointerCancel={() => deeds.release(true)}
      >
        <span className="flex items-center gap-2">
          <Check size={26} aria-hidden /> {word}
        </span>
      </button>
      {rehearsal && step && more && !more.held && (more.soFarG > 0 || rehearsal.measuring.probed() !== null) && (
        <button className={KEY} onClick={() => rehearsal.finish(step)}>
          <Check size={22} aria-hidden /> {t('As it is')}
        </button>
      )}
      <button className={KEY} aria-pressed={panel === 'seen'} onClick={() => toggle('seen')}>
        <Eye size={22} aria-hidden /> {t('Seen')}
      </button>
      <button className={KEY} aria-pressed={panel === 'measured'} onClick={() => toggle('measured')}>
        <Ruler size={22} aria-hidden /> {t('Measured')}
      </button>
      <button className={KEY} aria-pressed={panel === 'trouble'} onClick={() => toggle('trouble')}>
        <TriangleAlert size={22} aria-hidden /> {t('Trouble')}
      </button>
      <button className={KEY} onClick={deeds.undo}>
        <Undo2 size={22} aria-hidden /> {t('Undo')}
      </button>
    </nav>
  )
}
