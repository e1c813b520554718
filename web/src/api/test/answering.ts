import { vi } from 'vitest'

export interface Asked {
  method: string
  path: string
  body: unknown
}

/** What is answered: a value, or what comes of what was sent; a `Response` goes out as it is. */
type Answer = unknown

const answerOf = async (answer: Answer, asked: Asked): Promise<Response> => {
  const value: unknown = typeof answer === 'function' ? await (answer as (asked: Asked) => unknown)(asked) : answer
  if (value instanceof Response) return value
  return value === undefined ? new Response(null, { status: 204 }) : Response.json(value)
}

/** A refusal with its sentence, as the server says it. */
export const refusal = (status: number, sentence: string, path?: string): Response =>
  Response.json({ sentence, ...(path !== undefined && { problems: [{ path, value: '', sentence }] }) }, { status })

/**
 * A server that answers what a test says, by "METHOD /path" without what follows a question mark; anything else is not there.
 *
 * @returns what was asked beyond reading, in order
 */
export function answering(routes: Readonly<Record<string, Answer>>): Asked[] {
  const changes: Asked[] = []
  vi.stubGlobal('fetch', async (url: string, init: RequestInit = {}) => {
    const method = init.method ?? 'GET'
    const path = url.replace(/^\/api/, '').replace(/\?.*$/, '')
    const body: unknown = typeof init.body === 'string' ? JSON.parse(init.body) : init.body
    const asked = { method, path, body }
    if (method !== 'GET') changes.push(asked)
    const answer = `${method} ${path}` in routes ? routes[`${method} ${path}`] : refusal(404, 'There is nothing here.')
    return (await answerOf(answer, asked)).clone()
  })
  return changes
}

export const NOBODY = { member: null, workshop: null }
export const SOMEBODY = {
  member: { name: 'Ines', signInName: 'ines', role: 'owner', hasSecondStep: false },
  workshop: { name: 'Reed Bank', habits: { mass: 'g', temperature: 'C', length: 'mm' } },
}
