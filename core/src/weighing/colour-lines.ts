import { ladderSteps } from '../cups/index.ts'
import type { Plan } from '../plan/index.ts'
import { dustedLines } from '../portions/index.ts'
import type { Portions } from '../portions/index.ts'
import { findById } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { roundNearest } from '../working/index.ts'
import { MOMENT_WORDS, line, uncounted } from './line.ts'
import type { WeighLine } from './line.ts'

const CLUMPS: Readonly<Record<string, string>> = {
  oil: 'press it smooth; if it clumps, rest it an hour or sieve it',
  water: 'press it smooth; if it clumps, a drop of alcohol helps',
  glycerin: 'press it smooth',
}

/** Colours of the pot, of single cups and of ladders, each with what it is mixed with. */
export function colourLines(plan: Plan, portions: Portions, shelf: Shelf): WeighLine[] {
  const base = { group: 'colours' as const, stepG: plan.conditions.fineScaleStepG }
  const dry = (dusty: boolean | undefined) => (dusty ? 'in a small pot; mask on while it is dry' : 'in a small pot')
  // Batters of their own each get theirs.
  const isOwn = plan.division.mode === 'own-batters'
  const whole = portions.potColours
    .filter(part => part.exactG > 0 && !isOwn)
    .map(part =>
      line({
        ...base,
        kind: 'colour',
        item: { kind: 'colorants', id: part.colorant },
        most: usualMost(shelf, part.colorant, portions.potG),
        key: `colour:pot:${part.colorant}`,
        what: `${part.name} for the whole pot`,
        massG: part.massG,
        exactG: part.exactG,
        where: `${dry(findById(shelf.colorants, part.colorant)?.dusty)}; ${MOMENT_WORDS[part.moment]}`,
      }),
    )
  const onLadder = new Set(plan.ladders.flatMap(ladder => ladder.cups))
  const ofCups = plan.cups.flatMap((cup, i) =>
    (onLadder.has(cup.id) ? [] : portions.cups[i]!.colours).flatMap(part => {
      if (!(part.exact.powderG > 0)) return []
      const colorant = findById(shelf.colorants, part.colorant)
      const powder = line({
        ...base,
        kind: 'colour',
        item: { kind: 'colorants', id: part.colorant },
        most: usualMost(shelf, part.colorant, portions.cups[i]!.exact.batterG),
        key: `colour:${cup.id}:${part.colorant}`,
        what: `${part.name} for ${cup.name}`,
        massG: part.powderG,
        exactG: part.exact.powderG,
        where: part.fromSlurry ? 'in the slurry already made' : dry(colorant?.dusty),
      })
      if (!(part.exact.mediumG > 0)) return [powder]
      const smooth = CLUMPS[part.medium] ?? 'stir smooth'
      const medium = line({
        ...base,
        kind: 'medium',
        item: mediumItem(plan, shelf, part.medium),
        key: `medium:${cup.id}:${part.colorant}`,
        what: `${mediumName(plan, shelf, part.medium)} for ${part.name}, ${cup.name}`,
        massG: part.mediumG,
        exactG: part.exact.mediumG,
        where: part.fromSlurry
          ? 'in the slurry already made'
          : part.medium === 'alcohol'
            ? 'on the powder; stir smooth. It burns: no flame, no hot plate, air the room'
            : `on the powder; ${colorant?.clumping === 'high' ? smooth : 'stir smooth'}`,
      })
      return [powder, medium]
    }),
  )
  return [...whole, ...ofCups, ...ladderLines(plan, portions, shelf)]
}

/** What the liquid for a colour is taken from. */
function mediumItem(plan: Plan, shelf: Shelf, medium: string): WeighLine['item'] {
  const oil = findById(shelf.oils, plan.division.mediumOil)
  if (medium === 'oil') return oil ? { kind: 'oils', id: oil.id } : uncounted('oil')
  if (medium === 'glycerin') return { kind: 'additives', id: 'glycerin' }
  return medium === 'alcohol' ? uncounted('alcohol') : uncounted('water')
}

const usualMost = (shelf: Shelf, colorant: string, batterG: number): WeighLine['most'] => {
  const most = findById(shelf.colorants, colorant)?.usualMaxGPerKg
  return most === undefined ? null : { massG: (batterG * most) / 1000, isCap: false }
}

/** Powder for lines between layers: weighed apart, sieved on, mask on. */
export const dustedPowderLines = (plan: Plan, shelf: Shelf): WeighLine[] =>
  dustedLines(plan, shelf).map(one =>
    line({
      key: `line:${one.pour}:${one.colorant}`,
      kind: 'colour',
      item: { kind: 'colorants', id: one.colorant },
      group: 'lines',
      what: `${one.name} under pour ${one.under}`,
      massG: roundNearest(one.exactG, plan.conditions.fineScaleStepG),
      exactG: one.exactG,
      stepG: plan.conditions.fineScaleStepG,
      where: 'in a dry sieve; dusted so that it only just covers, mask on, still air',
    }),
  )

/** A ladder's colour is weighed once, for the mother cup; its white in as many pots as it is stirred in. */
function ladderLines(plan: Plan, portions: Portions, shelf: Shelf): WeighLine[] {
  const { fineScaleStepG: stepG } = plan.conditions
  const name = (id: string) => plan.cups.find(cup => cup.id === id)?.name ?? id
  const own = (key: string, what: string, exactG: number, where: string, item: WeighLine['item']) =>
    line({
      item,
      ...{ key, group: 'colours' as const, what, exactG, stepG, where },
      kind: key.startsWith('medium') || key.startsWith('wetting') ? 'medium' : 'colour',
      massG: roundNearest(exactG, stepG),
    })
  return plan.ladders.flatMap(ladder => {
    const { colours, steps } = ladderSteps(plan, portions, ladder)
    const mother = name(ladder.cups[0]!)
    const white = findById(shelf.colorants, ladder.white)
    return [
      ...colours.flatMap(part => [
        own(
          `colour:${ladder.id}:${part.colorant}`,
          `${part.name} for the mother cup of ${mother}`,
          part.powderG,
          'in a small pot; for all steps of the ladder',
          { kind: 'colorants', id: part.colorant },
        ),
        ...(part.mediumG > 0
          ? [
              own(
                `medium:${ladder.id}:${part.colorant}`,
                `${mediumName(plan, shelf, part.medium)} for ${part.name}, mother cup of ${mother}`,
                part.mediumG,
                'on the powder; stir smooth',
                mediumItem(plan, shelf, part.medium),
              ),
            ]
          : []),
      ]),
      ...steps
        .filter(step => step.addWhiteG > 0)
        .flatMap(step => [
          own(
            `white:${ladder.id}:${step.cup}`,
            `${white?.name ?? 'White'}, into the rest after ${name(step.cup)}`,
            step.addWhiteG,
            'in a small pot of its own',
            { kind: 'colorants', id: ladder.white },
          ),
          ...(white && white.mediumRatio > 0 && white.medium !== 'none'
            ? [
                own(
                  `wetting:${ladder.id}:${step.cup}`,
                  `${mediumName(plan, shelf, white.medium)} for that white`,
                  step.addWhiteG * white.mediumRatio,
                  'on the powder; stir smooth',
                  mediumItem(plan, shelf, white.medium),
                ),
              ]
            : []),
        ]),
    ]
  })
}

/** The oil that disperses by its name, other liquids as they are. */
function mediumName(plan: Plan, shelf: Shelf, medium: string): string {
  const oil = medium === 'oil' ? findById(shelf.oils, plan.division.mediumOil) : undefined
  const drawn = plan.division.mediumFrom === 'recipe' ? ', drawn from the recipe,' : ''
  return `${oil?.name ?? medium.charAt(0).toUpperCase() + medium.slice(1)}${(medium === 'oil' && oil) || medium === 'water' ? drawn : ''}`
}
