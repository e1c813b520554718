import { showTemperature } from '@ostler/core'
import { contours } from 'd3-contour'
import { Pause, Play } from 'lucide-react'
import { useEffect, useMemo, useRef, useState } from 'react'
import { useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { showHours } from '../../ui/clock.ts'
import { FacePicture } from '../../ui/face-picture.tsx'
import type { RestLook } from '../../workers/rest.ts'

const HEIGHT = 240
/** Lightest and darkest of the ramp: cool paper to warm ink, so that nothing but soap is coloured. */
const COOL = [246, 244, 239] as const
const WARM = [62, 50, 40] as const
const COLDEST_C = 0
const WARMEST_C = 95
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
    .thresholds([at])(whole(field, nx, ny))
  const sx = width / (2 * nx)
  const sy = height / ny
  const rings = front?.coordinates.flat() ?? []
  return rings
    .map(ring => `M${ring.map(([x, y]) => `${(x! * sx).toFixed(1)} ${(y! * sy).toFixed(1)}`).join('L')}Z`)
    .join('')
}

function paint(canvas: HTMLCanvasElement, tempC: Float32Array, nx: number, ny: number): void {
  canvas.width = 2 * nx
  canvas.height = ny
  const context = canvas.getContext('2d')
  if (!context) return
  const image = context.createImageData(2 * nx, ny)
  whole(tempC, nx, ny).forEach((c, i) => {
    const share = Math.min(1, Math.max(0, (c - COLDEST_C) / (WARMEST_C - COLDEST_C)))
    for (let j = 0; j < 3; j += 1) image.data[4 * i + j] = COOL[j]! + share * (WARM[j]! - COOL[j]!)
    image.data[4 * i + 3] = 255
  })
  context.putImageData(image, 0, 0)
}

/** A temperature from which some cups gel, and where the soap was as warm. */
interface Region {
  gelC: number
  path: string
}

/** The cut face: every cup gelled where it was warm enough for it, and not elsewhere. */
function GelledFace({ look, height }: { look: RestLook; height: number }) {
  const plan = usePlan(state => state.plan)
  const forecast = useForecast()!
  const { innerWidthMm, innerLengthMm, fillMm } = plan.mould
  const width = Math.round((height * innerWidthMm) / fillMm)
  // The section lies across the shorter side; of a mould that is cut along the other, no face lies in it.
  const isSame = innerWidthMm <= innerLengthMm
  const regions = useMemo((): Region[] => {
    if (!isSame) return []
    const field = look.readyC.map(c => Math.max(FAR_C, c))
    const from = [...new Set(look.cups.map(cup => Math.round(cup.gelC * 2) / 2))].sort((a, b) => a - b)
    return from.map(gelC => ({ gelC, path: frontOf(field, gelC, look, width, height) })).filter(one => one.path !== '')
  }, [look, width, height, isSame])
  const gelsFrom = (cup: string) => look.cups.find(one => one.cup === cup)?.gelC ?? Infinity
  const face = { plan, colours: forecast.colours, pours: forecast.lanes.pours, height }
  return (
    <>
      <div className="relative" style={{ width, height }}>
        <FacePicture {...face} gelledOf={() => 'no'} />
        {regions.map(({ gelC, path }) => (
          <div key={gelC} className="absolute inset-0" style={{ clipPath: `path('${path}')` }} aria-hidden>
            <FacePicture {...face} gelledOf={cup => (gelsFrom(cup) <= gelC + 0.25 ? 'yes' : 'no')} />
          </div>
        ))}
        <svg width={width} height={height} className="absolute top-0 left-0" aria-hidden>
          {regions.map(({ gelC, path }) => (
            <g key={gelC} fill="none" data-testid="gelled-region">
              <path d={path} stroke="var(--paper)" strokeWidth={3.4} />
              <path d={path} stroke="var(--ink)" strokeWidth={1.4} strokeDasharray="5 4" />
            </g>
          ))}
        </svg>
      </div>
      <figcaption className="mt-1 text-[13px]">
        {regions.length === 0
          ? 'At the cut: nothing has gelled'
          : regions.length === 1
            ? 'At the cut: within the dashes it has gelled, deeper and clearer'
            : 'At the cut: each cup has gelled within its own dashes, those with more water further out'}
      </figcaption>
    </>
  )
}

/** The section to scale as it warms and cools, with the gel front; and the cut face with what has gelled. */
export function HeatMap({ look }: { look: RestLook }) {
  const habits = useHabits()
  const plan = usePlan(state => state.plan)
  const { frames, nx, ny } = look
  const [at, setAt] = useState(() => Math.min(frames.length - 1, 9))
  const [plays, setPlays] = useState(false)
  const canvas = useRef<HTMLCanvasElement>(null)
  const i = Math.min(at, frames.length - 1)
  const frame = frames[i]!
  const { innerWidthMm, innerLengthMm, fillMm } = plan.mould
  const wideMm = Math.min(innerWidthMm, innerLengthMm)
  const width = Math.min(420, Math.round((HEIGHT * wideMm) / fillMm))
  const height = Math.round((width * fillMm) / wideMm)
  useEffect(() => {
    if (canvas.current) paint(canvas.current, frame.tempC, nx, ny)
  }, [frame, nx, ny])
  useEffect(() => {
    if (!plays) return
    const timer = setInterval(() => setAt(now => (now + 1 >= frames.length ? 0 : now + 1)), PLAY_MS)
    return () => clearInterval(timer)
  }, [plays, frames.length])
  const front = useMemo(() => frontOf(frame.gelled, 0.5, look, width, height), [frame, look, width, height])
  const core = frame.tempC[(ny >> 1) * nx]!
  const corner = Math.min(frame.tempC[nx - 1]!, frame.tempC[frame.tempC.length - 1]!)
  const show = (c: number) => showTemperature(Math.round(c), habits)
  const words = `${showHours(frame.s / 60)} after the pour: core ${show(core)}, coldest corner ${show(corner)}`
  return (
    <section aria-label="Heat in the section" className="rounded bg-booth p-4">
      <div className="flex flex-wrap items-end gap-8">
        <figure>
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
            Now: the darker the warmer; the line is the front of the gel
          </figcaption>
        </figure>
        <figure>
          <GelledFace look={look} height={height} />
        </figure>
      </div>
      <div className="mt-3 flex items-center gap-3">
        <button className="button" onClick={() => setPlays(!plays)} aria-label={plays ? 'Pause' : 'Play'}>
          {plays ? <Pause size={16} aria-hidden /> : <Play size={16} aria-hidden />}
        </button>
        <input
          type="range"
          aria-label="Time after the pour"
          aria-valuetext={words}
          min={0}
          max={frames.length - 1}
          value={i}
          onChange={event => setAt(Number(event.target.value))}
          className="min-w-40 flex-1 accent-ink"
        />
        <output className="w-80 text-[14px] max-[700px]:w-full">{words}</output>
      </div>
    </section>
  )
}
