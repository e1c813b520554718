import { CAUSES, CAUSE_AT, WORKED_CASES, starterPlan } from '@ostler/core'
import type { RecordEntry } from '@ostler/core'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { NOBODY, SOMEBODY, answering } from '../../api/test/answering.ts'
import type { Asked } from '../../api/test/answering.ts'
import { opened } from '../../plan/test/opened.tsx'
import { FaultsPage } from './faults-page.tsx'
import { GuessPage } from './guess-page.tsx'

// The rest is worked through elsewhere: here nothing comes of it.
vi.mock('../../workers/rest.ts', () => ({ restSaid: () => new Promise(() => undefined) }))

beforeEach(() => localStorage.clear())
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const start = starterPlan('Faults')
const plan = { ...start, rest: { ...start.rest, pouredAt: '2026-03-02T10:00' } }
function show(signs: Partial<RecordEntry>[]) {
  const kept = signs.map((about, i) => ({
    ...{ key: `old:${i + 1}`, kind: 'sign', on: '2026-03-04T09:00', noted: '2026-03-04T09:00:00Z', ...about },
  }))
  const sent = answering({
    ...{ 'GET /session': SOMEBODY, 'GET /batches//faults/learned': { shifts: {}, counts: {} } },
    'GET /batches//record': () => ({ entries: kept, photos: [] }),
    'POST /batches//record': ({ body }: Asked) => {
      kept.push(...(body as { entries: typeof kept }).entries)
      return { kept: 1 }
    },
  })
  opened(plan, <FaultsPage />, { asks: true })
  return sent
}
const fit = () => screen.findByRole('region', { name: 'Is it fit' })

describe('what went wrong', () => {
  test('of what nobody looked at it claims nothing', async () => {
    show([])
    expect((await fit()).textContent).toContain('not looked at yet')
    expect(screen.getByText(/Nothing was seen that calls for a cause/)).toBeTruthy()
  })

  test.each(['k-wetpocket', 'a-sting'])(
    'bars with %s are not to be used, whatever the chances say, and first aid stands there',
    async sign => {
      show([{ sign, grade: 2 }])
      await waitFor(async () => expect((await fit()).textContent).toMatch(/[△▲] /))
      const region = await fit()
      expect(region.textContent).not.toContain('✓')
      expect(region.textContent).toMatch(/water/i)
      expect(screen.queryByText(/Nothing was seen that calls for a cause/)).toBeNull()
    },
  )

  test('a bloom of ash alone is only looks', async () => {
    show([{ sign: 'u-ash', grade: 1 }])
    await waitFor(async () => expect((await fit()).textContent).toContain('✓'))
  })

  test('a sign that is marked is noted, and moves what it most likely was at once', async () => {
    const sent = show([])
    await fit()
    fireEvent.change(screen.getByRole('searchbox'), { target: { value: 'ring' } })
    const list = within(screen.getByRole('list', { name: 'Signs to look for' }))
    fireEvent.click(list.getAllByRole('button', { name: /strong/ })[0]!)
    expect(await screen.findByRole('list', { name: 'Signs that were noted' })).toBeTruthy()
    expect(screen.queryByText(/Nothing was seen that calls for a cause/)).toBeNull()
    await waitFor(() => expect(sent).toHaveLength(1))
    expect((sent[0]!.body as { entries: RecordEntry[] }).entries).toMatchObject([{ kind: 'sign', grade: 2 }])
  })
})

describe('guessing at cases', () => {
  const nameOf = (cause: string) => CAUSES[CAUSE_AT.get(cause)!]!.name
  const case1 = () => within(screen.getByRole('group', { name: 'Case 1' }))
  const [one] = WORKED_CASES
  const page = () => opened(start, <GuessPage />, { asks: true })

  test('a wrong guess is told what it was and why, stays through a reload, and can be begun anew', () => {
    answering({ 'GET /session': NOBODY })
    page()
    const wrong = one!.choices.find(cause => cause !== one!.answer)!
    fireEvent.click(case1().getByRole('button', { name: nameOf(wrong) }))
    expect(screen.getByRole('status').textContent).toContain(`It was: ${nameOf(one!.answer)}.`)
    expect(screen.getByText('0 right of 1')).toBeTruthy()
    cleanup()
    page()
    expect(screen.getByText('0 right of 1')).toBeTruthy()
    expect(
      case1()
        .getAllByRole<HTMLButtonElement>('button')
        .every(button => button.disabled),
    ).toBe(true)
    fireEvent.click(screen.getByRole('button', { name: 'Begin anew' }))
    fireEvent.click(case1().getByRole('button', { name: nameOf(one!.answer) }))
    expect(screen.getByText('1 right of 1')).toBeTruthy()
    expect(screen.getByRole('status').textContent).toContain('✓ Right.')
  })
})
