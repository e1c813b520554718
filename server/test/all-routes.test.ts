import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { randomUUID } from 'node:crypto'
import { starterPlan } from '@ostler/core'
import type { BatchAnswer } from '@ostler/core'
import { expect, test } from 'vitest'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import { bench } from './harness.ts'
import { TEXTS, VALUES, send } from './hostile.ts'
import type { Attack } from './hostile.ts'

/** Requests of no good will over every place of the API. OSTLER_ENDURE=1 sends ten thousand. */
const IS_LONG = process.env['OSTLER_ENDURE'] === '1'
const COUNT = IS_LONG ? 10_000 : 500
/** Of all that could be an address, one in so many is tried. */
const EVERY = IS_LONG ? 1 : 4
/** What a server may grow by under them, bytes. */
const MOST_GROWN = 600e6

const textsBelow = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter(name => name.endsWith('.ts') && !name.includes('.test.'))
    .map(name => readFileSync(join(folder, name), 'utf8'))
const sources = textsBelow(join(import.meta.dirname, '..', 'src'))
const found = (pattern: RegExp, texts: readonly string[]) => [
  ...new Map(texts.flatMap(text => [...text.matchAll(pattern)].map(match => [match[0], match] as const))).values(),
]

/** Where routers stand, and what stands below any of them: each is tried with each. */
const PLACES = found(/\bapi\.(?:use|get)\(\s*'(\/[^']*)'/g, sources).map(match => match[1]!)
const BELOW = found(/\broutes\.(get|post|put|patch|delete)\(\s*'(\/[^']*)'/g, sources).map(
  match => [match[1] as Attack['method'], match[2]!] as const,
)
/** Names of fields of everything that is sent. */
const FIELDS = found(/^ {2}(\w+)[!?]:/gm, textsBelow(join(import.meta.dirname, '../../core/src'))).map(
  match => match[1]!,
)

/** The same numbers each time (Park and Miller's generator). */
let state = 20_261_201
const random = (): number => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647
const one = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)]!
/** As it can stand in an address: half a character cannot. */
const asPart = (text: string): string => encodeURIComponent(text.slice(0, 300).replace(/\p{Cs}/gu, '')) || '-'

const NOWHERE = 'There is nothing at this address.'
type Visitor = ReturnType<Awaited<ReturnType<typeof bench>>['visitor']>

/** Every method and address that something answers to, of all that could be. */
async function placesThere(visitor: Visitor, batch: string): Promise<(readonly [Attack['method'], string])[]> {
  const there: (readonly [Attack['method'], string])[] = []
  for (const place of PLACES)
    for (const [method, below] of BELOW.filter(() => random() < 1 / EVERY)) {
      const address = `/api${place}${below}`
      const answer = await visitor[method](address.replace(':id', batch).replace(/:\w+/g, randomUUID())).send()
      if ((answer.body as { sentence?: string } | null)?.sentence !== NOWHERE) there.push([method, address])
    }
  return there
}

test('no place breaks the server, whatever is sent there', { timeout: 900_000 }, async () => {
  const at = await bench({ demo: true })
  const visitor = at.visitor()
  const signIn = () => visitor.post('/api/session').send(DEMO_SIGN_IN)
  await signIn()
  const made = async () =>
    ((await visitor.post('/api/batches').send({ plan: starterPlan('Target') })).body as BatchAnswer).id
  let batch = await made()
  const there = await placesThere(visitor, batch)
  expect(there.length).toBeGreaterThan(200 / EVERY)
  const part = () => one([batch, batch, randomUUID(), 'oils', 'olive', '1', asPart(one(TEXTS))])
  const body = (): unknown =>
    random() < 0.2
      ? one(VALUES)
      : Object.fromEntries(Array.from({ length: 1 + Math.floor(random() * 5) }, () => [one(FIELDS), one(VALUES)]))
  const before = process.memoryUsage().rss
  const statuses = new Map<number, number>()
  const broken: string[] = []
  for (let n = 0; n < COUNT; n += 1) {
    const [method, address] = one(there)
    const path = address.replace(/:\w+/g, part)
    const status = await send(visitor, { method, path, ...(method !== 'get' && { body: body() }) })
    statuses.set(status, (statuses.get(status) ?? 0) + 1)
    if (status >= 500) broken.push(`${status} ${method} ${path}`)
    // Some of it signs out, or deletes, as it should.
    if (status === 401) await signIn()
    if (n % 100 === 0) batch = await made()
  }
  expect(broken).toEqual([])
  expect(process.memoryUsage().rss - before).toBeLessThan(MOST_GROWN)
  // They were let in, and were refused for what they are; some were even right.
  for (const status of [200, 400, 404]) expect(statuses.get(status)).toBeGreaterThan(COUNT / 100)
  await at.close()
})
