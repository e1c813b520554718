import { fact } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import { TOP_WAYS, baseAreaMm2, layerHeights } from '../../plan/index.ts'
import type { Move, Mould, Plan, Pour } from '../../plan/index.ts'
import { diveMm, lookAt } from './look.ts'
import type { Look } from './look.ts'
import { setIn, toppedBy } from './finish.ts'
import type { Making } from './making.ts'
import { guarded, widened } from './pour.ts'
import type { PourOp, Program } from './program.ts'
import { seeded } from './random.ts'
import { textureModes } from './texture.ts'
import { foldTwists, moveTwists, potStir, potTilt } from './tools.ts'

/** A plan's design, compiled, with what had to be fitted. */
export interface Design {
  program: Program
  /** Cups in the order of the program's colours; powders dusted between layers follow. */
  cups: string[]
  pencils: string[]
  /** Colours of ready-made pieces, after the powders: the plan's embeds in their order. */
  embedHexes: string[]
  sentences: Words[]
}

/** Number of a text: the same design draws the same hand again. */
const seedOf = (text: string): number => [...text].reduce((hash, c) => (Math.imul(hash, 31) + c.charCodeAt(0)) >>> 0, 7)

const USUAL_LEVEL = 2.6
const PENCIL_MM = 0.35

/** Floor of one cavity, mm²: a half sphere stands for the cylinder of its volume. */
const cavityArea = (mould: Mould): number => baseAreaMm2(mould) / mould.cavities

/** Footprint of one cavity: a box, or a rectangle of the same area that stands for a round, oval or six-sided one. */
function emptyProgram(mould: Mould): Program {
  const area = cavityArea(mould)
  const { form, innerLengthMm: length, innerWidthMm: width } = mould
  if (form === 'box') return { ...blank(), lengthMm: length, widthMm: width }
  const isHex = form === 'hexagon'
  const radiusMm = isHex ? length / Math.sqrt(3) : form === 'dome' ? Math.sqrt(area / Math.PI) : length / 2
  const halfWidthMm = isHex ? length / 2 : form === 'ellipse' ? width / 2 : radiusMm
  const ratio = Math.sqrt(radiusMm / halfWidthMm)
  return {
    ...blank(),
    lengthMm: Math.sqrt(area) * ratio,
    widthMm: Math.sqrt(area) / ratio,
    radiusMm,
    halfWidthMm,
    isHex,
  }
}

const blank = (): Program => ({
  lengthMm: 0,
  widthMm: 0,
  radiusMm: 0,
  halfWidthMm: 0,
  isHex: false,
  heightMm: 0,
  ops: [],
  fray: null,
  colours: 0,
  embeds: [],
  tops: [],
  topMm: 0,
  floor: null,
})

const emptyOp = (colour: number, h0: number, volume: number, area: number, look: Look): PourOp => ({
  kind: 'pour',
  shape: 'layer',
  colour,
  h0,
  h1: h0 + volume / area,
  volume,
  edgeMm: look.edgeMm,
  cover: 0,
  pencil: -1,
  pencilMm: PENCIL_MM,
  chart: 'none',
  modes: new Float64Array(0),
  tilt: 0,
  x: 0,
  y: 0,
  halfX: look.spreadMm,
  halfY: look.spreadMm,
  profile: 'blunt',
  veil: 0,
  pot: null,
  partner: null,
  wander: { mm: 0, lengthMm: 110, phase: 0 },
})

/** Where lines or spots of one pour lie: from 0 to 1, in the order of a hand that goes to and fro. */
function places({ shape }: Pour, random: () => number): number[] {
  const { count, across, range, way } = shape
  if (way === 'walls') return Array.from({ length: count }, (_, i) => (i % 2 === 0 ? 0.03 : 0.97))
  const middle = way === 'spots' ? 0.5 : across
  const even = Array.from({ length: count }, (_, i) => middle + range * (count === 1 ? 0 : i / (count - 1) - 0.5))
  if (way !== 'drop') return even.map(at => Math.min(0.98, Math.max(0.02, at)))
  return even.map(at => Math.min(0.95, Math.max(0.05, at + (random() - 0.5) * 0.08)))
}

/** A slope that the batter has depth for: at the low wall a layer is at most as thick as all that lies there. */
function heldTilt({ program, sentences }: Making, tilt: number, flat: number): number {
  const { heightMm: h0, widthMm: W } = program
  const room = 0.98 * (h0 + flat)
  const steep = Math.abs(tilt)
  const isWedge = steep * (W / 2) > flat
  const thickest = isWedge ? Math.sqrt(2 * flat * W * steep) : flat + steep * (W / 2)
  if (thickest <= room) return tilt
  sentences.push(fact('swirl.there-too-little-batter'))
  return Math.sign(tilt) * Math.min(steep, room > 2 * flat ? (room * room) / (2 * flat * W) : (2 * (room - flat)) / W)
}

/** Whether a round pool lies clear of all four walls. */
const isClear = ({ x, y, halfY: r }: PourOp, L: number, W: number): boolean => Math.min(x, L - x, y, W - y) > r + 0.5

/** A wide pool leaves a thin film over everything; a fine line does not. */
const FILM_FROM_MM = 25

function poured(making: Making, pour: Pour, volume: number, look: Look, partner: PourOp['partner']): void {
  const { program } = making
  const { lengthMm: L, widthMm: W } = program
  const { shape } = pour
  const random = seeded(seedOf(pour.id))
  const colour = making.cups.indexOf(pour.cup)
  const chart = program.radiusMm > 0 ? 'chord' : 'none'
  const push = (op: PourOp) => {
    program.ops.push(op)
    program.heightMm = op.h1
  }
  const base = (part: number): PourOp => ({
    ...emptyOp(colour, program.heightMm, part, L * W, look),
    chart,
    partner,
    pencil: shape.pencil === '' ? -1 : making.cups.length + making.pencils.indexOf(shape.pencil),
  })
  if (shape.way === 'layer' || shape.way === 'spoon') {
    const face = shape.way === 'spoon' ? 'clouds' : shape.texture
    // On the mould's floor a layer has the floor's face.
    const isFree = chart === 'none' && program.heightMm > 0
    const modes = isFree ? textureModes(face, L, W, look.textureMm, seedOf(pour.id)) : new Float64Array(0)
    const tilt = isFree ? heldTilt(making, Math.tan((shape.tiltDeg * Math.PI) / 180), volume / (L * W)) : 0
    const fitted = guarded({ ...base(volume), modes, tilt }, program)
    if (fitted.scale < 0.6) making.sentences.push(fact('swirl.layer-too-thin-for'))
    return push(fitted.op)
  }
  const spread = shape.spreadMm > 0 ? shape.spreadMm : look.spreadMm
  const isMiddle = chart === 'chord' && !program.isHex && shape.way === 'spots' && shape.count === 1
  if (isMiddle && program.heightMm > 0) {
    // One spot in the middle of a round mould: rings that push each other to the wall.
    const ring = Math.max(0.6, (spread / program.radiusMm) ** 2) * W
    const op: PourOp = { ...base(volume), chart: 'polar', shape: 'line', y: 0, halfY: ring, halfX: ring, veil: 0.12 }
    return push(widened(op, L, W, null))
  }
  const list = places(pour, random)
  list.forEach((at, n) => {
    const op: PourOp = {
      ...base(volume / list.length),
      shape: shape.way === 'spots' || chart === 'chord' ? 'point' : 'line',
      x: shape.way === 'spots' ? L * at : L / 2,
      y: shape.way === 'spots' ? W * shape.across : W * at,
      halfX: spread,
      halfY: spread,
      profile: shape.way === 'line' ? 'soft' : 'blunt',
      veil: spread < FILM_FROM_MM ? 0 : shape.way === 'walls' ? 0.08 : shape.way === 'line' ? 0.1 : 0,
      cover: shape.cover,
      pencil: n === 0 ? base(0).pencil : -1,
      wander: {
        mm: shape.way === 'drop' ? 3 : shape.way === 'line' ? 1.5 : 1,
        lengthMm: 70 + 90 * random(),
        phase: 6 * random(),
      },
    }
    const diving = shape.way === 'drop' || (shape.way === 'spots' && pour.dropMm > 20)
    const depth = diving && program.heightMm > 0 ? Math.max(3, diveMm(pour.dropMm, look)) : null
    const round = op.shape === 'point' && chart === 'none' ? widened({ ...op, shape: 'round' }, L, W, depth) : null
    const fits = round !== null && isClear(round, L, W)
    push(fits ? round : widened(op, L, W, depth))
  })
}

/** A pour into the pot waits there; the pot is a square of the same area. */
function intoPot(making: Making, pour: Pour, volume: number, look: Look): void {
  const { pot } = making
  const { side } = pot
  const colour = making.cups.indexOf(pour.cup)
  const { hour } = pour.shape
  const angle = ((90 - 30 * hour) * Math.PI) / 180
  const isBase = pot.pours.length === 0 || hour === 0
  const op: PourOp = {
    ...emptyOp(colour, pot.height, volume, side * side, look),
    shape: isBase && pot.pours.length === 0 ? 'layer' : 'point',
    x: side * (0.5 + (hour === 0 ? 0 : 0.27 * Math.cos(angle))),
    y: side * (0.5 + (hour === 0 ? 0 : 0.27 * Math.sin(angle))),
  }
  const deep = pot.pours.length === 0 ? op : widened(op, side, side, 0.8 * op.h1)
  pot.pours.push({ op: deep, pour })
  pot.volume += volume
  pot.height = op.h1
}

const FOLDS = 5

/** Empties the pot into the mould, in passes to and fro. */
function decant(making: Making, passes: number, look: Look): void {
  const { pot, program } = making
  if (pot.pours.length === 0) return
  const content: Program = {
    ...blank(),
    lengthMm: pot.side,
    widthMm: pot.side,
    heightMm: pot.height,
    colours: making.cups.length,
    ops: pot.pours.map(({ op }) => op),
  }
  const stirs = pot.moves.filter(move => move.tool === 'stir' && !move.off)
  for (const stir of stirs) content.ops.push(potStir(stir.count, stir.strength, content))
  content.ops.push(potTilt(content))
  const { lengthMm: L, widthMm: W } = program
  const seed = seedOf(pot.pours[0]!.pour.id)
  const random = seeded(seed)
  for (let i = 0; i < passes; i += 1) {
    const op: PourOp = {
      ...emptyOp(0, program.heightMm, pot.volume / passes, L * W, look),
      shape: program.radiusMm > 0 ? 'point' : 'line',
      chart: program.radiusMm > 0 ? 'chord' : 'none',
      x: L / 2,
      y: W * (0.2 + 0.6 * ((i * 0.62 + random() * 0.3) % 1)),
      halfX: W * 0.5,
      halfY: W * 0.5,
      veil: 0.15,
      wander: { mm: Math.min(7, W * 0.08), lengthMm: 80 + 80 * random(), phase: 6 * random() },
      pot: { program: content, from: i / passes, to: (i + 1) / passes, isBack: i % 2 === 1 },
    }
    const wide = widened(op, L, W, null)
    program.ops.push(wide)
    program.heightMm = wide.h1
  }
  program.ops.push(...foldTwists(FOLDS, 1, { program, heightMm: program.heightMm, look, seed }))
  making.pot = emptyPot(making.mould)
}

/** A pot about as wide as it is filled. */
function emptyPot(mould: Mould): Making['pot'] {
  const volume = cavityArea(mould) * mould.fillMm
  return { pours: [], volume: 0, side: Math.cbrt(volume), moves: [], height: 0 }
}

const USUAL_PASSES = 5

const THROUGH: readonly Move['tool'][] = ['hanger', 'stick', 'skewer', 'spoon']

function doMove(making: Making, move: Move, look: Look): void {
  if (move.off) return
  if (move.tool === 'stir') {
    if (making.pot.pours.length === 0) making.sentences.push(fact('swirl.turn-pot-needs-something'))
    else making.pot.moves.push(move)
    return
  }
  if (move.tool === 'decant') return decant(making, move.count, look)
  if (look.drag < 0.9 && THROUGH.includes(move.tool)) making.sentences.push(fact('swirl.batter-will-be-thick'))
  const block = { program: making.program, heightMm: making.program.heightMm, look, seed: seedOf(move.id) }
  if (!(making.program.heightMm > 0)) return void making.sentences.push(fact('swirl.tool-was-set-before'))
  const twists = moveTwists(move, block)
  if (twists.length === 0)
    making.sentences.push(
      making.program.radiusMm > 0 ? fact('swirl.this-tool-does-not') : fact('swirl.tools-path-has-no'),
    )
  making.program.ops.push(...twists)
}

/** Whether anything but plain straight layers is planned. Those stay exact: no wobble of the hand is drawn. */
export const hasSwirls = (plan: Plan): boolean =>
  plan.moves.some(move => !move.off) ||
  plan.finish.embeds.length > 0 ||
  plan.finish.mat.texture !== 'flat' ||
  plan.score.some(
    ({ shape, together }) =>
      together !== 'no' ||
      shape.way !== 'layer' ||
      shape.texture !== 'straight' ||
      shape.tiltDeg !== 0 ||
      shape.pencil !== '',
  )

/** The second colour of a stream, when the next pour goes in at once with this one. */
function partnerOf(making: Making, i: number, heights: readonly number[]): PourOp['partner'] {
  const [pour, next] = [making.plan.score[i]!, making.plan.score[i + 1]]
  if (!next || next.together === 'no') return null
  const isOpen = ({ shape }: Pour) => shape.way !== 'pot' && !TOP_WAYS.includes(shape.way)
  if (!isOpen(pour) || !isOpen(next) || pour.together !== 'no') {
    making.sentences.push(fact('swirl.only-two-pours-into'))
    return null
  }
  const from = heights[i]! / (heights[i]! + heights[i + 1]!)
  return { colour: making.cups.indexOf(next.cup), from, split: next.together }
}

/**
 * Compiles a plan into what the hands do, for one cavity of a mould.
 *
 * @param levels trace level of each pour, as forecast; missing ones count as light to medium
 * @param mould  one of the plan's moulds; the first unless given. Embeds and the mat go into the first.
 */
export function designOf(plan: Plan, levels: readonly number[], mould: Mould = plan.mould): Design {
  const pencils = [...new Set(plan.score.map(pour => pour.shape.pencil).filter(id => id !== ''))]
  const cups = plan.cups.map(cup => cup.id)
  const { embeds } = plan.finish
  const program: Program = { ...emptyProgram(mould), colours: cups.length + pencils.length + embeds.length }
  const making: Making = { plan, mould, program, cups, pencils, sentences: [], levels, pot: emptyPot(mould) }
  const area = cavityArea(mould)
  const heights = layerHeights({ ...plan, mould })
  const tops: number[] = []
  let skip = -1
  plan.score.forEach((pour, i) => {
    const look = lookAt(levels[i] ?? USUAL_LEVEL)
    const { way } = pour.shape
    if (TOP_WAYS.includes(way)) tops.push(i)
    else if (way === 'pot') intoPot(making, pour, heights[i]! * area, look)
    else if (i !== skip) {
      decant(making, USUAL_PASSES, look)
      const partner = partnerOf(making, i, heights)
      if (partner) skip = i + 1
      poured(making, pour, (heights[i]! + (partner ? heights[i + 1]! : 0)) * area, look, partner)
    }
    if (i + 1 === skip) return
    const before = skip === i ? plan.score[i - 1]!.id : ''
    for (const move of plan.moves) if (move.after === pour.id || move.after === before) doMove(making, move, look)
  })
  decant(making, USUAL_PASSES, lookAt(levels.at(-1) ?? USUAL_LEVEL))
  if (program.heightMm === 0) making.sentences.push(fact('swirl.there-nothing-yet-for'))
  else for (const i of tops) toppedBy(making, plan.score[i]!, heights[i]! * area)
  setIn(making)
  if (hasSwirls(plan)) {
    const mean = plan.score.reduce((sum, pour, i) => sum + (levels[i] ?? USUAL_LEVEL) * pour.share, 0)
    const whole = plan.score.reduce((sum, pour) => sum + pour.share, 0)
    const look = lookAt(mean / whole)
    program.fray = { amplitudeMm: look.frayMm, wavelengthMm: look.frayWaveMm, seed: 1.7 }
  }
  return {
    program,
    cups,
    pencils,
    embedHexes: embeds.map(embed => embed.hex),
    sentences: [...new Set(making.sentences)],
  }
}
