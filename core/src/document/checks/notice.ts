import type { Words } from '../../quantities/facts/index.ts'
/** A sentence about a value that is allowed but worth a thought, with where it stands. */
export interface Notice {
  path: string
  weight: 'stop' | 'warn' | 'hint'
  sentence: Words
}
