import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    name: 'web',
    environment: 'jsdom',
    include: ['src/**/*.test.{ts,tsx}'],
    setupFiles: ['../scripts/lib/drawn-alike.mjs', './src/test-setup.ts'],
    isolate: false,
    testTimeout: 240_000,
    // Core as it was built (`tsc -b`), loaded by Node itself: every file of tests would work through its seven hundred sources again.
    server: { deps: { external: [/[\\/]core[\\/]dist[\\/]/] } },
  },
})
