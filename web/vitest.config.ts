import { defaultServerConditions } from 'vite'
import { defineConfig } from 'vitest/config'

const conditions = ['source', ...defaultServerConditions]

export default defineConfig({
  resolve: { conditions },
  ssr: { resolve: { conditions } },
  test: { name: 'web', environment: 'jsdom', include: ['src/**/*.test.{ts,tsx}'], testTimeout: 60_000 },
})
