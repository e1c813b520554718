import { join, resolve } from 'node:path'

export const ROOT = resolve(import.meta.dirname, '..', '..')
/** Everything that is not source and must survive: the database. */
export const DATA = process.env.OSTLER_DATA ? resolve(process.env.OSTLER_DATA) : join(ROOT, '.data')
/** What can be made again. */
export const CACHE = join(ROOT, '.cache')
