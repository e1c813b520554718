import {
  ANSWERS,
  CAUSES,
  CAUSE_AT,
  ENTRY_KINDS,
  GONE_WAYS,
  KNOWN_FACTS,
  QUALITIES,
  YIELD_PARTS,
  isKnownFact,
  signOf,
} from '@ostler/core'
import type { RecordEntry } from '@ostler/core'
import { t } from '../words/index.ts'

export const GRADE_WORDS = [t('not there'), t('some'), t('strong')] as const
export const MARK_WORDS = ['', t('not at all'), t('hardly'), t('fairly'), t('nearly'), t('as wished')] as const

function knownWords({ fact = '', answer }: RecordEntry): string {
  if (!isKnownFact(fact)) return fact
  const { ask, yes, no } = KNOWN_FACTS[fact]
  return answer === 'yes' ? yes : answer === 'no' ? no : t('{ask}: not said', { ask })
}

const bars = (count: number): string => t('{bars, plural, one {# bar} other {# bars}}', { bars: count })

/** What an entry says, in one line. Weights are shown with the yield they belong to. */
export function entryWords(entry: RecordEntry): string {
  const { kind, text = '', count, grade, aim, mark, part, way } = entry
  switch (kind) {
    case 'cut':
      return count === undefined ? t('cut') : t('cut into {count}', { count: bars(count) })
    case 'placed':
      return text === '' ? t('taken from its place') : t('put on {text}', { text })
    case 'sign':
      return `${t(signOf(entry.sign)?.words ?? entry.sign ?? '')}: ${GRADE_WORDS[grade ?? 1]}${text === '' ? '' : `, ${text}`}`
    case 'graded':
      return `${aim ? t(QUALITIES[aim]) : ''}: ${MARK_WORDS[mark ?? 0]}`
    case 'yield':
      return t('weighed up: {part}', { part: part ? t(YIELD_PARTS[part]) : '' })
    case 'gone':
      return `${bars(count ?? 0)} ${way ? t(GONE_WAYS[way]) : t('gone')}`
    case 'known':
      return knownWords(entry)
    case 'cause':
      return `${t(CAUSES[CAUSE_AT.get(entry.cause ?? '') ?? -1]?.name ?? entry.cause ?? '')}: ${entry.answer ? t(ANSWERS[entry.answer]) : ''}`
    case 'next':
      return t('next time: {text}', { text })
    case 'note':
      return text
    case 'photo':
      return text === '' ? t('a photograph') : t('a photograph: {text}', { text })
    default:
      return t(ENTRY_KINDS[kind])
  }
}
