import {
  EMBED_FORMS,
  cavityPath,
  MOVE_TOOLS,
  PATTERNS,
  POUR_WAYS,
  TOGETHER,
  showLength,
  tidy,
  traceName,
  say,
} from '@ostler/core'
import type { Cup, Embed, Move, Plan, Pour, UnitHabits } from '@ostler/core'

/** What the hands do, in words for a sheet. */

const sentenceCase = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** How far a stream is to go in. */
const DEPTH_SAID = {
  stays: 'stays near the surface',
  part: 'goes part of the way in',
  dives: 'dives anywhere below',
  floor: 'dives to the floor',
} as const

/** How many streams or spots, or where in the pot. */
function streams({ way, count, hour }: Pour['shape']): string {
  if (way === 'pot') return hour === 0 ? ', in the middle' : `, at ${tidy(hour, 1)} o’clock`
  return way === 'spoon' || way === 'peaks' || count === 1 ? '' : `, ${count} of them`
}

/** Which cavities it goes into, how much into each, and on what way; nothing for a mould of one. */
export function whereTo(plan: Plan, pour: Pour, habits: UnitHabits): string {
  const path = cavityPath(plan, pour.id)
  return path ? `${say(path, habits)} ` : ''
}

export function howPoured({ shape, together }: Pour): string {
  const way = shape.way === 'layer' ? '' : `${sentenceCase(POUR_WAYS[shape.way])}${streams(shape)}. `
  const tilt = shape.tiltDeg === 0 ? '' : `Mould tilted by ${tidy(Math.abs(shape.tiltDeg), 0)}°. `
  const depth = shape.depth === 'auto' || shape.way === 'layer' ? '' : `It ${DEPTH_SAID[shape.depth]}. `
  return `${together === 'no' ? '' : `${sentenceCase(TOGETHER[together])}. `}${way}${depth}${tilt}`
}

export function howMoved(move: Move): string {
  const isOverTop = move.tool === 'skewer' || move.tool === 'stick' || move.tool === 'comb'
  const often = move.count === 1 ? 'once' : move.count === 2 ? 'twice' : `${move.count} times`
  return `${MOVE_TOOLS[move.tool]}, ${often}${isOverTop ? `, ${PATTERNS[move.pattern]}` : ''}`
}

export const howSetIn = (embed: Embed, habits: UnitHabits): string =>
  `${embed.name} (${EMBED_FORMS[embed.form]}, ${showLength(embed.widthMm, habits)}), ${Math.round(embed.across * 100)} % across, middle at ${Math.round(embed.height * 100)} % of the height`

/** How cups are drawn, blended on and scented, where it is not as usual: a line for each, in the order of the plan. */
export function howWorked(plan: Plan): string[] {
  const lines: string[] = []
  const names = (of: (cup: Cup) => boolean) => plan.cups.filter(of).map(cup => cup.name)
  for (const { name, draw, stop } of plan.cups) {
    if (draw && plan.division.mode === 'one-pot' && !plan.whipped)
      lines.push(
        draw.by === 'level'
          ? `${name} is drawn early, at level ${tidy(draw.value, 1)} (${traceName(draw.value)}).`
          : `${name} is drawn early, after ${tidy(draw.value, 0)} s of blending.`,
      )
    if (stop !== null && !plan.whipped) lines.push(`${name} is blended on by itself to level ${tidy(stop, 1)}.`)
  }
  const how = (cup: Cup) => cup.ownScent ?? (cup.scented ? plan.scent : null)
  const never = names(cup => how(cup)?.moment === 'never-stop')
  if (never.length > 0)
    lines.push(
      `${never.join(', ')}: never stop. Mould, tools and spatula ready first; scent in last, stir and pour in one go, scrape, level, no tool after it.`,
    )
  const bursts = names(cup => how(cup)?.how === 'bursts' && how(cup)?.moment !== 'never-stop')
  if (bursts.length > 0) lines.push(`Scent of ${bursts.join(', ')}: blended in, in two short bursts.`)
  return lines
}

/** What ends the blending, for a sheet. */
export function untilWhen({ conditions }: Plan): string {
  const { stopWhen, stopLevel, blendS, leastS } = conditions
  const least = leastS > 0 && stopWhen !== 'seconds' ? `, ${tidy(leastS, 0)} s at least` : ''
  if (stopWhen === 'seconds') return `for ${tidy(blendS, 0)} s by the clock`
  const holds = stopWhen === 'level-holds' ? ', and until it stands a minute without streaks' : ''
  return `to level ${tidy(stopLevel, 1)} (${traceName(stopLevel)})${holds}${least}`
}
