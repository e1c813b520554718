/**
 * The application itself is kept in the browser, so that it opens with the network gone. A browser that cannot or must not keep it works
 * as before.
 */
export function stayOpenOffline(): void {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return
  // What the page needs first comes first.
  addEventListener('load', () => {
    navigator.serviceWorker.register('/sw.js').catch(() => undefined)
  })
}
