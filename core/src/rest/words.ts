import type { Notice } from '../checks/index.ts'
import { isTray } from '../plan/index.ts'
import type { Plan, RestStep } from '../plan/index.ts'
import { unitBatter } from '../recipe/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { kelvins, sayDifference, showChance, showMinutes, showShare } from '../units/index.ts'
import type { Ash } from './ash.ts'
import { REST_LUCK } from './chances.ts'
import type { RestNumbers } from './chances.ts'
import { mistMeets } from './mist.ts'
import { showTowels } from './walls.ts'
import type { RestResult } from './verdict.ts'

/** As precisely as it is known: to the minute at first, to five minutes, to the hour. */
function hours(min: number): string {
  if (min < 90) return showMinutes(Math.round(min))
  if (min >= 600) return `${Math.round(min / 60)} h`
  const fives = 5 * Math.round(min / 5)
  const rest = fives % 60
  return `${Math.floor(fives / 60)} h${rest > 0 ? ` ${rest} min` : ''}`
}

/** What a rest comes to in one sentence, and why. */
export function restSentence(
  result: RestResult,
  numbers: RestNumbers | null,
  sweet: Sweet = null,
): { sentence: string; reason: string } {
  const gel = gelSentence(result, numbers)
  const hot = HOT.find(one => one.isSo(result, sweet))
  return hot ? { sentence: hot.says(result, sweet), reason: `${gel.sentence} ${gel.reason}` } : gel
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
  says: (result: RestResult, sweet: Sweet) => string
}[] = [
  {
    isSo: ({ volcano }) => volcano > 0.5,
    says: ({ volcano }) => `It overheats and may rise out of the mould: ${showChance(volcano)}.`,
  },
  {
    isSo: ({ crack }) => crack > 0.4,
    says: ({ crack }) => `It overheats, and is likely to crack: ${showChance(crack)}.`,
  },
  {
    isSo: ({ browning, gel }, sweet) => sweet !== null && browning >= TOO_HOT_FOR_MILK && gel !== 'none',
    says: ({ browning }, sweet) => `It overheats for a ${sweet} soap: it turns ${brownWord(browning)!}.`,
  },
]

/** A class is called likely from here on, and nothing more is asked about it from there on. */
const UNSURE = 0.5
const SURE = 0.85

/** Cups with more water gel from less. */
const gelRange = ({ gelC, gelToC }: RestResult): string =>
  gelToC - gelC < 1.5
    ? `${Math.round(gelC)} °C`
    : `${Math.round(gelC)} °C, the cup with least water from ${Math.round(gelToC)} °C`

function gelSentence(result: RestResult, numbers: RestNumbers | null): { sentence: string; reason: string } {
  const sure = numbers ? `: ${showChance(numbers.gel[result.gel])}` : ''
  const likely = numbers && numbers.gel[result.gel] < UNSURE ? 'as likely as not' : 'most likely'
  const hangs = numbers && numbers.gel[result.gel] < SURE ? ` Mostly it hangs on ${REST_LUCK[numbers.hangsOn]}.` : ''
  const peak = `It is warmest after ${hours(result.peakMin)}, at about ${Math.round(result.peakC)} °C; it gels from ${gelRange(result)}.`
  if (result.gel === 'none')
    return {
      sentence: `It will ${likely} not gel${sure}.`,
      reason: `${peak} The middle stays ${sayDifference(kelvins(Math.max(0, -result.coreMarginK)))} short.${hangs}`,
    }
  if (result.gel === 'full')
    return {
      sentence: `It will ${likely} gel through${sure}.`,
      reason: `${peak} It starts after ${hours(result.startMin ?? 0)}${result.fullMin === null ? '; the very corners may stay matt' : ` and reaches the corners after ${hours(result.fullMin)}`}.${hangs}`,
    }
  const { ring } = result
  if (!ring) return { sentence: `Part of it will gel, a ring in the cut${sure}.`, reason: `${peak}${hangs}` }
  return {
    sentence: `Part of it will gel, a ring in the cut${sure}.`,
    reason: `${peak} About ${showShare(result.gelledShare, 0)} of the face gels: the middle ${Math.round(ring.widthMm)} mm, from ${Math.round(ring.fromMm)} to ${Math.round(ring.toMm)} mm above the floor; ${Math.round(ring.sideRimMm)} mm at either side stay matt.${hangs}`,
  }
}

const BROWN = [
  [12, 'dark, and may smell scorched'],
  [4, 'tan to brown'],
  [1, 'light tan'],
] as const

export const brownWord = (browning: number): string | undefined => BROWN.find(([from]) => browning >= from)?.[1]

/** What can go wrong in the mould, and cautions for where it stands. */
export function restNotices(plan: Plan, result: RestResult, ash: Ash, isSaltBar: boolean): Notice[] {
  const notices: Notice[] = []
  const meets = mistMeets(plan)
  const add = (weight: Notice['weight'], sentence: string) => notices.push({ path: 'rest', weight, sentence })
  if (result.volcano > 0.25)
    add(
      'stop',
      `It may rise out of the mould (${showChance(result.volcano)}): soap that overflows is hot and caustic. Unwrap it, stand it on a tray in a cool place, do not cover it.`,
    )
  if (result.crack > 0.1)
    add(
      result.crack > 0.5 ? 'stop' : 'warn',
      `${result.crack > 0.5 ? 'It is likely to overheat and crack' : 'It may overheat and crack'} (${showChance(result.crack)}, peak about ${Math.round(result.peakC)} °C): ${crackCause(result)}. Look in after ${hours(Math.max(10, result.peakMin * 0.6))}.`,
    )
  const brown = brownWord(result.browning)
  if (brown)
    add(
      result.browning >= TOO_HOT_FOR_MILK ? 'warn' : 'hint',
      `Milk or sugar in it turns ${brown} in this warmth. It stays cream in a refrigerator, or poured cooler and left unwrapped.`,
    )
  if (result.rivers > 0.5)
    add('hint', 'Glycerin rivers are likely: much water, a long gel. Less water or a cooler rest shows fewer.')
  if (ash.remedy !== '')
    add(
      'hint',
      `Ash on the top: ${ash.word}${ash.reasons.length > 0 ? ` (${ash.reasons.join(', ')})` : ''}. Most of it goes with ${ash.remedy}; it is only looks, unless other signs of lye show.`,
    )
  if (isSaltBar)
    add(
      'warn',
      'With so much salt it is not reckoned when it sets: cut it within 1 to 4 hours, while it is warm, or pour it into single cavities.',
    )
  const window = result.unmouldMin !== null && result.hardMin !== null ? result.hardMin - result.unmouldMin : null
  if (!isSaltBar && window !== null && window < SHORT_WINDOW_MIN)
    add(
      'warn',
      `It can be cut for about ${hours(window)} only: firm enough after about ${hours(result.unmouldMin!)}, too hard for a wire by ${hours(result.hardMin!)}.`,
    )
  if (plan.rest.mist)
    add(
      'warn',
      meets === 'closed'
        ? 'The mist against ash is left out: a closed appliance collects the vapour of alcohol, and a spark lights it. Film close on the top does the same.'
        : meets === 'heat'
          ? 'The mist against ash is left out: alcohol burns, and an oven or a mat lights it. Film over the top does the same.'
          : 'Alcohol mist burns: no flame, nothing hot, air the room, and let it dry before a lid goes on.',
    )
  const places = plan.rest.steps.map(step => step.place)
  if (places.some(place => place === 'oven' || place === 'mat'))
    add(
      'warn',
      'No alcohol mist before an oven or a mat: it burns. An oven used for soap bakes no food meanwhile: hang a sign on it, and never heat it with soap inside and nobody by.',
    )
  if (places.some(place => place === 'refrigerator' || place === 'freezer'))
    add(
      'warn',
      'Not beside food: fresh soap is caustic. Cover it, label it, and no alcohol mist in a closed appliance.',
    )
  if (staysCold(plan))
    add(
      'warn',
      'Nothing says when it comes back out of the cold, where soap hardly goes on. 12 to 24 hours are usual; then back into the room, and wipe off what it sweats.',
    )
  return notices
}

/** A cut that must not wait longer than this is told, min. */
const SHORT_WINDOW_MIN = 180

/** Why it cracks, and what takes most of it away. */
function crackCause({ causes }: RestResult): string {
  const [name] = (Object.keys(causes) as (keyof typeof causes)[]).sort((a, b) => causes[b] - causes[a])
  switch (name) {
    case 'sugar':
      return 'its sugar heats it. Take less of it, or pour 4 K cooler'.replace('4 K', sayDifference(kelvins(4)))
    case 'dry':
      return 'little water makes it stiff before it is hot. Take more water, or pour cooler'
    case 'skin':
      return 'the top is cool over a hot middle. Cover it close, and pour cooler; cooling the outside alone makes it worse'
    default:
      return 'the heat of it. Pour cooler, or take a towel off; a refrigerator does not reach the middle of a thick loaf in time'
  }
}

/** The last that the plan says of its place is a refrigerator or freezer: it would stay there. */
export const staysCold = ({ rest }: Plan): boolean => isClosed(rest.steps.at(-1)!)

/** One thing to do at its time after the last pour. */
export interface RestTask {
  /** Stays the same while its time and its words change with the plan. */
  key: string
  atMin: number
  what: string
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
  const tasks: RestTask[] = [{ key: 'look', atMin: startMin + 10, what: 'Look in: the middle begins to turn clear' }]
  const goneMin = Math.max(fullMin ?? peakMin, peakMin)
  if (goneMin > startMin + 25)
    tasks.push({
      key: 'look-again',
      atMin: goneMin,
      what:
        gel === 'full'
          ? 'Look again: it should be clear to the sides'
          : 'Look again: the clear middle is at its largest',
    })
  const last = rest.steps.at(-1)!
  const isWrapped = showTowels(last.towels) !== '' && last.atMin < goneMin
  if (gel === 'full' && isWrapped)
    tasks.push({
      key: 'uncover',
      atMin: goneMin + STAYS_ON_MIN,
      what: 'It may be uncovered; left on, it cools more slowly',
    })
  return tasks
}

/** The rest as things to do: cover, look in, change of place, unmould and cut. */
export function restTasks(plan: Plan, result: RestResult, isSaltBar = false): RestTask[] {
  const tasks: RestTask[] = plan.rest.steps.flatMap((step, i): RestTask[] => {
    const wrap = [
      step.cover === 'open' ? 'open' : step.cover === 'lid' ? 'lid on' : 'film on',
      showTowels(step.towels),
    ].filter(Boolean)
    const list: RestTask[] = [
      {
        key: `place-${i + 1}`,
        atMin: step.atMin,
        what: `${i === 0 ? 'Cover' : 'Change'}: ${PLACE_WORDS[step.place]}, ${wrap.join(', ')}`,
      },
    ]
    if (step.place === 'oven' && step.holdMin > 0)
      list.push({ key: `oven-off-${i + 1}`, atMin: step.atMin + step.holdMin, what: 'Switch the oven off' })
    if (step.place === 'mat' && step.holdMin > 0)
      list.push({ key: `mat-off-${i + 1}`, atMin: step.atMin + step.holdMin, what: 'Mat off' })
    if (isCold(plan.rest.steps[i - 1]) && !isCold(step))
      list.push({ key: `wipe-${i + 1}`, atMin: step.atMin + 20, what: 'Wipe off what it sweats, or let it air' })
    return list
  })
  tasks.push(...lookTasks(plan, result))
  if (result.crack > 0.05)
    tasks.push({
      key: 'cracks',
      atMin: Math.max(10, result.peakMin * 0.7),
      what: 'Look for cracks; unwrap if it rises',
    })
  if (plan.rest.mist && mistMeets(plan) === null) {
    tasks.unshift({ key: 'mist', atMin: 0, what: 'Mist the top with alcohol: no flame, nothing hot, air the room' })
    tasks.push({ key: 'mist-again', atMin: MIST_AGAIN_MIN, what: 'Mist it once more, then cover it again' })
  }
  for (const [i, change] of plan.rest.room.entries())
    tasks.push({ key: `room-${i + 1}`, atMin: change.atMin, what: `The room goes to ${Math.round(change.tempC)} °C` })
  if (isSaltBar) return tasks.sort((a, b) => a.atMin - b.atMin)
  const { waitH } = plan.rest.cut
  if (result.unmouldMin !== null) {
    const cutMin = result.unmouldMin + waitH * 60
    if (isTray(plan.mould) || waitH === 0)
      tasks.push({
        key: 'unmould',
        atMin: result.unmouldMin,
        what: isTray(plan.mould) ? 'Turn the bars out, if they do not dent' : 'Unmould and cut, if it does not dent',
      })
    else {
      tasks.push({ key: 'unmould', atMin: result.unmouldMin, what: 'Unmould, if it does not dent' })
      tasks.push({ key: 'cut', atMin: cutMin, what: 'Cut' })
    }
  }
  return tasks.sort((a, b) => a.atMin - b.atMin)
}
