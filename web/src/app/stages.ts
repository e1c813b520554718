import { needsAnswer } from '@ostler/core'
import type { BenchState, Forecast, Plan } from '@ostler/core'

/** The stages of a batch in the order of the work, each with its pages. */
export interface Stage {
  name: string
  pages: readonly { path: string; name: string }[]
  /** Pages that belong to it and have their own way in. */
  also?: readonly string[]
  /** In a word, what it lacks or how it stands. */
  word: (plan: Plan, forecast: Forecast | null, noted: BenchState | null) => string
}

const isStop = (forecast: Forecast, about: RegExp): boolean =>
  forecast.notices.some(notice => notice.weight === 'stop' && about.test(notice.path))

function batterWord(plan: Plan, forecast: Forecast | null): string {
  if (!forecast) return '▲ oil missing'
  const { weight, superfatShare } = forecast.freeLye
  if (weight === 'stop' && needsAnswer(plan, superfatShare)) return '▲ free lye'
  if (isStop(forecast, /^scent/)) return '▲ scent'
  if (isStop(forecast, /^(recipe|conditions)/)) return '▲ stop'
  return weight === 'none' ? 'ready' : '△ lye'
}

const RISKS = { calm: 'likely', tight: '△ tight', trouble: '▲ trouble' } as const

export const STAGES: readonly Stage[] = [
  {
    name: 'Batter',
    pages: [
      { path: 'batter', name: 'Recipe' },
      { path: 'heat', name: 'Heat' },
    ],
    word: batterWord,
  },
  {
    name: 'Score',
    pages: [
      { path: 'score', name: 'Score' },
      { path: 'cups', name: 'Cups' },
      { path: 'colour', name: 'Colour' },
      { path: 'bars', name: 'Bars' },
    ],
    also: ['design', 'compare'],
    word: (_, forecast) => (forecast ? RISKS[forecast.risk.state] : '–'),
  },
  {
    name: 'Prepare',
    pages: [
      { path: 'prepare', name: 'Run sheet' },
      { path: 'weigh', name: 'Weigh' },
      { path: 'cards', name: 'Cards' },
      { path: 'sheet', name: 'Sheet' },
    ],
    word: (_, __, noted) => {
      const [weighed, ticked] = [noted?.weighed ?? {}, noted?.ticked ?? {}].map(one => Object.keys(one).length)
      return weighed! > 0 ? `${weighed} weighed` : ticked! > 0 ? 'begun' : 'not begun'
    },
  },
  {
    name: 'Bench',
    pages: [
      { path: 'rehearse', name: 'Rehearse' },
      { path: 'bench', name: 'Make it' },
    ],
    word: () => 'minute by minute',
  },
  {
    name: 'Rest',
    pages: [
      { path: 'rest', name: 'Rest' },
      { path: 'cut', name: 'Cut' },
    ],
    word: ({ rest }) => (rest.weighIns.length > 0 ? 'curing' : rest.pouredAt !== '' ? 'poured' : 'not poured'),
  },
  {
    name: 'Record',
    pages: [
      { path: 'outcome', name: 'Outcome' },
      { path: 'faults', name: 'Faults' },
      { path: 'taught', name: 'What it taught' },
      { path: 'lots', name: 'Lots' },
      { path: 'cost', name: 'Cost' },
      { path: 'labels', name: 'Labels' },
      { path: 'record', name: 'Whole record' },
      { path: 'history', name: 'History' },
    ],
    word: ({ rest }) => (rest.pouredAt !== '' ? 'what came of it' : 'later'),
  },
]

export interface Place {
  stage: Stage
  path: string
  /** What the page is called, for titles. */
  name: string
}

const OTHERS: Readonly<Record<string, string>> = { design: 'Design sheet', compare: 'Compare' }

/** Where an address of a batch stands. */
export function placeOf(pathname: string): Place {
  const path = /^\/batches\/[^/]+\/([^/]+)/.exec(pathname)?.[1] ?? 'score'
  const stage = STAGES.find(one => one.pages.some(page => page.path === path) || one.also?.includes(path)) ?? STAGES[1]!
  const page = stage.pages.find(one => one.path === path)
  return { stage, path, name: page?.name ?? OTHERS[path] ?? stage.name }
}
