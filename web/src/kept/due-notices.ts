import type { Due } from '@ostler/core'
import { lastingStore, readJson, readText, removeKey, writeJson, writeText } from './storage.ts'

/** Whether this browser tells what is due, and what it has told already. */

const WANTED_KEY = 'ostler-tell-due'
const TOLD_KEY = 'ostler-told-due'
const MOST_KEPT = 500

export const canTell = (): boolean => 'Notification' in globalThis

/** It was asked for here, and the browser lets it. */
export const tellsDue = (): boolean =>
  canTell() && Notification.permission === 'granted' && readText(lastingStore(), WANTED_KEY) === 'yes'

/** Asks the browser for leave. @returns whether it tells from now on */
export async function startTelling(): Promise<boolean> {
  if (!canTell() || (await Notification.requestPermission()) !== 'granted') return false
  writeText(lastingStore(), WANTED_KEY, 'yes')
  return true
}

export const stopTelling = (): void => removeKey(lastingStore(), WANTED_KEY)

/**
 * What has become due and was not told here before; it counts as told from now on.
 *
 * @param now what the clock shows, like "2026-03-02T14:30"; without an hour of its own something is due from nine in the morning on
 */
export function toTell(dues: readonly Due[], now: string): Due[] {
  const told = readJson<string[]>(lastingStore(), TOLD_KEY) ?? []
  const known = new Set(told)
  const fresh = dues.filter(due => {
    const at = due.on.length > 10 ? due.on : `${due.on}T09:00`
    return at <= now && !known.has(`${due.key} ${due.on}`)
  })
  if (fresh.length > 0)
    writeJson(lastingStore(), TOLD_KEY, [...told, ...fresh.map(due => `${due.key} ${due.on}`)].slice(-MOST_KEPT))
  return fresh
}
