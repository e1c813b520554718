import { applyEdit, forecast, referenceShelf, starterPlan, writePlan } from '@ostler/core'
import type { Edit, Plan } from '@ostler/core'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, describe, expect, test, vi } from 'vitest'
import { bestSight } from '../drawing/design-picture.tsx'
import { SOMEBODY, answering, refusal } from '../api/test/answering.ts'
import { opened } from '../plan/test/opened.tsx'
import { saveFile } from '../ui/save-file.ts'
import { KeepDesign } from './keep-design.tsx'
import { LastDays } from './last-days.tsx'
import { planFromFile } from './plan-file.ts'
import { QuickensLine } from './quickens-line.tsx'
import { StopFields } from './stop-fields.tsx'
import { TableFiles, asText } from './table-files.tsx'
import { yieldLines } from './use-yield.ts'

vi.mock('../ui/save-file.ts', () => ({ saveFile: vi.fn() }))

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

const start = starterPlan('Beside')
const after = (...edits: Edit[]): Plan => {
  const result = applyEdit(start, { kind: 'many', edits })
  if (!result.ok) throw new Error('the edit is refused')
  return result.plan
}
const set = (value: unknown, ...path: (string | number)[]): Edit => ({ kind: 'set', path, value })

describe('the last days', () => {
  const show = (wantedOn: string, pouredAt = '') => {
    vi.useFakeTimers({ toFake: ['Date'], now: new Date('2026-03-04T10:00') })
    opened({ ...start, rest: { ...start.rest, wantedOn, pouredAt } }, <LastDays />)
    return document.body.textContent
  }
  /** The day that stands in a sentence. */
  const dayIn = (text: string, before: RegExp) => new Date(before.exec(text)![1]!)

  test('lie before the day by the cure, and what is got ready before that', () => {
    const said = show('2026-09-01')
    const makeOn = dayIn(said, /Last making day (?:\w{3} )?(\d+ \w+ \d{4});/)
    const beginOn = dayIn(said, /by (?:\w{3} )?(\d+ \w+ \d{4})\./)
    expect(makeOn.getTime()).toBeLessThan(new Date('2026-08-15').getTime())
    expect(beginOn.getTime()).toBeLessThan(makeOn.getTime())
  })

  test('that are past are told; for a day that is long gone there is none left', () => {
    expect(show('2026-03-06')).toMatch(/▲ ?Last making day was/)
  })

  test('are nobody’s business without a day, and once it is poured', () => {
    expect(show('')).not.toContain('making day')
    cleanup()
    expect(show('2026-09-01', '2026-03-03T10:00')).not.toContain('making day')
  })
})

describe('a table as a file', () => {
  const rows = [
    ['what', 'g'],
    ['Olive oil', '412'],
    ['=HYPERLINK("x")', '3'],
  ]

  test('as text its columns stand below each other', () => {
    const lines = asText(rows).split('\n')
    expect(lines[0]!.indexOf('g')).toBe(lines[1]!.indexOf('412'))
    expect(lines.every(line => line === line.trimEnd())).toBe(true)
  })

  test('for a spreadsheet it says that it is UTF-8, and a formula is a text', () => {
    opened(start, <TableFiles what="Weigh list" name="Heron – reach" rows={() => rows} />)
    fireEvent.click(screen.getByRole('button', { name: 'as CSV' }))
    const [name, text] = vi.mocked(saveFile).mock.calls.at(-1)!
    expect(name).toBe('heron-reach-weigh-list.csv')
    expect(text as string).toMatch(/^\uFEFFwhat,g\r\n/)
    expect(text as string).toContain("'=HYPERLINK")
    fireEvent.click(screen.getByRole('button', { name: 'as plain text' }))
    expect(vi.mocked(saveFile).mock.calls.at(-1)![1] as string).toMatch(/^Heron – reach\nWeigh list\n\n/)
  })
})

describe('a plan from a file', () => {
  const file = (text: string) => new File([text], 'plan.json', { type: 'application/json' })

  test('is the plan that was written', async () => {
    const { result } = await planFromFile(file(writePlan(start)))
    expect(result.ok && result.plan).toEqual(start)
  })

  test.each(['', 'not json', '{"format":"soup"}', '[1,2'])('%j is refused with a sentence', async text => {
    const { result, run } = await planFromFile(file(text))
    expect(result.ok).toBe(false)
    expect(run).toBeNull()
  })

  test('that is far too large is not even read', async () => {
    const huge = { size: 1e9, text: () => Promise.reject(new Error('it was read')) } as unknown as File
    expect((await planFromFile(huge)).result.ok).toBe(false)
  })
})

describe('a design is kept', () => {
  const show = (designs: unknown[], routes: Record<string, unknown> = {}) => {
    const kept = vi.fn()
    const sent = answering({ 'GET /session': SOMEBODY, 'GET /designs': designs, ...routes })
    opened(start, <KeepDesign onKept={kept} />, { asks: true })
    return { sent, kept }
  }

  test('under a name, without recipe, scent and doses; a refusal loses nothing', async () => {
    let isUp = false
    const { sent, kept } = show([], { 'POST /designs': () => (isUp ? { id: 'd1' } : refusal(503, 'Not now.')) })
    const name = screen.getByLabelText('Name')
    fireEvent.change(name, { target: { value: '  ' } })
    expect(screen.getByRole('button', { name: 'Keep it' })).toHaveProperty('disabled', true)
    fireEvent.change(name, { target: { value: ' Reeds ' } })
    fireEvent.change(screen.getByLabelText('Notes'), { target: { value: 'for the fair' } })
    fireEvent.click(screen.getByRole('button', { name: 'Keep it' }))
    expect((await screen.findByRole('alert')).textContent).toBe('Not now.')
    expect(screen.getByLabelText('Notes')).toHaveProperty('value', 'for the fair')
    isUp = true
    fireEvent.click(screen.getByRole('button', { name: 'Keep it' }))
    await waitFor(() => expect(kept).toHaveBeenCalledOnce())
    const body = JSON.stringify(sent.at(-1)!.body)
    expect(body).toContain('"Reeds"')
    expect(body).toContain('for the fair')
    expect(body).not.toContain('doseGPerKg')
    expect(body).not.toContain('superfat')
  })

  test('in place of one of the same name, however that is written', async () => {
    const { sent } = show([{ id: 'd7', revision: 4, design: { name: 'beside' } }], { 'PUT /designs/d7': undefined })
    fireEvent.click(await screen.findByRole('button', { name: 'Replace the one of this name' }))
    await waitFor(() => expect(sent.map(({ method, path }) => `${method} ${path}`)).toEqual(['PUT /designs/d7']))
  })
})

describe('what ends the blending', () => {
  test('a level, or the clock: the field is the one that counts, and what it comes to is said', () => {
    const batch = opened(start, <StopFields />)
    expect(screen.getByLabelText(/^Stop blending at level/)).toBeTruthy()
    fireEvent.change(screen.getByLabelText('Blending stops'), { target: { value: 'seconds' } })
    expect(batch.get().plan.conditions.stopWhen).toBe('seconds')
    expect(screen.getByLabelText(/^Blend for, seconds/)).toBeTruthy()
    expect(screen.queryByLabelText(/^Stop blending at level/)).toBeNull()
    expect(document.body.textContent).toMatch(/About \d+ s at the bowl/)
  })

  test('what quickens is said of the cup that is too thick first', () => {
    opened(start, <QuickensLine />)
    const made = forecast(start, referenceShelf())
    expect(document.body.textContent).toContain(made.ok ? made.forecast.quickens!.cupName : 'a forecast')
  })
})

test('where the soap went: what is nothing is left out', () => {
  const lines = yieldLines({ inG: 1000, barsG: 900, endsG: 0, samplesG: 0, stuckG: 40, spiltG: 0, waterG: 60 } as never)
  expect(lines.map(({ what, grams }) => `${what} ${grams}`)).toEqual([
    'went in 1000',
    'bars 900',
    'stuck to vessels 40',
    'water that went off by then, about 60',
  ])
})

test('a design is looked at from where it shows: cut across, from the top, or along', () => {
  const straight = after(set([], 'moves'))
  expect(bestSight(straight)).toBe('across')
  expect(bestSight({ ...straight, score: straight.score.map(pour => ({ ...pour, together: 'ends' as const })) })).toBe(
    'along',
  )
  const drizzled = straight.score.map(pour => ({ ...pour, shape: { ...pour.shape, way: 'drizzle' as const } }))
  expect(bestSight({ ...straight, score: drizzled })).toBe('top')
  expect(bestSight({ ...straight, mould: { ...straight.mould, form: 'cylinder' } })).toBe('top')
})
