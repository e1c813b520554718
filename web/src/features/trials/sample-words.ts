import { ROLES, TRIAL_NUMBERS, findById, kindOfTrial } from '@ostler/core'
import type { Shelf, TrialQuestion, TrialSample } from '@ostler/core'

const nameOf = (shelf: Shelf, id: string): string => findById(shelf.colorants, id)?.name ?? id

/** A level of what is asked, in words. */
function levelWords({ kind, levels }: TrialQuestion, level: number | undefined): string {
  const one = level === undefined ? undefined : levels[level]
  if (!one) return ''
  if (one.way) return one.way
  if (kind === 'stabiliser') return `the scent with ${one.amount} g of stabiliser a gram`
  const of = TRIAL_NUMBERS[kind as keyof typeof TRIAL_NUMBERS]
  return of ? `${one.amount} ${of.unit} ${of.says}` : ''
}

/** What is in a sample, in words. */
export function whatIn(question: TrialQuestion, sample: TrialSample, shelf: Shelf): string {
  const { role, colorant, scented, level } = sample
  const { kind } = question
  const name = colorant === '' ? '' : nameOf(shelf, colorant)
  if (kind === 'fading') return `${name || ROLES.nothing}, ${role === 'dark' ? 'in the dark' : 'in the window'}`
  if (role === 'nothing') {
    if (kind === 'speed') return 'plain'
    return kindOfTrial(kind).group === 'working' ? 'as usual' : ROLES.nothing
  }
  if (role === 'suspect') return ROLES.suspect
  if (role === 'cure') return `${name} alone`
  if (role === 'repeat' || role === 'white') return `${name}, ${ROLES[role]}`
  if (name !== '') return scented ? `${name} with the scent` : name
  return levelWords(question, level) || (scented ? 'with the scent' : ROLES.test)
}
