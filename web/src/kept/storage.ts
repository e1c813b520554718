/** The browser's storage, where it may be had: in a private window or behind a strict setting reading it throws. */

const storeNamed = (name: 'localStorage' | 'sessionStorage'): Storage | null => {
  try {
    return window[name]
  } catch {
    return null
  }
}

/** What stays when the browser is closed. */
export const lastingStore = (): Storage | null => storeNamed('localStorage')
/** What is this window's own, and stays through a reload. */
export const sessionStore = (): Storage | null => storeNamed('sessionStorage')

export function readText(store: Storage | null, key: string): string | null {
  try {
    return store?.getItem(key) ?? null
  } catch {
    return null
  }
}

/** @returns whether it is kept */
export function writeText(store: Storage | null, key: string, text: string): boolean {
  try {
    if (!store) return false
    store.setItem(key, text)
    return true
  } catch {
    return false
  }
}

export function removeKey(store: Storage | null, key: string): void {
  try {
    store?.removeItem(key)
  } catch {
    // Nothing was kept, so nothing is to be removed.
  }
}

export function keysOf(store: Storage | null): string[] {
  try {
    return store ? Object.keys(store) : []
  } catch {
    return []
  }
}

/** A value kept as JSON, or null when there is none or it is damaged. */
export function readJson<T>(store: Storage | null, key: string): T | null {
  const text = readText(store, key)
  if (text === null) return null
  try {
    return JSON.parse(text) as T
  } catch {
    return null
  }
}

export const writeJson = (store: Storage | null, key: string, value: unknown): boolean =>
  writeText(store, key, JSON.stringify(value))
