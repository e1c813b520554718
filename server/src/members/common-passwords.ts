import { dictionary } from '@zxcvbn-ts/language-common'
import { HttpError } from '../http/errors.ts'

/** Passwords that everybody tries first: a list of the most common ones comes with the server. */
const COMMON = new Set(dictionary['passwords-common'] as readonly string[])

const plain = (text: string): string => text.normalize('NFKC').toLowerCase().trim()
/** A common one is no better for a year or a mark behind it, or for standing there twice. */
const bare = (text: string): string => plain(text).replace(/[\d\W_]+$/u, '')
const isTwice = (text: string): boolean => {
  const half = text.slice(0, text.length / 2)
  return text.length % 2 === 0 && half + half === text && (COMMON.has(half) || /^(.)\1*$/u.test(half))
}

/** Why a password that is long enough is none; empty: it is one. */
export function whyWeak(password: string, about: readonly string[]): string {
  const text = plain(password)
  if (COMMON.has(text) || COMMON.has(bare(text)) || isTwice(text) || /^(.)\1*$/u.test(text))
    return 'This password is one of those that are tried first. Take a short sentence of your own.'
  if (about.some(one => one.length > 2 && plain(one) === text))
    return 'A password is not the name of somebody or of the workshop.'
  return ''
}

/** @throws HttpError with a sentence beside the field */
export function refuseWeak(password: string, about: readonly string[]): void {
  const sentence = whyWeak(password, about)
  if (sentence !== '') throw new HttpError(400, sentence, { problems: [{ path: 'password', value: '', sentence }] })
}
