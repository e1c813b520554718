import { ENGLISH } from '@ostler/core'
import type { Catalogue } from '@ostler/core'

let spoken: Catalogue = ENGLISH

/** Every message of the language that this browser is told things in. */
export const catalogue = (): Catalogue => spoken

export const speak = (language: Catalogue): void => {
  spoken = language
}
