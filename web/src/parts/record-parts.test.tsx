import { signOf, starterPlan } from '@ostler/core'
import type { RecordEntry } from '@ostler/core'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { SOMEBODY, answering, refusal } from '../api/test/answering.ts'
import { opened } from '../plan/test/opened.tsx'
import { say } from '../words/index.ts'
import { Signs } from './signs.tsx'
import { useRecord } from './use-record.ts'
import { Versions } from './versions.tsx'

beforeEach(() => localStorage.clear())
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

/** The signs of one batch, with what is in this browser alone. */
function Noting({ batch }: { batch: string }) {
  const record = useRecord(batch)
  return (
    <>
      <output aria-label="unsent">{record.unsent}</output>
      <output aria-label="refused">{say(record.refused)}</output>
      {!record.isPending && <Signs record={record} />}
    </>
  )
}

/** A server that keeps what it is sent, while it is up. */
function keeping(batch: string, isUp: () => boolean | Response) {
  const kept: RecordEntry[] = []
  answering({
    'GET /session': SOMEBODY,
    [`GET /batches/${batch}/record`]: () => ({ entries: [...kept], photos: [] }),
    [`POST /batches/${batch}/record`]: ({ body }: { body: { entries: RecordEntry[] } }) => {
      const up = isUp()
      if (up instanceof Response) return up
      if (!up) return refusal(503, 'Not now.')
      kept.push(...body.entries)
      return undefined
    },
  })
  return kept
}
const unsent = () => screen.getByLabelText('unsent').textContent
const listed = () => within(screen.getByRole('list', { name: 'Signs to look for' })).getAllByRole('listitem')

describe('signs', () => {
  test('of the stage are offered a few at a time, and words find them at any stage', async () => {
    keeping('s1', () => true)
    opened(starterPlan('Any'), <Noting batch="s1" />, { asks: true })
    await screen.findByRole('list', { name: 'Signs to look for' })
    expect(listed().length).toBeLessThanOrEqual(8)
    fireEvent.click(screen.getByRole('button', { name: /more$/ }))
    expect(listed().length).toBeGreaterThan(8)
    fireEvent.change(screen.getByRole('searchbox'), { target: { value: 'oily drops' } })
    expect(listed().some(line => /oil/i.test(line.textContent))).toBe(true)
    fireEvent.change(screen.getByRole('searchbox'), { target: { value: 'zzzz' } })
    expect(screen.getByText(/Nothing on the list looks like that/)).toBeTruthy()
  })

  test('noted without a server they wait in this browser, outlive a reload, and are sent once it is back', async () => {
    let isUp = false
    const kept = keeping('s2', () => isUp)
    opened(starterPlan('Any'), <Noting batch="s2" />, { asks: true })
    await screen.findByRole('list', { name: 'Signs to look for' })
    fireEvent.click(within(listed()[0]!).getByRole('button', { name: 'strong' }))
    expect(await screen.findByRole('list', { name: 'Signs that were noted' })).toBeTruthy()
    await waitFor(() => expect(unsent()).toBe('1'))
    cleanup()
    isUp = true
    opened(starterPlan('Any'), <Noting batch="s2" />, { asks: true })
    await waitFor(() => expect(kept).toHaveLength(1))
    await waitFor(() => expect(unsent()).toBe('0'))
    expect(kept[0]).toMatchObject({ kind: 'sign', grade: 2 })
    expect(signOf(kept[0]!.sign)).toBeTruthy()
  })

  test('what the server refuses for itself is told and not sent again', async () => {
    let tries = 0
    keeping('s3', () => ((tries += 1), refusal(409, 'The record is closed.')))
    opened(starterPlan('Any'), <Noting batch="s3" />, { asks: true })
    await screen.findByRole('list', { name: 'Signs to look for' })
    fireEvent.click(within(listed()[0]!).getByRole('button', { name: 'some' }))
    await waitFor(() => expect(screen.getByLabelText('refused').textContent).toBe('The record is closed.'))
    await waitFor(() => expect(unsent()).toBe('0'))
    expect(tries).toBe(1)
  })
})

describe('earlier versions', () => {
  const version = (revision: number, kept: number, member: string | null = 'Ines') => ({
    ...{ revision, at: '2026-03-02T10:00:00.000Z', member, kept },
  })
  const show = (answer: unknown) => {
    const back = vi.fn()
    answering({ 'GET /session': SOMEBODY, 'GET /shelf/oils/olive/versions': answer })
    const changes = (before: number, after: number) =>
      Array.from({ length: Math.abs(after - before) }, (_, n) => `change ${n + 1}`)
    opened(
      starterPlan('Any'),
      <Versions name="olive oil" at="/shelf/oils/olive" revision={3} changes={changes} onBack={back} />,
      { asks: true },
    )
    fireEvent.click(screen.getByRole('button', { name: 'Earlier versions of olive oil' }))
    return back
  }

  test('each says what became another, and only what is no more can be had back', async () => {
    const back = show([version(3, 14), version(2, 3), version(1, 3, null)])
    const lines = await screen.findAllByRole('listitem')
    expect(lines[0]!.textContent).toMatch(/change 8 and 3 more/)
    expect(lines[0]!.textContent).toContain('Ines: as it is now')
    expect(lines[1]!.textContent).toContain('nothing that shows')
    expect(lines[2]!.textContent).toContain('as it was first')
    const buttons = screen.getAllByRole('button', { name: 'Bring this back' })
    expect(buttons).toHaveLength(2)
    fireEvent.click(buttons[1]!)
    expect(back).toHaveBeenCalledExactlyOnceWith(3)
    expect(screen.queryByRole('dialog')).toBeNull()
  })

  test('of one that was never changed there are none; what cannot be read is told', async () => {
    show([])
    expect(await screen.findByText(/It was never changed here/)).toBeTruthy()
    cleanup()
    show(refusal(503, 'Not now.'))
    expect(await screen.findByText('Not now.')).toBeTruthy()
  })
})
