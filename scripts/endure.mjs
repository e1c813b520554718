// npm run -s endure: what is too long for every test run. Kills, hostile requests, two windows, every sentence in both units.
// npm run -s endure -- years 200 500: so many workshops of so many batches each, what they weigh and what one waits for.
import { spawn } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { buildAll, ensurePackages } from './lib/build.mjs'
import { crowd, pauseLosesNothing } from './lib/crowds.mjs'
import { killsLoseNothing } from './lib/kills.mjs'
import { ROOT } from './lib/paths.mjs'
import { Cluster } from './lib/postgres.mjs'
import { Told, run, say } from './lib/say.mjs'
import { startServer, stopServer } from './lib/server.mjs'
import { years } from './lib/years.mjs'

const rounds = Number(process.argv[2] ?? 24)
const EVERY_DATABASE_KILL = 3
const CROWD = 200
const CROWD_SECONDS = 60
/** Between a list and a save of each: as people work, and as fast as they could click. */
const PAUSES_MS = [3000, 1000]
const PAUSE_SECONDS = 10
/** Browser tests of two windows, and of saves that fail. */
const TWO = 'two windows in one|two windows that|another tab|after a conflict|without the server'
const bin = path => join(ROOT, 'node_modules', path)

const node = (args, env) =>
  new Promise(resolve => {
    const child = spawn(process.execPath, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } })
    child.once('exit', code => resolve(code === 0))
  })

/** As if the power had gone: nothing of it is told. This cluster writes to the disk before it answers. */
const killDatabase = cluster =>
  process.kill(Number(readFileSync(join(cluster.data, 'postmaster.pid'), 'utf8').split('\n')[0]), 'SIGKILL')

async function kills() {
  const cluster = new Cluster('endure-database', { lasting: true })
  await cluster.start()
  try {
    const url = () => cluster.database('endure', { anew: false })
    await cluster.database('endure', { anew: true })
    const env = { DATABASE_URL: await url() }
    const isDatabaseKill = round => round % EVERY_DATABASE_KILL === 0
    const { saves, lost } = await killsLoseNothing(env, rounds, {
      strike: round => {
        if (isDatabaseKill(round)) killDatabase(cluster)
        return isDatabaseKill(round)
      },
      mend: async () => {
        await cluster.start()
        env.DATABASE_URL = await url()
      },
    })
    say(`${rounds} kills, ${saves} saves acknowledged, ${lost.length} lost`)
    for (const one of lost) say(JSON.stringify(one))
    return lost.length === 0 && saves > 0
  } finally {
    cluster.stop()
  }
}

/** Many at once for a minute; then the database stands still for ten seconds. */
async function crowds() {
  const cluster = new Cluster('endure-database', { lasting: true })
  await cluster.start()
  const url = await cluster.database('endure_crowds', { anew: true })
  const server = await startServer({ DATABASE_URL: url, PORT: '0', HOST: '127.0.0.1', OSTLER_DEMO: '1' })
  const base = `http://127.0.0.1:${server.port}`
  try {
    let isWell = true
    for (const pauseMs of PAUSES_MS) {
      const { requests, wrong, lost, medianMs, p99Ms } = await crowd(base, {
        ...{ visitors: CROWD, seconds: CROWD_SECONDS, pauseMs },
      })
      say(
        `${CROWD} at once, each with ${pauseMs} ms between: ${requests} requests, ${wrong.length} refused, ${lost} saves lost`,
      )
      say(`median ${medianMs.toFixed(0)} ms, 99 of 100 within ${p99Ms.toFixed(0)} ms`)
      for (const one of wrong.slice(0, 5)) say(JSON.stringify(one))
      isWell &&= wrong.length === 0 && lost === 0
    }
    const paused = await pauseLosesNothing(base, {
      ...{ seconds: PAUSE_SECONDS, stand: () => cluster.signal('SIGSTOP'), goOn: () => cluster.signal('SIGCONT') },
    })
    say(
      `database still for ${PAUSE_SECONDS} s: answers ${[...new Set(paused.statuses)].join(', ')}, then ${paused.isReady ? 'ready' : 'not ready'}`,
    )
    return isWell && paused.isReady && !paused.isLost
  } finally {
    cluster.signal('SIGCONT')
    await stopServer(server.child)
    cluster.stop()
  }
}

async function others() {
  const cluster = new Cluster('test-database', { lasting: false })
  await cluster.start()
  try {
    const env = { TEST_DATABASE_URL: cluster.url('postgres'), OSTLER_ENDURE: '1' }
    const unit = await node(
      [bin('vitest/vitest.mjs'), 'run', 'hostile', 'all-routes', 'every-sentence', 'windows', 'draft'],
      env,
    )
    const url = await cluster.database('endure_windows', { anew: true })
    const server = await startServer({ DATABASE_URL: url, PORT: '0', HOST: '127.0.0.1', OSTLER_DEMO: '1' })
    const args = ['test', '--config', 'e2e/playwright.config.ts', '--repeat-each', '4', '--reporter', 'list', '-g', TWO]
    const windows = await node([bin('@playwright/test/cli.js'), ...args, 'losses', 'safety-of-edits', 'by-keyboard'], {
      OSTLER_URL: `http://127.0.0.1:${server.port}`,
    })
    await stopServer(server.child)
    return unit && windows
  } finally {
    cluster.stop()
  }
}

async function manyYears(workshops, batches) {
  if (!(workshops > 1 && batches > 50))
    throw new Told('Say how many workshops and batches: npm run -s endure -- years 200 500')
  const cluster = new Cluster('endure-database', { lasting: true })
  await cluster.start()
  try {
    const url = await cluster.database('endure_years', { anew: true })
    const server = await startServer({ DATABASE_URL: url, PORT: '0', HOST: '127.0.0.1', OSTLER_DEMO: '1' })
    try {
      const { alone, among, sizes } = await years(`http://127.0.0.1:${server.port}`, cluster.url('endure_years'), {
        workshops,
        batches,
      })
      for (const one of sizes) say(JSON.stringify(one))
      say(JSON.stringify({ waits: 'alone, ms', ...alone }))
      say(JSON.stringify({ waits: `among ${workshops}, ms`, ...among }))
    } finally {
      await stopServer(server.child)
    }
  } finally {
    cluster.stop()
  }
}

await run(async () => {
  if (process.argv[2] === 'years') {
    ensurePackages()
    buildAll()
    return manyYears(Number(process.argv[3] ?? 200), Number(process.argv[4] ?? 500))
  }
  if (!(rounds > 0)) throw new Told('Say how many kills: npm run -s endure -- 24')
  ensurePackages()
  buildAll()
  const held = [await kills(), await crowds(), await others()]
  say(held.every(Boolean) ? 'it endured' : 'it did not endure: see above')
  process.exitCode = held.every(Boolean) ? 0 : 1
})
