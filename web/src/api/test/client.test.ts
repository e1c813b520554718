import { afterEach, describe, expect, test, vi } from 'vitest'
import { ApiError, call, sessionQuery } from '../client.ts'
import { told } from '../told.ts'
import { NOBODY, SOMEBODY, answering, refusal } from './answering.ts'

afterEach(() => {
  vi.unstubAllGlobals()
  localStorage.clear()
})

const failed = (asked: Promise<unknown>): Promise<ApiError> =>
  asked.then(
    () => Promise.reject(new Error('it went well')),
    (error: unknown) => error as ApiError,
  )

describe('an answer of the server', () => {
  test('is its value, or nothing', async () => {
    answering({ 'GET /thing': { a: 1 }, 'DELETE /thing': undefined })
    expect(await call('GET', '/thing')).toEqual({ a: 1 })
    expect(await call('DELETE', '/thing')).toBeUndefined()
  })

  test('that is a no is told in its own sentence, with its status', async () => {
    answering({ 'PUT /thing': refusal(409, 'Somebody was quicker.') })
    const error = await failed(call('PUT', '/thing', {}))
    expect(error).toBeInstanceOf(ApiError)
    expect([error.status, error.message]).toEqual([409, 'Somebody was quicker.'])
  })

  test('that is a fact is put into words', async () => {
    const words = { fact: 'At most {most} entries go in one message.', values: { most: 200 } }
    answering({ 'POST /thing': Response.json({ sentence: 'x', words }, { status: 400 }) })
    expect((await failed(call('POST', '/thing', {}))).message).toBe('At most 200 entries go in one message.')
  })

  test.each([
    ['none, with the network gone', () => Promise.reject(new TypeError('Failed to fetch'))],
    ['a page of something in between', () => Promise.resolve(new Response('<html>', { status: 502 }))],
    ['no JSON where some was promised', () => Promise.resolve(new Response('<html>', { status: 200 }))],
  ])('that is %s says that nothing is lost', async (_, fetch) => {
    vi.stubGlobal('fetch', fetch)
    expect((await failed(call('GET', '/thing'))).message).toContain('Nothing is lost')
  })
})

describe('who is signed in', () => {
  const ask = () => (sessionQuery.queryFn as () => Promise<unknown>)()

  test('is known with the network gone as well, but not after signing out', async () => {
    answering({ 'GET /session': SOMEBODY })
    await ask()
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')))
    expect(await ask()).toEqual(SOMEBODY)
    answering({ 'GET /session': NOBODY })
    await ask()
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')))
    expect((await failed(ask())).status).toBe(0)
  })

  test('is not guessed when the server says no', async () => {
    answering({ 'GET /session': SOMEBODY })
    await ask()
    answering({ 'GET /session': refusal(500, 'Something went wrong.') })
    expect((await failed(ask())).status).toBe(500)
  })
})

describe('a refusal of a form', () => {
  const where = (error: unknown) => {
    const put: [string, string][] = []
    told<{ name: string; password: string }>(error, ['name', 'password'], (field, about) =>
      put.push([field, about.message ?? '']),
    )
    return put
  }

  test('stands beside the field that it names, else under all', () => {
    const answer = (path: string) => ({ sentence: 'No.', problems: [{ path, value: '', sentence: 'No.' }] })
    expect(where(new ApiError(400, answer('name')))).toEqual([['name', 'No.']])
    expect(where(new ApiError(400, answer('elsewhere')))).toEqual([['root', 'No.']])
    expect(where(new Error('Gone.'))).toEqual([['root', 'Gone.']])
  })
})
