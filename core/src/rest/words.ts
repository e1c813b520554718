import type { Notice } from '../checks/index.ts'
import type { Plan } from '../plan/index.ts'
import { showChance, showMinutes, showShare, tidy } from '../units/index.ts'
import type { RestChances } from './chances.ts'
import type { RestResult } from './verdict.ts'

const hours = (min: number): string => (min < 90 ? showMinutes(min) : `${tidy(min / 60, min < 600 ? 1 : 0)} h`)

/** What a rest comes to in one sentence, and why. */
export function restSentence(result: RestResult, chances: RestChances | null): { sentence: string; reason: string } {
  const sure = chances ? `: ${showChance(chances.gel[result.gel])}` : ''
  const peak = `It is warmest after ${hours(result.peakMin)}, at about ${Math.round(result.peakC)} °C; it gels from ${Math.round(result.gelC)} °C.`
  if (result.gel === 'none')
    return {
      sentence: `It will most likely not gel${sure}.`,
      reason: `${peak} The middle stays ${tidy(Math.max(0, -result.coreMarginK), 0)} °C short.`,
    }
  if (result.gel === 'full')
    return {
      sentence: `It will most likely gel through${sure}.`,
      reason: `${peak} It starts after ${hours(result.startMin ?? 0)}${result.fullMin === null ? '; the very corners may stay matt' : ` and reaches the corners after ${hours(result.fullMin)}`}.`,
    }
  const ring = result.ring!
  return {
    sentence: `Part of it will gel, a ring in the cut${sure}.`,
    reason: `${peak} About ${showShare(result.gelledShare, 0)} of the face gels: the middle ${Math.round(ring.widthMm)} mm, from ${Math.round(ring.fromMm)} to ${Math.round(ring.toMm)} mm above the floor; ${Math.round(ring.sideRimMm)} mm at either side stay matt.`,
  }
}

const BROWN = [
  [12, 'dark, and may smell scorched'],
  [4, 'tan to brown'],
  [1, 'light tan'],
] as const

/** What can go wrong in the mould, and cautions for where it stands. */
export function restNotices(plan: Plan, result: RestResult): Notice[] {
  const notices: Notice[] = []
  const add = (weight: Notice['weight'], sentence: string) => notices.push({ path: 'rest', weight, sentence })
  if (result.volcano > 0.25)
    add(
      'stop',
      `It may rise out of the mould (${showChance(result.volcano)}): soap that overflows is hot and caustic. Unwrap it, stand it on a tray in a cool place, do not cover it.`,
    )
  if (result.crack > 0.1)
    add(
      result.crack > 0.4 ? 'stop' : 'warn',
      `It may overheat and crack (${showChance(result.crack)}, peak about ${Math.round(result.peakC)} °C). Wrap it less, pour cooler, or look in after ${hours(Math.max(10, result.peakMin * 0.6))}.`,
    )
  const brown = BROWN.find(([from]) => result.browning >= from)
  if (brown) add(brown[0] >= 4 ? 'warn' : 'hint', `Milk or sugar in it turns ${brown[1]} in this warmth.`)
  if (result.rivers > 0.5)
    add('hint', 'Glycerin rivers are likely: much water, a long gel. Less water or a cooler rest shows fewer.')
  if (result.gel !== 'full') add('hint', 'What does not gel ashes more readily: cover the top until it is firm.')
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
  return notices
}

/** One thing to do at its time after the last pour. */
export interface RestTask {
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

/** The rest as things to do: cover, look in, change of place, unmould and cut. */
export function restTasks(plan: Plan, result: RestResult): RestTask[] {
  const tasks: RestTask[] = plan.rest.steps.flatMap((step, i): RestTask[] => {
    const wrap = [
      step.cover === 'open' ? 'open' : step.cover === 'lid' ? 'lid on' : 'film on',
      step.towels > 0
        ? `${step.towels} ${step.towels === 1 ? 'towel' : 'towels'}${step.below ? ' all round' : ''}`
        : '',
    ].filter(Boolean)
    const list: RestTask[] = [
      { atMin: step.atMin, what: `${i === 0 ? 'Cover' : 'Change'}: ${PLACE_WORDS[step.place]}, ${wrap.join(', ')}` },
    ]
    if (step.place === 'oven' && step.holdMin > 0)
      list.push({ atMin: step.atMin + step.holdMin, what: 'Switch the oven off' })
    if (step.place === 'mat' && step.holdMin > 0) list.push({ atMin: step.atMin + step.holdMin, what: 'Mat off' })
    return list
  })
  if (result.gel !== 'none' && result.startMin !== null)
    tasks.push({ atMin: result.startMin + 10, what: 'Look in: the middle begins to turn clear' })
  if (result.crack > 0.05)
    tasks.push({ atMin: Math.max(10, result.peakMin * 0.7), what: 'Look for cracks; unwrap if it rises' })
  if (result.unmouldMin !== null) tasks.push({ atMin: result.unmouldMin, what: 'Unmould and cut, if it does not dent' })
  return tasks.sort((a, b) => a.atMin - b.atMin)
}
