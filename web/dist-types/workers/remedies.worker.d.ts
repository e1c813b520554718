import { remediesFor } from '@ostler/core'
declare const doorway: {
  remediesFor: typeof remediesFor
}
export type RemediesWorker = typeof doorway
export {}
