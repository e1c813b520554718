import { designFrom, starterPlan } from '@ostler/core'
import type { DesignAnswer, KeptDesign } from '@ostler/core'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { opened } from '../../plan/test/opened.tsx'
import { DesignsPage } from './designs-page.tsx'
import { KeepDesign } from '../../parts/keep-design.tsx'

// Pictures are drawn elsewhere: here nothing comes of them.
vi.mock('../../workers/faces.ts', () => ({ drawFace: () => new Promise(() => undefined) }))

const start = starterPlan('Library')
const design = (name: string): KeptDesign => designFrom(start, name, () => '#336699')
let kept: DesignAnswer[] = []
let sent: { method: string; path: string; body: { design?: KeptDesign; revision?: number } }[] = []
/** What the server refuses next, if anything. */
let refusal: { status: number; sentence: string } | null = null

beforeEach(() => {
  kept = [{ id: 'one', revision: 3, updatedAt: '2026-11-23T12:00:00.000Z', design: design('Ferry') }]
  sent = []
  refusal = null
  vi.stubGlobal('fetch', (url: string, init: RequestInit) => {
    const path = url.replace('/api', '')
    const method = init.method ?? 'GET'
    const answer = (value: unknown, status = 200) => Promise.resolve(new Response(JSON.stringify(value), { status }))
    if (method === 'GET') return answer(path === '/designs' ? kept : { member: null, workshop: null })
    sent.push({ method, path, body: JSON.parse((init.body as string | null) ?? '{}') as { design?: KeptDesign } })
    if (refusal) return answer({ sentence: refusal.sentence }, refusal.status)
    if (method === 'DELETE') {
      kept = []
      return Promise.resolve(new Response(null, { status: 204 }))
    }
    return answer(kept[0] ?? null)
  })
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const page = () => opened(start, <DesignsPage />, { asks: true })

describe('the library', () => {
  test('lists what is kept, renames it on its revision, and tells what is refused', async () => {
    page()
    const name = await screen.findByLabelText('Name of Ferry')
    fireEvent.change(name, { target: { value: 'Ford' } })
    fireEvent.blur(name)
    await waitFor(() => expect(sent[0]).toMatchObject({ method: 'PUT', path: '/designs/one', body: { revision: 3 } }))
    expect(sent[0]!.body.design!.name).toBe('Ford')
    refusal = { status: 409, sentence: 'Another design has this name already. Choose another name.' }
    fireEvent.change(name, { target: { value: 'Taken' } })
    fireEvent.blur(name)
    expect(await screen.findByText(/Another design has this name/)).toBeTruthy()
    expect(screen.getByLabelText<HTMLInputElement>('Name of Ferry').value).toBe('Ferry')
  })

  test('an empty one says what it is for; a deleted one can be brought back', async () => {
    page()
    fireEvent.click(await screen.findByLabelText('Delete Ferry'))
    expect(await screen.findByText(/can be used in any batch and fitted to any mould/)).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: 'Undo' }))
    await waitFor(() => expect(sent.at(-1)).toMatchObject({ method: 'POST', path: '/designs/one/restore' }))
  })

  test('takes a design from a file, and says what is wrong with one that is none', async () => {
    page()
    const input = await screen.findByLabelText('A design as a file')
    const take = (name: string, text: string) =>
      fireEvent.change(input, {
        target: { files: [Object.assign(new File([text], name), { text: () => Promise.resolve(text) })] },
      })
    take('bad.json', '{')
    expect(await screen.findByText('bad.json is not a design: it is no JSON.')).toBeTruthy()
    take('plan.json', JSON.stringify(start))
    expect(await screen.findByText(/plan.json is not a design:/)).toBeTruthy()
    expect(sent).toEqual([])
    take('good.json', JSON.stringify(design('From a file')))
    await waitFor(() => expect(sent.at(-1)).toMatchObject({ method: 'POST', path: '/designs' }))
  })
})

test('keeping a design of a name that is there replaces it on its revision', async () => {
  const done = vi.fn()
  opened(start, <KeepDesign onKept={done} />, { asks: true })
  fireEvent.change(await screen.findByLabelText('Name'), { target: { value: 'ferry' } })
  fireEvent.click(await screen.findByRole('button', { name: 'Replace the one of this name' }))
  await waitFor(() => expect(done).toHaveBeenCalled())
  expect(sent[0]).toMatchObject({ method: 'PUT', path: '/designs/one', body: { revision: 3 } })
})
