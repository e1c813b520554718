import { defaultServerConditions } from 'vite'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  ssr: { resolve: { conditions: ['source', ...defaultServerConditions] } },
  test: {
    name: 'server',
    include: ['test/**/*.test.ts'],
    fileParallelism: false,
    testTimeout: 240_000,
    hookTimeout: 60_000,
  },
})
