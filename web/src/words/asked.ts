import { decimalMark } from './marks.ts'
import { languageHere } from './settings.ts'

/** How this browser is told things, for the address of something that the server makes, such as a sheet as PDF. */
export const toldAs = (): string =>
  new URLSearchParams({
    language: languageHere(),
    decimal: decimalMark() === 'comma' ? 'comma' : 'point',
  }).toString()
