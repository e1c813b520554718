import { EMBED_FORMS, cavityPath, MOVE_TOOLS, PATTERNS, POUR_WAYS, TOGETHER, showLength, traceName } from '@ostler/core'
import type { Cup, Embed, Move, Plan, Pour, UnitHabits } from '@ostler/core'
import { say, t, tidy } from '../words/index.ts'

/** What the hands do, in words for a sheet. */

const sentenceCase = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** How far a stream is to go in. */
const DEPTH_SAID = {
  stays: t('stays near the surface'),
  part: t('goes part of the way in'),
  dives: t('dives anywhere below'),
  floor: t('dives to the floor'),
} as const

/** How many streams or spots, or where in the pot. */
function streams({ way, count, hour }: Pour['shape']): string {
  if (way === 'pot') return hour === 0 ? t(', in the middle') : t(', at {hour} o’clock', { hour: tidy(hour, 1) })
  return way === 'spoon' || way === 'peaks' || count === 1 ? '' : t(', {count} of them', { count })
}

/** Which cavities it goes into, how much into each, and on what way; nothing for a mould of one. */
export function whereTo(plan: Plan, pour: Pour, habits: UnitHabits): string {
  const path = cavityPath(plan, pour.id)
  return path ? `${say(path, habits)} ` : ''
}

export function howPoured({ shape, together }: Pour): string {
  const way = shape.way === 'layer' ? '' : `${sentenceCase(t(POUR_WAYS[shape.way]))}${streams(shape)}. `
  const tilt =
    shape.tiltDeg === 0 ? '' : t('Mould tilted by {tiltDeg}°. ', { tiltDeg: tidy(Math.abs(shape.tiltDeg), 0) })
  const depth =
    shape.depth === 'auto' || shape.way === 'layer' ? '' : t('It {depth}. ', { depth: DEPTH_SAID[shape.depth] })
  return `${together === 'no' ? '' : `${sentenceCase(t(TOGETHER[together]))}. `}${way}${depth}${tilt}`
}

export function howMoved(move: Move): string {
  const isOverTop = move.tool === 'skewer' || move.tool === 'stick' || move.tool === 'comb'
  const often = move.count === 1 ? t('once') : move.count === 2 ? t('twice') : t('{move} times', { move: move.count })
  return `${t(MOVE_TOOLS[move.tool])}, ${often}${isOverTop ? `, ${t(PATTERNS[move.pattern])}` : ''}`
}

export const howSetIn = (embed: Embed, habits: UnitHabits): string =>
  t('{embed} ({form}, {widthMm}), {across} % across, middle at {height} % of the height', {
    embed: embed.name,
    form: t(EMBED_FORMS[embed.form]),
    widthMm: showLength(embed.widthMm, habits),
    across: Math.round(embed.across * 100),
    height: Math.round(embed.height * 100),
  })

/** How cups are drawn, blended on and scented, where it is not as usual: a line for each, in the order of the plan. */
export function howWorked(plan: Plan): string[] {
  const lines: string[] = []
  const names = (of: (cup: Cup) => boolean) => plan.cups.filter(of).map(cup => cup.name)
  for (const { name, draw, stop } of plan.cups) {
    if (draw && plan.division.mode === 'one-pot' && !plan.whipped)
      lines.push(
        draw.by === 'level'
          ? t('{name} is drawn early, at level {value} ({value2}).', {
              name,
              value: tidy(draw.value, 1),
              value2: say(traceName(draw.value)),
            })
          : t('{name} is drawn early, after {value} s of blending.', { name, value: tidy(draw.value, 0) }),
      )
    if (stop !== null && !plan.whipped)
      lines.push(t('{name} is blended on by itself to level {stop}.', { name, stop: tidy(stop, 1) }))
  }
  const how = (cup: Cup) => cup.ownScent ?? (cup.scented ? plan.scent : null)
  const never = names(cup => how(cup)?.moment === 'never-stop')
  if (never.length > 0)
    lines.push(
      t(
        '{never}: never stop. Mould, tools and spatula ready first; scent in last, stir and pour in one go, scrape, level, no tool after it.',
        { never: never.join(', ') },
      ),
    )
  const bursts = names(cup => how(cup)?.how === 'bursts' && how(cup)?.moment !== 'never-stop')
  if (bursts.length > 0)
    lines.push(t('Scent of {bursts}: blended in, in two short bursts.', { bursts: bursts.join(', ') }))
  return lines
}

/** What ends the blending, for a sheet. */
export function untilWhen({ conditions }: Plan): string {
  const { stopWhen, stopLevel, blendS, leastS } = conditions
  const least = leastS > 0 && stopWhen !== 'seconds' ? t(', {leastS} s at least', { leastS: tidy(leastS, 0) }) : ''
  if (stopWhen === 'seconds') return t('for {blendS} s by the clock', { blendS: tidy(blendS, 0) })
  const holds = stopWhen === 'level-holds' ? t(', and until it stands a minute without streaks') : ''
  return t('to level {stopLevel} ({stopLevel2}){holds}{least}', {
    stopLevel: tidy(stopLevel, 1),
    stopLevel2: say(traceName(stopLevel)),
    holds,
    least,
  })
}
