import { defaultServerConditions } from 'vite'
import { defineConfig } from 'vitest/config'

const conditions = ['source', ...defaultServerConditions]

export default defineConfig({
  resolve: { conditions },
  ssr: { resolve: { conditions } },
  test: {
    name: 'web',
    environment: 'jsdom',
    include: ['src/**/*.test.{ts,tsx}'],
    setupFiles: ['../scripts/lib/drawn-alike.mjs', './src/test-patience.ts'],
    testTimeout: 240_000,
  },
})
