// Saves that were acknowledged are there after the server, or its database, was killed in the middle of the next.
import { randomUUID } from 'node:crypto'
import { once } from 'node:events'
import { setTimeout as sleep } from 'node:timers/promises'
import { startServer } from './server.mjs'

const DEMO = { signInName: 'demo', password: 'trace before colour' }

/** Talks to a server as one signed-in browser does. */
export async function signedIn(url) {
  const json = { 'content-type': 'application/json' }
  const response = await fetch(`${url}/api/session`, { method: 'POST', headers: json, body: JSON.stringify(DEMO) })
  const headers = { ...json, cookie: response.headers.get('set-cookie').split(';')[0] }
  return async (method, path, body) => {
    const answer = await fetch(`${url}${path}`, { method, headers, body: body && JSON.stringify(body) })
    return { status: answer.status, body: await answer.json().catch(() => null) }
  }
}

/** Saves a batch again and again under a new name until the server is gone; gives the last save that was acknowledged. */
async function saveUntilKilled(ask, batch) {
  let last = batch
  for (let n = 0; ; n += 1) {
    const name = `${batch.plan.name.split(' #')[0]} #${last.revision + 1}`
    const changes = [{ at: ['name'], was: last.plan.name, to: name }]
    const sent = { id: randomUUID(), revision: last.revision, changes }
    const answer = await ask('PATCH', `/api/batches/${batch.id}`, sent).catch(() => null)
    if (answer === null || answer.status >= 500) return { last, tried: name, saves: n }
    if (answer.status !== 200) throw new Error(`A save was answered ${answer.status}.`)
    last = { ...last, revision: answer.body.revision, plan: { ...last.plan, name } }
  }
}

/**
 * @param env     for the server: its database among others
 * @param rounds  how often the server is killed
 * @param strike  called in the middle of the saving, just before the server is killed: a place to kill the database first
 * @param mend    called while the server is down
 * @returns how many saves were acknowledged, and which of them were not there afterwards
 */
export async function killsLoseNothing(env, rounds, { strike = () => undefined, mend = async () => undefined } = {}) {
  const lost = []
  let saves = 0
  let batch = null
  for (let round = 0; round <= rounds; round += 1) {
    const server = await startServer({ ...env, PORT: '0', HOST: '127.0.0.1', OSTLER_DEMO: '1' })
    const ask = await signedIn(`http://127.0.0.1:${server.port}`)
    if (batch === null) {
      const [first] = (await ask('GET', '/api/batches')).body.batches
      batch = (await ask('GET', `/api/batches/${first.id}`)).body
    } else {
      const { body } = await ask('GET', `/api/batches/${batch.id}`)
      // The one under way when it was killed may have been kept or not; it was never acknowledged.
      const isThere =
        body.revision === batch.last.revision ? body.plan.name === batch.last.plan.name : body.plan.name === batch.tried
      if (!isThere) lost.push({ round, acknowledged: batch.last.plan.name, found: body.plan.name })
      batch = body
    }
    const ended = once(server.child, 'exit')
    if (round === rounds) {
      server.child.kill('SIGTERM')
      await ended
      break
    }
    const killing = sleep(40 + Math.random() * 400).then(async () => {
      if (strike(round)) await sleep(150)
      server.child.kill('SIGKILL')
    })
    const result = await saveUntilKilled(ask, batch)
    await Promise.all([killing, ended])
    saves += result.saves
    batch = { id: batch.id, ...result }
    await mend(round)
  }
  return { saves, lost }
}
