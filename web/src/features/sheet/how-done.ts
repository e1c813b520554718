import { EMBED_FORMS, MOVE_TOOLS, PATTERNS, POUR_WAYS, TOGETHER, showLength, tidy } from '@ostler/core'
import type { Embed, Move, Pour, UnitHabits } from '@ostler/core'

/** What the hands do, in words for a sheet. */

const sentenceCase = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** How many streams or spots, or where in the pot. */
function streams({ way, count, hour }: Pour['shape']): string {
  if (way === 'pot') return hour === 0 ? ', in the middle' : `, at ${tidy(hour, 1)} o’clock`
  return way === 'spoon' || way === 'peaks' || count === 1 ? '' : `, ${count} of them`
}

export function howPoured({ shape, together }: Pour): string {
  const way = shape.way === 'layer' ? '' : `${sentenceCase(POUR_WAYS[shape.way])}${streams(shape)}. `
  const tilt = shape.tiltDeg === 0 ? '' : `Mould tilted by ${tidy(Math.abs(shape.tiltDeg), 0)}°. `
  return `${together === 'no' ? '' : `${sentenceCase(TOGETHER[together])}. `}${way}${tilt}`
}

export function howMoved(move: Move): string {
  const isOverTop = move.tool === 'skewer' || move.tool === 'stick' || move.tool === 'comb'
  const often = move.count === 1 ? 'once' : move.count === 2 ? 'twice' : `${move.count} times`
  return `${MOVE_TOOLS[move.tool]}, ${often}${isOverTop ? `, ${PATTERNS[move.pattern]}` : ''}`
}

export const howSetIn = (embed: Embed, habits: UnitHabits): string =>
  `${embed.name} (${EMBED_FORMS[embed.form]}, ${showLength(embed.widthMm, habits)}), ${Math.round(embed.across * 100)} % across, middle at ${Math.round(embed.height * 100)} % of the height`
