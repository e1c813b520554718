import { useEffect, useState } from 'react'
import { useRun, useRunState } from '../../run/context.tsx'
import { Alarms } from './alarms.tsx'
import { BenchHead } from './bench-head.tsx'
import { BenchKeys } from './bench-keys.tsx'
import { Away } from './away.tsx'
import { CupsStrip } from './cups-strip.tsx'
import { Held, ToClear } from './held.tsx'
import { IsItSo } from './is-it-so.tsx'
import { HoldPanel } from './hold-panel.tsx'
import { InstrumentsPanel } from './instruments-panel.tsx'
import { LanesPanel } from './lanes-panel.tsx'
import { LogPanel } from './log-panel.tsx'
import { MeasuredPanel } from './measured-panel.tsx'
import { NextDeed } from './next-deed.tsx'
import { Advice, PlanBCall } from './plan-b-call.tsx'
import { RunOver } from './run-over.tsx'
import { SeenPanel } from './seen-panel.tsx'
import { TroublePanel } from './trouble-panel.tsx'
import { useBench } from './use-bench.ts'
import { useKeys } from './use-keys.ts'
import { useOutlook } from './use-outlook.ts'
import { useSay } from '../../ui/say.tsx'
import { RehearsalBand } from '../../rehearsal/band.tsx'
import { useRehearsal } from '../../rehearsal/context.tsx'
import { LessonStrip } from '../../rehearsal/lesson-strip.tsx'
import { ToldSurprise } from '../../rehearsal/told.tsx'
import { RehearsalOver } from './rehearsal-over.tsx'
import { t } from '../../words/index.ts'

/** The screen stays on while a run goes on, where the browser can keep it. */
function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null
    let isOver = false
    const ask = () => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return
      navigator.wakeLock.request('screen').then(
        got => {
          if (isOver) void got.release()
          else lock = got
        },
        () => undefined,
      )
    }
    ask()
    document.addEventListener('visibilitychange', ask)
    return () => {
      isOver = true
      document.removeEventListener('visibilitychange', ask)
      void lock?.release()
    }
  }, [])
}

/** Dark for the night, on this page alone. */
function useNight(): [boolean, () => void] {
  const [isNight, setNight] = useState(false)
  useEffect(() => {
    if (isNight) document.documentElement.dataset['light'] = 'dim'
    return () => {
      delete document.documentElement.dataset['light']
    }
  }, [isNight])
  return [isNight, () => setNight(!isNight)]
}

/** One deed at a time, in the largest type; every cup beside it; four keys for wet gloves. */
export function Bench() {
  const run = useRun()
  const { state } = useRunState()
  const say = useSay()
  const rehearsal = useRehearsal()
  const [isNight, onNight] = useNight()
  const reckoned = useOutlook()
  const deeds = useBench(reckoned)
  useAwake()
  useKeys(deeds)
  const { panel, held, doubted, told, attempt, open } = deeds
  const isAsked = held !== null || doubted !== null || reckoned.alarms.some(alarm => alarm.kind === 'now')
  useEffect(() => rehearsal?.slows(isAsked), [rehearsal, isAsked])
  const isAdvised = panel === null && !held && rehearsal?.setting.locks?.noAdvice !== true
  return (
    <div className="grid h-dvh grid-cols-[minmax(0,1fr)] grid-rows-[auto_auto_minmax(0,1fr)_auto] overflow-hidden bg-paper">
      <div>
        <RehearsalBand />
      </div>
      <BenchHead
        isNight={isNight}
        onNight={onNight}
        onLog={() => open(panel === 'log' ? null : 'log')}
        onLanes={() => open(panel === 'lanes' ? null : 'lanes')}
        onInstruments={() => open(panel === 'instruments' ? null : 'instruments')}
      />
      <div className="grid min-h-0 grid-cols-[minmax(0,1fr)_minmax(320px,32%)] max-[760px]:grid-cols-1 max-[760px]:grid-rows-[minmax(0,1fr)_auto]">
        <main className="flex min-h-0 flex-col overflow-y-auto outline-none">
          <h1 className="sr-only">{t('Bench: {plan}', { plan: run.following.plan.name })}</h1>
          <LessonStrip />
          <ToldSurprise onNote={attempt} />
          <Alarms told={reckoned} />
          {state.awaySince !== null && <Away since={state.awaySince} />}
          {isAdvised && <PlanBCall told={reckoned} />}
          {isAdvised && <Advice told={reckoned} />}
          {held && <Held held={held} onGoOn={deeds.goOn} onLeave={deeds.letBe} />}
          {doubted && <IsItSo doubted={doubted} onSettle={deeds.settle} />}
          {!held && panel === null && state.toClear.length > 0 && <ToClear />}
          {panel === null &&
            !held &&
            !doubted &&
            (state.closed ? rehearsal ? <RehearsalOver /> : <RunOver /> : <NextDeed onLook={deeds.lookAt} />)}
          {panel === 'seen' && <SeenPanel first={deeds.looksAt} onNote={attempt} onClose={() => open(null)} />}
          {panel === 'measured' && <MeasuredPanel onNote={attempt} onClose={() => open(null)} />}
          {panel === 'hold' && <HoldPanel onNote={attempt} onClose={() => open(null)} />}
          {panel === 'trouble' && (
            <TroublePanel outlook={reckoned.outlook} onNote={attempt} onClose={() => open(null)} />
          )}
          {panel === 'instruments' && <InstrumentsPanel onClose={() => open(null)} />}
          {panel === 'lanes' && <LanesPanel onClose={() => open(null)} />}
          {panel === 'log' && <LogPanel onLanes={() => open('lanes')} onClose={() => open(null)} />}
          <p role="status" className="mt-auto min-h-8 px-6 pb-2 text-lg text-rust max-[760px]:px-4">
            {told !== '' && `△ ${say(told)}`}
          </p>
        </main>
        <CupsStrip outlook={reckoned.outlook} gives={panel !== null} />
      </div>
      <BenchKeys deeds={deeds} />
    </div>
  )
}
