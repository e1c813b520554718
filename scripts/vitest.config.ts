import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    name: 'scripts',
    include: ['scripts/test/**/*.test.mjs'],
    // They start whole programs and databases beside everything else: on a busy machine minutes go by.
    testTimeout: 240_000,
    // Core as it was built, as programs run it.
    server: { deps: { external: [/[\\/]core[\\/]dist[\\/]/] } },
    root: new URL('..', import.meta.url).pathname,
  },
})
