import { hasSwirls, layerHeights, planOfCavity, restCavity, showTemperature } from '@ostler/core'
import type { CupGel, Plan } from '@ostler/core'
import { contours } from 'd3-contour'
import { Pause, Play } from 'lucide-react'
import { useEffect, useMemo, useRef, useState } from 'react'
import { useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { showHours } from '../../ui/clock.ts'
import { FacePicture } from '../../drawing/face-picture.tsx'
import { useSize } from '../../ui/use-size.ts'
import type { RestLook } from '../../workers/rest.ts'
import { t } from '../../words/index.ts'

const HEIGHT = 300
const WIDEST = 400
const PADDING_PX = 32
const GAP_PX = 32
/** From here on section and face stand beside each other. */
const BESIDE_PX = 640
/** Lightest and darkest of the ramp: cool paper to warm ink, so that nothing but soap is coloured. */
const COOL = [246, 244, 239] as const
const WARM = [62, 50, 40] as const
const PLAY_MS = 60

/** A field of half a section, mirrored into the whole, its first row at the top. */
function whole(field: Float32Array, nx: number, ny: number): number[] {
  const wide = 2 * nx
  const cells = new Array<number>(wide * ny)
  for (let y = 0; y < ny; y += 1)
    for (let x = 0; x < nx; x += 1) {
      const value = field[y * nx + x]!
      const row = (ny - 1 - y) * wide
      cells[row + nx + x] = value
      cells[row + nx - 1 - x] = value
    }
  return cells
}

/** Cells so much cooler than anything gels are all the same: never near. */
const FAR_C = 45

/** Every cell with its neighbours, a half, a quarter and so on: a front of one cell's width becomes a smooth line. */
function smoothed(cells: readonly number[], wide: number, ny: number): number[] {
  const at = (x: number, y: number) =>
    cells[Math.min(ny - 1, Math.max(0, y)) * wide + Math.min(wide - 1, Math.max(0, x))]!
  const row = (x: number, y: number) => at(x - 1, y) + 2 * at(x, y) + at(x + 1, y)
  return cells.map((_, i) => {
    const [x, y] = [i % wide, Math.floor(i / wide)]
    return (row(x, y - 1) + 2 * row(x, y) + row(x, y + 1)) / 16
  })
}

/** Where a field passes a value, as a path over the whole section. */
function frontOf(
  field: Float32Array,
  at: number,
  { nx, ny }: Pick<RestLook, 'nx' | 'ny'>,
  width: number,
  height: number,
): string {
  const [front] = contours()
    .size([2 * nx, ny])
    .thresholds([at])(smoothed(whole(field, nx, ny), 2 * nx, ny))
  const sx = width / (2 * nx)
  const sy = height / ny
  const rings = front?.coordinates.flat() ?? []
  return rings
    .map(ring => `M${ring.map(([x, y]) => `${(x! * sx).toFixed(1)} ${(y! * sy).toFixed(1)}`).join('L')}Z`)
    .join('')
}

/** Least and most of all hours: one shade is one warmth, whichever hour is looked at. */
function spanOf(frames: RestLook['frames']): [from: number, to: number] {
  let [from, to] = [Infinity, -Infinity]
  for (const { tempC } of frames)
    for (const c of tempC) {
      if (c < from) from = c
      if (c > to) to = c
    }
  return [Math.floor(from), Math.ceil(to)]
}

function paint(
  canvas: HTMLCanvasElement,
  tempC: Float32Array,
  nx: number,
  ny: number,
  [from, to]: readonly [number, number],
): void {
  canvas.width = 2 * nx
  canvas.height = ny
  const context = canvas.getContext('2d')
  if (!context) return
  const image = context.createImageData(2 * nx, ny)
  whole(tempC, nx, ny).forEach((c, i) => {
    const share = Math.min(1, Math.max(0, (c - from) / (to - from)))
    for (let j = 0; j < 3; j += 1) image.data[4 * i + j] = COOL[j]! + share * (WARM[j]! - COOL[j]!)
    image.data[4 * i + 3] = 255
  })
  context.putImageData(image, 0, 0)
}

/** Cups that gel from about the same warmth, and where the soap was as warm. */
interface Region {
  gelC: number
  cups: string[]
  path: string
}

/** Cups whose gel temperatures lie closer than this are one to the eye, K. */
const ALIKE_K = 1.5

/** Cups that gel alike, those with most water first. */
function alike(cups: readonly CupGel[]): { gelC: number; cups: string[] }[] {
  const groups: CupGel[][] = []
  for (const cup of [...cups].sort((a, b) => a.gelC - b.gelC)) {
    const last = groups.at(-1)
    if (last && cup.gelC - last[0]!.gelC < ALIKE_K) last.push(cup)
    else groups.push([cup])
  }
  return groups.map(group => ({
    gelC: group.reduce((sum, one) => sum + one.gelC, 0) / group.length,
    cups: group.map(one => one.cup),
  }))
}

/** Where each layer lies in the picture, px from its top. */
function bandsOf(plan: Plan, height: number): { pour: string; cup: string; y: number; height: number }[] {
  const heights = layerHeights(plan)
  const scale = height / heights.reduce((sum, mm) => sum + mm, 0)
  let y = height
  return plan.score.map((pour, i) => {
    const h = heights[i]! * scale
    y -= h
    return { pour: pour.id, cup: pour.cup, y, height: h }
  })
}

/** The cut face: every cup gelled where it was warm enough for it, and not elsewhere. */
function GelledFace({ look, height }: { look: RestLook; height: number }) {
  const whole = usePlan(state => state.plan)
  const plan = useMemo(() => planOfCavity(whole, restCavity(whole)), [whole])
  const forecast = useForecast()!
  const { innerWidthMm, innerLengthMm, fillMm } = plan.mould
  const width = Math.round((height * innerWidthMm) / fillMm)
  // The section lies across the shorter side; of a mould that is cut along the other, no face lies in it.
  const isSame = innerWidthMm <= innerLengthMm
  const regions = useMemo((): Region[] => {
    if (!isSame) return []
    const field = look.readyC.map(c => Math.max(FAR_C, c))
    const poured = new Set(plan.score.map(pour => pour.cup))
    return alike(look.cups.filter(one => poured.has(one.cup)))
      .map(group => ({ ...group, path: frontOf(field, group.gelC, look, width, height) }))
      .filter(one => one.path !== '')
  }, [look, width, height, isSame, plan.score])
  const gelsFrom = (cup: string) => regions.find(one => one.cups.includes(cup))?.gelC ?? Infinity
  const bands = hasSwirls(plan) ? null : bandsOf(plan, height)
  const pours = forecast.lanes.pours.filter(({ pour }) => plan.score.some(one => one.id === pour))
  const face = { plan, colours: forecast.colours, pours, height }
  return (
    <>
      <div className="relative" style={{ width, height }}>
        <FacePicture {...face} gelledOf={() => 'no'} />
        {regions.map(({ gelC, path }) => (
          <div key={gelC} className="absolute inset-0" style={{ clipPath: `path('${path}')` }} aria-hidden>
            <FacePicture {...face} gelledOf={cup => (gelsFrom(cup) <= gelC ? 'yes' : 'no')} />
          </div>
        ))}
        <svg width={width} height={height} className="absolute top-0 left-0" aria-hidden>
          {regions.map(({ gelC, cups, path }, i) => (
            <g key={gelC} fill="none" data-testid="gelled-region" clipPath={bands ? `url(#gels-${i})` : undefined}>
              {bands && (
                <clipPath id={`gels-${i}`}>
                  {bands
                    .filter(band => cups.includes(band.cup))
                    .map(band => (
                      <rect key={band.pour} x={0} y={band.y} width={width} height={band.height} />
                    ))}
                </clipPath>
              )}
              <path d={path} stroke="var(--paper)" strokeWidth={3.4} />
              <path d={path} stroke="var(--ink)" strokeWidth={1.4} strokeDasharray="5 4" />
            </g>
          ))}
        </svg>
      </div>
      <figcaption className="mt-1 text-[13px]">
        {regions.length === 0
          ? t('At the cut: nothing has gelled')
          : regions.length === 1
            ? t('At the cut: within the dashes it has gelled, deeper and clearer')
            : t('At the cut: each cup has gelled within its own dashes, those with more water further out')}
      </figcaption>
    </>
  )
}

/** Words below a picture have so much room, px. */
const LEAST_CAPTION = 260

/** The section to scale as it warms and cools, with the gel front; and the cut face with what has gelled. */
export function HeatMap({ look }: { look: RestLook }) {
  const habits = useHabits()
  const plan = usePlan(state => state.plan)
  const { frames, nx, ny } = look
  const [at, setAt] = useState(() => Math.min(frames.length - 1, 9))
  const [plays, setPlays] = useState(false)
  const [section, { width: room }] = useSize<HTMLElement>()
  const canvas = useRef<HTMLCanvasElement>(null)
  const span = useMemo(() => spanOf(frames), [frames])
  const i = Math.min(at, frames.length - 1)
  const frame = frames[i]!
  const { innerWidthMm, innerLengthMm, fillMm } = plan.mould
  const wideMm = Math.min(innerWidthMm, innerLengthMm)
  const widest =
    room > BESIDE_PX
      ? Math.min(WIDEST, (room - PADDING_PX - GAP_PX) / 2)
      : Math.min(WIDEST, Math.max(200, room - PADDING_PX))
  const width = Math.round(Math.min(widest, (HEIGHT * wideMm) / fillMm))
  const height = Math.round((width * fillMm) / wideMm)
  useEffect(() => {
    if (canvas.current) paint(canvas.current, frame.tempC, nx, ny, span)
  }, [frame, nx, ny, span])
  useEffect(() => {
    if (!plays) return
    const timer = setInterval(() => setAt(now => (now + 1 >= frames.length ? 0 : now + 1)), PLAY_MS)
    return () => clearInterval(timer)
  }, [plays, frames.length])
  const front = useMemo(() => frontOf(frame.gelled, 0.5, look, width, height), [frame, look, width, height])
  const core = frame.tempC[(ny >> 1) * nx]!
  const corner = Math.min(frame.tempC[nx - 1]!, frame.tempC[frame.tempC.length - 1]!)
  const show = (c: number) => showTemperature(Math.round(c), habits)
  const s = showHours(frame.s / 60)
  const words = t('{s} after the pour: core {core}, coldest corner {corner}', {
    ...{ s, core: show(core), corner: show(corner) },
  })
  return (
    <section ref={section} aria-label={t('Heat in the section')} className="rounded bg-booth p-4">
      <div className="flex flex-wrap items-start gap-8">
        <figure style={{ maxWidth: Math.max(width, LEAST_CAPTION) }}>
          <div className="relative" style={{ width, height }}>
            <canvas
              ref={canvas}
              role="img"
              aria-label={words}
              className="absolute inset-0 size-full"
              style={{ imageRendering: 'auto' }}
            />
            <svg width={width} height={height} className="absolute inset-0" aria-hidden>
              <path d={front} fill="none" stroke="var(--paper)" strokeWidth={4} />
              <path d={front} fill="none" stroke="var(--rust)" strokeWidth={2} data-testid="gel-front" />
            </svg>
          </div>
          <figcaption className="mt-1 text-[13px]">
            {t('Now: the line is the front of the gel')}
            <Ramp span={span} />
          </figcaption>
        </figure>
        <figure style={{ maxWidth: Math.max(width, LEAST_CAPTION) }}>
          <GelledFace look={look} height={height} />
        </figure>
      </div>
      <div className="mt-3 flex items-center gap-3">
        <button className="button" onClick={() => setPlays(!plays)} aria-label={plays ? t('Pause') : t('Play')}>
          {plays ? <Pause size={16} aria-hidden /> : <Play size={16} aria-hidden />}
        </button>
        <input
          type="range"
          aria-label={t('Time after the pour')}
          aria-valuetext={words}
          min={0}
          max={frames.length - 1}
          value={i}
          onChange={event => setAt(Number(event.target.value))}
          className="min-w-40 flex-1"
        />
        <output className="w-80 text-[14px] max-[700px]:w-full">{words}</output>
      </div>
    </section>
  )
}

const RAMP = `linear-gradient(to right, rgb(${COOL.join(' ')}), rgb(${WARM.join(' ')}))`

/** Which shade is how warm. */
function Ramp({ span: [from, to] }: { span: readonly [number, number] }) {
  const habits = useHabits()
  return (
    <span className="mt-1 flex items-center gap-2">
      {showTemperature(from, habits)}
      <span className="h-2.5 flex-1 border border-line" style={{ background: RAMP }} />
      {showTemperature(to, habits)}
    </span>
  )
}
