import { fact, opening, together } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { ladderSteps } from '../look/cups/index.ts'
import type { Plan } from '../plan/index.ts'
import { dustedLines } from '../portions/index.ts'
import type { Portions } from '../portions/index.ts'
import { MEDIA, findById } from '../shelf/index.ts'
import type { Medium, Shelf } from '../shelf/index.ts'
import { roundNearest } from '../quantities/working/index.ts'
import { MOMENT_WORDS, line, uncounted } from './line.ts'
import type { WeighLine } from './line.ts'

const CLUMPS: Readonly<Record<string, Words>> = {
  oil: fact('press it smooth; if it clumps, rest it an hour or sieve it'),
  water: fact('press it smooth; if it clumps, a drop of alcohol helps'),
  glycerin: fact('press it smooth'),
}

/** Colours of the pot, of single cups and of ladders, each with what it is mixed with. */
export function colourLines(plan: Plan, portions: Portions, shelf: Shelf): WeighLine[] {
  const base = { group: 'colours' as const, stepG: plan.conditions.fineScaleStepG }
  const dry = (dusty: boolean | undefined) => (dusty ? fact('weighing.small-pot-mask-on') : fact('weighing.small-pot'))
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
        what: fact('weighing.for-whole-pot', { part: part.name }),
        massG: part.massG,
        exactG: part.exactG,
        where: together([dry(findById(shelf.colorants, part.colorant)?.dusty), fact(MOMENT_WORDS[part.moment])], '; '),
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
        what: fact('weighing.for', { part: part.name, cup: cup.name }),
        massG: part.powderG,
        exactG: part.exact.powderG,
        where: part.fromSlurry ? fact('weighing.slurry-already-made') : dry(colorant?.dusty),
      })
      if (!(part.exact.mediumG > 0)) return [powder]
      const smooth = CLUMPS[part.medium] ?? fact('weighing.stir-smooth')
      const medium = line({
        ...base,
        kind: 'medium',
        item: mediumItem(plan, shelf, part.medium),
        key: `medium:${cup.id}:${part.colorant}`,
        what: fact('weighing.for-2', {
          mediumName: mediumName(plan, shelf, part.medium),
          part: part.name,
          cup: cup.name,
        }),
        massG: part.mediumG,
        exactG: part.exact.mediumG,
        where: part.fromSlurry
          ? fact('weighing.slurry-already-made')
          : part.medium === 'alcohol'
            ? fact('weighing.on-powder-stir-smooth')
            : fact('weighing.on-powder', {
                which: colorant?.clumping === 'high' ? smooth : fact('weighing.stir-smooth'),
              }),
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
      what: fact('weighing.under-pour', { one: one.name, under: one.under }),
      massG: roundNearest(one.exactG, plan.conditions.fineScaleStepG),
      exactG: one.exactG,
      stepG: plan.conditions.fineScaleStepG,
      where: fact('weighing.dry-sieve-dusted-only'),
    }),
  )

/** A ladder's colour is weighed once, for the mother cup; its white in as many pots as it is stirred in. */
function ladderLines(plan: Plan, portions: Portions, shelf: Shelf): WeighLine[] {
  const { fineScaleStepG: stepG } = plan.conditions
  const name = (id: string) => plan.cups.find(cup => cup.id === id)?.name ?? id
  const own = (key: string, what: Words, exactG: number, where: Words, item: WeighLine['item']) =>
    line({
      item,
      key,
      group: 'colours' as const,
      what,
      exactG,
      stepG,
      where,
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
          fact('weighing.for-mother-cup', { part: part.name, mother }),
          part.powderG,
          fact('weighing.small-pot-for-all'),
          { kind: 'colorants', id: part.colorant },
        ),
        ...(part.mediumG > 0
          ? [
              own(
                `medium:${ladder.id}:${part.colorant}`,
                fact('weighing.for-mother-cup-2', {
                  mediumName: mediumName(plan, shelf, part.medium),
                  part: part.name,
                  mother,
                }),
                part.mediumG,
                fact('weighing.on-powder-stir-smooth-2'),
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
            fact('weighing.into-rest-after', { white: white?.name ?? fact('weighing.white'), name: name(step.cup) }),
            step.addWhiteG,
            fact('weighing.small-pot-its-own'),
            { kind: 'colorants', id: ladder.white },
          ),
          ...(white && white.mediumRatio > 0 && white.medium !== 'none'
            ? [
                own(
                  `wetting:${ladder.id}:${step.cup}`,
                  fact('weighing.for-white', { mediumName: mediumName(plan, shelf, white.medium) }),
                  step.addWhiteG * white.mediumRatio,
                  fact('weighing.on-powder-stir-smooth-2'),
                  mediumItem(plan, shelf, white.medium),
                ),
              ]
            : []),
        ]),
    ]
  })
}

/** The oil that disperses by its name, other liquids as they are. */
function mediumName(plan: Plan, shelf: Shelf, medium: string): Words {
  const oil = medium === 'oil' ? findById(shelf.oils, plan.division.mediumOil) : undefined
  const drawn = plan.division.mediumFrom === 'recipe' ? fact('weighing.drawn-from-recipe') : ''
  return together(
    [
      oil?.name ?? opening([fact(MEDIA[medium as Medium])]),
      (medium === 'oil' && oil) || medium === 'water' ? drawn : '',
    ],
    '',
  )
}
