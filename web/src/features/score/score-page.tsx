import type { Plan } from '@ostler/core'
import { memo, useCallback, useState } from 'react'
import { Link } from 'react-router'
import { Lagging, useBatch, usePlan } from '../../plan/context.tsx'
import { NextTime } from '../../parts/next-time.tsx'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { Notices } from '../../parts/notices.tsx'
import { DesignSentences } from '../../parts/design-sentences.tsx'
import { FaceView, cutFor } from './face-view.tsx'
import type { Cut } from './face-places.ts'
import { EmbedInspector, ToppingInspector, UnderAndCut } from './finish-inspector.tsx'
import { GroupPanel } from './group-panel.tsx'
import { Inspector } from './inspector.tsx'
import { LanesView } from './lanes-view.tsx'
import { Levers } from './levers.tsx'
import { MoveInspector } from './move-inspector.tsx'
import { PlanBPanel } from './plan-b-panel.tsx'
import { RiskStrip } from './risk-strip.tsx'
import { ScoreList } from './score-list.tsx'
import { ScoreNumbers } from './score-numbers.tsx'
import { t } from '../../words/index.ts'

/** The heart: the score, the face and the lanes, which move together. */
export function ScorePage() {
  const plan = usePlan(state => state.plan)
  const isForecast = usePlan(state => state.result.ok)
  const batch = useBatch()
  const [wanted, setWanted] = useState<string[]>([])
  const [cut, setCut] = useState<Cut>('across')
  const [tried, setTried] = useState<Plan | null>(null)
  const { score, moves, finish } = plan
  const isThere = (id: string) =>
    [score, moves, finish.embeds, finish.toppings].some(list => list.some(one => one.id === id))
  const picked = wanted.filter(isThere)
  const one = picked.length === 1 ? picked[0]! : null
  const pour = score.some(step => step.id === one) ? one : null
  const pick = useCallback(
    (ids: string[]) => {
      setWanted(ids)
      const { plan: now } = batch.get()
      const move = ids.length === 1 ? now.moves.find(step => step.id === ids[0]) : undefined
      const best = move && cutFor(move)
      if (best) setCut(best)
      if (ids.length === 1 && now.finish.toppings.some(topping => topping.id === ids[0])) setCut('top')
    },
    [batch],
  )
  const choose = useCallback((id: string | null) => pick(id === null ? [] : [id]), [pick])

  return (
    <main className="flex flex-col min-[901px]:h-[calc(100dvh-88px)]">
      <div className="grid min-h-0 flex-1 grid-cols-[400px_minmax(0,1fr)_300px] max-[1100px]:grid-cols-[minmax(320px,400px)_1fr] max-[900px]:grid-cols-1">
        <ScoreList picked={picked} onPicked={pick} onTried={setTried} />
        <FaceView chosen={one} onChoose={choose} cut={cut} onCut={setCut} tried={tried} />
        <aside className="flex min-h-0 flex-col gap-4 overflow-y-auto bg-booth px-4 py-3 max-[1100px]:col-span-2 max-[900px]:col-span-1">
          <Chosen picked={picked} onPicked={pick} />
          {picked.length === 0 && (
            <>
              <NextTime at="score" />
              <Numbers />
              <Levers />
              <Link className="button self-start" to="../rehearse" relative="path">
                {t('Rehearse the pour')}
              </Link>
            </>
          )}
          <ForecastRefused />
          {picked.length === 0 && (
            <>
              <Told />
              <PlanBPanel />
              <UnderAndCut />
            </>
          )}
        </aside>
      </div>
      {isForecast && <TimeAndRisk chosen={pour} onChoose={choose} />}
    </main>
  )
}

const Numbers = memo(() => (
  <Lagging>
    <ScoreNumbers />
  </Lagging>
))

const Told = memo(() => (
  <Lagging>
    <DesignSentences />
    <Notices most={3} className="text-[13px]" />
  </Lagging>
))

const TimeAndRisk = memo((props: { chosen: string | null; onChoose: (id: string | null) => void }) => (
  <div className="shrink-0">
    <Lagging>
      <LanesView {...props} />
      <RiskStrip onChoose={props.onChoose} />
    </Lagging>
  </div>
))

/** Everything about what is picked. */
function Chosen({ picked, onPicked }: { picked: readonly string[]; onPicked: (ids: string[]) => void }) {
  const { score, moves, finish } = usePlan(state => state.plan)
  const close = () => onPicked([])
  if (picked.length === 0) return null
  const pours = score.filter(pour => picked.includes(pour.id)).map(pour => pour.id)
  if (pours.length > 1) return <GroupPanel pours={pours} onPicked={onPicked} />
  const id = picked[0]!
  const move = moves.find(one => one.id === id)
  if (move) return <MoveInspector key={id} move={move} onClose={close} />
  const embed = finish.embeds.find(one => one.id === id)
  if (embed) return <EmbedInspector key={id} embed={embed} onClose={close} />
  const topping = finish.toppings.find(one => one.id === id)
  if (topping) return <ToppingInspector key={id} topping={topping} onClose={close} />
  return <Inspector key={id} pourId={id} onClose={close} />
}
