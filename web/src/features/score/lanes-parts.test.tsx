import { applyEdit, plannedScent, referenceShelf, starterPlan, startingMove, say } from '@ostler/core'
import type { Edit, Plan } from '@ostler/core'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { opened } from '../../plan/test/opened.tsx'
import { ComparePage } from '../compare/compare-page.tsx'
import { EvidenceDialog } from './evidence-dialog.tsx'
import { LanesView } from './lanes-view.tsx'
import { WindowFields } from './window-fields.tsx'

const shelf = referenceShelf()
const evidence = {
  ...{ batch: 'other', name: 'Other batch', at: '2026-01-01', recipe: 'elsewhere', counts: true },
  observations: [{ stage: 'plain' as const, scents: [], value: 0.3, variance: 0.04 }],
}
const calls: { path: string; body: unknown }[] = []
const answers = (list: { path: RegExp; json: unknown }[]) =>
  vi.stubGlobal(
    'fetch',
    vi.fn((path: string, init?: RequestInit) => {
      calls.push({ path, body: typeof init?.body === 'string' ? JSON.parse(init.body) : null })
      const found = list.find(one => one.path.test(path))
      return Promise.resolve(
        found
          ? new Response(JSON.stringify(found.json), { headers: { 'content-type': 'application/json' } })
          : new Response(null, { status: 204 }),
      )
    }),
  )

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
  calls.length = 0
})

const edited = (plan: Plan, edit: Edit): Plan => {
  const result = applyEdit(plan, edit)
  if (!result.ok) throw new Error(say(result.sentence))
  return result.plan
}
const start = starterPlan('Lanes')

/** A page 1280 px wide. */
class Sized {
  observe(): void {}
  disconnect(): void {}
}

describe('the lanes', () => {
  beforeEach(() => {
    vi.stubGlobal('ResizeObserver', Sized)
    vi.spyOn(HTMLElement.prototype, 'clientWidth', 'get').mockReturnValue(1280)
  })
  afterEach(() => vi.restoreAllMocks())

  test('are drawn further apart and closer together, by button and by key', () => {
    opened(start, <LanesView chosen={null} onChoose={() => undefined} />)
    const lanes = screen.getByRole('region', { name: 'Lanes' })
    const wide = () => Number(screen.getAllByRole('group')[0]!.getAttribute('width'))
    const before = wide()
    fireEvent.click(screen.getByRole('button', { name: 'Draw time further apart' }))
    expect(wide()).toBeCloseTo(1.5 * before, 6)
    fireEvent.keyDown(lanes, { key: '+' })
    expect(wide()).toBeCloseTo(2 * before, 6)
    fireEvent.keyDown(lanes, { key: '0' })
    expect(wide()).toBe(before)
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Draw time closer together' }).disabled).toBe(true)
  })

  test('tell when a waiting cup wants a stir, in its lane and beneath', () => {
    const lively = { ...start, scent: plannedScent([{ scent: 'attic-rosebox', share: 1 }], 0.03) }
    const cups = lively.cups.map(cup => ({ ...cup, scented: true }))
    opened({ ...lively, cups }, <LanesView chosen={null} onChoose={() => undefined} />)
    expect(screen.getByRole('img', { name: /^Stir waiting cups: / })).toBeTruthy()
    expect(screen.getAllByRole('group').some(lane => /Stir it at/.test(lane.getAttribute('aria-label')!))).toBe(true)
  })

  test('as a table they have every pour and every tool', () => {
    const last = start.score.at(-1)!.id
    opened(
      { ...start, moves: [startingMove('move-1', last, 'hanger')] },
      <LanesView chosen={null} onChoose={() => undefined} />,
    )
    fireEvent.click(screen.getByRole('button', { name: 'as a table' }))
    const rows = within(screen.getByRole('table', { name: /^Pours/ })).getAllByRole('row')
    expect(rows).toHaveLength(1 + start.score.length + 1)
    expect(rows.at(-1)!.textContent).toMatch(/hanger wire.*standing/)
    const hands = within(screen.getByRole('table', { name: 'Hands' })).getAllByRole('row')
    expect(hands[0]!.textContent).toMatch(/blend, both hands$/)
    expect(hands.some(row => /colour .*, one hand$/.test(row.textContent))).toBe(true)
  })

  test('with a batter for each cup there is no pot before them', () => {
    const own = edited(start, { kind: 'set', path: ['division', 'mode'], value: 'own-batters' })
    opened(own, <LanesView chosen={null} onChoose={() => undefined} />)
    expect(screen.getAllByRole('group')).toHaveLength(new Set(start.score.map(pour => pour.cup)).size)
  })
})

describe('windows', () => {
  test('shifted for the whole workshop: kept, forecast at once, and taken back', async () => {
    answers([])
    const batch = opened(start, <WindowFields index={0} />)
    fireEvent.click(screen.getByText(/^In this workshop/))
    const [from] = screen.getAllByRole('textbox')
    fireEvent.change(from!, { target: { value: '1.7' } })
    fireEvent.click(screen.getByRole('button', { name: 'Keep for all' }))
    await waitFor(() => expect(batch.shelf.windows).toEqual([{ kind: 'layer', lo: 1.7, hi: 3.3 }]))
    expect(calls[0]).toEqual({ path: '/api/shelf/windows', body: { windows: [{ kind: 'layer', lo: 1.7, hi: 3.3 }] } })
    const { result } = batch.get()
    expect(result.ok && result.forecast.lanes.pours[0]!.window.lo).toBe(1.7)
    fireEvent.click(await screen.findByRole('button', { name: 'As usual' }))
    await waitFor(() => expect(batch.shelf.windows).toEqual([]))
  })

  test('one that is too narrow is told and not kept', () => {
    opened(start, <WindowFields index={0} />)
    fireEvent.click(screen.getByText(/^In this workshop/))
    fireEvent.change(screen.getAllByRole('textbox')[0]!, { target: { value: '3.2' } })
    expect(screen.getByRole('alert').textContent).toMatch(/at least 0.2/)
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Keep for all' }).disabled).toBe(true)
  })
})

describe('evidence', () => {
  const answer = { shelf: { ...shelf, evidence: [evidence] }, revisions: {} }

  test('is shown with what it comes to, and can be set aside', async () => {
    answers([{ path: /\/shelf$/, json: answer }])
    const batch = opened(start, <EvidenceDialog onClose={() => undefined} />, { asks: true })
    expect(await screen.findByText('Other batch')).toBeTruthy()
    const maker = screen.getByRole('row', { name: /Your hands and workshop/ })
    expect(maker.textContent).toMatch(/\d+ % faster/)
    fireEvent.click(screen.getByLabelText('counts'))
    await waitFor(() => expect(batch.shelf.evidence).toEqual([{ ...evidence, counts: false }]))
    expect(calls.some(one => one.path === '/api/evidence/other')).toBe(true)
  })

  test('without any it says how to come by some', () => {
    opened(start, <EvidenceDialog onClose={() => undefined} />)
    expect(screen.getByText(/No other batch has readings yet/)).toBeTruthy()
  })
})

describe('two plans', () => {
  const other = edited(start, { kind: 'set', path: ['conditions', 'mixC'], value: 41 })

  test('stand side by side with what differs and nothing else', async () => {
    const whole = { id: 'other', name: 'Warm one', revision: 1, updatedAt: '2026-01-01', plan: other }
    const listed = { id: 'other', name: 'Warm one', isFresh: true }
    answers([
      { path: /\/shelf$/, json: { shelf, revisions: {} } },
      { path: /\/batches\/other/, json: whole },
      { path: /\/batches/, json: { batches: [listed], next: null } },
    ])
    opened(start, <ComparePage />, { asks: true })
    expect(await screen.findByRole('rowheader', { name: 'Oils and lye meet at' })).toBeTruthy()
    expect(screen.getByText('41 °C')).toBeTruthy()
    expect(screen.queryByRole('rowheader', { name: 'Superfat' })).toBeNull()
  })

  test('without another there is a way on', async () => {
    answers([{ path: /\/batches/, json: { batches: [], next: null } }])
    opened(start, <ComparePage />, { asks: true })
    expect(await screen.findByText(/no other plan to compare with/)).toBeTruthy()
  })
})
