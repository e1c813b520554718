import { celsius, fact, halfMinutes, listOf, plain, share } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { emptyCavities, hasOwnCavities, hasOwnLye } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { unitBatter } from '../recipe/index.ts'
import {
  LAID_ON_UNTIL,
  SPOONED_FROM,
  emulsionWord,
  meets,
  namedParts,
  neverStopOutlook,
  ricingFactors,
  windowKindOf,
} from '../batter/schedule/index.ts'
import type { RunInput, Lanes, Quickens } from '../batter/schedule/index.ts'
import { isFattyAcid } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { HOLDS_AIR } from '../batter/trace/index.ts'
import type { Notice } from '../document/checks/index.ts'

/** What is worth a thought about how the batter is worked: ways of stopping, drawing, scenting, whipping, pouring. */

interface Known {
  plan: Plan
  shelf: Shelf
  input: RunInput
  lanes: Lanes
  quickens: Quickens | null
}

/** Short of time from here on, min; and so many things that quicken are worth a notice by themselves. */
const AN_HOUR = 60
const SHORT_MIN = 5
const MANY = 3

/** Accelerators that stack, with what to leave out first. */
function stacked({ plan, quickens }: Known): Notice[] {
  if (!quickens || quickens.isWanted) return []
  const cup = plan.cups.find(one => one.id === quickens.cup)
  // What is poured without a stop is told so by itself.
  if ((cup?.ownScent ?? (cup?.scented ? plan.scent : null))?.moment === 'never-stop') return []
  const { named } = namedParts(quickens.quickens)
  const isShort = quickens.minutes < SHORT_MIN
  if (named.length === 0 || !(isShort || (named.length >= MANY && quickens.minutes < 4 * SHORT_MIN))) return []
  const first = named[0]!
  const blend =
    plan.conditions.stopWhen === 'seconds' ? '' : fact('forecast.blend-about-s-not', { blendS: quickens.blendS })
  const when =
    quickens.minutes < 0.4
      ? fact('forecast.as-soon-as-blended')
      : fact('forecast.after-blending', { minutes: halfMinutes(quickens.minutes) })
  const sentence = fact('forecast.too-thick-pour-leave', {
    cupName: quickens.cupName,
    when,
    blend,
    first: first.name,
    which:
      first.withoutMin >= AN_HOUR
        ? fact('forecast.hour-or-more')
        : fact('forecast.are', { withoutMin: halfMinutes(first.withoutMin) }),
  })
  return [{ path: 'conditions.mixC', weight: isShort ? 'warn' : 'hint', sentence }]
}

/** What quickens and slows a batter, each with its part, in one sentence. */
export function quickensSentence({ quickens, slows }: Quickens): Words {
  const inWords = (parts: Quickens['quickens']) => {
    const { named, hasMore } = namedParts(parts)
    const each = listOf(
      named.map(part => fact('forecast.so-much-of-it', { name: part.name, share: share(part.share, 0) })),
    )
    return hasMore ? fact('forecast.and-others', { each }) : fact('{each}', { each })
  }
  const quick =
    quickens.length > 0
      ? fact('forecast.what-quickens', { parts: inWords(quickens) })
      : fact('forecast.nothing-quickens-much')
  return slows.length > 0 ? fact('forecast.what-slows', { quick, parts: inWords(slows) }) : quick
}

/** What stops, draws and own batters say that cannot be. */
function working({ plan, shelf, input, lanes }: Known): Notice[] {
  const notices: Notice[] = []
  const add = (path: string, weight: Notice['weight'], sentence: Words) => notices.push({ path, weight, sentence })
  const { stopLevel } = plan.conditions
  const isOwn = plan.division.mode === 'own-batters'
  plan.cups.forEach((cup, i) => {
    if (cup.stop !== null && cup.stop <= stopLevel && !plan.whipped)
      add(
        `cups[${i}].stop`,
        'hint',
        fact('forecast.be-blended-on-but', { cup: cup.name, stop: plain(cup.stop, 1), stopLevel: plain(stopLevel, 1) }),
      )
    if (cup.batter !== '' && !isOwn)
      add(`cups[${i}].batter`, 'hint', fact('forecast.shares-batter-only-where', { cup: cup.name }))
    if (cup.lyeShare !== null && !hasOwnLye(plan))
      add(`cups[${i}].lyeShare`, 'hint', fact('forecast.has-lye-its-own', { cup: cup.name }))
  })
  const shared = new Map<string, Set<number | null>>()
  for (const cup of plan.cups)
    if (cup.batter !== '' && isOwn) shared.set(cup.batter, (shared.get(cup.batter) ?? new Set()).add(cup.lyeShare))
  for (const [letter, strengths] of shared)
    if (strengths.size > 1 && hasOwnLye(plan))
      add('cups', 'stop', fact('forecast.batter-one-batter-its', { letter: letter.toUpperCase() }))
  const drawn = plan.cups.filter(cup => cup.draw !== null)
  if (drawn.length > 0 && !plan.whipped)
    add(
      'cups',
      lanes.split.emulsion < 0.6 ? 'warn' : 'hint',
      fact('forecast.drawn-while-pot-blended', {
        list: listOf(drawn.map(cup => cup.name)),
        drawnCount: drawn.length,
        emulsionWord: emulsionWord(lanes.split.emulsion),
      }),
    )
  if (plan.recipe.oils.length > 0 && unitBatter(plan.recipe, shelf).oils.every(part => isFattyAcid(part.oil)))
    add('recipe.oils', 'stop', fact('forecast.fatty-acids-alone-are'))
  if (input.blending !== 'stick' && input.blending !== 'bursts' && input.pace.lack > 0.15)
    add('hands.blend', 'warn', fact('forecast.slow-oils-without-blender'))
  return notices
}

/** What is poured without a stop, and scents that ask for it. */
function neverStop({ plan, input }: Known): Notice[] {
  if (plan.scent?.moment !== 'never-stop') return []
  const found = neverStopOutlook(input)
  if (!found) return []
  const set =
    found.setS === null
      ? fact('forecast.stays-soft-for-minutes')
      : fact('forecast.set-s-after-stands', { setS: plain(found.setS, 0) })
  return [
    {
      path: 'scent.moment',
      weight: 'warn',
      sentence: fact('forecast.stays-at-trace-while', { moving: plain(found.moving, 1), set }),
    },
  ]
}

/** Lumps, hair, parting: from here on it is told, with what makes it so. */
const RICES = 0.15
const RICING_WORDS = {
  loose: 'an emulsion that barely holds',
  busy: 'milk or sugar in it',
  cool: 'cool fats',
  soon: 'scent in the oils before the lye',
} as const

function ricing({ plan, shelf, input }: Known): Notice[] {
  const unit = unitBatter(plan.recipe, shelf)
  const worst = input.cups
    .filter(cup => cup.massG > 0 && cup.scent)
    .reduce<RunInput['cups'][number] | null>((a, b) => (a && a.scent!.ricing >= b.scent!.ricing ? a : b), null)
  if (!worst || worst.scent!.ricing < RICES) return []
  const met = meets(input, plan, unit, shelf, worst)
  if (!met) return []
  const factors = ricingFactors(met)
  const causes = (Object.keys(RICING_WORDS) as (keyof typeof RICING_WORDS)[])
    .filter(key => factors[key] > 1.05)
    .sort((a, b) => factors[b] - factors[a])
    .map(key => RICING_WORDS[key])
  const sentence = fact('forecast.about-1-grains-or', {
    what: Math.max(2, Math.round(1 / worst.scent!.ricing)),
    cup: worst.cup.name,
    which: causes.length > 0 ? fact('forecast.and-of', { list: listOf(causes) }) : '',
  })
  return [{ path: 'scent.moment', weight: 'hint', sentence }]
}

const PIPES = { lo: 3.8, hi: 4.9 } as const

function whipped({ plan, input, lanes }: Known): Notice[] {
  if (!plan.whipped || !input.whipped) return []
  const notices: Notice[] = []
  const add = (weight: Notice['weight'], sentence: Words) => notices.push({ path: 'whipped', weight, sentence })
  const solid = input.pace.solidAt(input.whipped.startC)
  if (solid < HOLDS_AIR)
    add('stop', fact('forecast.more-than-half-these', { startC: celsius(input.whipped.startC, 0) }))
  const level = lanes.pours[0]?.startLevel
  if (level !== undefined && solid >= HOLDS_AIR) {
    if (level > PIPES.hi) add('warn', fact('forecast.comes-out-too-stiff'))
    else if (level < PIPES.lo) add('warn', fact('forecast.comes-out-too-soft'))
  }
  add('hint', fact('forecast.lye-trickled-at-low', { lyeC: celsius(plan.whipped.lyeC, 0) }))
  if (plan.hands.blend !== 'stick') add('hint', fact('forecast.how-batter-blended-does'))
  return notices
}

/** Pours that are laid on, spooned or knocked out instead of poured. */
function laidOn({ plan, lanes }: Known): Notice[] {
  if (plan.whipped) return []
  return lanes.pours.flatMap((pour, i): Notice[] => {
    const kind = windowKindOf(plan, i)
    const head = fact('forecast.layer-will-be-at', { i: i + 1, endLevel: plain(pour.endLevel, 1) })
    const path = `score[${i}].share`
    if (kind === 'plain' && pour.endLevel > SPOONED_FROM && pour.endLevel <= pour.window.hi)
      return [{ path, weight: 'hint', sentence: fact('forecast.spooned-textured-rather-than', { head }) }]
    if (kind === 'layer' && pour.endLevel > pour.window.hi && pour.endLevel <= LAID_ON_UNTIL)
      return [{ path, weight: 'hint', sentence: fact('forecast.may-still-be-laid', { head }) }]
    if (kind === 'mat' && pour.endLevel > pour.window.hi && pour.endLevel <= SPOONED_FROM + 0.2)
      return [{ path, weight: 'hint', sentence: fact('forecast.knock-mould-on-table', { head }) }]
    return []
  })
}

function cavities({ plan }: Known): Notice[] {
  const notices: Notice[] = []
  const empty = emptyCavities(plan)
  const some =
    empty.length === 1
      ? fact('forecast.cavity-stays', { empty: empty[0]! })
      : fact('forecast.cavities-stay', { list: listOf(empty.map(String)) })
  if (empty.length > 0)
    notices.push({ path: 'score', weight: 'hint', sentence: fact('forecast.empty-no-layer-goes', { some }) })
  if (hasOwnCavities(plan) && plan.finish.embeds.length > 0)
    notices.push({
      path: 'finish.embeds',
      weight: 'hint',
      sentence: fact('forecast.embeds-are-reckoned-every'),
    })
  return notices
}

/** Everything about how the batter is worked that is worth a sentence. */
export const batterNotices = (known: Known): Notice[] => [
  ...stacked(known),
  ...working(known),
  ...neverStop(known),
  ...ricing(known),
  ...whipped(known),
  ...laidOn(known),
  ...cavities(known),
]
