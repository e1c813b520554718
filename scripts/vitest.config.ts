import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    name: 'scripts',
    include: ['scripts/test/**/*.test.mjs'],
    testTimeout: 60_000,
    root: new URL('..', import.meta.url).pathname,
  },
})
