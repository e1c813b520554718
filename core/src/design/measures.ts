import { barsAlong, isColumn, isTray } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { OUTSIDE, acrossView, levelView, renderRows } from '../look/swirl/index.ts'
import type { Picture, Program, View } from '../look/swirl/index.ts'

/** What the faces of all bars come to, counted on their pictures. */
export interface Measures {
  /** For the bars' faces, the first and the last among them, the share of each colour. */
  faces: number[][]
  /** Share of each colour on everything that is seen: faces and the top. */
  seen: number[]
  /** Of the faces, how much lies in threads thinner than a millimetre. */
  threads: number
}

/** Pixel of the pictures that are counted, mm; threads thinner than two of them read as mixed. */
const PIXEL_MM = 0.5
const MOST_PX = 220
const MOST_FACES = 10

function tally(picture: Picture, colours: number): { counts: number[]; threads: number; soap: number } {
  const { width, height, first } = picture
  const counts = Array.from({ length: colours }, () => 0)
  let threads = 0
  let soap = 0
  const same = (n: number, other: number) => first[other] === first[n]
  for (let row = 0; row < height; row += 1)
    for (let i = 0; i < width; i += 1) {
      const n = row * width + i
      const colour = first[n]!
      if (colour === OUTSIDE) continue
      soap += 1
      counts[colour]! += 1
      const left = i > 0 && same(n, n - 1)
      const right = i < width - 1 && same(n, n + 1)
      const up = row > 0 && same(n, n - width)
      const down = row < height - 1 && same(n, n + width)
      // A thread of one or two pixels: alone to one side and the next but one is another colour again.
      const wideX = (left && i > 1 && same(n, n - 2)) || (right && i < width - 2 && same(n, n + 2)) || (left && right)
      const wideY =
        (up && row > 1 && same(n, n - 2 * width)) ||
        (down && row < height - 2 && same(n, n + 2 * width)) ||
        (up && down)
      const atEdge = i < 2 || row < 2 || i > width - 3 || row > height - 3
      if (!atEdge && (!wideX || !wideY)) threads += 1
    }
  return { counts, threads, soap }
}

const shares = (counts: readonly number[]): number[] => {
  const whole = counts.reduce((sum, count) => sum + count, 0)
  return counts.map(count => (whole > 0 ? count / whole : 0))
}

/** Counts the faces of a design's bars. Takes a tenth of a second or so: for a worker. */
export function measuresOf(program: Program, plan: Pick<Plan, 'mould' | 'cutting'>): Measures {
  const round = program.radiusMm > 0
  const width = Math.min(MOST_PX, Math.round((round ? 2 * program.halfWidthMm : program.widthMm) / PIXEL_MM))
  const isCutLevel = isColumn(plan.mould)
  const length = isCutLevel ? program.heightMm : round ? 2 * program.radiusMm : program.lengthMm
  const bars = isTray(plan.mould) ? [] : barsAlong(length, plan.cutting).bars
  const count = Math.min(MOST_FACES, bars.length)
  const places = Array.from({ length: count }, (_, i) => {
    const bar = bars[count > 1 ? Math.round((i * (bars.length - 1)) / (count - 1)) : 0]!
    return bar.from / length
  })
  const draw = (view: View) => tally(renderRows(program, view, 0, view.height, 'final'), program.colours)
  const cuts = places.map(at =>
    draw(isCutLevel ? levelView(program, Math.min(0.998, at), width) : acrossView(program, at, width)),
  )
  const top = draw(levelView(program, 1, MOST_PX))
  const all = [...cuts, top]
  const soap = cuts.reduce((sum, cut) => sum + cut.soap, 0)
  return {
    faces: cuts.map(cut => shares(cut.counts)),
    seen: shares(top.counts.map((_, c) => all.reduce((sum, one) => sum + one.counts[c]!, 0))),
    threads: soap > 0 ? cuts.reduce((sum, cut) => sum + cut.threads, 0) / soap : 0,
  }
}
