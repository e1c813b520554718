import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    name: 'server',
    include: ['test/**/*.test.ts'],
    isolate: false,
    testTimeout: 240_000,
    hookTimeout: 60_000,
    // Core as it was built, as the server itself runs it.
    server: { deps: { external: [/[\\/]core[\\/]dist[\\/]/] } },
  },
})
