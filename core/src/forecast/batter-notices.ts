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
} from '../schedule/index.ts'
import type { Job, Lanes, Quickens } from '../schedule/index.ts'
import { isFattyAcid } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { HOLDS_AIR } from '../trace/index.ts'
import { showMinutes, showShare, tidy } from '../units/index.ts'
import type { Notice } from '../checks/index.ts'

/** What is worth a thought about how the batter is worked: ways of stopping, drawing, scenting, whipping, pouring. */

interface Known {
  plan: Plan
  shelf: Shelf
  job: Job
  lanes: Lanes
  quickens: Quickens | null
}

const list = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)!}`

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
    plan.conditions.stopWhen === 'seconds' ? '' : ` Blend about ${quickens.blendS} s, not to the usual look.`
  const when = quickens.minutes < 0.4 ? 'as soon as it is blended' : `${showMinutes(quickens.minutes)} after blending`
  const sentence = `${quickens.cupName} is too thick to pour ${when}.${blend} Leave out first: ${first.name}, without it there ${first.withoutMin >= AN_HOUR ? 'is an hour or more' : `are ${showMinutes(first.withoutMin)}`}.`
  return [{ path: 'conditions.mixC', weight: isShort ? 'warn' : 'hint', sentence }]
}

/** What quickens and slows a batter, each with its part, in one sentence. */
export function quickensSentence({ quickens, slows }: Quickens): string {
  const said = (parts: Quickens['quickens']) => {
    const { named, hasMore } = namedParts(parts)
    return `${list(named.map(part => `${part.name} (${showShare(part.share, 0)})`))}${hasMore ? ' and others' : ''}`
  }
  const quick = quickens.length > 0 ? `What quickens it: ${said(quickens)}.` : 'Nothing in it quickens it much.'
  return slows.length > 0 ? `${quick} What slows it: ${said(slows)}.` : quick
}

/** What stops, draws and own batters say that cannot be. */
function working({ plan, shelf, job, lanes }: Known): Notice[] {
  const notices: Notice[] = []
  const add = (path: string, weight: Notice['weight'], sentence: string) => notices.push({ path, weight, sentence })
  const { stopLevel } = plan.conditions
  const isOwn = plan.division.mode === 'own-batters'
  plan.cups.forEach((cup, i) => {
    if (cup.stop !== null && cup.stop <= stopLevel && !plan.whipped)
      add(
        `cups[${i}].stop`,
        'hint',
        `${cup.name} is to be blended on to ${tidy(cup.stop, 1)}, but blending stops at ${tidy(stopLevel, 1)} already.`,
      )
    if (cup.batter !== '' && !isOwn)
      add(`cups[${i}].batter`, 'hint', `${cup.name} shares a batter only where batters are made apart.`)
    if (cup.lyeShare !== null && !hasOwnLye(plan))
      add(
        `cups[${i}].lyeShare`,
        'hint',
        `${cup.name} has lye of its own strength only where each batter is made with its own lye.`,
      )
  })
  const shared = new Map<string, Set<number | null>>()
  for (const cup of plan.cups)
    if (cup.batter !== '' && isOwn) shared.set(cup.batter, (shared.get(cup.batter) ?? new Set()).add(cup.lyeShare))
  for (const [letter, strengths] of shared)
    if (strengths.size > 1 && hasOwnLye(plan))
      add(
        'cups',
        'stop',
        `Batter ${letter.toUpperCase()} is one batter: its cups cannot have lye of different strengths.`,
      )
  const drawn = plan.cups.filter(cup => cup.draw !== null)
  if (drawn.length > 0 && !plan.whipped)
    add(
      'cups',
      lanes.split.emulsion < 0.6 ? 'warn' : 'hint',
      `${list(drawn.map(cup => cup.name))} ${drawn.length === 1 ? 'is' : 'are'} drawn while the pot is blended: the least emulsified cup ${emulsionWord(lanes.split.emulsion)}.`,
    )
  if (plan.recipe.oils.length > 0 && unitBatter(plan.recipe, shelf).oils.every(part => isFattyAcid(part.oil)))
    add(
      'recipe.oils',
      'stop',
      'Fatty acids alone are soap as soon as lye meets them: there is nothing to blend, divide or pour.',
    )
  if (job.blending !== 'stick' && job.blending !== 'bursts' && job.pace.lack > 0.15)
    add(
      'hands.blend',
      'warn',
      'Slow oils without a blender take hours to trace, and less is known of when: keep it covered, stir now and then, and look.',
    )
  return notices
}

/** What is poured without a stop, and scents that ask for it. */
function neverStop({ plan, job }: Known): Notice[] {
  if (plan.scent?.moment !== 'never-stop') return []
  const found = neverStopOutlook(job)
  if (!found) return []
  const set =
    found.setS === null ? 'stays soft for minutes after it stands' : `is set ${tidy(found.setS, 0)} s after it stands`
  return [
    {
      path: 'scent.moment',
      weight: 'warn',
      sentence: `It stays at trace ${tidy(found.moving, 1)} while it moves and ${set}: have the mould beside the pot, blend the scent in for 10 s, and pour all of it at once, two hands on the pot. No texture, no tool, no clean rim after it; and it gets hot.`,
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

function ricing({ plan, shelf, job }: Known): Notice[] {
  const unit = unitBatter(plan.recipe, shelf)
  const worst = job.cups
    .filter(cup => cup.massG > 0 && cup.scent)
    .reduce<Job['cups'][number] | null>((a, b) => (a && a.scent!.ricing >= b.scent!.ricing ? a : b), null)
  if (!worst || worst.scent!.ricing < RICES) return []
  const met = meets(job, plan, unit, shelf, worst)
  if (!met) return []
  const factors = ricingFactors(met)
  const causes = (Object.keys(RICING_WORDS) as (keyof typeof RICING_WORDS)[])
    .filter(key => factors[key] > 1.05)
    .sort((a, b) => factors[b] - factors[a])
    .map(key => RICING_WORDS[key])
  const sentence = `About 1 in ${Math.max(2, Math.round(1 / worst.scent!.ricing))}: grains, or a hairy batter that parts, in ${worst.cup.name}. It comes of the scent${causes.length > 0 ? `, and of ${list(causes)}` : ''}. Cure: bursts of 3 s with the head under, up to five; then warm it by 3 to 5 K.`
  return [{ path: 'scent.moment', weight: 'hint', sentence }]
}

const PIPES = { lo: 3.8, hi: 4.9 } as const

function whipped({ plan, job, lanes }: Known): Notice[] {
  if (!plan.whipped || !job.whipped) return []
  const notices: Notice[] = []
  const add = (weight: Notice['weight'], sentence: string) => notices.push({ path: 'whipped', weight, sentence })
  const solid = job.pace.solidAt(job.whipped.startC)
  if (solid < HOLDS_AIR)
    add(
      'stop',
      `More than half of these oils are liquid at ${tidy(job.whipped.startC, 0)} °C: it will not hold air. Take more hard fats, or whip cooler.`,
    )
  const level = lanes.pours[0]?.startLevel
  if (level !== undefined && solid >= HOLDS_AIR) {
    if (level > PIPES.hi) add('warn', 'It comes out too stiff to pipe: warm it by a degree at a time.')
    else if (level < PIPES.lo)
      add('warn', 'It comes out too soft to pipe: chill it for 10 minutes and whip again, or take colder lye.')
  }
  add(
    'hint',
    `Lye of ${tidy(plan.whipped.lyeC, 0)} °C is trickled in at low speed; goggles and gloves: a whisk throws.`,
  )
  if (plan.hands.blend !== 'stick') add('hint', 'How batter is blended does not matter here: it is whipped.')
  return notices
}

/** Pours that are laid on, spooned or knocked out instead of poured. */
function laidOn({ plan, lanes }: Known): Notice[] {
  if (plan.whipped) return []
  return lanes.pours.flatMap((pour, i): Notice[] => {
    const kind = windowKindOf(plan, i)
    const head = `Layer ${i + 1} will be at trace ${tidy(pour.endLevel, 1)}`
    const path = `score[${i}].share`
    if (kind === 'plain' && pour.endLevel > SPOONED_FROM && pour.endLevel <= pour.window.hi)
      return [{ path, weight: 'hint', sentence: `${head}: spooned and textured rather than poured.` }]
    if (kind === 'layer' && pour.endLevel > pour.window.hi && pour.endLevel <= LAID_ON_UNTIL)
      return [{ path, weight: 'hint', sentence: `${head}: it may still be laid on with a spoon.` }]
    if (kind === 'mat' && pour.endLevel > pour.window.hi && pour.endLevel <= SPOONED_FROM + 0.2)
      return [{ path, weight: 'hint', sentence: `${head}: knock the mould on the table, or holes stay in the relief.` }]
    return []
  })
}

function cavities({ plan }: Known): Notice[] {
  const notices: Notice[] = []
  const empty = emptyCavities(plan)
  const some = empty.length === 1 ? `Cavity ${empty[0]!} stays` : `Cavities ${list(empty.map(String))} stay`
  if (empty.length > 0)
    notices.push({ path: 'score', weight: 'hint', sentence: `${some} empty: no layer goes into it.` })
  if (hasOwnCavities(plan) && plan.finish.embeds.length > 0)
    notices.push({
      path: 'finish.embeds',
      weight: 'hint',
      sentence: 'Embeds are reckoned in every cavity that their layer goes into.',
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
