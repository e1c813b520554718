import { keysOf, lastingStore, readText, removeKey, sessionStore, writeText } from '../kept/storage.ts'

/**
 * Windows of this browser that are open on Ostler. Each holds a lock of its own for as long as it lives, so that a draft whose
 * window was closed or crashed can be told from one that somebody is still typing in. Where there are no locks (plain http from
 * another machine) a sign of life is written down now and then.
 */

const NAME = 'ostler.window.'
const SIGN_EVERY_MS = 10_000
const ALIVE_MS = 40_000

const locks = (): LockManager | null => (typeof navigator === 'undefined' ? null : (navigator.locks ?? null))

const fresh = () => Math.random().toString(36).slice(2) + Date.now().toString(36)

/** Without locks the name stays through a reload, since the signs of the page before are still warm. */
function ownName(): string {
  if (locks()) return fresh()
  const entries = typeof performance === 'undefined' ? [] : (performance.getEntriesByType?.('navigation') ?? [])
  const isReload = (entries[0] as PerformanceNavigationTiming | undefined)?.type === 'reload'
  const name = (isReload && readText(sessionStore(), NAME)) || fresh()
  writeText(sessionStore(), NAME, name)
  return name
}

export const WINDOW = ownName()

const sign = () => writeText(lastingStore(), NAME + WINDOW, String(Date.now()))

/** Lets the other windows know of this one, as long as it lives. */
export function liveWindow(): void {
  const manager = locks()
  if (manager) {
    void manager.request(NAME + WINDOW, () => new Promise(() => undefined)).catch(() => undefined)
    return
  }
  sign()
  setInterval(sign, SIGN_EVERY_MS)
  addEventListener('pagehide', () => removeKey(lastingStore(), NAME + WINDOW))
}

/** Names of the windows that live, this one among them. */
export async function livingWindows(): Promise<Set<string>> {
  const names = new Set([WINDOW])
  const manager = locks()
  if (manager) {
    const { held = [] } = await manager.query()
    for (const { name } of held) if (name?.startsWith(NAME)) names.add(name.slice(NAME.length))
    return names
  }
  for (const key of keysOf(lastingStore())) {
    if (!key.startsWith(NAME)) continue
    if (Date.now() - Number(readText(lastingStore(), key)) < ALIVE_MS) names.add(key.slice(NAME.length))
  }
  return names
}
