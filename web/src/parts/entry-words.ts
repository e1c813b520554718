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

export const GRADE_WORDS = ['not there', 'some', 'strong'] as const
export const MARK_WORDS = ['', 'not at all', 'hardly', 'fairly', 'nearly', 'as wished'] as const

function knownWords({ fact = '', answer }: RecordEntry): string {
  if (!isKnownFact(fact)) return fact
  const { ask, yes, no } = KNOWN_FACTS[fact]
  return answer === 'yes' ? yes : answer === 'no' ? no : `${ask}: not said`
}

const bars = (count: number) => `${count} ${count === 1 ? 'bar' : 'bars'}`

/** What an entry says, in one line. Weights are shown with the yield they belong to. */
export function entryWords(entry: RecordEntry): string {
  const { kind, text = '', count, grade, aim, mark, part, way } = entry
  switch (kind) {
    case 'cut':
      return count === undefined ? 'cut' : `cut into ${bars(count)}`
    case 'placed':
      return text === '' ? 'taken from its place' : `put on ${text}`
    case 'sign':
      return `${signOf(entry.sign)?.words ?? entry.sign}: ${GRADE_WORDS[grade ?? 1]}${text === '' ? '' : `, ${text}`}`
    case 'graded':
      return `${aim ? QUALITIES[aim] : ''}: ${MARK_WORDS[mark ?? 0]}`
    case 'yield':
      return `weighed up: ${part ? YIELD_PARTS[part] : ''}`
    case 'gone':
      return `${bars(count ?? 0)} ${way ? GONE_WAYS[way] : 'gone'}`
    case 'known':
      return knownWords(entry)
    case 'cause':
      return `${CAUSES[CAUSE_AT.get(entry.cause ?? '') ?? -1]?.name ?? entry.cause}: ${entry.answer ? ANSWERS[entry.answer] : ''}`
    case 'next':
      return `next time: ${text}`
    case 'note':
      return text
    case 'photo':
      return text === '' ? 'a photograph' : `a photograph: ${text}`
    default:
      return ENTRY_KINDS[kind]
  }
}
