import {
  aboutOf,
  forecast,
  referenceShelf,
  restChances,
  restHistory,
  restJobOf,
  restNotices,
  restResult,
  restSentence,
  restStep,
  restTasks,
  starterPlan,
} from '@ostler/core'
import type { Plan } from '@ostler/core'
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
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
  lookAtRest: (_plan: unknown, _shelf: unknown, told: (look: unknown) => void) => {
    worker.look = told
    return { done: new Promise(() => undefined), stop: () => (worker.stopped += 1) }
  },
  searchRest: (_plan: unknown, _shelf: unknown, wish: string, told: (state: unknown) => void) => {
    worker.search = told
    worker.wish = wish
    return { done: new Promise<void>(resolve => (worker.ended = resolve)), stop: () => (worker.stopped += 1) }
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
  if (!made.ok) throw new Error(made.sentence)
  const inputs = { ...made.forecast, plan, shelf: referenceShelf() }
  const job = restJobOf(inputs, 'coarse', 3600)
  const steps = restHistory(job)
  let step = steps.next()
  while (!step.done) step = steps.next()
  const history = step.value
  const result = restResult(history, aboutOf(inputs, job.block.materials))
  const chances = restChances(job, 8)
  return {
    ...{ grid: 'fine', nx: job.block.nx, ny: job.block.ny, isRound: false, result, chances },
    sentence: restSentence(result, chances),
    ...{ notices: restNotices(plan, result), tasks: restTasks(plan, result), curve: history.curve, waterShare: 0.2 },
    refit: { rate: 1.21, losses: 0.9, rateSd: 0.1, lossesSd: 0.07 },
    ...{ frames: history.frames, margin: Float32Array.from(history.block.margin) },
  }
}

const start = starterPlan('Rest')
const warm: Plan = {
  ...start,
  conditions: { ...start.conditions, mixC: 42 },
  rest: { ...start.rest, wish: 'none', steps: [restStep({ cover: 'lid', towels: 4, below: true })] },
}
const look = looked(warm)
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
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe(look.sentence.sentence)
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
    fireEvent.click(screen.getByRole('button', { name: 'Forecast them gelled' }))
    expect(batch.get().plan.colour.gel).toBe(1)
  })

  test('another step is added after the last, changed and taken away; the look that is under way is stopped', async () => {
    const batch = await shown(warm)
    fireEvent.click(screen.getByRole('button', { name: /then/ }))
    expect(batch.get().plan.rest.steps.map(step => step.atMin)).toEqual([0, 120])
    fireEvent.change(screen.getAllByLabelText('Where')[1]!, { target: { value: 'refrigerator' } })
    expect(batch.get().plan.rest.steps[1]!.place).toBe('refrigerator')
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
      ...{ peakC: 41, crack: 0, unmouldMin: null },
      edit: { kind: 'set', path: ['rest', 'steps'], value: [restStep({ place: 'refrigerator' })] },
    }
    await act(async () => {
      worker.search({ done: 5, total: 5, found: [way], refusal: null })
      worker.ended()
    })
    fireEvent.click(screen.getByRole('button', { name: 'Apply' }))
    expect(batch.get().plan.rest.steps[0]!.place).toBe('refrigerator')
    batch.undo()
    expect(batch.get().plan.rest.steps[0]!.place).toBe('room')
  })

  test('a refusal is told', async () => {
    await shown(warm)
    fireEvent.click(screen.getByRole('button', { name: 'Search' }))
    await act(async () => {
      worker.search({ done: 5, total: 5, found: [], refusal: 'It is not forced.' })
      worker.ended()
    })
    expect(screen.getByText('It is not forced.')).toBeTruthy()
  })

  test('a reading is added and removed', async () => {
    const batch = await shown(warm)
    fireEvent.click(screen.getByText('Readings of the core'))
    fireEvent.change(screen.getByLabelText('Reading'), { target: { value: '61' } })
    fireEvent.click(screen.getByRole('button', { name: 'Add' }))
    expect(batch.get().plan.rest.readings).toEqual([{ atMin: 60, at: 'core', tempC: 61 }])
    fireEvent.click(screen.getByRole('button', { name: 'Remove reading 1' }))
    expect(batch.get().plan.rest.readings).toEqual([])
  })
})

describe('cut and cure', () => {
  test('bars with their weights; a wish for a day gives the last day to make them', async () => {
    await shown(warm)
    const cure = screen.getByRole('region', { name: 'Cut and cure' })
    expect(cure.textContent).toMatch(/a bar, fresh\d+ g/)
    expect(cure.textContent).toMatch(/ready after\d+ days/)
    const days = Number(/ready after(\d+) days/.exec(cure.textContent)![1])
    fireEvent.change(screen.getByLabelText('Wanted for'), { target: { value: '2026-12-20' } })
    const last = new Date(2026, 11, 20 - days)
    expect(cure.textContent).toContain(`last making day ${last.toLocaleDateString('en-GB', { weekday: 'short' })}`)
  })

  test('a weigh-in bends the curve and can be taken back', async () => {
    const batch = await shown(warm)
    fireEvent.change(screen.getByLabelText('Days after the pour'), { target: { value: '21' } })
    fireEvent.click(screen.getByRole('button', { name: 'Note it' }))
    expect(batch.get().plan.rest.weighIns).toMatchObject([{ day: 21 }])
    fireEvent.click(screen.getByRole('button', { name: 'Remove weigh-in 1' }))
    expect(batch.get().plan.rest.weighIns).toEqual([])
  })
})

describe('things to do', () => {
  const tasks = [
    { atMin: 0, what: 'Cover' },
    { atMin: 90, what: 'Look in' },
  ]
  test('stand at their clock times; an unreadable time is told', () => {
    opened(start, <RestTasks tasks={tasks} />)
    const field = screen.getByLabelText('Last pour')
    fireEvent.change(field, { target: { value: '2026-03-02T14:00' } })
    expect(screen.getByText('Mon 15:30')).toBeTruthy()
    fireEvent.change(field, { target: { value: '' } })
    expect(screen.getByText(/Say when the last pour is/)).toBeTruthy()
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Calendar file' }).disabled).toBe(true)
  })

  test('become a calendar with one event each', async () => {
    const text = await calendarOf('Loaf', tasks, new Date(2026, 2, 2, 14, 0))
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(2)
    expect(text).toContain('SUMMARY:Loaf: Look in')
    expect(text.startsWith('BEGIN:VCALENDAR')).toBe(true)
    expect(text.trimEnd().endsWith('END:VCALENDAR')).toBe(true)
  })
})
