import type { Cut, Place } from './face-places.ts'
import {
  MM_PER_INCH,
  acrossView,
  alongView,
  cavityKinds,
  crestMm,
  cutGrid,
  hasSwirls,
  layerHeights,
  levelView,
  showLength,
} from '@ostler/core'
import type { Design, Move, Plan, Words } from '@ostler/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { Segments } from '../../ui/segments.tsx'
import { Slider } from '../../ui/slider.tsx'
import { FaceCanvas } from '../../drawing/face-canvas.tsx'
import { TurnedLoaf } from '../../drawing/turned-loaf.tsx'
import { useCavityPlan, useDesign, useDesignHexes, useDesignNames } from '../../drawing/use-design.ts'
import { StageSwitch } from '../../parts/stage-switch.tsx'
import { useSize } from '../../ui/use-size.ts'
import { CavityStrip } from './cavity-strip.tsx'
import { Handles } from './handles.tsx'
import { Boundary, LayerRect } from './level-layers.tsx'
import { t } from '../../words/index.ts'

const PAD = { left: 46, right: 104, bottom: 34 }
/** Room for the switches above the mould: with a cut to scrub there are three rows. */
/** What looks are chosen with stands above the picture: from the edge to it, and from it to the picture. */
const ABOVE_PX = 6
const BELOW_PX = 12
const WALL_PX = 5

const CUTS: readonly { value: Cut; text: string }[] = [
  { value: 'across', text: t('Across') },
  { value: 'along', text: t('Along') },
  { value: 'top', text: t('Top') },
  { value: 'turned', text: t('In space') },
]

/** What shows a tool at work: from above for those drawn over the top. */
export const cutFor = (move: Move): Cut | null =>
  ['skewer', 'stick', 'comb', 'spin'].includes(move.tool) ? 'top' : move.tool === 'hanger' ? 'across' : null

interface Props {
  chosen: string | null
  onChoose: (id: string | null) => void
  cut: Cut
  onCut: (cut: Cut) => void
  /** What the plan would be if what is being dragged were dropped. */
  tried: Plan | null
}

/** The soap as it will be: cut across or along, from above, or in space; with handles on what is chosen. */
export function FaceView({ chosen, onChoose, cut, onCut, tried }: Props) {
  const [ref, size] = useSize<HTMLDivElement>()
  const [above, { height: abovePx }] = useSize<HTMLDivElement>()
  const own = usePlan(state => state.plan)
  const whole = tried ?? own
  const plan = useCavityPlan(whole, chosen)
  const { mould } = plan
  const forecast = useForecast()
  const design = useDesign(tried, chosen)
  const hexes = useDesignHexes(design)
  const names = useDesignNames(design)
  const kinds = cavityKinds(whole)
  const isSwirled = tried !== null || hasSwirls(plan) || design.program.tops.length > 0 || kinds.length > 1
  const [cutAt, setCutAt] = useState(0.42)
  const isPlain = cut === 'across' && !isSwirled
  const hasScrub = cut !== 'top' && !isPlain
  const top = ABOVE_PX + abovePx + BELOW_PX
  const place = placed(design, plan, cut, size, top)
  const layers = forecast?.portions.layers ?? []

  return (
    <section aria-label={t('Face of a bar')} className="relative min-h-120 bg-booth min-[901px]:min-h-0">
      <div ref={ref} className="absolute inset-0">
        <div ref={above} className="absolute right-2 left-3 z-10 flex flex-col gap-1" style={{ top: ABOVE_PX }}>
          <StageSwitch />
          <div className="flex flex-wrap items-center gap-x-4">
            <Segments label={t('How the soap is looked at')} value={cut} options={CUTS} onValue={onCut} />
            <Link to="../bars" className="text-[14px] underline">
              {t('every bar')}
            </Link>
          </div>
          {kinds.length > 1 && <CavityStrip plan={whole} kinds={kinds} shown={plan} onChoose={onChoose} />}
          {hasScrub && (
            <CutSlider at={cutAt} mm={lengthCut(plan, design, cut)} isOpened={cut === 'turned'} onAt={setCutAt} />
          )}
        </div>
        {cut === 'turned' && size.width > 0 && (
          <div className="absolute right-0 bottom-0 left-0" style={{ top }}>
            <TurnedLoaf
              {...{ design, hexes, names, plan }}
              at={cutAt * 0.9}
              width={size.width}
              height={Math.max(80, size.height - top)}
            />
          </div>
        )}
        {cut !== 'turned' && !isPlain && size.width > 0 && (
          <Cutaway {...{ design, hexes, names, plan, cut, place }} at={cutAt} />
        )}
        {cut !== 'turned' && (
          <svg
            className="pointer-events-none relative"
            width={size.width}
            height={size.height}
            role="group"
            aria-label={cut === 'top' ? t('The mould from above') : t('Cross-section of the mould')}
          >
            {cut !== 'top' && <Ruler place={place} heightMm={mould.innerHeightMm} />}
            {isPlain &&
              layers.map((layer, index) => (
                <LayerRect key={layer.pour} {...{ layer, index, place, onChoose }} chosen={chosen === layer.pour} />
              ))}
            {cut === 'top' ? (
              <CutLines design={design} plan={plan} place={place} />
            ) : (
              <Walls place={place} heightMm={mould.innerHeightMm} />
            )}
            <MouldWords place={place} cut={cut} />
          </svg>
        )}
        {isPlain &&
          layers.slice(0, -1).map((layer, i) => <Boundary key={layer.pour} index={i} layers={layers} place={place} />)}
        {!tried && cut !== 'turned' && <Handles {...{ chosen, cut, place, design }} />}
      </div>
    </section>
  )
}

/** How far a cut can be moved, mm. */
function lengthCut({ mould }: Plan, { program }: Design, cut: Cut): number {
  if (cut === 'along') return mould.innerWidthMm
  return cut === 'turned' && program.radiusMm > 0 ? mould.fillMm : mould.innerLengthMm
}

/** The mould around the soap. */
function Walls({ place, heightMm }: { place: Place; heightMm: number }) {
  const { left, width, floor, scale } = place
  const top = floor - heightMm * scale
  return (
    <path
      d={`M${left - WALL_PX} ${top}V${floor + WALL_PX}H${left + width + WALL_PX}V${top}`}
      fill="none"
      stroke="var(--soft)"
      strokeWidth={WALL_PX}
    />
  )
}

/** Where the picture lies on the page: px, with px for each mm. */
function placed(design: Design, plan: Plan, cut: Cut, size: { width: number; height: number }, top: number): Place {
  const { program } = design
  const { innerHeightMm } = plan.mould
  const round = program.radiusMm > 0
  const length = round ? 2 * program.radiusMm : program.lengthMm
  const width = round ? 2 * program.halfWidthMm : program.widthMm
  const wide = cut === 'across' ? width : length
  const high = cut === 'top' ? width : Math.max(innerHeightMm, crestMm(program))
  const right = cut === 'across' ? PAD.right : PAD.left
  const scale = Math.max(
    0.15,
    Math.min((size.width - PAD.left - right) / wide, (size.height - top - PAD.bottom) / high),
  )
  const left = PAD.left + Math.max(0, (size.width - PAD.left - right - wide * scale) / 2)
  return { left, floor: top + high * scale, scale, width: wide * scale }
}

interface SliderProps {
  at: number
  mm: number
  isOpened: boolean
  onAt: (at: number) => void
}

/** Where the face is cut: scrubbed along the loaf. */
function CutSlider({ at, mm, isOpened, onAt }: SliderProps) {
  const habits = useHabits()
  return (
    <div className="flex max-w-110 items-center gap-3 text-[14px]">
      <span className="w-32 shrink-0">
        {t('{isOpened} at {at}', {
          isOpened: isOpened ? t('opened') : t('cut'),
          at: showLength(Math.round(at * mm), habits),
        })}
      </span>
      <Slider
        label={t('Where the loaf is cut')}
        value={at * 100}
        most={100}
        step={1}
        onValue={value => onAt(value / 100)}
      />
    </div>
  )
}

const MOST_FACE_PX = 520

interface CutawayProps {
  design: Design
  hexes: readonly string[]
  names: readonly Words[]
  plan: Plan
  cut: Cut
  at: number
  place: Place
}

function Cutaway({ design, hexes, names, plan, cut, at, place }: CutawayProps) {
  const { program } = design
  const px = Math.min(MOST_FACE_PX, Math.max(2, Math.round(place.width)))
  const held = Math.min(0.999, Math.max(0.001, at))
  const view =
    cut === 'top'
      ? levelView(program, 1, px)
      : cut === 'along'
        ? alongView(program, held, px)
        : acrossView(program, held, px)
  const height =
    (cut === 'top' ? (program.radiusMm > 0 ? 2 * program.halfWidthMm : program.widthMm) : crestMm(program)) *
    place.scale
  return (
    <FaceCanvas
      program={program}
      view={view}
      hexes={hexes}
      names={names}
      drawnWith={plan}
      plan={plan}
      label={
        cut === 'top'
          ? t('The top of the soap')
          : cut === 'along'
            ? t('Cut along the mould')
            : t('Face of the bar at the cut')
      }
      className="pointer-events-none absolute"
      before={firstLook(plan, hexes, cut)}
      style={{ left: place.left, top: place.floor - height, width: place.width, height }}
    />
  )
}

/** Level layers in the batch's colours: there at once, and covered as soon as the swirl is traced. */
function firstLook(plan: Plan, hexes: readonly string[], cut: Cut): string {
  const colours = plan.score.map(pour => hexes[plan.cups.findIndex(cup => cup.id === pour.cup)]!)
  if (cut === 'top') return colours.at(-1)!
  const heights = layerHeights(plan)
  const whole = heights.reduce((sum, mm) => sum + mm, 0)
  let at = 0
  const stops = heights.map((mm, i) => {
    const from = at
    at += (100 * mm) / whole
    return `${colours[i]} ${from}% ${at}%`
  })
  return `linear-gradient(to top, ${stops.join(', ')})`
}

/** Where the wire will go, over the top. */
function CutLines({ design, plan, place }: { design: Design; plan: Plan; place: Place }) {
  const { radiusMm: a, halfWidthMm: b, widthMm } = design.program
  const width = a > 0 ? 2 * b : widthMm
  return (
    <g fill="none" stroke="var(--ink)" strokeOpacity={0.45} strokeDasharray="5 4">
      {cutGrid(plan, design.program).map(cell => (
        <rect
          key={`${cell.x} ${cell.y}`}
          x={place.left + (cell.x + a) * place.scale}
          y={place.floor - (cell.y + (a > 0 ? b : 0) + cell.h) * place.scale}
          width={cell.w * place.scale}
          height={cell.h * place.scale}
        />
      ))}
      <rect
        x={place.left}
        y={place.floor - width * place.scale}
        width={place.width}
        height={width * place.scale}
        rx={a > 0 ? place.width / 2 : 0}
        stroke="var(--soft)"
        strokeOpacity={1}
        strokeDasharray="none"
        strokeWidth={a > 0 ? 0 : WALL_PX}
      />
    </g>
  )
}

/** Ticks in the workshop's own unit: every 10 mm, or every half inch. */
function Ruler({ place, heightMm }: { place: Place; heightMm: number }) {
  const habits = useHabits()
  const unit = habits.length === 'mm' ? { stepMm: 10, shown: 10 } : { stepMm: MM_PER_INCH / 2, shown: 0.5 }
  const every = heightMm * place.scale < 120 ? 2 : 1
  const ticks = Array.from({ length: Math.floor(heightMm / (unit.stepMm * every)) + 1 }, (_, i) => i * every)
  return (
    <g aria-hidden className="fill-soft text-[12px]">
      {ticks.map(tick => {
        const y = place.floor - tick * unit.stepMm * place.scale
        return (
          <g key={tick}>
            <line x1={place.left - 16} x2={place.left - 9} y1={y} y2={y} stroke="var(--soft)" />
            <text x={place.left - 20} y={y + 4} textAnchor="end">
              {tick * unit.shown}
            </text>
          </g>
        )
      })}
    </g>
  )
}

function MouldWords({ place, cut }: { place: Place; cut: Cut }) {
  const mould = usePlan(state => state.plan.mould)
  const habits = useHabits()
  const top = place.floor - mould.fillMm * place.scale
  return (
    <g className="fill-soft text-[13px]">
      <text x={place.left + place.width / 2} y={place.floor + 25} textAnchor="middle">
        {place.width > 300 && `${mould.name} · `}
        {cut !== 'across' && t('{innerLengthMm} long · ', { innerLengthMm: showLength(mould.innerLengthMm, habits) })}
        {cut !== 'along' && t('{innerWidthMm} wide', { innerWidthMm: showLength(mould.innerWidthMm, habits) })}
        {cut === 'across' && ' · '}
        {cut !== 'top' && t('soap {fillMm} high', { fillMm: showLength(mould.fillMm, habits) })}
      </text>
      {cut !== 'top' && (
        <line
          x1={place.left}
          x2={place.left + place.width}
          y1={top}
          y2={top}
          stroke="var(--ink)"
          strokeDasharray="2 3"
        />
      )}
    </g>
  )
}
