import { QUALITIES, ENTRY_KINDS, GONE_WAYS, YIELD_PARTS, signOf } from '@ostler/core'
import type { RecordEntry } from '@ostler/core'

export const GRADE_WORDS = ['not there', 'some', 'strong'] as const
export const MARK_WORDS = ['', 'not at all', 'hardly', 'fairly', 'nearly', 'as wished'] as const

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
