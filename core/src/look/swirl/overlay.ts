import { isInside } from './chart.ts'
import type { EmbedOp, Program, TopOp } from './program.ts'

/** What lies in, on and under the batter: ready-made pieces, a relief on the top, a mat on the floor. Lengths in mm. */

/** Windings of a curl from its middle to its rim. */
const CURL_TURNS = 2.5
/** Of each winding that is soap; the rest fills with batter. */
const CURL_SOAP = 0.5

/** Whether a point lies in the soap of a piece. */
export function isInEmbed(embed: EmbedOp, x: number, y: number, z: number): boolean {
  const dx = (x - embed.x) / embed.halfX
  if (dx > 1 || dx < -1) return false
  const dy = (y - embed.y) / embed.halfY
  if (dy > 1 || dy < -1) return false
  const dz = (z - embed.z) / embed.halfZ
  if (dz > 1 || dz < -1) return false
  if (embed.form === 'bar') return true
  const r2 = dy * dy + dz * dz
  if (embed.form === 'ball') return r2 + dx * dx <= 1
  if (r2 > 1) return false
  if (embed.form === 'rod') return true
  const turns = CURL_TURNS * Math.sqrt(r2) - Math.atan2(dz, dy) / (2 * Math.PI)
  return turns - Math.floor(turns) < CURL_SOAP
}

/** Colour of the piece at a point, the last placed first; -1: none. */
export function embedAt({ embeds }: Program, x: number, y: number, z: number): number {
  for (let i = embeds.length - 1; i >= 0; i -= 1) if (isInEmbed(embeds[i]!, x, y, z)) return embeds[i]!.colour
  return -1
}

/** Height of a mat on the floor at a place, mm: half its depth on average. */
export function matHeight({ texture, depthMm, pitchMm }: NonNullable<Program['floor']>, x: number, y: number): number {
  const k = (2 * Math.PI) / pitchMm
  if (texture === 'ribs') return depthMm * (0.5 + 0.5 * Math.cos(k * x))
  if (texture === 'waves') return depthMm * (0.5 + 0.5 * Math.cos(k * x + 1.4 * Math.sin(0.6 * k * y)))
  return depthMm * (0.5 + 0.5 * Math.cos(k * x) * Math.cos(k * y))
}

export const isUnderMat = ({ floor }: Program, x: number, y: number, z: number): boolean =>
  floor !== null && z < floor.depthMm && z < matHeight(floor, x, y)

/** From a place to the nearest wall, mm; below 0 outside. */
function toWall(program: Program, x: number, y: number): number {
  const { radiusMm: a, halfWidthMm: b, isHex, lengthMm, widthMm } = program
  if (a === 0) return Math.min(x, lengthMm - x, y, widthMm - y)
  if (!isInside(program, x, y)) return -1
  if (isHex) return Math.min(b - Math.abs(y), b - Math.abs(Math.abs(x) * Math.cos(Math.PI / 6) + Math.abs(y) / 2))
  return Math.min(a, b) * (1 - Math.hypot(x / a, y / b))
}

/** Swept with a spoon along the middle: cups and crests, flat at the walls. */
function peaksForm(program: Program, x: number, y: number): number {
  const middle = program.radiusMm > 0 ? 0 : program.widthMm / 2
  const c = y - middle - 4 * Math.sin(x / 13)
  const ridge = Math.exp(-((c / 17) * (c / 17)))
  const cup = 0.5 + 0.5 * Math.cos(2 * Math.PI * (x / 21 - 0.25 * Math.tanh(c / 5) + (c * Math.abs(c)) / 1400))
  const height = 3 + 9 * ridge * (0.35 + 0.65 * cup) + 1.2 * ridge * Math.sin(x / 5 + y / 6)
  return height * Math.sqrt(Math.min(1, Math.max(0, toWall(program, x, y)) / 6))
}

/** Piped rounds in rows, each a cone with five turned folds. */
function rosettesForm(program: Program, { along, across }: TopOp, x: number, y: number): number {
  const { radiusMm: a, halfWidthMm: b } = program
  const [L, W] = a > 0 ? [2 * a, 2 * b] : [program.lengthMm, program.widthMm]
  const [cellX, cellY] = [L / along, W / across]
  const place = (value: number, cell: number) => value / cell - Math.floor(value / cell) - 0.5
  const radius = Math.min(cellX, cellY) * 0.48
  const dx = place(a > 0 ? x + a : x, cellX) * cellX
  const dy = place(a > 0 ? y + b : y, cellY) * cellY
  const rho = Math.hypot(dx, dy) / radius
  if (rho >= 1 || toWall(program, x, y) < 0.5) return 0
  // The folds run out towards the tip.
  const fold = 0.25 * Math.min(1, 2.5 * rho) * Math.cos(5 * Math.atan2(dy, dx) + 9 * rho)
  return radius * (1 - rho * rho) * (1 + fold)
}

/** A thread along a path, half as high as it is wide. */
function lineForm({ path, halfMm }: TopOp, x: number, y: number): number {
  let nearest = Infinity
  for (let i = 0; i + 3 < path.length; i += 2) {
    const [ax, ay, bx, by] = [path[i]!, path[i + 1]!, path[i + 2]!, path[i + 3]!]
    const [ux, uy] = [bx - ax, by - ay]
    const length2 = ux * ux + uy * uy
    const t = length2 > 0 ? Math.min(1, Math.max(0, ((x - ax) * ux + (y - ay) * uy) / length2)) : 0
    const [dx, dy] = [x - ax - t * ux, y - ay - t * uy]
    nearest = Math.min(nearest, dx * dx + dy * dy)
  }
  const rho2 = nearest / (halfMm * halfMm)
  return rho2 >= 1 ? 0 : halfMm * Math.sqrt(1 - rho2)
}

function formOf(program: Program, top: TopOp, x: number, y: number): number {
  if (top.form === 'peaks') return peaksForm(program, x, y)
  if (top.form === 'rosettes') return rosettesForm(program, top, x, y)
  return lineForm(top, x, y)
}

/** Steps at which a relief's volume is summed, along and across. */
const SUMS = 160

/** Scales a relief so that it holds its volume; gives its greatest height too. */
export function scaledTop(program: Program, top: TopOp): { top: TopOp; mostMm: number } {
  const { radiusMm: a, halfWidthMm: b } = program
  const [L, W] = a > 0 ? [2 * a, 2 * b] : [program.lengthMm, program.widthMm]
  let sum = 0
  let most = 0
  for (let i = 0; i < SUMS; i += 1)
    for (let j = 0; j < SUMS; j += 1) {
      const x = (L * (i + 0.5)) / SUMS - a
      const y = (W * (j + 0.5)) / SUMS - (a > 0 ? b : 0)
      if (a > 0 && !isInside(program, x, y)) continue
      const height = formOf(program, top, x, y)
      sum += height
      most = Math.max(most, height)
    }
  const held = (sum * L * W) / (SUMS * SUMS)
  const scale = held > 0 ? top.volume / held : 0
  return { top: { ...top, scale }, mostMm: most * scale }
}

const STEP_MM = 0.4
const THINNEST_MM = 0.05
const relief = { colour: -1, slope: 0 }

/** Height of all that stands on the top at a place, mm. */
function reliefHeight(program: Program, x: number, y: number): number {
  let height = 0
  for (const top of program.tops) height += top.scale * formOf(program, top, x, y)
  return height
}

/**
 * What stands on the top at a place: the colour at a height above the level (-1: none; Infinity asks for the uppermost), and
 * how the surface leans towards the light there.
 */
export function reliefAt(program: Program, x: number, y: number, above: number): { colour: number; slope: number } {
  let floor = 0
  relief.colour = -1
  relief.slope = 0
  for (const top of program.tops) {
    const height = top.scale * formOf(program, top, x, y)
    if (above === Infinity ? height > THINNEST_MM : above > floor && above <= floor + height) relief.colour = top.colour
    floor += height
  }
  if (above === Infinity)
    relief.slope = (reliefHeight(program, x + STEP_MM, y) + reliefHeight(program, x, y - STEP_MM) - 2 * floor) / STEP_MM
  return relief
}
