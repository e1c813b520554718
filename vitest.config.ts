import { availableParallelism } from 'node:os'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    // As many as there are cores: the usual leaves one idle.
    maxWorkers: availableParallelism(),
    projects: ['core/vitest.config.ts', 'server/vitest.config.ts', 'web/vitest.config.ts', 'scripts/vitest.config.ts'],
  },
})
