import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { BackupAnswer } from '@ostler/core'

/** A backup older than this is told as a trouble. */
const OLD_MS = 2 * 86_400_000

/** When the last good backup was made, as whoever made it wrote down; null: never, or somebody else makes them. */
export async function lastBackup(folder: string, now: Date): Promise<BackupAnswer> {
  if (folder === '') return { isMadeHere: false, madeAt: null, isOld: false, bytes: null }
  try {
    const told = JSON.parse(await readFile(join(folder, 'last-good.json'), 'utf8')) as Record<string, unknown>
    const { madeAt, bytes } = told
    if (typeof madeAt === 'string' && typeof bytes === 'number')
      return { isMadeHere: true, madeAt, isOld: now.getTime() - new Date(madeAt).getTime() > OLD_MS, bytes }
  } catch {
    // None was made yet, or the note of it is half written.
  }
  return { isMadeHere: true, madeAt: null, isOld: true, bytes: null }
}
