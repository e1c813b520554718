import { fact, millimetres } from '../../quantities/facts/index.ts'
import type { Measure, Words } from '../../quantities/facts/index.ts'
import { batterDensity, barsAlong, baseAreaMm2, emptyCavities, isColumn, isTray } from '../../plan/index.ts'
import type { Plan } from '../../plan/index.ts'
import { findById } from '../../shelf/index.ts'
import type { Shelf } from '../../shelf/index.ts'

/** From the mould to bars: what becomes of all the soap in the first mould. Masses in g, fresh. */

/** One bar, mm and g; bars of a round mould differ, these are their mean, least and most. */
export interface Bars {
  count: number
  lengthMm: number
  widthMm: number
  heightMm: number
  massG: number
  leastG: number
  mostG: number
  /** Soap that does not become bars, g. */
  restG: number
}

export const CUT_PARTS = {
  bars: 'bars',
  samples: 'samples',
  ends: 'ends',
  planed: 'planed off sides and top',
  cuts: 'lost in the cuts',
  left: 'left over',
} as const
export type CutPart = keyof typeof CUT_PARTS

export interface CutForecast {
  bars: Bars
  /** Slices of the trimmed ends and of what is left over, each across the whole mould. */
  samples: { slices: number; massG: number }
  /** All soap in the mould: the parts add up to it. */
  wholeG: number
  parts: Record<CutPart, number>
  /** What to do, in order. Lengths in mm. */
  steps: Words[]
}

/** Across the mould at a place along it, mm: of round moulds it narrows to the ends. */
function widthAt({ form, innerLengthMm, innerWidthMm }: Plan['mould'], at: number): number {
  if (form !== 'cylinder' && form !== 'ellipse') return innerWidthMm
  const r = innerLengthMm / 2
  const x = Math.min(1, Math.abs(at - r) / r)
  return (form === 'cylinder' ? innerLengthMm : innerWidthMm) * Math.sqrt(1 - x * x)
}

const SLICES = 64

/** Floor between two places along the mould, mm². */
function floorBetween(mould: Plan['mould'], from: number, to: number): number {
  if (mould.form !== 'cylinder' && mould.form !== 'ellipse') return (to - from) * widthAt(mould, from)
  let sum = 0
  for (let i = 0; i < SLICES; i += 1) sum += widthAt(mould, from + ((to - from) * (i + 0.5)) / SLICES)
  return (sum * (to - from)) / SLICES
}

interface Sizes {
  wholeG: number
  gPerMm3: number
}

const nothing = (): Record<CutPart, number> => ({ bars: 0, samples: 0, ends: 0, planed: 0, cuts: 0, left: 0 })

function cutTray(plan: Plan, { wholeG: brimG }: Sizes): CutForecast {
  const { mould } = plan
  const count = mould.cavities - emptyCavities(plan).length
  const massG = brimG / mould.cavities
  const wholeG = massG * count
  const { innerLengthMm: lengthMm, innerWidthMm: widthMm, fillMm: heightMm } = mould
  return {
    bars: { count, lengthMm, widthMm, heightMm, massG, leastG: massG, mostG: massG, restG: 0 },
    samples: { slices: 0, massG: 0 },
    wholeG,
    parts: { ...nothing(), bars: wholeG },
    steps: [fact('cure.turn-bars-out-firm')],
  }
}

/** Slices that samples fit into: each end that is trimmed, and what is left over. */
const samplesIn = (mm: number, { sampleMm }: Plan['rest']['cut'], kerfMm: number): number =>
  sampleMm > 0 ? Math.floor((mm + 1e-9) / (sampleMm + kerfMm)) : 0

function cutAlong(plan: Plan, { wholeG, gPerMm3 }: Sizes): CutForecast {
  const { mould, cutting, rest } = plan
  const { cut } = rest
  const column = isColumn(mould)
  const length = column ? mould.fillMm : mould.innerLengthMm
  const { bars: places, leftMm } = barsAlong(length, cutting)
  const rows = column ? 1 : cutting.rows
  const heightMm = column ? mould.innerWidthMm : mould.fillMm - cut.topTrimMm
  const columnArea = baseAreaMm2({ ...mould, cavities: 1 })
  const sliceG = (from: number, to: number) =>
    column ? (to - from) * columnArea * gPerMm3 : floorBetween(mould, from, to) * mould.fillMm * gPerMm3
  /** What is left of a slice after planing and the cuts between rows. */
  const kept = (from: number, to: number): number => {
    if (column) return sliceG(from, to)
    const wide = floorBetween(mould, from, to) / Math.max(1e-9, to - from)
    const net = Math.max(0, wide - 2 * cut.sideTrimMm - (rows - 1) * cutting.kerfMm)
    return net * (to - from) * heightMm * gPerMm3
  }
  const planedShare = (from: number, to: number): number => {
    if (column) return 0
    const wide = floorBetween(mould, from, to) / Math.max(1e-9, to - from)
    const inner = Math.max(0, wide - 2 * cut.sideTrimMm)
    return 1 - (inner / wide) * (heightMm / mould.fillMm)
  }
  const parts = nothing()
  const masses: number[] = []
  for (const { from, to } of places) {
    const whole = sliceG(from, to)
    const net = kept(from, to)
    const planed = whole * planedShare(from, to)
    parts.bars += net
    parts.planed += planed
    parts.cuts += whole - net - planed
    masses.push(net / rows)
  }
  const lastEnd = places.at(-1)?.to ?? cutting.trimMm
  const slices = 2 * samplesIn(cutting.trimMm, cut, cutting.kerfMm) + samplesIn(leftMm, cut, cutting.kerfMm)
  const endsG = sliceG(0, Math.min(cutting.trimMm, length)) + sliceG(Math.max(0, length - cutting.trimMm), length)
  const leftFrom = Math.min(lastEnd, length - cutting.trimMm)
  const leftG =
    leftMm > 1e-9 ? sliceG(Math.max(leftFrom, length - cutting.trimMm - leftMm), length - cutting.trimMm) : 0
  const spare = endsG + leftG
  const spareMm = 2 * cutting.trimMm + leftMm
  parts.samples = spareMm > 0 ? (spare * slices * cut.sampleMm) / spareMm : 0
  const share = spare > 0 ? 1 - parts.samples / spare : 0
  parts.ends = endsG * share
  parts.left = leftG * share
  parts.cuts += wholeG - parts.bars - parts.planed - parts.cuts - parts.samples - parts.ends - parts.left
  const count = places.length * rows
  const barWidth = column
    ? mould.innerLengthMm
    : (mould.innerWidthMm - 2 * cut.sideTrimMm - (rows - 1) * cutting.kerfMm) / rows
  return {
    bars: {
      count,
      lengthMm: cutting.barMm,
      widthMm: barWidth,
      heightMm,
      massG: count > 0 ? parts.bars / count : 0,
      leastG: count > 0 ? Math.min(...masses) : 0,
      mostG: count > 0 ? Math.max(...masses) : 0,
      restG: wholeG - parts.bars,
    },
    samples: { slices, massG: parts.samples },
    wholeG,
    parts,
    steps: stepsOf(plan, { rows, column, count: places.length, slices, barWidth }),
  }
}

const mm = (value: number): Measure => millimetres(Number(value.toFixed(1)))

function stepsOf(
  { cutting, rest }: Plan,
  about: { rows: number; column: boolean; count: number; slices: number; barWidth: number },
): Words[] {
  const { cut } = rest
  const { rows, column, count, slices, barWidth } = about
  const steps: Words[] = []
  if (cut.waitH > 0) steps.push(fact('cure.unmould-let-stand-h', { waitH: cut.waitH }))
  if (cut.topTrimMm > 0 && !column) steps.push(fact('cure.plane-off-top', { mm: mm(cut.topTrimMm) }))
  if (cut.sideTrimMm > 0 && !column) steps.push(fact('cure.plane-off-both-long', { mm: mm(cut.sideTrimMm) }))
  if (rows > 1) steps.push(fact('cure.cut-slab-lengthwise-into', { rows, mm: mm(barWidth) }))
  if (cutting.trimMm > 0) steps.push(fact('cure.trim-off-each-end', { mm: mm(cutting.trimMm) }))
  if (slices > 0) steps.push(fact('cure.take-from-what-trimmed', { slices, mm: mm(cut.sampleMm) }))
  if (cutting.onSide && !column) steps.push(fact('cure.lay-on-its-side'))
  if (cutting.blade !== 'wire') steps.push(cutting.blade === 'wavy' ? fact('cure.wavy-blade') : fact('cure.knife'))
  const each = rows > 1 ? fact('cure.each-loaf') : column ? fact('cure.the-column') : fact('cure.the-loaf')
  steps.push(fact('cure.cut-into', { each, count, mm: mm(cutting.barMm) }))
  return steps
}

/** A mould with upright walls that holds the same: as long as a leaning one is in the mean. */
function upright(mould: Plan['mould']): Plan['mould'] {
  if (mould.taperMm === 0) return mould
  const areaMm2 = baseAreaMm2(mould) / mould.cavities
  const innerLengthMm = mould.innerLengthMm - 2 * mould.taperMm * (1 - mould.fillMm / (2 * mould.innerHeightMm))
  const straight = { ...mould, taperMm: 0, innerLengthMm }
  const area = baseAreaMm2({ ...straight, cavities: 1 })
  return { ...straight, innerWidthMm: (straight.innerWidthMm * areaMm2) / area }
}

/** How the first mould is cut, and what becomes of its soap. */
export function cutForecast(leaning: Plan): CutForecast {
  const plan = { ...leaning, mould: upright(leaning.mould) }
  const made = cutUpright(plan)
  const { taperMm } = leaning.mould
  if (taperMm === 0 || isTray(plan.mould)) return made
  return { ...made, steps: [fact('cure.ends-are-wedges', { mm: mm(taperMm) }), ...made.steps] }
}

function cutUpright(plan: Plan): CutForecast {
  const gPerMm3 = batterDensity(plan) / 1000
  const sizes = { wholeG: baseAreaMm2(plan.mould) * plan.mould.fillMm * gPerMm3, gPerMm3 }
  return isTray(plan.mould) ? cutTray(plan, sizes) : cutAlong(plan, sizes)
}

/** What one mould of a batch is cut into. */
export interface MouldBars {
  name: string
  count: number
  massG: number
}

/** Bars of every mould of a batch: further moulds are cut like the first. */
export const allBars = (plan: Plan): MouldBars[] =>
  [plan.mould, ...plan.moreMoulds].map((mould, i) => {
    const score = i === 0 ? plan.score : plan.score.map(pour => ({ ...pour, cavities: [] }))
    const { bars } = cutForecast({ ...plan, mould, score })
    return { name: mould.name, count: bars.count, massG: bars.massG }
  })

/** Whether and how often the blade is wiped: white drags over what is darker. */
export function bladeAdvice(plan: Plan, shelf: Shelf): Words {
  const poured = new Set(plan.score.map(pour => pour.cup))
  const cups = plan.cups.filter(cup => poured.has(cup.id))
  const isWhite = (id: string) => ['titanium', 'zinc'].includes(findById(shelf.colorants, id)?.spectrum ?? '')
  const white = cups.filter(cup => cup.colorants.some(part => isWhite(part.colorant)))
  if (white.length > 0 && cups.length > white.length) return fact('cure.wipe-blade-after-every')
  return cups.length > 1 ? fact('cure.wipe-blade-every-few') : fact('cure.one-colour-blade-need')
}

/** Thickness at which a bar weighs so much, mm; null where its width leaves nothing. */
export function thicknessFor(plan: Plan, barG: number): number | null {
  const { bars } = cutForecast(plan)
  if (!(bars.massG > 0)) return null
  return (plan.cutting.barMm * barG) / bars.massG
}
