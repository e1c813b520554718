import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    projects: ['core/vitest.config.ts', 'server/vitest.config.ts', 'web/vitest.config.ts', 'scripts/vitest.config.ts'],
  },
})
