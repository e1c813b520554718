import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    name: 'scripts',
    include: ['scripts/test/**/*.test.mjs'],
    // They start whole programs and databases beside everything else: on a busy machine minutes go by.
    testTimeout: 240_000,
    root: new URL('..', import.meta.url).pathname,
  },
})
