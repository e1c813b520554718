import { join } from 'node:path'
import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defaultClientConditions, defineConfig } from 'vite'
import type { Rolldown } from 'vite'

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

const CHARTS = /[\\/]node_modules[\\/](recharts|victory-|d3-|@reduxjs|redux|reselect|immer|es-toolkit|decimal)/

/**
 * What several pages use comes in a few files instead of a hundred small ones: a page asks the server for few things, which counts on a
 * phone at the far end of a workshop. What runs before the language is known stays apart, since a file runs as a whole.
 */
const sharedChunks: Rolldown.CodeSplittingOptions = {
  groups: [
    { name: 'libraries', test: id => id.includes('node_modules') && !CHARTS.test(id), minShareCount: 4, priority: 3 },
    {
      name: (id, modules) => (beforeWords(modules).has(id) ? null : 'shared'),
      test: /[\\/](core|web)[\\/]src[\\/]/,
      minShareCount: 3,
      priority: 2,
    },
    { name: 'charts', test: CHARTS, priority: 1 },
  ],
}

export default defineConfig({
  root: import.meta.dirname,
  plugins: [react(), tailwindcss()],
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
