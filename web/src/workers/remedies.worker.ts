import { adviceFor } from '@ostler/core'
import { expose } from 'comlink'

const doorway = { adviceFor }
export type RemediesWorker = typeof doorway

expose(doorway)
