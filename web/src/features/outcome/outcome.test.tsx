import { starterPlan } from '@ostler/core'
import type { RecordEntry } from '@ostler/core'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { SOMEBODY, answering, refusal } from '../../api/test/answering.ts'
import type { Asked } from '../../api/test/answering.ts'
import { opened } from '../../plan/test/opened.tsx'
import { OutcomePage } from './outcome-page.tsx'

// Pictures are drawn elsewhere: here nothing comes of them.
vi.mock('../../workers/faces.ts', () => ({ drawFace: () => new Promise(() => undefined) }))

beforeEach(() => localStorage.clear())
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const start = starterPlan('Outcome')
const plan = { ...start, rest: { ...start.rest, pouredAt: '2026-03-02T10:00' } }
/** A server that keeps what it is sent, or refuses it. */
function show(entries: Partial<RecordEntry>[] = [], post?: (asked: Asked) => unknown) {
  const kept = entries.map((about, i) => ({
    ...{ key: `old:${i + 1}`, on: '2026-03-04T09:00', noted: '2026-03-04T09:00:00Z', ...about },
  }))
  const sent = answering({
    ...{ 'GET /session': SOMEBODY, 'GET /rack': null },
    'GET /batches//record': () => ({ entries: kept, photos: [] }),
    'POST /batches//record':
      post ??
      (({ body }: Asked) => {
        kept.push(...(body as { entries: typeof kept }).entries)
        return { kept: 1 }
      }),
  })
  opened(plan, <OutcomePage />, { asks: true })
  return () => sent.flatMap(({ body }) => (body as { entries: RecordEntry[] }).entries)
}
const step = (name: string) => within(screen.getByRole('heading', { name: new RegExp(name) }).closest('li')!)

describe('what came of a batch', () => {
  test('a day before the pour, one to come and a count that is none are refused beside the key', async () => {
    const sent = show()
    await screen.findByRole('heading', { name: 'Cut' })
    const when = step('Cut').getByLabelText('When: It is cut')
    const note = (on: string, count: string) => {
      fireEvent.change(when, { target: { value: on } })
      fireEvent.change(step('Cut').getByLabelText('How many bars'), { target: { value: count } })
      fireEvent.click(step('Cut').getByRole('button'))
    }
    note('2026-03-01T10:00', '9')
    expect(screen.getByText('That was before it was poured.')).toBeTruthy()
    note('2999-01-01T10:00', '9')
    expect(screen.getByText('That is still to come.')).toBeTruthy()
    note('2026-03-04T10:00', '2.5')
    expect(screen.getByText(/whole number from 1 to 2000/)).toBeTruthy()
    expect(sent()).toEqual([])
    note('2026-03-04T10:00', '9')
    expect(await screen.findByText(/4 Mar 2026, 10:00, 9 bars/)).toBeTruthy()
    await waitFor(() => expect(sent()).toMatchObject([{ kind: 'cut', count: 9, on: '2026-03-04T10:00' }]))
  })

  test('no more bars leave than are left', async () => {
    const sent = show([
      { kind: 'cut', count: 5 },
      { kind: 'gone', way: 'sold', count: 3 },
    ])
    await screen.findByText('3 gone, 2 left')
    fireEvent.change(screen.getByLabelText('How many are gone'), { target: { value: '3' } })
    fireEvent.click(screen.getByRole('button', { name: 'They are gone' }))
    expect(screen.getByText('Only 2 are left.')).toBeTruthy()
    expect(sent()).toEqual([])
    fireEvent.change(screen.getByLabelText('How many are gone'), { target: { value: '2' } })
    fireEvent.click(screen.getByRole('button', { name: 'They are gone' }))
    expect(await screen.findByText('5 gone, 0 left')).toBeTruthy()
  })

  test('a mark, a note and one for the next time are kept; each is taken back from the list', async () => {
    const sent = show()
    fireEvent.click(
      within(await screen.findByRole('group', { name: 'Mark for swirl' })).getByRole('button', { name: '4, nearly' }),
    )
    const type = (text: string) => fireEvent.change(screen.getByLabelText('Note'), { target: { value: text } })
    type('Smells of rain.')
    fireEvent.click(screen.getByRole('button', { name: 'Keep the note' }))
    type('Blend less.')
    fireEvent.click(screen.getByRole('button', { name: 'Keep it for the next time' }))
    const log = within(screen.getByRole('heading', { name: 'What was noted' }).closest('section')!)
    const line = await log.findByText('next time: Blend less.')
    expect(log.getAllByRole('listitem').map(one => one.textContent)).toEqual([
      expect.stringContaining('Blend less.'),
      expect.stringContaining('Smells of rain.'),
      expect.stringContaining('swirl: nearly'),
    ])
    fireEvent.click(within(line.closest('li')!).getByRole('button', { name: 'take back' }))
    await waitFor(() => expect(log.queryByText('next time: Blend less.')).toBeNull())
    await waitFor(() => expect(sent().map(({ kind }) => kind)).toEqual(['graded', 'note', 'next', 'undo']))
    expect(sent().at(-1)!.of).toBe(sent()[2]!.key)
  })

  test('what is weighed shows the gap; a weight that is none is told', async () => {
    show([{ kind: 'yield', part: 'bars', massG: 800, count: 8 }])
    expect(await screen.findByText(/not accounted for/)).toBeTruthy()
    const section = within(screen.getByRole('heading', { name: 'Where the soap went' }).closest('section')!)
    const field = section.getByRole('textbox')
    for (const [text, sentence] of [
      ['some', /is not a number/],
      ['0', /more than nothing/],
    ] as const) {
      fireEvent.change(field, { target: { value: text } })
      fireEvent.keyDown(field, { key: 'Enter' })
      fireEvent.submit(field.closest('form') ?? field)
      expect(section.getByText(sentence)).toBeTruthy()
    }
  })
})

describe('where the server does not take it', () => {
  test('it is kept in this browser and said, and goes when the server is back', async () => {
    let isAway = true
    const sent = show([], () => {
      if (isAway) throw new TypeError('Failed to fetch')
      return { kept: 1 }
    })
    fireEvent.click(await screen.findByRole('button', { name: 'It is out, now' }))
    expect(await screen.findByText(/1 kept in this browser/)).toBeTruthy()
    expect(JSON.stringify({ ...localStorage })).toContain('unmoulded')
    isAway = false
    await waitFor(() => expect(screen.queryByText(/kept in this browser/)).toBeNull(), { timeout: 9000 })
    expect(sent().every(({ kind }) => kind === 'unmoulded')).toBe(true)
    expect(new Set(sent().map(({ key }) => key)).size).toBe(1)
  })

  test('what it refuses for itself is told and not sent for ever', async () => {
    const sent = show([], () => refusal(409, 'This batch has as many entries as it can keep.'))
    fireEvent.click(await screen.findByRole('button', { name: 'Turned, now' }))
    expect(await screen.findByText('This batch has as many entries as it can keep.')).toBeTruthy()
    expect(screen.queryByText(/kept in this browser/)).toBeNull()
    expect(sent()).toHaveLength(1)
  })
})
