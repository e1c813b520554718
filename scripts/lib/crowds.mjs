// Many at once, and a database that stands still for a while: nothing that was acknowledged is lost, and what is refused is refused in words.
import { randomUUID } from 'node:crypto'
import { setTimeout as sleep } from 'node:timers/promises'
import { signedIn } from './kills.mjs'

const quantile = (sorted, q) => sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))] ?? 0

/** One browser that reads the list, opens a batch of its own and saves it, again and again, as people do: with a pause between. */
async function visitor(url, { fromMs, untilMs, pauseMs }) {
  const ask = await signedIn(url)
  const times = []
  const wrong = []
  const asked = async (method, path, body) => {
    const began = performance.now()
    const answer = await ask(method, path, body).catch(error => ({ status: 0, body: { sentence: error.message } }))
    if (began >= fromMs) times.push(performance.now() - began)
    if (answer.status !== 200 && answer.status !== 201) wrong.push({ method, path, status: answer.status })
    return answer
  }
  const [first] = (await ask('GET', '/api/batches')).body.batches
  const { plan } = (await ask('GET', `/api/batches/${first.id}`)).body
  let mine = (await asked('POST', '/api/batches', { plan: { ...plan, name: `Crowd ${randomUUID().slice(0, 8)}` } }))
    .body
  let acknowledged = mine
  while (performance.now() < untilMs) {
    await asked('GET', '/api/batches')
    const name = `Crowd ${randomUUID().slice(0, 8)}`
    const changes = [{ at: ['name'], was: mine.plan.name, to: name }]
    const answer = await asked('PATCH', `/api/batches/${mine.id}`, {
      id: randomUUID(),
      revision: mine.revision,
      changes,
    })
    if (answer.status === 200) {
      mine = { ...mine, revision: answer.body.revision, plan: { ...mine.plan, name } }
      acknowledged = mine
    } else mine = (await ask('GET', `/api/batches/${mine.id}`).catch(() => ({ body: mine }))).body ?? mine
    await sleep(pauseMs * (0.5 + Math.random()))
  }
  const there = (await ask('GET', `/api/batches/${mine.id}`)).body
  return { times, wrong, isLost: there.revision < acknowledged.revision }
}

/**
 * So many visitors, each signed in within a third of the time, then all at once for so long.
 *
 * @returns how many requests were made while all were there, how many of all were wrong, and how long those took
 */
export async function crowd(url, { visitors, seconds, pauseMs = 1000 }) {
  const comingMs = Math.min(20, seconds / 3) * 1000
  const fromMs = performance.now() + comingMs
  const untilMs = fromMs + 1000 * seconds
  const all = await Promise.all(
    Array.from({ length: visitors }, async (_, i) => {
      // Not all sign in at the very same moment: passwords are slow to check, on purpose.
      await sleep((i / visitors) * comingMs)
      return visitor(url, { fromMs, untilMs, pauseMs })
    }),
  )
  const times = all.flatMap(one => one.times).sort((a, b) => a - b)
  const wrong = all.flatMap(one => one.wrong)
  return {
    ...{ requests: times.length, wrong, lost: all.filter(one => one.isLost).length },
    ...{ medianMs: quantile(times, 0.5), p99Ms: quantile(times, 0.99) },
  }
}

/**
 * A database that stands still in the middle of the saving, then goes on.
 *
 * @param stand halts the database, @param goOn lets it go on
 */
export async function pauseLosesNothing(url, { seconds, stand, goOn }) {
  const ask = await signedIn(url)
  const [first] = (await ask('GET', '/api/batches')).body.batches
  let batch = (await ask('GET', `/api/batches/${first.id}`)).body
  const statuses = []
  stand()
  const standing = sleep(1000 * seconds).then(goOn)
  const until = performance.now() + 1000 * (seconds + 3)
  while (performance.now() < until) {
    const name = `Paused ${statuses.length}`
    const changes = [{ at: ['name'], was: batch.plan.name, to: name }]
    const answer = await ask('PATCH', `/api/batches/${batch.id}`, {
      id: randomUUID(),
      revision: batch.revision,
      changes,
    }).catch(() => ({ status: 0, body: null }))
    statuses.push(answer.status)
    if (answer.status === 200) batch = { ...batch, revision: answer.body.revision, plan: { ...batch.plan, name } }
    // A refusal says so in words.
    else if (!answer.body?.sentence)
      throw new Error(`A database that stands still was answered ${answer.status}, without a word.`)
    await sleep(200)
  }
  await standing
  const { status } = await ask('GET', '/api/ready')
  const there = (await ask('GET', `/api/batches/${batch.id}`)).body
  return { statuses, isReady: status === 200, isLost: there.revision < batch.revision }
}
