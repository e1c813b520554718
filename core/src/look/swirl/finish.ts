import { fact, millimetres } from '../../quantities/facts/index.ts'
import { embedPieces, overlappingEmbeds } from '../../plan/index.ts'
import type { Pour } from '../../plan/index.ts'
import type { Making } from './making.ts'
import { scaledTop } from './overlay.ts'
import type { TopOp } from './program.ts'

/** Highest that a relief stands before it would fall over, mm. */
const TALLEST_MM = 40
const DRIZZLE_MARGIN = 0.06

/** What stands on the top: peaks, piped rounds, or a line drizzled to and fro. */
export function toppedBy(making: Making, pour: Pour, volume: number): void {
  const { program, cups } = making
  const { radiusMm: a, halfWidthMm: b } = program
  const [L, W] = a > 0 ? [2 * a, 2 * b] : [program.lengthMm, program.widthMm]
  const { count } = pour.shape
  const empty: TopOp = {
    form: 'peaks',
    colour: cups.indexOf(pour.cup),
    volume,
    scale: 1,
    along: 1,
    across: 1,
    path: new Float64Array(0),
    halfMm: 1,
  }
  const along = Math.max(1, count)
  const inside = a > 0 ? 0.2 : DRIZZLE_MARGIN
  const corners = Array.from({ length: along + 1 }, (_, i) => [
    L * (inside + (1 - 2 * inside) * (i / along)) - a,
    W * (i % 2 === 0 ? inside + 0.06 : 1 - inside - 0.06) - (a > 0 ? b : 0),
  ])
  const length = corners
    .slice(1)
    .reduce((sum, [x, y], i) => sum + Math.hypot(x! - corners[i]![0]!, y! - corners[i]![1]!), 0)
  const op: TopOp =
    pour.shape.way === 'piped'
      ? { ...empty, form: 'rosettes', along, across: Math.max(1, Math.round((W * along) / L)) }
      : pour.shape.way === 'drizzle'
        ? // Half a circle of batter along the path.
          {
            ...empty,
            form: 'line',
            path: new Float64Array(corners.flat()),
            halfMm: Math.sqrt((2 * volume) / (Math.PI * length)),
          }
        : empty
  const { top, mostMm } = scaledTop(program, op)
  if (mostMm > TALLEST_MM)
    making.sentences.push(fact('swirl.what-stands-on-top', { mostMm: millimetres(Math.round(mostMm)) }))
  program.tops.push(top)
  program.topMm += mostMm
}

/** Ready-made pieces, and the mat on the floor. */
export function setIn(making: Making): void {
  const { plan, program, mould } = making
  if (mould !== plan.mould) return
  const first = making.cups.length + making.pencils.length
  const { radiusMm: a, halfWidthMm: b } = program
  program.embeds = embedPieces(plan).map(({ embed, x, y, z, halfX, halfY, halfZ }) => ({
    form: embed.form,
    colour: first + plan.finish.embeds.indexOf(embed),
    halfX,
    halfY,
    halfZ,
    z,
    x: a > 0 ? x - a : x,
    y: a > 0 ? y - b : y,
  }))
  for (const embed of program.embeds) program.topMm = Math.max(program.topMm, embed.z + embed.halfZ - program.heightMm)
  const { texture, depthMm, pitchMm } = plan.finish.mat
  if (texture !== 'flat') program.floor = { texture, depthMm, pitchMm }
  for (const [one, other] of overlappingEmbeds(plan))
    making.sentences.push(
      one === other ? fact('swirl.pieces-lie-one-another', { one }) : fact('swirl.lie-one-another', { one, other }),
    )
}
