import { MOVE_TOOLS, showMinutes, traceName } from '@ostler/core'
import type { Cup, Lanes } from '@ostler/core'
import { BookOpen, Eye, GitCompare, Table2, ZoomIn, ZoomOut } from 'lucide-react'
import { useState } from 'react'
import type { KeyboardEvent } from 'react'
import { Link } from 'react-router'
import { AtOnce, useLanes, usePlan } from '../../plan/context.tsx'
import { useCupHex } from '../../plan/colour-view.ts'
import { Swatch } from '../../ui/swatch.tsx'
import { useSize } from '../../ui/use-size.ts'
import { EvidenceDialog } from './evidence-dialog.tsx'
import { BeforeLye, HANDS_WORDS, HandsRow, StirRow, TASK_WORDS } from './hands-row.tsx'
import { LaneDrawing } from './lane-drawing.tsx'
import { SeenDialog } from './seen-dialog.tsx'
import { timeScale } from './time-scale.ts'
import type { TimeScale } from './time-scale.ts'
import { Term } from '../../ui/term.tsx'
import { say, showChance, t, tidy } from '../../words/index.ts'

const LABEL_PX = 150
const CHANCE_PX = 206
const GAP_PX = 3
/** Narrower than this, the words stand above each lane instead of beside it. */
const NARROW_PX = 700
/** How far the time can be drawn out. */
const ZOOMS = [1, 1.5, 2, 3, 4, 6] as const

/** Fewer cups, taller lanes; twelve still fit and scroll. */
const laneHeight = (count: number): number =>
  count <= 3 ? 46 : count <= 5 ? 38 : count <= 8 ? 29 : count <= 10 ? 25 : 22

interface Props {
  chosen: string | null
  onChoose: (pour: string | null) => void
}

/** Time from left to right; each cup a lane of rising trace; each pour a gate it must pass. */
export function LanesView({ chosen, onChoose }: Props) {
  const [ref, { width }] = useSize<HTMLDivElement>()
  const [asTable, setAsTable] = useState(false)
  const [zoom, setZoom] = useState(0)
  const lanes = useLanes()
  const cups = usePlan(state => state.plan.cups)
  if (!lanes) return null
  const poured = cups.filter(cup => lanes.lanes.find(lane => lane.cup === cup.id)?.points.length)
  const height = laneHeight(poured.length)
  const narrow = width < NARROW_PX
  const roomPx = Math.max(120, narrow ? width - 24 : width - LABEL_PX - CHANCE_PX)
  const plotPx = roomPx * ZOOMS[zoom]!
  const zoomBy = (by: number) => setZoom(now => Math.min(ZOOMS.length - 1, Math.max(0, now + by)))
  const keys = (event: KeyboardEvent<HTMLElement>) => {
    const by = { '+': 1, '=': 1, '-': -1, '0': -ZOOMS.length }[event.key]
    const isTyping = event.target instanceof HTMLInputElement
    if (by === undefined || isTyping || event.ctrlKey || event.metaKey || event.altKey) return
    event.preventDefault()
    zoomBy(by)
  }
  const scale = timeScale(lanes.endMin, plotPx)

  return (
    <section
      aria-labelledby="lanes"
      ref={ref}
      onKeyDown={keys}
      className={`overflow-auto border-t border-ink bg-panel pb-1 ${asTable ? 'min-[701px]:max-h-[32vh]' : 'min-[701px]:max-h-[46vh]'}`}
    >
      <div className="sticky left-0 flex items-center max-[700px]:flex-wrap" style={{ minHeight: 26, width }}>
        <h2 id="lanes" className="pl-5 text-lg max-[900px]:pl-3">
          {t('Lanes')}
        </h2>
        {!asTable && <ZoomButtons zoom={zoom} onZoom={zoomBy} />}
        {narrow ? <span className="flex-1" /> : <BeforeLye />}
        <AtOnce>
          <LaneLinks />
        </AtOnce>
        <button className="quiet mr-3 min-h-6 text-[13px]" aria-pressed={asTable} onClick={() => setAsTable(!asTable)}>
          <Table2 size={15} aria-hidden /> {asTable ? t('as lanes') : t('as a table')}
        </button>
      </div>
      {asTable ? (
        <div className="flex flex-wrap items-start gap-x-8">
          <LanesTable lanes={lanes} />
          <HandsTable lanes={lanes} />
        </div>
      ) : (
        <>
          {!narrow && (
            <div style={{ paddingLeft: LABEL_PX, height: 20 }}>
              <TimeAxis scale={scale} width={plotPx} />
            </div>
          )}
          {poured.map((cup, i) => (
            <Lane key={cup.id} {...{ cup, scale, height, narrow, chosen, onChoose }} width={plotPx} isFirst={i === 0} />
          ))}
          <HandsRow scale={scale} width={plotPx} labelPx={narrow ? 0 : LABEL_PX} />
          <StirRow scale={scale} width={plotPx} labelPx={narrow ? 0 : LABEL_PX} />
          {narrow && <BeforeLye />}
          {narrow && (
            <div className="px-3">
              <TimeAxis scale={scale} width={plotPx} />
            </div>
          )}
        </>
      )}
    </section>
  )
}

function ZoomButtons({ zoom, onZoom }: { zoom: number; onZoom: (by: number) => void }) {
  return (
    <span className="ml-3 flex">
      <button
        className="quiet min-h-6"
        aria-label={t('Draw time closer together')}
        title={t('Closer together (−)')}
        disabled={zoom === 0}
        onClick={() => onZoom(-1)}
      >
        <ZoomOut size={15} aria-hidden />
      </button>
      <button
        className="quiet min-h-6"
        aria-label={t('Draw time further apart')}
        title={t('Further apart (+)')}
        disabled={zoom === ZOOMS.length - 1}
        onClick={() => onZoom(1)}
      >
        <ZoomIn size={15} aria-hidden />
      </button>
    </span>
  )
}

/** Ways from the lanes: another plan beside this one, what the forecast rests on, what was seen. */
function LaneLinks() {
  const [sees, setSees] = useState(false)
  const [learns, setLearns] = useState(false)
  const seen = usePlan(state => state.plan.seen.length)
  return (
    <>
      <Link to="../compare" className="quiet min-h-6 text-[13px]">
        <GitCompare size={15} aria-hidden /> {t('compare …')}
      </Link>
      <button className="quiet min-h-6 text-[13px]" onClick={() => setLearns(true)}>
        <BookOpen size={15} aria-hidden /> {t('rests on …')}
      </button>
      {learns && <EvidenceDialog onClose={() => setLearns(false)} />}
      <button className="quiet min-h-6 text-[13px]" onClick={() => setSees(true)}>
        <Eye size={15} aria-hidden /> {seen > 0 ? t('{seen} seen', { seen }) : t('seen …')}
      </button>
      {sees && <SeenDialog onClose={() => setSees(false)} />}
    </>
  )
}

interface LaneProps extends Props {
  cup: Cup
  scale: TimeScale
  width: number
  height: number
  narrow: boolean
  isFirst: boolean
}

/** A cup's name, its lane, and what comes of it. */
function Lane({ cup, scale, width, height, narrow, isFirst, chosen, onChoose }: LaneProps) {
  const hex = useCupHex()(cup.id)
  return (
    <div className="flex items-center max-[700px]:flex-wrap max-[700px]:px-3" style={{ marginBottom: GAP_PX }}>
      <div
        className="sticky left-0 z-10 flex min-w-0 shrink-0 items-center gap-2 bg-panel pr-2 pl-5 max-[700px]:flex-1 max-[700px]:pl-0"
        style={narrow ? {} : { width: LABEL_PX }}
      >
        <Swatch hex={hex} size={15} />
        <span className="truncate font-semibold">{cup.name}</span>
      </div>
      <div className="max-[700px]:order-1">
        <LaneDrawing
          cup={cup}
          hex={hex}
          scale={scale}
          width={width}
          height={height}
          chosen={chosen}
          onChoose={onChoose}
          isFirst={isFirst}
        />
      </div>
      <LaneVerdict cup={cup.id} narrow={narrow} oneLine={narrow || height < 34} />
    </div>
  )
}

function TimeAxis({ scale, width }: { scale: TimeScale; width: number }) {
  return (
    <svg width={width} height={22} aria-hidden className="fill-soft text-[12px]">
      {scale.ticks.map(min => (
        <text key={min} x={scale.x(min)} y={16} textAnchor={min === 0 ? 'start' : 'middle'}>
          {min === 0 ? t('lye in') : `${min}${min === scale.ticks.at(-1) ? t(' min') : ''}`}
        </text>
      ))}
    </svg>
  )
}

function LaneVerdict({ cup, narrow, oneLine }: { cup: string; narrow: boolean; oneLine: boolean }) {
  const pours = useLanes()?.pours.filter(pour => pour.cup === cup) ?? []
  if (pours.length === 0) return null
  const worst = pours.reduce((a, b) => (b.chance < a.chance ? b : a))
  const bad = worst.chance < 0.6
  const spare = Math.min(...pours.map(pour => pour.marginMin))
  const text =
    spare < 0
      ? t('{spare} late', { spare: showMinutes(-spare) })
      : spare > 45
        ? t('over 45 min')
        : t('{spare} spare', { spare: showMinutes(spare) })
  return (
    <div
      className="sticky right-0 z-10 shrink-0 self-stretch bg-panel pl-3 leading-tight whitespace-nowrap"
      style={narrow ? {} : { width: CHANCE_PX }}
    >
      <span className={`font-semibold ${bad ? 'text-rust' : ''}`}>
        {bad && <span aria-hidden>▲ </span>}
        {showChance(worst.chance)}
      </span>
      <span className={`text-[13px] text-soft ${oneLine ? 'ml-2' : 'block'}`}>{text}</span>
    </div>
  )
}

const HEADS: readonly (readonly [text: string, term?: string])[] = [
  ['layer'],
  ['cup', 'cup'],
  ['pour'],
  [t('trace then'), 'level'],
  ['window', 'window'],
  [t('layer below'), 'dive'],
  [t('to spare (4 of 5)'), 'four-of-five'],
  ['chance'],
]

/** The same facts for readers and screen readers. */
function LanesTable({ lanes }: { lanes: Lanes }) {
  const { cups, moves, score } = usePlan(state => state.plan)
  const numberOf = (pour: string) => score.findIndex(step => step.id === pour) + 1
  const toolName = (id: string) => {
    const move = moves.find(one => one.id === id)
    return move ? t(MOVE_TOOLS[move.tool]) : ''
  }
  return (
    <table className="mx-5 mb-2 text-[14px]">
      <caption className="sr-only">{t('Pours with their planned times, trace and chances')}</caption>
      <thead>
        <tr className="text-left text-[13px] text-soft">
          {HEADS.map(([head, term]) => (
            <th key={head} className="pr-6 font-normal">
              {term ? <Term at={term}>{head}</Term> : head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {lanes.pours.map((pour, i) => (
          <tr key={pour.pour} className="border-t border-line">
            <td className="pr-6">{i + 1}</td>
            <td className="pr-6 font-semibold">{cups.find(cup => cup.id === pour.cup)?.name}</td>
            <td className="pr-6">
              {t('{startMin} to {endMin}', { startMin: showMinutes(pour.startMin), endMin: showMinutes(pour.endMin) })}
            </td>
            <td className="pr-6">
              {t('{startLevel} to {endLevel}, {endLevel2}', {
                startLevel: tidy(pour.startLevel, 1),
                endLevel: tidy(pour.endLevel, 1),
                endLevel2: say(traceName(pour.endLevel)),
              })}
            </td>
            <td className="pr-6">{t('{lo} to {hi}', { lo: tidy(pour.window.lo, 1), hi: tidy(pour.window.hi, 1) })}</td>
            <td className="pr-6">
              {pour.carrierLevel === null
                ? t('the mould')
                : t('{carrierLevel}, needs {carrierNeed}', {
                    carrierLevel: tidy(pour.carrierLevel, 1),
                    carrierNeed: tidy(pour.carrierNeed ?? 0, 1),
                  })}
              {pour.diveMm !== null && t(', dives {diveMm} mm', { diveMm: tidy(pour.diveMm, 0) })}
            </td>
            <td className="pr-6">{showMinutes(pour.marginMin)}</td>
            <td className={pour.chance < 0.6 ? 'font-semibold text-rust' : ''}>{showChance(pour.chance)}</td>
          </tr>
        ))}
        {lanes.tools.map(tool => (
          <tr key={tool.move} className="border-t border-line">
            <td className="pr-6">{t('{pour}, then', { pour: numberOf(tool.pour) })}</td>
            <td className="pr-6 font-semibold">{toolName(tool.move)}</td>
            <td className="pr-6">
              {t('{startMin} to {endMin}', { startMin: showMinutes(tool.startMin), endMin: showMinutes(tool.endMin) })}
            </td>
            <td className="pr-6">
              {t('standing {lowest} to {highest}', { lowest: tidy(tool.lowest, 1), highest: tidy(tool.highest, 1) })}
            </td>
            <td className="pr-6">{t('{lo} to {hi}', { lo: tidy(tool.window.lo, 1), hi: tidy(tool.window.hi, 1) })}</td>
            <td className="pr-6">–</td>
            <td className="pr-6">{showMinutes(tool.marginMin)}</td>
            <td className={tool.chance < 0.6 ? 'font-semibold text-rust' : ''}>{showChance(tool.chance)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

/** What the hands do, in order. */
function HandsTable({ lanes }: { lanes: Lanes }) {
  const cups = usePlan(state => state.plan.cups)
  return (
    <table className="mx-5 mb-2 text-[14px]">
      <caption className="text-left text-[13px] text-soft">{t('Hands')}</caption>
      <tbody>
        {lanes.tasks.map(task => (
          <tr key={`${task.fromMin} ${task.kind} ${task.cup}`} className="border-t border-line">
            <td className="pr-6 whitespace-nowrap">
              {t('{fromMin} to {toMin}', { fromMin: showMinutes(task.fromMin), toMin: showMinutes(task.toMin) })}
            </td>
            <td>
              {[TASK_WORDS[task.kind], cups.find(cup => cup.id === task.cup)?.name].filter(Boolean).join(' ')}
              {HANDS_WORDS[task.hands]}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
