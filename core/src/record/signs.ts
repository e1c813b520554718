import { SIGN_STAGES } from './sign.ts'
import type { Sign, SignStage } from './sign.ts'
import { FROM_CUT } from './signs-from-cut.ts'
import { UNTIL_OUT } from './signs-until-out.ts'

/** What can be seen of a soap from the pot to its use, each with how some of it looks and how much of it. One list for records and for causes. */
export const SIGNS: readonly Sign[] = [...UNTIL_OUT, ...FROM_CUT]

export const signOf = (id: string | undefined): Sign | undefined => SIGNS.find(sign => sign.id === id)

/** What makers call some of them: they are searched by it. */
const CALLED: Readonly<Record<string, string>> = {
  'p-lump': 'seized soap on a stick',
  'p-grain': 'ricing',
  'p-oilfilm': 'false trace separation oil',
  'p-breaks': 'false trace separation',
  'u-ash': 'soda ash white powder',
  'u-crust': 'soda ash lye crust white powder',
  'u-sweat': 'sweat glycerin dew drops',
  'u-scentbeads': 'oily drops sweat scent',
  'm-rise': 'volcano overheated',
  'm-crack': 'heat crack',
  'k-ring': 'partial gel ring',
  'k-rivers': 'glycerin rivers crackle',
  'r-orange': 'rancid spots',
}

/** Signs that fit all words that are searched for, in what they are called or how they look. */
export function signsLike(search: string, stage: SignStage | null = null): Sign[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean)
  return SIGNS.filter(sign => {
    const text = [sign.words, CALLED[sign.id] ?? '', sign.some, sign.strong, sign.where, SIGN_STAGES[sign.stage]]
      .join(' ')
      .toLowerCase()
    return (stage === null || sign.stage === stage) && words.every(word => text.includes(word))
  })
}
