import { remediesFor } from '@ostler/core'
import { expose } from 'comlink'

const doorway = { remediesFor }
export type RemediesWorker = typeof doorway

expose(doorway)
