import type supertest from 'supertest'

/** Requests that nobody means well with, and some that a person makes by mistake. */

type Agent = ReturnType<typeof supertest.agent>

export const EMOJI = '\u{1F9FC}'
const HALF = '\ud83e'
const deep = (levels: number, key = 'a'): unknown => {
  let value: unknown = 1
  for (let i = 0; i < levels; i += 1) value = { [key]: value }
  return value
}
const long = (n: number, letter = 'a') => letter.repeat(n)

/** Texts that break what counts or stores them. */
export const TEXTS: readonly string[] = [
  ...['', ' ', '\t', long(81), long(5000), long(41, EMOJI), long(80, EMOJI), long(81, EMOJI), long(60, '\u263a\ufe0f')],
  ...[HALF, `a${HALF}b`, '\u0000', 'a\u0000b', '\u202e', "'; drop table batch; --", '%', '\\', '{{7*7}}', '../..'],
]

/** Stands for a value nested 5,000 deep, which is only written as text. */
const DEEP = '@deep@'
const DEEP_TEXT = `${'{"constructor":['.repeat(2500)}1${']}'.repeat(2500)}`

/** Values where something else is wanted. */
export const VALUES: readonly unknown[] = [
  ...[null, true, -1, 0, 1.5, 2 ** 31 - 1, 2 ** 31, 2 ** 53, 1e308, -1e308, 'x', [], {}, [[]], [null], { a: 1 }],
  ...TEXTS,
  deep(12),
  DEEP,
  JSON.parse('{"constructor":{"prototype":{"x":1}}}') as unknown,
  JSON.parse('{"__proto__":{"x":1}}') as unknown,
  { prototype: 1 },
  Array.from({ length: 20_000 }, () => 0),
]

/** Every value in the place of every field of a good body, and in the place of the whole. */
export function* twisted(body: Record<string, unknown>): Generator<unknown> {
  for (const value of VALUES) {
    yield value
    for (const key of Object.keys(body)) yield { ...body, [key]: value }
    yield { ...body, extra: value }
  }
}

export interface Attack {
  method: 'post' | 'put' | 'patch' | 'delete' | 'get'
  path: string
  body?: unknown
}

/** Sends an attack; gives its status. A body may be a text that is no JSON. */
export async function send(agent: Agent, { method, path, body }: Attack): Promise<number> {
  const request = agent[method](path)
  if (body === undefined) return (await request).status
  const text =
    typeof body === 'string' && body !== DEEP ? body : JSON.stringify(body).replaceAll(`"${DEEP}"`, DEEP_TEXT)
  return (await request.set('content-type', 'application/json').send(text)).status
}
