import { join } from 'node:path'
import { generateSW } from 'workbox-build'
import { ROOT } from './paths.mjs'

/**
 * Writes the service worker that keeps the application in the browser, so that it opens with the network gone. What the server
 * says is never kept by it: every answer comes from the server or from what a page itself keeps. A new version is fetched beside
 * the old one and taken when the last page of the old one is closed: nothing changes under the hands at the bench.
 */
async function writeServiceWorker() {
  const web = join(ROOT, 'web/dist')
  const { warnings } = await generateSW({
    swDest: join(web, 'sw.js'),
    globDirectory: web,
    globPatterns: ['**/*.{html,js,css,svg,png,woff2,wasm,webmanifest}'],
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//, /^\/assets\//],
    // File names of assets change with what is in them.
    dontCacheBustURLsMatching: /\/assets\//,
    inlineWorkboxRuntime: true,
    cleanupOutdatedCaches: true,
    clientsClaim: true,
    skipWaiting: false,
    sourcemap: false,
  })
  for (const warning of warnings) throw new Error(`The service worker lacks something: ${warning}`)
}

await writeServiceWorker()
