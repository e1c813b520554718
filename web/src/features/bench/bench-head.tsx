import { ChartSpline, CloudOff, Gauge, List, Moon, Sun } from 'lucide-react'
import { useEffect, useState } from 'react'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { showClock } from '../../ui/clock.ts'
import { useRun, useRunState } from '../../run/context.tsx'
import type { Link as Kept } from '../../run/open-run.ts'
import { t } from '../../words/index.ts'

const KEPT: Readonly<Record<Kept, string>> = {
  everywhere: t('kept'),
  sending: t('sending …'),
  here: t('kept on this device; sent when the server is back'),
}

/** Second of the run, counting. */
export function useNow(): number {
  const run = useRun()
  const [now, setNow] = useState(() => run.nowS())
  useEffect(() => {
    const timer = setInterval(() => setNow(run.nowS()), 500)
    return () => clearInterval(timer)
  }, [run])
  return now
}

interface Props {
  isNight: boolean
  onNight: () => void
  onLog: () => void
  onInstruments: () => void
  onLanes: () => void
}

/** Whose batch, how long since the lye went in, and where all of it is kept. */
export function BenchHead({ isNight, onNight, onLog, onInstruments, onLanes }: Props) {
  const run = useRun()
  const { state, link, unsent, refused } = useRunState()
  const now = useNow()
  return (
    <header className="flex items-center gap-4 border-b border-line px-6 py-1 max-[760px]:gap-2 max-[760px]:px-3">
      <Link
        to={run.batch === '' ? '/lessons' : `/batches/${run.batch}/bench`}
        className="min-w-0 truncate font-title text-lg font-semibold hover:underline"
      >
        {run.following.plan.name}
      </Link>
      {state.planB && <strong className="border-2 border-ink px-2 whitespace-nowrap">{t('Plan B')}</strong>}
      <span className="text-[15px] whitespace-nowrap text-soft" aria-live="polite">
        {link === 'here' && <CloudOff size={16} aria-hidden className="mr-1 inline" />}
        <span className="max-[760px]:sr-only">{KEPT[link]}</span>
        {unsent > 0 && ` ${unsent}`}
        {refused !== '' && ` · ${refused}`}
      </span>
      <span className="ml-auto text-right leading-tight whitespace-nowrap">
        <strong className="text-2xl">{showClock(state.lyeInAt === null ? now : now - state.lyeInAt)}</strong>{' '}
        <span className="text-[13px] text-soft max-[760px]:hidden">
          {state.lyeInAt === null ? t('since the run began') : t('since lye met the oils')}
        </span>
      </span>
      <HeadKey name={t('Dark, for the night')} isPressed={isNight} onPress={onNight}>
        {isNight ? <Sun size={20} aria-hidden /> : <Moon size={20} aria-hidden />}
      </HeadKey>
      <HeadKey name={t('Lanes')} title={t('Lanes: trace so far, and to come')} isWide onPress={onLanes}>
        <ChartSpline size={20} aria-hidden />
      </HeadKey>
      <HeadKey name={t('Instruments')} title={t('Scale and thermometer')} onPress={onInstruments}>
        <Gauge size={20} aria-hidden />
      </HeadKey>
      <HeadKey name={t('What was noted, and sounds')} onPress={onLog}>
        <List size={22} aria-hidden />
      </HeadKey>
    </header>
  )
}

interface KeyProps {
  name: string
  title?: string
  /** Not on a phone. */
  isWide?: boolean
  isPressed?: boolean
  onPress: () => void
  children: ReactNode
}

const HeadKey = ({ name, title = name, isWide = false, isPressed, onPress, children }: KeyProps) => (
  <button
    className={`quiet min-h-11 min-w-11 ${isWide ? 'max-[760px]:hidden' : ''}`}
    aria-pressed={isPressed}
    aria-label={name}
    title={title}
    onClick={onPress}
  >
    {children}
  </button>
)
