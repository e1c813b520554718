import { barsAlong, isColumn, isTray } from './cutting.ts'
import type { Plan } from './document.ts'
import type { Embed } from './finish-part.ts'

/** One piece of an embed as it lies in a cavity of the first mould: middle and half its sides, mm from a corner of the floor. */
export interface EmbedPiece {
  embed: Embed
  x: number
  y: number
  z: number
  halfX: number
  halfY: number
  halfZ: number
}

type Design = Pick<Plan, 'mould' | 'cutting' | 'finish'>

/** Width of the mould as pieces are placed in it. */
const widthOf = ({ form, innerLengthMm, innerWidthMm }: Plan['mould']): number =>
  form === 'box' || form === 'ellipse' ? innerWidthMm : innerLengthMm

/** Where every piece lies. Pieces that would reach through the floor are lifted onto it. */
export function embedPieces(plan: Design): EmbedPiece[] {
  const { mould, cutting, finish } = plan
  const length = mould.innerLengthMm
  const width = widthOf(mould)
  return finish.embeds.flatMap((embed): EmbedPiece[] => {
    const [from, to] = [Math.min(embed.from, embed.to) * length, Math.max(embed.from, embed.to) * length]
    const isRound = embed.form !== 'bar'
    const halfY = embed.widthMm / 2
    const halfZ = (isRound ? embed.widthMm : embed.heightMm) / 2
    const wanted = embed.form === 'ball' ? embed.widthMm : embed.lengthMm
    const middles = ((): number[] => {
      if (wanted === 0) return [(from + to) / 2]
      if (embed.everyBar && !isTray(mould) && !isColumn(mould))
        return barsAlong(length, cutting)
          .bars.map(bar => (bar.from + bar.to) / 2)
          .filter(x => x >= from && x <= to)
      return Array.from({ length: embed.count }, (_, i) => from + ((i + 0.5) / embed.count) * (to - from))
    })()
    const halfX = Math.min((wanted === 0 ? to - from : wanted) / 2, length / 2)
    const across =
      embed.everyBar && cutting.rows > 1 && embed.form === 'ball'
        ? Array.from({ length: cutting.rows }, (_, row) => (width * (row + 0.5)) / cutting.rows)
        : [embed.across * width]
    const z = Math.max(halfZ, embed.height * mould.fillMm)
    return middles.flatMap(x => across.map(y => ({ embed, x, y, z, halfX, halfY, halfZ })))
  })
}

/** Of the ring that a curl winds through. */
const CURL_SHARE = 0.5

/** Volume of a piece below a height, mm³. */
function volumeBelow({ embed, z, halfX, halfY, halfZ }: EmbedPiece, height: number): number {
  const t = Math.max(-1, Math.min(1, (height - z) / halfZ))
  if (embed.form === 'bar') return 4 * halfX * halfY * halfZ * (t + 1)
  if (embed.form === 'ball') return ((4 / 3) * Math.PI * halfX * halfY * halfZ * (2 + 3 * t - t * t * t)) / 4
  // A lying cylinder: the segment of a circle below a chord.
  const segment = Math.PI / 2 + Math.asin(t) + t * Math.sqrt(Math.max(0, 1 - t * t))
  return 2 * halfX * halfY * halfZ * segment * (embed.form === 'curl' ? CURL_SHARE : 1)
}

/** Batter that embeds and the mat leave no room for between two heights of one cavity, mm³. Overlaps count twice. */
export function displacedMm3(plan: Design, floorAreaMm2: number, fromMm: number, toMm: number): number {
  const pieces = embedPieces(plan).reduce(
    (sum, piece) => sum + volumeBelow(piece, toMm) - volumeBelow(piece, fromMm),
    0,
  )
  const { mat } = plan.finish
  // A wavy mat takes half of its depth on average; what of it lies so deep is a little more at the floor.
  const below = (mm: number) => {
    const t = Math.max(0, Math.min(1, mm / mat.depthMm))
    return mat.depthMm * (t - (t * t) / 2)
  }
  const underMat = mat.texture === 'flat' ? 0 : (below(toMm) - below(fromMm)) * floorAreaMm2
  return pieces + underMat
}

/** Volume of one piece, mm³. */
export const pieceMm3 = (piece: EmbedPiece): number => volumeBelow(piece, Infinity)

/** How far a piece comes to the nearest wall or the top, mm; below 0 it stands out. The floor does not count. */
export function clearMm(plan: Design, { x, y, z, halfX, halfY, halfZ }: EmbedPiece): { wall: number; top: number } {
  const { mould } = plan
  const width = widthOf(mould)
  const runsThrough = halfX >= mould.innerLengthMm / 2 - 1
  const ends = runsThrough ? Infinity : Math.min(x - halfX, mould.innerLengthMm - x - halfX)
  return { wall: Math.min(ends, y - halfY, width - y - halfY), top: mould.fillMm - z - halfZ }
}

const overlaps = (a: EmbedPiece, b: EmbedPiece): boolean =>
  Math.abs(a.x - b.x) < a.halfX + b.halfX - 0.01 &&
  (a.embed.form === 'bar' || b.embed.form === 'bar'
    ? Math.abs(a.y - b.y) < a.halfY + b.halfY - 0.01 && Math.abs(a.z - b.z) < a.halfZ + b.halfZ - 0.01
    : Math.hypot(a.y - b.y, a.z - b.z) < a.halfY + b.halfY - 0.01)

/** Names of embeds that lie in one another, each pair once. */
export function overlappingEmbeds(plan: Design): [string, string][] {
  const pieces = embedPieces(plan)
  const pairs = new Map<string, [string, string]>()
  pieces.forEach((a, i) => {
    for (const b of pieces.slice(i + 1))
      if (overlaps(a, b)) pairs.set(`${a.embed.id} ${b.embed.id}`, [a.embed.name, b.embed.name])
  })
  return [...pairs.values()]
}
