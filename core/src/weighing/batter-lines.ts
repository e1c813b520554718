import { fact, grams, share } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { Plan } from '../plan/index.ts'
import { plainIceG } from '../portions/index.ts'
import type { Portions } from '../portions/index.ts'
import { batterKey, partKey } from '../preparation/index.ts'
import type { BatterPart, BatterShare, DivisionSheet, LyeSolution } from '../preparation/index.ts'
import { findById, isHard } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { howOf, oilName, usualMostOf } from './names.ts'
import { MOMENT_WORDS, line, uncounted } from './line.ts'
import type { WeighGroup, WeighLine } from './line.ts'

/** Lines of batters of their own: what is common to them, then what each gets. */

interface Place {
  group: WeighGroup
  title: Words
  batter: string
}

const momentOf = (plan: Plan, part: BatterPart) =>
  part.kind === 'liquid'
    ? plan.recipe.liquids[part.index]!.moment
    : part.kind === 'additive'
      ? plan.recipe.additives[part.index]!.moment
      : plan.potColorants[part.index]!.moment

function partLine(plan: Plan, shelf: Shelf, part: BatterPart, place: Place, oilG: number): WeighLine {
  const moment = momentOf(plan, part)
  const dusty = part.kind === 'colour' && findById(shelf.colorants, part.id)?.dusty
  const where =
    part.kind === 'additive'
      ? howOf(plan, shelf, { id: part.id, moment })
      : part.kind === 'liquid' && moment === 'lye' && findById(shelf.liquids, part.id)?.useFrozen
        ? fact('weighing.lye-jug-frozen-slush')
        : fact('weighing.its-own-cup', {
            which: dusty ? fact('weighing.mask-on-while-dry') : '',
            moment: fact(MOMENT_WORDS[moment]),
          })
  return line({
    ...place,
    key: batterKey(place.batter, partKey(part)),
    kind: part.kind,
    what: part.name,
    where,
    item: { kind: part.kind === 'colour' ? 'colorants' : `${part.kind}s`, id: part.id },
    massG: part.massG,
    exactG: part.exactG,
    stepG: part.stepG,
    most: part.kind === 'additive' ? usualMostOf(shelf, part.id, oilG) : null,
  })
}

function lyeAndWater(
  plan: Plan,
  shelf: Shelf,
  made: LyeSolution,
  of: Place,
  rounding: Words,
  iceG: number,
  oilG: number,
) {
  const { scaleStepG, fineScaleStepG } = plan.conditions
  const isOwn = of.batter !== ''
  const place = (group: WeighGroup): Place => (isOwn ? of : { ...of, group })
  return [
    line({
      ...place('lye-water'),
      key: batterKey(of.batter, 'water'),
      kind: 'water',
      what: fact('Water'),
      item: uncounted('water'),
      massG: made.waterG,
      exactG: made.waterExactG,
      stepG: made.waterExactG >= 100 || !isOwn ? scaleStepG : fineScaleStepG,
      where: fact('weighing.tare-lye-jug', {
        which: isOwn ? fact('weighing.its-own') : fact('weighing.the'),
        which2: iceG >= 1 ? fact('weighing.as-ice', { iceG: grams(iceG, 0) }) : '',
      }),
    }),
    ...made.parts.map(part => partLine(plan, shelf, part, place('lye-water'), oilG)),
    line(
      {
        ...place('lye'),
        ...(!isOwn && { title: fact('weighing.lye-its-own-cup') }),
        key: batterKey(of.batter, 'lye'),
        kind: 'lye',
        what: fact('weighing.lye-naoh'),
        item: uncounted('lye'),
        massG: made.lyeG,
        exactG: made.lyeExactG,
        stepG: fineScaleStepG,
        rounding,
        where: fact('weighing.tare-dry-cup-its'),
      },
      { isCritical: true },
    ),
  ].filter(one => one.exactG > 0)
}

/** What all batters share: one solution, one melt. */
export function solutionLines(plan: Plan, shelf: Shelf, sheet: DivisionSheet, portions: Portions): WeighLine[] {
  const { solution } = sheet
  const lye = solution
    ? lyeAndWater(
        ...([plan, shelf, solution] as const),
        { group: 'lye-water', title: fact('weighing.for-lye-water-all'), batter: '' },
        fact('weighing.for-batters-solution-clings', {
          battersCount: sheet.batters.length,
          solutionClingG: grams(sheet.solutionClingG, 1),
        }),
        plainIceG(plan, shelf, portions),
        portions.oilG,
      )
    : []
  const melt = sheet.meltOils.map((part, i) =>
    line({
      key: `oil:${part.oil}`,
      kind: 'oil',
      item: { kind: 'oils', id: part.oil },
      group: 'oils',
      title: fact('weighing.melt-all-batters'),
      what: oilName(plan, part),
      massG: part.massG,
      exactG: part.exactG,
      stepG: plan.conditions.scaleStepG,
      where: i === 0 ? fact('weighing.melting-pot-melt-until') : fact('weighing.melting-pot-tare-between'),
    }),
  )
  return [...lye, ...melt]
}

/** What each batter gets, in the order in which they are made. */
export const batterLines = (plan: Plan, shelf: Shelf, sheet: DivisionSheet): WeighLine[] =>
  sheet.batters.flatMap((batter, n) => linesOf(plan, shelf, sheet, batter, n))

function linesOf(plan: Plan, shelf: Shelf, sheet: DivisionSheet, batter: BatterShare, n: number): WeighLine[] {
  const { scaleStepG, fineScaleStepG } = plan.conditions
  const title = fact('weighing.batter', { n: n + 1, batter: batter.name })
  const place: Place = { group: 'batter', title, batter: batter.cup }
  const oilG = batter.oils.reduce((sum, part) => sum + part.exactG, 0)
  const superfat = fact('weighing.superfat', { superfatShare: share(batter.superfatShare, 2) })
  const own = batter.own ? lyeAndWater(plan, shelf, batter.own, place, superfat, 0, oilG) : []
  const meltExactG = batter.oils.reduce((sum, part) => (part.fromMelt ? sum + part.exactG : sum), 0)
  const melt =
    batter.meltG > 0
      ? [
          line({
            ...place,
            key: batterKey(batter.cup, 'melt'),
            kind: 'melt',
            what: fact('weighing.clear-melt'),
            massG: batter.meltG,
            exactG: meltExactG,
            stepG: scaleStepG,
            where: fact('weighing.stir-melt-first-melting', { meltLeftG: grams(batter.meltLeftG, 1) }),
          }),
        ]
      : []
  const oils = batter.oils
    .filter(part => !part.fromMelt && part.exactG > 0)
    .map(part => ({ part, isSolid: isHardOil(shelf, part.oil) }))
  const oilLines = [...oils]
    .sort((a, b) => Number(a.part.late) - Number(b.part.late) || Number(b.isSolid) - Number(a.isSolid))
    .map(({ part, isSolid }) =>
      line({
        ...place,
        key: batterKey(batter.cup, `oil:${part.oil}`),
        kind: 'oil',
        what: oilName(plan, part),
        item: { kind: 'oils', id: part.oil },
        massG: part.massG,
        exactG: part.exactG,
        stepG: scaleStepG,
        where: part.late
          ? fact('weighing.cup-its-own-at')
          : isSolid
            ? fact('weighing.melt-until-clear')
            : fact('weighing.tare-between'),
      }),
    )
  const solution =
    batter.solutionG > 0
      ? [
          line(
            {
              ...place,
              key: batterKey(batter.cup, 'solution'),
              kind: 'solution',
              what: fact('weighing.lye-solution'),
              massG: batter.solutionG,
              exactG: batter.solutionG,
              stepG: fineScaleStepG,
              rounding: superfat,
              where: fact('weighing.stirred-cooled-clear-water'),
            },
            { isCritical: true },
          ),
        ]
      : []
  const parts = batter.parts.map(part => partLine(plan, shelf, part, place, oilG))
  return [...own, ...melt, ...oilLines, ...parts, ...solution]
}

const isHardOil = (shelf: Shelf, id: string): boolean => {
  const oil = findById(shelf.oils, id)
  return oil ? isHard(oil) : false
}
