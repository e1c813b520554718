import { fieldSentences } from '../document/index.ts'
import { fieldWords } from '../shelf/index.ts'

/** Whatever a described field may say or is called: what a catalogue of a language needs beside the ids of English. */
export const wordsOfFields = (): string[] => [...new Set([...fieldSentences(), ...fieldWords()])]
