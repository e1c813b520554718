import { fact, together } from '../../quantities/facts/index.ts'
import type { Fact, Words } from '../../quantities/facts/index.ts'
import { MOVE_TOOLS } from '../../plan/index.ts'
import type { Plan } from '../../plan/index.ts'
import type { Design } from './design.ts'
import { OUTSIDE } from './render.ts'
import type { Picture } from './render.ts'

/** How much of a picture one colour takes, and how high it lies on average. */
export interface ColourSeen {
  colour: number
  /** 0 to 1 of all soap in the picture. */
  share: number
  /** Mean height of it in the picture: 0 at its foot, 1 at its head. */
  height: number
}

/** A colour less than this is not spoken of. */
const LEAST_SHARE = 0.005
/** A colour this much of the height below or above the middle of all soap is said to lie there. */
const APART = 0.15

/** The colours of a picture, the lowest first; both colours of a mixed pixel count with their share. */
export function coloursSeen(picture: Picture): ColourSeen[] {
  const amounts = new Float64Array(OUTSIDE + 1)
  const rows = new Float64Array(OUTSIDE + 1)
  let all = 0
  for (let row = 0; row < picture.height; row += 1)
    for (let i = 0; i < picture.width; i += 1) {
      const n = row * picture.width + i
      const first = picture.first[n]!
      if (first === OUTSIDE) continue
      const second = picture.second[n]!
      const share = picture.share[n]! / 255
      all += 1
      amounts[first]! += share
      rows[first]! += share * (row + 0.5)
      amounts[second]! += 1 - share
      rows[second]! += (1 - share) * (row + 0.5)
    }
  return [...amounts.keys()]
    .filter(colour => amounts[colour]! > 0)
    .map(colour => ({
      colour,
      share: amounts[colour]! / all,
      height: 1 - rows[colour]! / amounts[colour]! / picture.height,
    }))
    .sort((a, b) => a.height - b.height)
}

/**
 * What a picture of soap shows, for those who cannot see it: each colour, its share, and where it lies.
 *
 * @param names of the colours of the design, in its order
 * @param isLevel seen from above, where there is no below
 */
export function pictureWords(picture: Picture, names: readonly Words[], isLevel = false): Words {
  const seen = coloursSeen(picture).filter(one => one.share >= LEAST_SHARE)
  if (seen.length === 0) return fact('swirl.nothing-soap-seen-here')
  const middle = seen.reduce((sum, one) => sum + one.share * one.height, 0)
  const parts = seen.map(({ colour, share, height }) => {
    const where = isLevel
      ? ''
      : height < middle - APART
        ? fact('swirl.below')
        : height > middle + APART
          ? fact('swirl.above')
          : fact('swirl.in-between')
    return fact('swirl.picturewords', {
      names: names[colour] ?? fact('swirl.another-colour'),
      share: Math.round(share * 100),
      which: seen.length > 1 ? where : '',
    })
  })
  return fact('swirl.picture', {
    which: isLevel ? fact('swirl.from-above') : fact('swirl.from-bottom'),
    parts: together(parts, '; '),
  })
}

/**
 * How two bars of a loaf differ, colour by colour; null when no colour differs by a hundredth.
 *
 * @param first @param last share of each colour on them, 0 to 1
 */
export function differenceWords(
  first: readonly number[],
  last: readonly number[],
  names: readonly Words[],
): Fact | null {
  const percent = (share: number | undefined) => Math.round((share ?? 0) * 100)
  const parts = names.flatMap((name, i) =>
    percent(first[i]) === percent(last[i])
      ? []
      : [fact('swirl.first-and-last', { name, first: percent(first[i]), last: percent(last[i]) })],
  )
  return parts.length > 0 ? together(parts, ', ') : null
}

/** What the hands do in a design, in a sentence; empty for level layers without a tool. */
export function patternWords(plan: Pick<Plan, 'moves'>): Words {
  if (plan.moves.length === 0) return ''
  return fact('swirl.drawn-with', {
    moves: together(
      plan.moves.map(({ tool, count }) =>
        count > 1 ? fact('swirl.tool-so-often', { tool: fact(MOVE_TOOLS[tool]), count }) : fact(MOVE_TOOLS[tool]),
      ),
      '; ',
    ),
  })
}

/** Names of a design's colours in its order: cups, powders dusted between layers, ready-made pieces. */
export function colourNames(
  plan: Pick<Plan, 'cups' | 'finish'>,
  design: Design,
  powderName: (id: string) => string = id => id,
): Words[] {
  return [
    ...design.cups.map(id => plan.cups.find(cup => cup.id === id)?.name ?? id),
    ...design.pencils.map(id => fact('swirl.a-line-of', { powderName: powderName(id) })),
    ...design.embedHexes.map((_, i) => plan.finish.embeds[i]?.name ?? fact('swirl.ready-made-piece')),
  ]
}
