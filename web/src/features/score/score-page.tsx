import { useState } from 'react'
import { useForecast, usePlan } from '../../plan/context.tsx'
import { ForecastRefused } from '../../ui/forecast-refused.tsx'
import { Notices } from '../../ui/notices.tsx'
import { FaceView } from './face-view.tsx'
import { Inspector } from './inspector.tsx'
import { DesignSentences } from '../faces/design-sentences.tsx'
import { Levers } from './levers.tsx'
import { LanesView } from './lanes-view.tsx'
import { MoveInspector } from './move-inspector.tsx'
import { RiskStrip } from './risk-strip.tsx'
import { ScoreList } from './score-list.tsx'
import { ScoreNumbers } from './score-numbers.tsx'

/** The heart: the score, the face and the lanes, which move together. */
export function ScorePage() {
  const score = usePlan(state => state.plan.score)
  const forecast = useForecast()
  const [wanted, setWanted] = useState<string | null>(null)
  const moves = usePlan(state => state.plan.moves)
  const move = moves.find(one => one.id === wanted)
  const chosen = score.some(pour => pour.id === wanted) ? wanted : null

  return (
    <main className="flex flex-col min-[901px]:h-[calc(100dvh-49px)]">
      <div className="grid min-h-0 flex-1 grid-cols-[400px_minmax(0,1fr)_300px] max-[1100px]:grid-cols-[minmax(320px,400px)_1fr] max-[900px]:grid-cols-1">
        <ScoreList chosen={chosen ?? move?.id ?? null} onChoose={setWanted} />
        <FaceView chosen={chosen} onChoose={setWanted} />
        <aside className="flex min-h-0 flex-col gap-4 overflow-y-auto bg-booth px-4 py-3 max-[1100px]:col-span-2 max-[900px]:col-span-1">
          {move ? (
            <MoveInspector key={move.id} move={move} onClose={() => setWanted(null)} />
          ) : chosen ? (
            <Inspector key={chosen} pourId={chosen} onClose={() => setWanted(null)} />
          ) : (
            <>
              <ScoreNumbers />
              <Levers />
            </>
          )}
          <ForecastRefused />
          {!chosen && !move && <DesignSentences />}
          {!chosen && !move && <Notices most={3} className="text-[13px]" />}
        </aside>
      </div>
      {forecast && (
        <div className="shrink-0">
          <LanesView chosen={chosen} onChoose={setWanted} />
          <RiskStrip onChoose={setWanted} />
        </div>
      )}
    </main>
  )
}
