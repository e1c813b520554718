import { needsAnswer } from '@ostler/core'
import type { BenchState, Forecast, Plan, Risk } from '@ostler/core'
import { t } from '../words/index.ts'

/** The stages of a batch in the order of the work, each with its pages. */
export interface Stage {
  name: string
  pages: readonly { path: string; name: string }[]
  /** Pages that belong to it and have their own way in. */
  also?: readonly string[]
  /** In a word, what it lacks or how it stands. */
  word: (batch: Standing) => string
}

/** A batch by what is known of it: without a forecast an oil is missing; the risk is the one that the Score tells. */
export interface Standing {
  plan: Plan
  forecast: Forecast | null
  risk: Risk | null
  noted: BenchState | null
}

const isStop = (forecast: Forecast, about: RegExp): boolean =>
  forecast.notices.some(notice => notice.weight === 'stop' && about.test(notice.path))

function batterWord({ plan, forecast }: Standing): string {
  if (!forecast) return t('▲ oil missing')
  const { weight, superfatShare } = forecast.freeLye
  if (weight === 'stop' && needsAnswer(plan, superfatShare)) return t('▲ free lye')
  if (isStop(forecast, /^scent/)) return t('▲ scent')
  if (isStop(forecast, /^(recipe|conditions)/)) return t('▲ stop')
  return weight === 'none' ? t('ready') : t('△ lye')
}

const RISKS = { calm: t('likely'), tight: t('△ tight'), trouble: t('▲ trouble') } as const

export const STAGES: readonly Stage[] = [
  {
    name: t('Batter'),
    pages: [
      { path: 'batter', name: t('Recipe') },
      { path: 'heat', name: t('Heat') },
    ],
    word: batterWord,
  },
  {
    name: t('Score'),
    pages: [
      { path: 'score', name: t('Score') },
      { path: 'cups', name: t('Cups') },
      { path: 'colour', name: t('Colour') },
      { path: 'bars', name: t('Bars') },
    ],
    also: ['design', 'compare'],
    word: ({ risk }) => (risk ? RISKS[risk.state] : '–'),
  },
  {
    name: t('Prepare'),
    pages: [
      { path: 'prepare', name: t('Run sheet') },
      { path: 'weigh', name: t('Weigh') },
      { path: 'cards', name: t('Cards') },
      { path: 'sheet', name: t('Sheet') },
    ],
    word: ({ noted }) => {
      const [weighed, ticked] = [noted?.weighed ?? {}, noted?.ticked ?? {}].map(one => Object.keys(one).length)
      return weighed! > 0 ? t('{weighed} weighed', { weighed }) : ticked! > 0 ? t('begun') : t('not begun')
    },
  },
  {
    name: t('Bench'),
    pages: [
      { path: 'rehearse', name: t('Rehearse') },
      { path: 'bench', name: t('Make it') },
    ],
    word: () => t('minute by minute'),
  },
  {
    name: t('Rest'),
    pages: [
      { path: 'rest', name: t('Rest') },
      { path: 'cut', name: t('Cut') },
    ],
    word: ({ plan: { rest } }) =>
      rest.weighIns.length > 0 ? t('curing') : rest.pouredAt !== '' ? t('poured') : t('not poured'),
  },
  {
    name: t('Record'),
    pages: [
      { path: 'outcome', name: t('Outcome') },
      { path: 'faults', name: t('Faults') },
      { path: 'taught', name: t('What it taught') },
      { path: 'lots', name: t('Lots') },
      { path: 'cost', name: t('Cost') },
      { path: 'labels', name: t('Labels') },
      { path: 'record', name: t('Whole record') },
      { path: 'history', name: t('History') },
    ],
    word: ({ plan: { rest } }) => (rest.pouredAt !== '' ? t('what came of it') : t('later')),
  },
]

export interface Place {
  stage: Stage
  path: string
  /** What the page is called, for titles. */
  name: string
}

const OTHERS: Readonly<Record<string, string>> = { design: t('Design sheet'), compare: t('Compare') }

/** Where an address of a batch stands. */
export function placeOf(pathname: string): Place {
  const path = /^\/batches\/[^/]+\/([^/]+)/.exec(pathname)?.[1] ?? 'score'
  const stage = STAGES.find(one => one.pages.some(page => page.path === path) || one.also?.includes(path)) ?? STAGES[1]!
  const page = stage.pages.find(one => one.path === path)
  return { stage, path, name: page?.name ?? OTHERS[path] ?? stage.name }
}
