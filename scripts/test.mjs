// All checks on a database of their own: types, lint, schema, unit, API and browser tests. Ends with "N passed, N failed".
import { spawn } from 'node:child_process'
import { existsSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { buildAll, ensurePackages } from './lib/build.mjs'
import { needChromium } from './lib/debian.mjs'
import { CACHE, ROOT } from './lib/paths.mjs'
import { Cluster } from './lib/postgres.mjs'
import { run, say } from './lib/say.mjs'
import { startServer, stopServer } from './lib/server.mjs'

const bin = path => join(ROOT, 'node_modules', path)
const only = process.argv.slice(2)
const wants = part => only.length === 0 || only.includes(part)

/** Runs a Node program with its output on the terminal; gives whether it succeeded. */
const node = (args, env = {}) =>
  new Promise(resolve => {
    const child = spawn(process.execPath, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } })
    child.once('exit', code => resolve(code === 0))
  })

/** What failed, told once more at the end, where it is found. */
const failures = []
const brief = text =>
  String(text ?? '')
    // What Vitest leaves of a test that ran out of time.
    .replace(/^Error: STACK_TRACE_ERROR/, 'Error: it took longer than a test may')
    .split('\n')
    .slice(0, 6)
    .join('\n    ')

const report = name => join(CACHE, `${name}-report.json`)

function vitestCounts() {
  if (!existsSync(report('vitest'))) return [0, 1]
  const { numPassedTests, numFailedTests, numFailedTestSuites, testResults } = JSON.parse(
    readFileSync(report('vitest'), 'utf8'),
  )
  for (const file of testResults) {
    const failed = file.assertionResults.filter(one => one.status === 'failed')
    for (const one of failed) failures.push(`${file.name}: ${one.fullName}\n    ${brief(one.failureMessages[0])}`)
    if (file.status === 'failed' && failed.length === 0) failures.push(`${file.name}\n    ${brief(file.message)}`)
  }
  return [numPassedTests, numFailedTests || numFailedTestSuites]
}

function playwrightCounts() {
  if (!existsSync(report('playwright'))) return [0, 1]
  const { stats, errors, suites } = JSON.parse(readFileSync(report('playwright'), 'utf8'))
  const specsOf = suite => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specsOf)]
  for (const spec of suites.flatMap(specsOf))
    if (!spec.ok)
      failures.push(`${spec.file}: ${spec.title}\n    ${brief(spec.tests[0]?.results.at(-1)?.error?.message)}`)
  if (stats.flaky > 0) say(`${stats.flaky} of the browser tests needed a second try`)
  return [stats.expected + stats.flaky, stats.unexpected + errors.length]
}

await run(async () => {
  ensurePackages()
  buildAll()
  let passed = 0
  let failed = 0
  const count = ([good, bad]) => {
    passed += good
    failed += bad
  }
  const check = async (name, args) => {
    say(`${name} …`)
    const isGood = await node(args)
    if (!isGood) failures.push(name)
    count(isGood ? [1, 0] : [0, 1])
  }
  const checks = []
  if (wants('types')) checks.push(['types', [bin('typescript7/bin/tsc'), '-b']])
  if (wants('lint')) {
    checks.push(
      ['lint', [bin('oxlint/bin/oxlint'), '--type-aware']],
      ['format', [bin('oxfmt/bin/oxfmt'), '--check', '.']],
      ['schema', [join(ROOT, 'scripts/schema.mjs'), '--check']],
      ['rooms', [join(ROOT, 'scripts/rooms.mjs'), '--check']],
      ['dead code', [bin('knip/bin/knip.js'), '--no-config-hints', '--no-progress']],
    )
  }
  // None of them writes what another reads.
  await Promise.all(checks.map(one => check(...one)))
  const cluster = new Cluster('test-database', { lasting: false })
  await cluster.start()
  try {
    if (wants('unit')) {
      say('unit and API tests …')
      rmSync(report('vitest'), { force: true })
      const args = ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${report('vitest')}`]
      await node([bin('vitest/vitest.mjs'), ...args], { TEST_DATABASE_URL: cluster.url('postgres') })
      count(vitestCounts())
    }
    if (wants('browser')) {
      needChromium()
      say('browser tests …')
      rmSync(report('playwright'), { force: true })
      const serve = async (name, demo) => {
        const url = await cluster.database(name, { anew: true })
        return startServer({ DATABASE_URL: url, PORT: '0', HOST: '127.0.0.1', OSTLER_DEMO: demo })
      }
      const [server, empty] = [await serve('browser', '1'), await serve('first_run', '0')]
      const env = {
        OSTLER_URL: `http://127.0.0.1:${server.port}`,
        OSTLER_EMPTY_URL: `http://127.0.0.1:${empty.port}`,
        PLAYWRIGHT_JSON_OUTPUT_NAME: report('playwright'),
      }
      await node([bin('@playwright/test/cli.js'), 'test', '--config', 'e2e/playwright.config.ts'], env)
      await Promise.all([stopServer(server.child), stopServer(empty.child)])
      count(playwrightCounts())
    }
  } finally {
    cluster.stop()
  }
  for (const one of failures) console.log(`failed: ${one}`)
  console.log(`${passed} passed, ${failed} failed`)
  process.exitCode = failed > 0 || passed === 0 ? 1 : 0
})
