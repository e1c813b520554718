import { starterPlan } from '@ostler/core'
import type { FoundPlan, SearchState } from '@ostler/core'
import { act, cleanup, fireEvent, screen } from '@testing-library/react'
import type { Asking } from '../../workers/door.ts'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { opened } from '../../plan/test/opened.tsx'
import { BestPlanDialog } from './best-plan-dialog.tsx'
import { Levers } from './levers.tsx'
import { SeenDialog } from './seen-dialog.tsx'
import { TimesDialog } from './times-dialog.tsx'

/** The search as the page sees it: each test says what it finds. */
const search = vi.hoisted(() => ({
  told: (_: unknown): void => undefined,
  free: [] as readonly string[],
  stopped: 0,
  end: (): void => undefined,
  fail: (_: Error): void => undefined,
}))
vi.mock('../../workers/search.ts', () => ({
  bestPlans: (
    _plan: unknown,
    _shelf: unknown,
    free: readonly string[],
    _aim: string,
    asking: Required<Asking<unknown>>,
  ) => {
    search.told = asking.onTold
    search.free = free
    asking.signal.addEventListener('abort', () => (search.stopped += 1))
    return new Promise<void>((resolve, reject) => {
      search.end = resolve
      search.fail = reject
    })
  },
  slopesOf: () =>
    Promise.resolve([
      {
        lever: 'mixC',
        sentence: 'Mixed 3 °C warmer: Oat keeps 4 min to spare.',
        minutes: -7,
        chance: 0,
        each: -2.3,
        step: 'a °C',
      },
    ]),
}))

beforeEach(() => {
  search.stopped = 0
})
afterEach(cleanup)

const start = starterPlan('Search')
const cooler: FoundPlan = {
  ...{ title: 'Most likely to work', chance: 0.91, error: 0.014, before: 0.3, endMin: 11, moreMin: 2 },
  changes: [{ freedom: 'mixC', sentence: 'Mix at 26 °C instead of 30 °C' }],
  costs: ['less scent in the bar'],
  edit: { kind: 'many', edits: [{ kind: 'set', path: ['conditions', 'mixC'], value: 26 }] },
}
const state = (change: Partial<SearchState>): SearchState => ({ done: 5, total: 10, best: 0.5, found: [], ...change })
const told = (change: Partial<SearchState>) => act(() => search.told(state(change)))
const ended = () => act(async () => search.end())

describe('the best plan', () => {
  test('shows how far it is, what was found with its error, and applies it in one step of undo', async () => {
    const batch = opened(start, <BestPlanDialog onClose={() => undefined} />)
    fireEvent.click(screen.getByLabelText('water'))
    fireEvent.click(screen.getByRole('button', { name: 'Search' }))
    expect(search.free).not.toContain('water')
    told({})
    expect(screen.getByText('best so far about 50 %')).toBeTruthy()
    told({ done: 10, found: [cooler] })
    await ended()
    expect(screen.getByText('about 90 %')).toBeTruthy()
    expect(screen.getByText('now about 30 %; ± 1 points')).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: 'Apply' }))
    expect(batch.get().plan.conditions.mixC).toBe(26)
    batch.undo()
    expect(batch.get().plan).toEqual(start)
  })

  test('can be stopped, and is stopped when it is closed', () => {
    opened(start, <BestPlanDialog onClose={() => undefined} />)
    fireEvent.click(screen.getByRole('button', { name: 'Search' }))
    fireEvent.click(screen.getByRole('button', { name: 'Stop' }))
    expect(search.stopped).toBe(1)
    fireEvent.click(screen.getByRole('button', { name: 'Search' }))
    cleanup()
    expect(search.stopped).toBe(2)
  })

  test('says so when nothing is better, and when it fails', async () => {
    opened(start, <BestPlanDialog onClose={() => undefined} />)
    fireEvent.click(screen.getByRole('button', { name: 'Search' }))
    told({ done: 10 })
    await ended()
    expect(screen.getByText(/Nothing found that is clearly better/)).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: 'Search again' }))
    await act(async () => search.fail(new Error('It broke.')))
    expect(screen.getByRole('alert').textContent).toBe('It broke.')
  })

  test('with nothing free there is nothing to search', () => {
    opened(start, <BestPlanDialog onClose={() => undefined} />)
    for (const box of screen.getAllByRole<HTMLInputElement>('checkbox')) if (box.checked) fireEvent.click(box)
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Search' }).disabled).toBe(true)
  })
})

test('a sighting is added, told what it means, and removed; what cannot be is refused', () => {
  const batch = opened(start, <SeenDialog onClose={() => undefined} />)
  const type = (label: string, text: string) =>
    fireEvent.change(screen.getByLabelText(label, { selector: 'input' }), { target: { value: text } })
  type('Trace', '4.2')
  type('Minutes after the lye', '4')
  fireEvent.click(screen.getByRole('button', { name: 'Add' }))
  expect(batch.get().plan.seen).toEqual([{ cup: 'cup-1', atMin: 4, level: 4.2, by: 'eye' }])
  expect(screen.getByText(/believed to go \d+ % faster/)).toBeTruthy()
  fireEvent.click(screen.getByRole('button', { name: 'Remove sighting 1' }))
  expect(batch.get().plan.seen).toEqual([])
  type('Trace', '9')
  fireEvent.click(screen.getByRole('button', { name: 'Add' }))
  expect(batch.get().plan.seen).toEqual([])
  expect(screen.getByText('A trace is from 0.8 to 5.')).toBeTruthy()
})

test('hands are set, and every lever says what it does', async () => {
  const batch = opened(start, <Levers />)
  fireEvent.change(screen.getByLabelText('Colour'), { target: { value: 'each' } })
  fireEvent.change(screen.getByLabelText('People'), { target: { value: '2' } })
  fireEvent.change(screen.getByLabelText('Waiting cups'), { target: { value: 'stir' } })
  fireEvent.change(screen.getByLabelText('Blended'), { target: { value: 'hand' } })
  expect(batch.get().plan.hands).toEqual({ order: 'each', people: 2, pace: 1, waiting: 'stir', blend: 'hand' })
  const details = screen.getByText('Hands, and what each lever does').closest('details')!
  details.open = true
  fireEvent(details, new Event('toggle'))
  expect(await screen.findByText(/Mixed 3 °C warmer/)).toBeTruthy()
  expect(screen.getByText('− 7 min')).toBeTruthy()
  expect(screen.getByText('(−2.3 min for a °C)')).toBeTruthy()
})

describe('hands, timed', () => {
  const seconds = (name: string) => screen.getByLabelText<HTMLInputElement>(`Seconds for ${name}`)
  const keep = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Keep for all batches' })
  const open = () => opened(start, <TimesDialog onClose={closed} />)
  const closed = vi.fn()
  const sent: unknown[] = []
  beforeEach(() => {
    closed.mockClear()
    sent.length = 0
    vi.stubGlobal('fetch', (_: string, { body }: { body: string }) => {
      sent.push(JSON.parse(body))
      return Promise.resolve(new Response(null, { status: 204 }))
    })
  })
  afterEach(() => vi.unstubAllGlobals())

  test('what differs from the usual is kept for the workshop, and moves the batch that is open', async () => {
    const batch = open()
    const before = batch.get().result
    fireEvent.change(seconds('pouring 250 g'), { target: { value: '80' } })
    await act(async () => fireEvent.click(keep()))
    expect(sent).toEqual([{ times: [{ kind: 'pour', seconds: 80 }] }])
    expect(batch.shelf.times).toEqual([{ kind: 'pour', seconds: 80 }])
    expect(batch.get().result).not.toBe(before)
    expect(closed).toHaveBeenCalled()
  })

  test('back to the usual leaves nothing to keep; an odd time is told and cannot be kept', async () => {
    open()
    fireEvent.change(seconds('a colour stirred into a cup'), { target: { value: '0' } })
    expect(screen.getByRole('alert').textContent).toMatch(/half a second to ten minutes/)
    expect(keep().disabled).toBe(true)
    fireEvent.click(screen.getByRole('button', { name: 'a colour stirred into a cup: as usual' }))
    expect(screen.queryByRole('alert')).toBeNull()
    await act(async () => fireEvent.click(keep()))
    expect(sent).toEqual([{ times: [] }])
  })

  test('what the server refuses is told, and what was typed stays', async () => {
    vi.stubGlobal('fetch', () => Promise.resolve(Response.json({ sentence: 'Not today.' }, { status: 400 })))
    open()
    fireEvent.change(seconds('pouring 250 g'), { target: { value: '80' } })
    await act(async () => fireEvent.click(keep()))
    expect(screen.getByRole('alert').textContent).toBe('Not today.')
    expect(seconds('pouring 250 g').value).toBe('80')
    expect(closed).not.toHaveBeenCalled()
  })
})
