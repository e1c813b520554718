import { existsSync } from 'node:fs'
import { defineConfig } from '@playwright/test'

/** Debian's Chromium: the one without windows does the same with less. */
const BROWSERS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium']

export default defineConfig({
  testDir: 'tests',
  outputDir: '../.cache/playwright',
  fullyParallel: true,
  workers: 2,
  timeout: 120_000,
  // A browser on a busy machine may miss its time once; the run says so.
  retries: 1,
  // Units belong to the whole workshop: their test runs when the others are done.
  projects: [
    { name: 'pages', testIgnore: 'units.spec.ts' },
    { name: 'units', testMatch: 'units.spec.ts', dependencies: ['pages'] },
  ],
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json']],
  use: {
    baseURL: process.env['OSTLER_URL'] ?? 'http://127.0.0.1:4310',
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'UTC',
    acceptDownloads: true,
    // A browser of its own for each test would fetch the whole application each time; one test is about that.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: BROWSERS.find(path => existsSync(path)) ?? BROWSERS[0]!,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})
