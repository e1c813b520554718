import { fact, keepingZeros, listOf, millimetres, plain } from '../quantities/facts/index.ts'
import type { Fact, Words } from '../quantities/facts/index.ts'
import { MOVE_TOOLS, clearMm, cupShares, embedPieces, layerHeights } from '../plan/index.ts'
import type { Edit, Plan } from '../plan/index.ts'
import type { Design } from '../look/swirl/index.ts'
import { levelThatStaysTilted, peakHeightMm, traceName, yieldStress } from '../batter/trace/index.ts'
import type { Measures } from './measures.ts'
import { planBDiffers } from './plan-b.ts'
import { draggedToppings } from './toppings.ts'

/** Something about a design that a maker would want to know before pouring it, and what would help. */
export interface DesignAdvice {
  id: string
  sentence: Words
  /** What one can do about it with one action. */
  fix: { text: Fact; edit: Edit } | null
}

/** Layers thinner than this break when they are smoothed, mm. Makers' rule. */
const SMOOTHED_MM = 8
/** More of a face than this in threads reads as mixed: set by eye on rendered faces. */
const MUDDY = 0.3
/** Bars of one loaf that differ by more in one colour, share of the face. */
const DIFFERS = 0.18
/** A colour that is poured but hardly seen. */
const POURED = 0.03
const HIDDEN = 0.004
/** Pieces closer to a wall show through, mm. */
const NEAR_WALL_MM = 3

const percent = (share: number): string => `${Math.round(share * 100)} %`

function thinLayers(plan: Plan): DesignAdvice[] {
  const heights = layerHeights(plan)
  const thin = plan.score.flatMap(({ shape }, i) =>
    shape.way === 'layer' && shape.texture !== 'straight' && i > 0 && heights[i]! < SMOOTHED_MM ? [i + 1] : [],
  )
  if (thin.length === 0) return []
  const which =
    thin.length === 1
      ? fact('design.layer-is', { thin: thin[0]! })
      : fact('design.layers-are', { list: listOf(thin.map(String)) })
  const sentence = fact('design.thinner-than-thin-layer', { which, thin: millimetres(SMOOTHED_MM) })
  return [{ id: 'thin-layers', sentence, fix: null }]
}

function muddy(plan: Plan, measures: Measures): DesignAdvice[] {
  if (measures.threads < MUDDY) return []
  const busiest = plan.moves
    .filter(move => !move.off && move.count > 1)
    .sort((a, b) => b.count * b.strength - a.count * a.strength)[0]
  const fewer = busiest ? Math.max(1, Math.round(busiest.count * 0.6)) : 0
  const sentence = fact('design.about-faces-lies-threads', { threads: percent(measures.threads) })
  const at = plan.moves.findIndex(move => move === busiest)
  const fix = busiest && {
    text: fact('design.instead-of', { tool: fact(MOVE_TOOLS[busiest.tool]), fewer, count: busiest.count }),
    edit: { kind: 'set' as const, path: ['moves', at, 'count'], value: fewer },
  }
  return [{ id: 'muddy', sentence, fix: fix ?? null }]
}

function hidden(plan: Plan, design: Design, measures: Measures): DesignAdvice[] {
  const shares = cupShares(plan)
  const lost = design.cups.flatMap((_, i) =>
    shares[i]! >= POURED && measures.seen[i]! < HIDDEN ? [`${plan.cups[i]!.name} (${percent(shares[i]!)})`] : [],
  )
  if (lost.length === 0) return []
  const sentence = fact('design.batter-hardly-shows-on', { list: listOf(lost) })
  return [{ id: 'hidden', sentence, fix: null }]
}

function uneven(plan: Plan, measures: Measures): DesignAdvice[] {
  if (measures.faces.length < 2) return []
  let worst = { off: 0, cup: 0, low: 0, high: 0, least: 0, most: 0 }
  plan.cups.forEach((_, cup) => {
    const of = measures.faces.map(face => face[cup]!)
    const [least, most] = [Math.min(...of), Math.max(...of)]
    if (most - least > worst.off)
      worst = { off: most - least, cup, low: of.indexOf(least), high: of.indexOf(most), least, most }
  })
  if (worst.off < DIFFERS) return []
  const name = plan.cups[worst.cup]!.name
  const sentence = fact('design.bars-will-differ-takes', {
    name,
    least: percent(worst.least),
    most: percent(worst.most),
  })
  return [{ id: 'uneven', sentence, fix: null }]
}

/** A sphere stays put in a yield-stress fluid while 0.048 · Δρ · g · d is below the yield stress (Beris and others, 1985). */
const HELD = 0.048
const GRAVITY = 9.81

function embeds(plan: Plan, levels: readonly number[]): DesignAdvice[] {
  const advice: DesignAdvice[] = []
  const pieces = embedPieces(plan)
  plan.finish.embeds.forEach((embed, n) => {
    const own = pieces.filter(piece => piece.embed === embed)
    if (own.length === 0) {
      advice.push({
        id: `embed-none-${embed.id}`,
        sentence: fact('design.no-bar-lies-its', { embed: embed.name }),
        fix: null,
      })
      return
    }
    const heavier = (embed.densityGPerMl - plan.conditions.densityGPerMl) * 1000
    const need = HELD * Math.abs(heavier) * GRAVITY * (embed.widthMm / 1000)
    const found = plan.score.findIndex(pour => pour.id === embed.after)
    const level = levels[found >= 0 ? found : plan.score.length - 1]
    if (level !== undefined && need > yieldStress(level)) {
      const does = heavier > 0 ? 'sinks' : fact('design.floats-up')
      const sentence = fact('design.at-trace-g-per', {
        embed: embed.name,
        does,
        level: keepingZeros(plain(level, 1)),
        heavier: Math.abs(Math.round(heavier)),
        which: heavier > 0 ? fact('design.heavier') : fact('design.lighter'),
      })
      const next = plan.score[found + 1]
      const path = ['finish', 'embeds', n, 'after']
      const fix = next
        ? { text: fact('design.after-next-pour'), edit: { kind: 'set' as const, path, value: next.id } }
        : null
      advice.push({ id: `embed-moves-${embed.id}`, sentence, fix })
    }
    const clear = own.map(piece => clearMm(plan, piece))
    const wall = Math.min(...clear.map(one => one.wall))
    const top = Math.min(...clear.map(one => one.top))
    if (top < 0)
      advice.push({
        id: `embed-top-${embed.id}`,
        sentence: fact('design.stands-out-top', {
          embed: embed.name,
          top: keepingZeros(millimetres(Math.abs(top), 0)),
        }),
        fix: null,
      })
    if (wall < NEAR_WALL_MM) {
      const sentence =
        wall < 0
          ? fact('design.reaches-through-wall-make', {
              embed: embed.name,
              wall: keepingZeros(millimetres(Math.abs(wall), 0)),
            })
          : fact('design.lies-from-wall-may', {
              embed: embed.name,
              wall: keepingZeros(millimetres(wall, 0)),
              near: millimetres(NEAR_WALL_MM),
            })
      advice.push({ id: `embed-wall-${embed.id}`, sentence, fix: null })
    }
  })
  return advice
}

function toppings(plan: Plan): DesignAdvice[] {
  const dragged = draggedToppings(plan)
  if (dragged.length === 0) return []
  const names = listOf(dragged.map(topping => topping.name))
  const sentence = fact('design.lie-way-cut-would', { names })
  const edit: Edit = { kind: 'set', path: ['cutting', 'onSide'], value: true }
  return [{ id: 'dragged', sentence, fix: { text: fact('design.cut-on-its-side'), edit } }]
}

function rim(plan: Plan, design: Design): DesignAdvice[] {
  const { program } = design
  const over = program.heightMm + program.topMm - plan.mould.innerHeightMm
  if (program.tops.length === 0 || over <= 0) return []
  const sentence = fact('design.top-stands-above-moulds', { over: millimetres(Math.ceil(over)) })
  return [{ id: 'rim', sentence, fix: null }]
}

/** Tilted layers flow level again, and peaks sink, until the batter is firm enough for them. */
function standing(plan: Plan, levels: readonly number[]): DesignAdvice[] {
  const heights = layerHeights(plan)
  return plan.score.flatMap(({ shape }, i): DesignAdvice[] => {
    const level = levels[i]
    if (shape.way === 'layer' && shape.tiltDeg !== 0) {
      const need = levelThatStaysTilted(heights[i]!, shape.tiltDeg)
      const sentence = fact('design.layer-lies-at-keep', {
        i: i + 1,
        tiltDeg: keepingZeros(plain(Math.abs(shape.tiltDeg), 0)),
        need: keepingZeros(plain(need, 1)),
        traceName: traceName(need),
      })
      return [{ id: `tilt-${i}`, sentence, fix: null }]
    }
    if (shape.way !== 'peaks' || level === undefined) return []
    const holds = peakHeightMm(level)
    if (holds >= heights[i]!) return []
    const sentence = fact('design.at-trace-peaks-hold', {
      level: keepingZeros(plain(level, 1)),
      holds: keepingZeros(millimetres(holds, 0)),
    })
    return [{ id: `peaks-${i}`, sentence, fix: null }]
  })
}

function secondScore(plan: Plan): DesignAdvice[] {
  const names = planBDiffers(plan)
  if (names.length === 0) return []
  const sentence = fact('design.plan-b-takes-other', { list: listOf(names) })
  return [{ id: 'plan-b', sentence, fix: null }]
}

/**
 * What the geometry of a design says, the most pressing first.
 *
 * @param levels   trace level of each pour, as forecast
 * @param measures counted on the faces; null while they are not known yet
 */
export function designAdvice(
  plan: Plan,
  design: Design,
  levels: readonly number[],
  measures: Measures | null,
): DesignAdvice[] {
  return [
    ...embeds(plan, levels),
    ...(measures ? [...muddy(plan, measures), ...hidden(plan, design, measures)] : []),
    ...toppings(plan),
    ...standing(plan, levels),
    ...secondScore(plan),
    ...thinLayers(plan),
    ...(measures ? uneven(plan, measures) : []),
    ...rim(plan, design),
  ]
}
