import { celsius, chance, fact, millimetres, share, together, warmerBy } from '../../quantities/facts/index.ts'
import type { Fact, Measure, Words } from '../../quantities/facts/index.ts'
import type { Notice } from '../../document/checks/index.ts'
import { isTray } from '../../plan/index.ts'
import type { Plan, RestStep } from '../../plan/index.ts'
import { unitBatter } from '../../recipe/index.ts'
import type { Shelf } from '../../shelf/index.ts'
import { showMinutes } from '../../quantities/units/index.ts'
import type { Ash } from './ash.ts'
import { REST_VARIATION } from './chances.ts'
import type { RestNumbers } from './chances.ts'
import { mistMeets } from './mist.ts'
import { showTowels } from './walls.ts'
import type { RestResult } from './verdict.ts'

/** As precisely as it is known: to the minute at first, to five minutes, to the hour. */
function hours(min: number): Words {
  if (min < 90) return showMinutes(Math.round(min))
  if (min >= 600) return `${Math.round(min / 60)} h`
  const fives = 5 * Math.round(min / 5)
  const rest = fives % 60
  return fact('rest.h', { fives: Math.floor(fives / 60), which: rest > 0 ? fact('rest.min', { rest }) : '' })
}

/** What a rest comes to in one sentence, and why. */
export function restSentence(
  result: RestResult,
  numbers: RestNumbers | null,
  sweet: Sweet = null,
): { sentence: Words; reason: Words } {
  const gel = gelSentence(result, numbers)
  const hot = HOT.find(one => one.isSo(result, sweet))
  return hot ? { sentence: hot.says(result, sweet), reason: together([gel.sentence, gel.reason]) } : gel
}

/** What in the soap scorches before the soap itself does. */
export type Sweet = 'milk' | 'sugar' | null

export function sweetOf(plan: Plan, shelf: Shelf): Sweet {
  const unit = unitBatter(plan.recipe, shelf)
  const liquids = unit.liquids.filter(part => part.massG > 0).map(part => part.liquid)
  if (liquids.some(one => one.tags.includes('milk') || MILKY.test(one.name))) return 'milk'
  return unit.sugarShare >= LEAST_SUGAR ? 'sugar' : null
}

/** Milks of plants carry no tag: it is for what some people must not have. */
const MILKY = /milk|cream|yogurt/i

/** Sugar that shows when it browns, share of the oils; and browning from which milk is no longer cream. */
const LEAST_SUGAR = 0.005
const TOO_HOT_FOR_MILK = 1.5

/** Too hot, the worst first. */
const HOT: readonly {
  isSo: (result: RestResult, sweet: Sweet) => boolean
  says: (result: RestResult, sweet: Sweet) => Fact
}[] = [
  {
    isSo: ({ volcano }) => volcano > 0.5,
    says: ({ volcano }) => fact('rest.overheats-may-rise-out', { volcano: chance(volcano) }),
  },
  {
    isSo: ({ crack }) => crack > 0.4,
    says: ({ crack }) => fact('rest.overheats-likely-crack', { crack: chance(crack) }),
  },
  {
    isSo: ({ browning, gel }, sweet) => sweet !== null && browning >= TOO_HOT_FOR_MILK && gel !== 'none',
    says: ({ browning }, sweet) =>
      fact('rest.overheats-for-soap-turns', { sweet: sweet!, brownWord: brownWord(browning)! }),
  },
]

/** A class is called likely from here on, and nothing more is asked about it from there on. */
const UNSURE = 0.5
const SURE = 0.85

/** Cups with more water gel from less. */
const gelRange = ({ gelC, gelToC }: RestResult): Fact | Measure =>
  gelToC - gelC < 1.5
    ? celsius(Math.round(gelC))
    : fact('rest.cup-with-least-water', { gelC: celsius(Math.round(gelC)), gelToC: celsius(Math.round(gelToC)) })

function gelSentence(result: RestResult, numbers: RestNumbers | null): { sentence: Words; reason: Words } {
  const sure = numbers ? fact('rest.so-sure', { chance: chance(numbers.gel[result.gel]) }) : ''
  const likely = numbers && numbers.gel[result.gel] < UNSURE ? fact('rest.as-likely-as-not') : fact('rest.most-likely')
  const hangs =
    numbers && numbers.gel[result.gel] < SURE
      ? fact('rest.mostly-hangs-on', { cause: fact(REST_VARIATION[numbers.hangsOn]) })
      : ''
  const peak = fact('rest.warmest-after-at-about', {
    peakMin: hours(result.peakMin),
    peakC: celsius(Math.round(result.peakC)),
    gelRange: gelRange(result),
  })
  if (result.gel === 'none')
    return {
      sentence: fact('rest.will-not-gel', { likely, sure }),
      reason: fact('rest.middle-stays-short', { peak, what: warmerBy(Math.max(0, -result.coreMarginK), 0), hangs }),
    }
  if (result.gel === 'full')
    return {
      sentence: fact('rest.will-gel-through', { likely, sure }),
      reason: fact('rest.starts-after', {
        peak,
        startMin: hours(result.startMin ?? 0),
        which:
          result.fullMin === null
            ? fact('rest.very-corners-may-stay')
            : fact('rest.reaches-corners-after', { fullMin: hours(result.fullMin) }),
        hangs,
      }),
    }
  const { ring } = result
  if (!ring) return { sentence: fact('rest.part-will-gel-ring', { sure }), reason: together([peak, hangs], '') }
  return {
    sentence: fact('rest.part-will-gel-ring', { sure }),
    reason: fact('rest.about-face-gels-middle', {
      peak,
      gelledShare: share(result.gelledShare, 0),
      widthMm: millimetres(Math.round(ring.widthMm)),
      fromMm: Math.round(ring.fromMm),
      toMm: millimetres(Math.round(ring.toMm)),
      sideRimMm: millimetres(Math.round(ring.sideRimMm)),
      hangs,
    }),
  }
}

const BROWN = [
  [12, 'dark, and may smell scorched'],
  [4, 'tan to brown'],
  [1, 'light tan'],
] as const

export const brownWord = (browning: number): string | undefined => BROWN.find(([from]) => browning >= from)?.[1]

/** From so likely on it is said what takes ash off again. */
const ASH_LIKELY = 0.3
const HEATS: readonly RestStep['place'][] = ['oven', 'mat']
/** From so likely a crack on nothing is heated on purpose. */
const TOO_LIKELY = 0.5

/** Whether it is heated from outside though it is likely to overheat. */
export const overheatsForced = (plan: Plan, { crack }: Pick<RestResult, 'crack'>): boolean =>
  crack > TOO_LIKELY && plan.rest.steps.some(step => HEATS.includes(step.place))

/** What can go wrong in the mould, and cautions for where it stands. */
export function restNotices(plan: Plan, result: RestResult, ash: Ash, isSaltBar: boolean): Notice[] {
  const notices: Notice[] = []
  const meets = mistMeets(plan)
  const add = (weight: Notice['weight'], sentence: Words) => notices.push({ path: 'rest', weight, sentence })
  if (result.volcano > 0.25) add('stop', fact('rest.may-rise-out-mould', { volcano: chance(result.volcano) }))
  if (result.crack > 0.1)
    add(
      result.crack > 0.5 ? 'stop' : 'warn',
      fact('rest.peak-about-look-after', {
        which: result.crack > 0.5 ? fact('rest.likely-overheat-crack') : fact('rest.may-overheat-crack'),
        crack: chance(result.crack),
        peakC: celsius(Math.round(result.peakC)),
        crackCause: crackCause(result),
        what: hours(Math.max(10, result.peakMin * 0.6)),
      }),
    )
  if (overheatsForced(plan, result))
    add(
      plan.rest.forced === '' ? 'stop' : 'warn',
      plan.rest.forced === '' ? fact('rest.not-forced') : fact('rest.forced-all-the-same', { why: plan.rest.forced }),
    )
  const brown = brownWord(result.browning)
  if (brown) add(result.browning >= TOO_HOT_FOR_MILK ? 'warn' : 'hint', fact('rest.milk-or-sugar-turns', { brown }))
  if (result.rivers > 0.5) add('hint', fact('rest.glycerin-rivers-are-likely'))
  if (ash.remedy !== '')
    add(
      'hint',
      fact('rest.ash-on-top-most', {
        word: ash.word,
        which: ash.reasons.length > 0 ? fact('rest.ash-reasons', { reasons: together(ash.reasons, ', ') }) : '',
        remedy: ash.remedy,
      }),
    )
  if (ash.chance > ASH_LIKELY) add('hint', fact('rest.ash-afterwards'))
  if (isSaltBar) add('warn', fact('rest.with-much-salt-not'))
  const window = result.unmouldMin !== null && result.hardMin !== null ? result.hardMin - result.unmouldMin : null
  if (!isSaltBar && window !== null && window < SHORT_WINDOW_MIN)
    add(
      'warn',
      fact('rest.can-be-cut-for', {
        window: hours(window),
        unmouldMin: hours(result.unmouldMin!),
        hardMin: hours(result.hardMin!),
      }),
    )
  if (plan.rest.mists > 0)
    add(
      'warn',
      meets === 'closed'
        ? fact('rest.mist-against-ash-left')
        : meets === 'heat'
          ? fact('rest.mist-against-ash-left-out')
          : fact('rest.alcohol-mist-burns-no'),
    )
  const places = plan.rest.steps.map(step => step.place)
  if (places.some(place => place === 'oven' || place === 'mat')) add('warn', fact('rest.no-alcohol-mist-before'))
  if (places.some(place => place === 'refrigerator' || place === 'freezer'))
    add('warn', fact('rest.not-beside-food-fresh'))
  if (staysCold(plan)) add('warn', fact('rest.nothing-says-when-comes'))
  return notices
}

/** A cut that must not wait longer than this is told, min. */
const SHORT_WINDOW_MIN = 180

/** Why it cracks, and what takes most of it away. */
function crackCause({ causes }: RestResult): Words {
  const [name] = (Object.keys(causes) as (keyof typeof causes)[]).sort((a, b) => causes[b] - causes[a])
  switch (name) {
    case 'sugar':
      return fact('rest.its-sugar-heats-take')
    case 'dry':
      return fact('rest.little-water-makes-stiff')
    case 'skin':
      return fact('rest.top-cool-over-hot')
    default:
      return fact('rest.heat-pour-cooler-or')
  }
}

/** The last that the plan says of its place is a refrigerator or freezer: it would stay there. */
export const staysCold = ({ rest }: Plan): boolean => isClosed(rest.steps.at(-1)!)

/** One thing to do at its time after the last pour. */
export interface RestTask {
  /** Stays the same while its time and its words change with the plan. */
  key: string
  atMin: number
  what: Words
}

const PLACE_WORDS = {
  room: 'stand it in the room',
  refrigerator: 'into the refrigerator, on a rack',
  freezer: 'into the freezer, on a rack',
  oven: 'into the warm oven',
  mat: 'onto the heating mat',
  box: 'into the closed box',
} as const

/** A second mist, when the first has dried. */
const MIST_AGAIN_MIN = 90

const isClosed = ({ place }: RestStep): boolean => place === 'refrigerator' || place === 'freezer'

const isCold = (step?: RestStep): boolean => step?.place === 'refrigerator' || step?.place === 'freezer'

/** Towels stay on for so long after the front has arrived. */
const STAYS_ON_MIN = 30

/** When to look in, and from when on the wrap has done its work. */
function lookTasks({ rest }: Plan, { gel, startMin, fullMin, peakMin }: RestResult): RestTask[] {
  if (gel === 'none' || startMin === null) return []
  const tasks: RestTask[] = [{ key: 'look', atMin: startMin + 10, what: fact('rest.look-middle-begins-turn') }]
  const goneMin = Math.max(fullMin ?? peakMin, peakMin)
  if (goneMin > startMin + 25)
    tasks.push({
      key: 'look-again',
      atMin: goneMin,
      what: gel === 'full' ? fact('rest.look-again-should-be') : fact('rest.look-again-clear-middle'),
    })
  const last = rest.steps.at(-1)!
  const isWrapped = showTowels(last.towels) !== '' && last.atMin < goneMin
  if (gel === 'full' && isWrapped)
    tasks.push({
      key: 'uncover',
      atMin: goneMin + STAYS_ON_MIN,
      what: fact('rest.may-be-uncovered-left'),
    })
  return tasks
}

/** The rest as things to do: cover, look in, change of place, unmould and cut. */
export function restTasks(plan: Plan, result: RestResult, isSaltBar = false): RestTask[] {
  const isRefused = overheatsForced(plan, result) && plan.rest.forced === ''
  const tasks: RestTask[] = plan.rest.steps.flatMap((step, i): RestTask[] => {
    if (isRefused && HEATS.includes(step.place))
      return [{ key: `place-${i + 1}`, atMin: step.atMin, what: fact('rest.not-into-heat') }]
    const wrap = [
      step.cover === 'open' ? 'open' : step.cover === 'lid' ? fact('rest.lid-on') : fact('rest.film-on'),
      showTowels(step.towels),
    ].filter(Boolean)
    const list: RestTask[] = [
      {
        key: `place-${i + 1}`,
        atMin: step.atMin,
        what: fact('rest.put-it', {
          which: i === 0 ? fact('rest.cover') : fact('rest.change'),
          place: fact(PLACE_WORDS[step.place]),
          wrap: together(wrap, ', '),
        }),
      },
    ]
    if (step.place === 'oven' && step.holdMin > 0)
      list.push({ key: `oven-off-${i + 1}`, atMin: step.atMin + step.holdMin, what: fact('rest.switch-oven-off') })
    if (step.place === 'mat' && step.holdMin > 0)
      list.push({ key: `mat-off-${i + 1}`, atMin: step.atMin + step.holdMin, what: fact('rest.mat-off') })
    if (isCold(plan.rest.steps[i - 1]) && !isCold(step))
      list.push({ key: `wipe-${i + 1}`, atMin: step.atMin + 20, what: fact('rest.wipe-off-what-sweats') })
    return list
  })
  tasks.push(...lookTasks(plan, result))
  if (result.crack > 0.05)
    tasks.push({
      key: 'cracks',
      atMin: Math.max(10, result.peakMin * 0.7),
      what: fact('rest.look-for-cracks-unwrap'),
    })
  if (plan.rest.mists > 0 && mistMeets(plan) === null) {
    tasks.unshift({ key: 'mist', atMin: 0, what: fact('rest.mist-top-with-alcohol') })
    for (let n = 1; n < plan.rest.mists; n += 1)
      tasks.push({ key: `mist-again-${n}`, atMin: n * MIST_AGAIN_MIN, what: fact('rest.mist-once-more-then') })
  }
  for (const [i, change] of plan.rest.room.entries())
    tasks.push({
      key: `room-${i + 1}`,
      atMin: change.atMin,
      what: fact('rest.room-goes', { tempC: celsius(Math.round(change.tempC)) }),
    })
  if (isSaltBar) return tasks.sort((a, b) => a.atMin - b.atMin)
  const { waitH } = plan.rest.cut
  if (result.unmouldMin !== null) {
    const cutMin = result.unmouldMin + waitH * 60
    if (isTray(plan.mould) || waitH === 0)
      tasks.push({
        key: 'unmould',
        atMin: result.unmouldMin,
        what: isTray(plan.mould) ? fact('rest.turn-bars-out-if') : fact('rest.unmould-cut-if-does'),
      })
    else {
      tasks.push({ key: 'unmould', atMin: result.unmouldMin, what: fact('rest.unmould-if-does-not') })
      tasks.push({ key: 'cut', atMin: cutMin, what: fact('Cut') })
    }
  }
  return tasks.sort((a, b) => a.atMin - b.atMin)
}
