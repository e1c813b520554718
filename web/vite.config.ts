import { join } from 'node:path'
import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defaultClientConditions, defineConfig } from 'vite'
import type { Plugin, Rolldown } from 'vite'

const INDEX = join(import.meta.dirname, 'index.html')
const FIRST = join(import.meta.dirname, 'src/main.tsx')

/** Everything that runs before the language is known: what `main.tsx` imports, and what that imports. */
function beforeWords(modules: Rolldown.ChunkingContext): ReadonlySet<string> {
  const found = new Set<string>()
  const waiting = [FIRST]
  for (let id = waiting.pop(); id !== undefined; id = waiting.pop()) {
    if (found.has(id)) continue
    found.add(id)
    waiting.push(...(modules.getModuleInfo(id)?.importedIds ?? []))
  }
  return found
}

const OURS = /[\\/]web[\\/]src[\\/]/
const CHARTS = /[\\/]node_modules[\\/](recharts|victory-|d3-|@reduxjs|redux|reselect|immer|es-toolkit|decimal)/

/**
 * What several pages use comes in a few files instead of a hundred small ones: a page asks the server for few things, which counts on a
 * phone at the far end of a workshop. What runs before the language is known stays apart, since a file runs as a whole.
 */
const sharedChunks: Rolldown.CodeSplittingOptions = {
  groups: [
    { name: 'libraries', test: id => id.includes('node_modules') && !CHARTS.test(id), minShareCount: 4, priority: 5 },
    // Core makes no words: it may run before the language is known.
    { name: 'core', test: /[\\/]core[\\/]src[\\/]/, minShareCount: 3, priority: 4 },
    // `main.tsx` stays by itself: it waits for the language, and what it starts uses the rest of these.
    {
      name: (id, modules) => (OURS.test(id) && id !== FIRST && beforeWords(modules).has(id) ? 'first' : null),
      priority: 3,
    },
    { name: 'shared', test: OURS, minShareCount: 3, priority: 2 },
    { name: 'charts', test: CHARTS, priority: 1 },
  ],
}

/** Stops a build whose page would run what holds words before the language is known. */
const wordsWait = (): Plugin => ({
  name: 'words-wait',
  generateBundle(_, bundle) {
    const waiting = Object.values(bundle).filter(
      one => one.type === 'chunk' && one.isEntry && one.facadeModuleId === INDEX,
    )
    const early = new Set(waiting.map(({ fileName }) => fileName))
    for (const fileName of early) {
      const chunk = bundle[fileName]
      if (chunk?.type !== 'chunk') continue
      if (/^(shared|app)$/.test(chunk.name)) throw new Error(`“${chunk.name}” runs before the language is known`)
      for (const next of chunk.imports) early.add(next)
    }
    if (early.size === 0) throw new Error('the page has no first file')
  },
})

export default defineConfig({
  root: import.meta.dirname,
  plugins: [react(), tailwindcss(), wordsWait()],
  resolve: { conditions: ['source', ...defaultClientConditions] },
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    sourcemap: false,
    chunkSizeWarningLimit: 700,
    rolldownOptions: { output: { codeSplitting: sharedChunks } },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4310' } },
})
