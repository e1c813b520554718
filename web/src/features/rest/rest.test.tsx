import {
  forecast,
  middleSlice,
  readRest,
  readyC,
  referenceShelf,
  aboutOf,
  restRunInputOf,
  restNumbers,
  restStep,
  starterPlan,
  towels,
  workedThrough,
  say,
} from '@ostler/core'
import type { Plan } from '@ostler/core'
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import type { Asking } from '../../workers/door.ts'
import { opened } from '../../plan/test/opened.tsx'
import { calendarOf } from './calendar.ts'
import { RestPage } from './rest-page.tsx'
import { RestTasks } from './rest-tasks.tsx'

/** The worker as the page sees it: each test says what it finds. */
const worker = vi.hoisted(() => ({
  look: (_: unknown): void => undefined,
  search: (_: unknown): void => undefined,
  wish: '',
  stopped: 0,
  ended: (): void => undefined,
}))
vi.mock('../../workers/rest.ts', () => ({
  lookAtRest: (_plan: unknown, _shelf: unknown, asking: Required<Asking<unknown>>) => {
    worker.look = asking.onTold
    asking.signal.addEventListener('abort', () => (worker.stopped += 1))
    return new Promise(() => undefined)
  },
  searchRest: (_plan: unknown, _shelf: unknown, wish: string, asking: Required<Asking<unknown>>) => {
    worker.search = asking.onTold
    worker.wish = wish
    asking.signal.addEventListener('abort', () => (worker.stopped += 1))
    return new Promise<void>(resolve => (worker.ended = resolve))
  },
}))
class Sized {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
beforeEach(() => {
  vi.stubGlobal('ResizeObserver', Sized)
  worker.stopped = 0
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

/** What the worker would tell of a plan, coarsely and with frames. */
function looked(plan: Plan) {
  const made = forecast(plan, referenceShelf())
  if (!made.ok) throw new Error(say(made.sentence))
  const { portions, lanes } = made.forecast
  const inputs = { plan, shelf: referenceShelf(), portions, lanes }
  const input = restRunInputOf(inputs, 'coarse', 3600)
  const history = workedThrough(input)
  const numbers = restNumbers(restRunInputOf(inputs, 'quick'), aboutOf(inputs), 8)
  const look = {
    ...readRest(inputs, history, numbers),
    ...{ grid: 'fine', nx: input.block.nx, ny: input.block.ny, isRound: false, numbers },
    refit: { rate: 1.21, losses: 0.9, rateSd: 0.1, lossesSd: 0.07 },
    ...{ curve: history.curve, frames: history.frames, readyC: middleSlice(readyC(history.block), input.block) },
  }
  return { look }
}

const start = starterPlan('Rest')
const warm: Plan = {
  ...start,
  conditions: { ...start.conditions, mixC: 42 },
  rest: { ...start.rest, wish: 'none', steps: [restStep({ cover: 'lid', towels: towels(4, 4) })] },
}
const { look } = looked(warm)
const shown = async (plan: Plan) => {
  const batch = opened(plan, <RestPage />)
  await waitFor(() => expect(worker.look.name).not.toBe('look'))
  await act(async () => {
    await new Promise(resolve => setTimeout(resolve, 300))
  })
  await act(async () => worker.look(look))
  return batch
}

describe('the page', () => {
  test('says what comes of it, with its numbers, and scrubs through the hours', async () => {
    await shown(warm)
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe(say(look.sentence.sentence))
    expect(screen.getByText('unmould and cut from').parentElement!.textContent).toMatch(/\d+ h.* to \d+ h/)
    expect(screen.getByText(/it reacts 21 % faster than expected .* loses heat 10 % slower/)).toBeTruthy()
    const slider = screen.getByRole('slider', { name: 'Time after the pour' })
    fireEvent.change(slider, { target: { value: '0' } })
    const before = slider.getAttribute('aria-valuetext')
    fireEvent.change(slider, { target: { value: '2' } })
    expect(slider.getAttribute('aria-valuetext')).not.toBe(before)
    expect(slider.getAttribute('aria-valuetext')).toMatch(/^2 h after the pour: core \d+ °C/)
  })

  test('colours follow the gel with one action', async () => {
    const batch = await shown({ ...warm, colour: { ...warm.colour, gel: 0 } })
    fireEvent.click(screen.getByRole('button', { name: 'Let them follow the rest' }))
    expect(batch.get().plan.colour.gel).toBeNull()
  })

  test('another step is added after the last, changed and taken away; the look that is under way is stopped', async () => {
    const batch = await shown(warm)
    fireEvent.click(screen.getByRole('button', { name: /then/ }))
    expect(batch.get().plan.rest.steps.map(step => step.atMin)).toEqual([0, 120])
    fireEvent.change(screen.getAllByLabelText('Where')[1]!, { target: { value: 'refrigerator' } })
    // What goes into the cold comes out of it again.
    expect(batch.get().plan.rest.steps.map(step => step.place)).toEqual(['room', 'refrigerator', 'room'])
    fireEvent.click(screen.getByRole('button', { name: 'Remove step 3' }))
    fireEvent.click(screen.getByRole('button', { name: 'Remove step 2' }))
    expect(batch.get().plan.rest.steps).toHaveLength(1)
    expect(worker.stopped).toBeGreaterThan(0)
  })

  test('what is wished for is searched, shown, applied and taken back', async () => {
    const batch = await shown(warm)
    fireEvent.click(screen.getByRole('button', { name: 'Search' }))
    expect(worker.wish).toBe('none')
    const way = {
      ...{ kind: 'refrigerator', sentence: 'Put it into the refrigerator for 8 hours, on a rack', chance: 0.93 },
      ...{ peakC: 41, crack: 0, unmouldMin: null, costs: ['it comes out of the mould about 20 h later'] },
      edit: { kind: 'set', path: ['rest', 'steps'], value: [restStep({ place: 'refrigerator' })] },
    }
    await act(async () => {
      worker.search({ done: 5, total: 5, found: [way], nearest: null, refusal: null })
      worker.ended()
    })
    expect(screen.getByText(/It costs: it comes out of the mould about 20 h later/)).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: 'Apply' }))
    expect(batch.get().plan.rest.steps[0]!.place).toBe('refrigerator')
    batch.undo()
    expect(batch.get().plan.rest.steps[0]!.place).toBe('room')
  })

  test('a refusal is told', async () => {
    await shown(warm)
    fireEvent.click(screen.getByRole('button', { name: 'Search' }))
    await act(async () => {
      worker.search({ done: 5, total: 5, found: [], nearest: null, refusal: 'It is not forced.' })
      worker.ended()
    })
    expect(screen.getByText('It is not forced.')).toBeTruthy()
  })

  test('nothing found says what came nearest', async () => {
    await shown(warm)
    fireEvent.click(screen.getByRole('button', { name: 'Search' }))
    await act(async () => {
      worker.search({
        done: 5,
        total: 5,
        found: [],
        nearest: 'Put it into the freezer: 2 °C short of it.',
        refusal: null,
      })
      worker.ended()
    })
    expect(screen.getByText(/Nearest: Put it into the freezer/)).toBeTruthy()
  })

  test('a reading is added and removed', async () => {
    const batch = await shown(warm)
    fireEvent.click(screen.getByText('Temperatures read'))
    fireEvent.change(screen.getByLabelText('Reading'), { target: { value: '61' } })
    fireEvent.click(screen.getByRole('button', { name: 'Add' }))
    expect(batch.get().plan.rest.readings).toEqual([{ atMin: 60, at: 'core', tempC: 61 }])
    fireEvent.click(screen.getByRole('button', { name: 'Remove reading 1' }))
    expect(batch.get().plan.rest.readings).toEqual([])
  })
})

describe('things to do', () => {
  const tasks = [
    { key: 'place-1', atMin: 0, what: 'Cover' },
    { key: 'look', atMin: 90, what: 'Look in' },
  ]
  test('stand at their clock times; an unreadable time is told', () => {
    const batch = opened(start, <RestTasks tasks={tasks} />)
    const field = screen.getByLabelText('Last pour')
    fireEvent.change(field, { target: { value: '2026-03-02T14:00' } })
    expect(batch.get().plan.rest.pouredAt).toBe('2026-03-02T14:00')
    expect(screen.getByText('Mon 15:30')).toBeTruthy()
    fireEvent.change(field, { target: { value: '' } })
    expect(screen.getByText(/Say when the last pour is/)).toBeTruthy()
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Calendar file' }).disabled).toBe(true)
  })

  test('become a calendar with one event each', async () => {
    const batch = { id: 'b7', name: 'Loaf' }
    const text = await calendarOf(batch, tasks, new Date(2026, 2, 2, 14, 0), say)
    const later = await calendarOf(
      batch,
      [{ ...tasks[0]!, atMin: 20, what: 'Cover it' }],
      new Date(2026, 2, 2, 15, 0),
      say,
    )
    const uids = (of: string) => of.match(/^UID:.*$/gm)!.map(line => line.trim())
    expect(new Set(uids(text)).size).toBe(2)
    expect(uids(later)[0]).toBe(uids(text)[0])
    const at = new Date(2026, 2, 2, 14, 0)
    const stamp = at.toISOString().replace(/[-:]/g, '').replace('.000', '')
    expect(text).toContain(`TRIGGER;VALUE=DATE-TIME:${stamp}`)
    expect(text).not.toMatch(/^TRIGGER:-?P(T)?\r?$/m)
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(2)
    expect(text).toContain('SUMMARY:Loaf: Look in')
    expect(text).toContain('DESCRIPTION:Look in')
    expect(text.startsWith('BEGIN:VCALENDAR')).toBe(true)
    expect(text.trimEnd().endsWith('END:VCALENDAR')).toBe(true)
  })
})
