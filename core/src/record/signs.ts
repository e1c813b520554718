import { SIGN_STAGES } from './sign.ts'
import type { Sign, SignStage } from './sign.ts'
import { FROM_CUT } from './signs-from-cut.ts'
import { UNTIL_OUT } from './signs-until-out.ts'

/** What can be seen of a soap from the pot to its use, each with how some of it looks and how much of it. One list for records and for causes. */
export const SIGNS: readonly Sign[] = [...UNTIL_OUT, ...FROM_CUT]

export const signOf = (id: string | undefined): Sign | undefined => SIGNS.find(sign => sign.id === id)

/** Signs that fit all words that are searched for, in what they are called or how they look. */
export function signsLike(search: string, stage: SignStage | null = null): Sign[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean)
  return SIGNS.filter(sign => {
    const text = [sign.words, sign.some, sign.strong, sign.where, SIGN_STAGES[sign.stage]].join(' ').toLowerCase()
    return (stage === null || sign.stage === stage) && words.every(word => text.includes(word))
  })
}
