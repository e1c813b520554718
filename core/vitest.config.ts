import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    name: 'core',
    include: ['src/**/*.test.ts'],
    setupFiles: ['../scripts/lib/drawn-alike.mjs'],
    testTimeout: 240_000,
    isolate: false,
  },
})
