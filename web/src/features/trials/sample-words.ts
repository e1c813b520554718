import { ROLES, TRIAL_NUMBERS, findById, kindOfTrial } from '@ostler/core'
import type { Shelf, TrialQuestion, TrialSample } from '@ostler/core'
import { t } from '../../words/index.ts'

const nameOf = (shelf: Shelf, id: string): string => findById(shelf.colorants, id)?.name ?? id

/** A level of what is asked, in words. */
function levelWords({ kind, levels }: TrialQuestion, level: number | undefined): string {
  const one = level === undefined ? undefined : levels[level]
  if (!one) return ''
  if (one.way) return one.way
  if (kind === 'stabiliser') return t('the scent with {amount} g of stabiliser a gram', { amount: one.amount })
  const of = TRIAL_NUMBERS[kind as keyof typeof TRIAL_NUMBERS]
  return of ? `${one.amount} ${t(of.unit)} ${t(of.says)}` : ''
}

/** What is in a sample, in words. */
export function whatIn(question: TrialQuestion, sample: TrialSample, shelf: Shelf): string {
  const { role, colorant, scented, level } = sample
  const { kind } = question
  const name = colorant === '' ? '' : nameOf(shelf, colorant)
  if (kind === 'fading')
    return `${name || t(ROLES.nothing)}, ${role === 'dark' ? t('in the dark') : t('in the window')}`
  if (role === 'nothing') {
    if (kind === 'speed') return t('plain')
    return kindOfTrial(kind).group === 'working' ? t('as usual') : t(ROLES.nothing)
  }
  if (role === 'suspect') return t(ROLES.suspect)
  if (role === 'cure') return t('{name} alone', { name })
  if (role === 'repeat' || role === 'white') return `${name}, ${t(ROLES[role])}`
  if (name !== '') return scented ? t('{name} with the scent', { name }) : name
  return levelWords(question, level) || (scented ? t('with the scent') : t(ROLES.test))
}
