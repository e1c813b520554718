import { eventOf, nextActions, readPlanText, referenceShelf } from '@ostler/core'
import type { BenchEvent, CupOutlook } from '@ostler/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, cleanup, fireEvent, render, screen, within } from '@testing-library/react'
import text from '../../../../examples/weir-milk.json?raw'
import { MemoryRouter } from 'react-router'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { SaidAsLiked } from '../../plan/context.tsx'
import { OpenRunContext } from '../../run/context.tsx'
import { OpenRun } from '../../run/open-run.ts'
import { Bench } from './bench.tsx'

/** How the run stands as the worker would reckon it: each test says. */
const reckoned = vi.hoisted(() => ({ cups: [] as unknown[], ways: [] as unknown[] }))
vi.mock('../../workers/bench.ts', () => ({
  outlookOf: () =>
    Promise.resolve({
      r: 0,
      planB: 'Spooned',
      isPlanB: false,
      isWhole: true,
      cups: reckoned.cups,
      ways: reckoned.ways,
    }),
}))
vi.mock('../../run/kept-run.ts', () => ({ keepRun: () => Promise.resolve(true) }))

const read = readPlanText(text)
if (!read.ok) throw new Error('weir-milk')
const { plan } = read
const [honey, milk] = plan.cups.map(cup => cup.id) as [string, string]

let run: OpenRun
const deeds = () => run.get().next.map(one => one.step?.key)

/** A run of the example, worked through as planned until a step comes. */
function opened(until: RegExp, massUnit: 'g' | 'oz' = 'g') {
  run = new OpenRun({
    run: {
      ...{
        id: 'run',
        batch: 'batch',
        begunAt: null,
        openedAt: new Date().toISOString(),
        plan,
        shelf: referenceShelf(),
      },
      ...{ events: [], seq: 0, now: Date.now() },
    },
    unsent: [],
    aheadMs: 0,
  })
  for (let n = 0; n < 90; n += 1) {
    const step = nextActions(run.following, run.get().state)[0]!.step!
    if (until.test(step.key)) break
    if (step.kind === 'temp') run.note({ kind: 'temp', body: step.item as 'lye' | 'oils', amount: 33 })
    else if (step.kind === 'hold') run.note({ kind: 'hold', how: 'holds', amount: 15 })
    else run.note(eventOf(step, run.get().state)!)
  }
  const client = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity, retry: false } } })
  const habits = { mass: massUnit, temperature: 'C', length: 'mm' }
  client.setQueryData(['session'], { member: null, workshop: { name: 'W', habits }, needsSetUp: false })
  render(
    <QueryClientProvider client={client}>
      <MemoryRouter>
        <OpenRunContext value={run}>
          <SaidAsLiked>
            <Bench />
          </SaidAsLiked>
        </OpenRunContext>
      </MemoryRouter>
    </QueryClientProvider>,
  )
}
const now = () => screen.getByRole('region', { name: 'Now' })
const key = (name: string) => fireEvent.keyDown(document.body, { key: name })
const last = () => run.get().events.at(-1) as BenchEvent

beforeEach(() => {
  localStorage.clear()
  reckoned.cups = []
  vi.stubGlobal('fetch', () => Promise.reject(new Error('away')))
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

describe('one deed at a time', () => {
  test('done is noted, what follows comes up, and is taken back', () => {
    opened(/^safety:gear/)
    expect(now().textContent).toContain('Goggles, gloves, sleeves, shoes on')
    key('Enter')
    expect(last()).toMatchObject({ kind: 'tick', item: 'safety:gear' })
    expect(now().textContent).toContain('Fresh air')
    key('u')
    expect(now().textContent).toContain('Goggles, gloves, sleeves, shoes on')
    expect(screen.getByRole('status').textContent).toContain('Taken back.')
  })

  test('a press that bounces is one press', () => {
    opened(/^safety:gear/)
    key('Enter')
    key('Enter')
    expect(deeds()[0]).toBe('safety:air')
  })

  test('what is weighed is said as the scale reads it, lye never above', () => {
    opened(/^weigh:lye/)
    const { massG } = run.following.lines.find(line => line.key === 'lye')!
    const shown = Number(/([\d,.]+) g/.exec(now().textContent)![1]!.replace(',', ''))
    expect(shown).toBeLessThanOrEqual(massG)
    expect(massG - shown).toBeLessThan(0.11)
  })

  test('a number is entered on the pad, in the unit of the workshop', () => {
    opened(/^draw:/, 'oz')
    key('m')
    for (const digit of ['1', '6']) fireEvent.click(screen.getByRole('button', { name: digit }))
    fireEvent.click(screen.getByRole('button', { name: 'Note it' }))
    expect(last()).toMatchObject({ kind: 'drawn', cup: honey, raw: '16 oz' })
    expect(last().amount).toBeCloseTo(453.6, 1)
  })

  test('ten times too much is asked about, and taken when it is meant', () => {
    opened(/^draw:/)
    key('m')
    for (const digit of '4320') fireEvent.keyDown(document.body, { key: digit })
    fireEvent.keyDown(document.body, { key: 'Enter' })
    fireEvent.click(within(screen.getByRole('alertdialog')).getByRole('button', { name: 'It is so' }))
    const asked = screen.getByRole('alertdialog')
    expect(asked.textContent).toContain('That is 10 times the')
    expect(run.get().state.cups[0]!.drawnG).toBeNull()
    fireEvent.click(within(asked).getByRole('button', { name: 'Not yet' }))
    expect(now().textContent).toContain('Fill Honeycomb')
  })
})

describe('trace', () => {
  test('is told by how long a drip stays', () => {
    vi.useFakeTimers()
    opened(/^colour:/)
    key('s')
    const drip = () => screen.getByRole('button', { name: /Drip test|mark is gone/ })
    fireEvent.click(drip())
    void act(() => vi.advanceTimersByTime(4000))
    expect(drip().textContent).toContain('4.0 s')
    fireEvent.click(drip())
    // 1.6 + 0.36 ln 4
    expect(last()).toMatchObject({ kind: 'seen', cup: honey, how: 'drip', amount: 2.1 })
  })

  test('is asked for of the next cups when a look tells most', () => {
    vi.useFakeTimers({ shouldAdvanceTime: false })
    opened(/^pour:/)
    expect(screen.queryByText('First look at')).toBeNull()
    void act(() => vi.advanceTimersByTime(25_000))
    expect(now().textContent).toContain('First look at')
    fireEvent.click(within(now()).getByRole('button', { name: 'Milk' }))
    fireEvent.click(screen.getByRole('button', { name: /^lines/ }))
    expect(last()).toMatchObject({ kind: 'seen', cup: milk })
    expect(within(now()).queryByRole('button', { name: 'Milk' })).toBeNull()
    expect(within(now()).getByRole('button', { name: 'Honeycomb' })).toBeTruthy()
  })

  test('or by a word, of whichever cup', () => {
    opened(/^colour:/)
    key('s')
    fireEvent.click(screen.getByRole('button', { name: 'Milk' }))
    fireEvent.click(screen.getByRole('button', { name: /^thin custard/ }))
    expect(last()).toMatchObject({ kind: 'seen', cup: milk, how: 'word', amount: 2.75 })
    expect(screen.getByRole('complementary', { name: 'Cups' }).textContent).toContain('thin custard (2.8)')
  })
})

describe('a cup that is not ready', () => {
  test('is poured only when that is written down', () => {
    opened(/^pour:/)
    const pour = plan.score.find(one => one.cup === honey)!.id
    const scent = run.get().events.find(event => event.kind === 'scent' && event.cup === honey)!
    act(() => void run.note({ kind: 'undo', of: scent.key }))
    expect(deeds()[0]).toBe(`scent:${honey}`)
    act(() => void run.note({ kind: 'pour-start', pour }))
    // Noted by somebody all the same, it is not counted before it is cleared up.
    expect(run.get().state.pouring).toBeNull()
    expect(screen.getByRole('region', { name: 'To clear up' }).textContent).toContain(
      'Honeycomb has no scent in it yet.',
    )
    fireEvent.click(screen.getByRole('button', { name: 'It was so' }))
    expect(run.get().state.pouring).toMatchObject({ pour })
    expect(screen.queryByRole('region', { name: 'To clear up' })).toBeNull()
    expect(now().textContent).toContain('Pouring Honeycomb')
  })

  test('two devices that pour the same cup: the earlier counts, the later can be taken back', () => {
    opened(/^pour:/)
    const pour = plan.score.find(one => one.cup === honey)!.id
    act(() => void run.note({ kind: 'poured', pour }))
    act(() => void run.note({ kind: 'poured', pour }))
    expect(screen.getByRole('region', { name: 'To clear up' }).textContent).toContain('Layer 1 is poured already.')
    fireEvent.click(screen.getByRole('button', { name: 'Take that back' }))
    expect(screen.queryByRole('region', { name: 'To clear up' })).toBeNull()
    expect(Object.keys(run.get().state.pours)).toEqual([pour])
  })
})

describe('time', () => {
  const cup = (low: number, likely: number, high: number): CupOutlook => ({
    ...{ cup: honey, pour: 'x', level: 2.5, sd: 0.2, opensIn: 0, gone: high <= 0 ? 1 : 0 },
    ...{ low, likely, high },
  })
  const strip = () => screen.getByRole('complementary', { name: 'Cups' })
  test('left is promised rounded down, with what is likely beside it', async () => {
    reckoned.cups = [cup(6.9, 12.4, 60)]
    opened(/^pour:/)
    await within(strip()).findByText('6.5 min')
    expect(strip().textContent).toContain('at least, likely 12, may be over 45')
  })

  test('that runs out is said above the deed', async () => {
    reckoned.cups = [cup(0.4, 1.2, 3)]
    opened(/^pour:/)
    await screen.findByText(/has about a minute left: pour it now/)
    expect(strip().textContent).toContain('△ 20 s')
  })

  test('that is over sends to the ways out', async () => {
    reckoned.cups = [cup(0, 0, 0)]
    opened(/^pour:/)
    await screen.findByText(/is past its window: see Trouble/)
    key('t')
    fireEvent.click(screen.getByRole('button', { name: 'It thickens too fast' }))
    fireEvent.click(screen.getByRole('button', { name: 'Honeycomb' }))
    fireEvent.click(screen.getByRole('button', { name: 'Note that it happened' }))
    expect(last()).toMatchObject({ kind: 'wrong', how: 'too-thick', cup: honey })
  })
})

describe('a wrong weight', () => {
  const remedy = () => screen.getByRole('region', { name: 'By the weights' })
  const ask = () => {
    key('t')
    fireEvent.click(screen.getByRole('button', { name: 'A wrong weight' }))
  }

  test('is not reckoned with before lye and every oil are written down', () => {
    opened(/^weigh:lye/)
    ask()
    expect(remedy().textContent).toMatch(/Nothing can be reckoned: .*were not written down/)
  })

  test('of lye is put right by oil, and what went in is a weight of its line', () => {
    opened(/^pour:/)
    const { massG } = run.following.lines.find(line => line.key === 'lye')!
    run.note({ kind: 'weighed', item: 'lye', amount: massG * 1.06 })
    ask()
    const went = within(remedy()).getAllByRole('button', { name: /went in/ })
    fireEvent.click(went[0]!)
    expect(last()).toMatchObject({ kind: 'weighed', item: expect.stringMatching(/^oil:/) as string })
    ask()
    expect(remedy().textContent).toMatch(/That is as planned/)
  })
})

describe('a number that does not fit', () => {
  test('is asked about once: as it was meant, or as it is', () => {
    opened(/^weigh:water$/)
    const { massG } = run.following.lines.find(line => line.key === 'water')!
    key('m')
    for (const digit of `${Math.round(massG)}0`) key(digit)
    fireEvent.click(screen.getByRole('button', { name: 'Note it' }))
    const asked = screen.getByRole('alertdialog', { name: 'Is it so?' })
    expect(last().kind).not.toBe('weighed')
    fireEvent.click(within(asked).getByRole('button', { name: /the point was lost/ }))
    expect(last()).toMatchObject({ kind: 'weighed', item: 'water', amount: Math.round(massG) })
  })
})

describe('the log', () => {
  test('corrects a number and its time; what was noted stays readable', () => {
    opened(/^pour:/)
    act(() => void run.note({ kind: 'seen', cup: honey, amount: 2.9, how: 'word', r: 100 }))
    fireEvent.click(screen.getByRole('button', { name: 'What was noted, and sounds' }))
    fireEvent.click(screen.getAllByRole('button', { name: 'correct' })[0]!)
    const form = screen.getByRole('form', { name: 'Correction' })
    const number = within(form).getByLabelText(/^it was/)
    fireEvent.change(number, { target: { value: '29' } })
    fireEvent.click(within(form).getByRole('button', { name: 'Correct it' }))
    expect(within(form).getByRole('alert').textContent).toContain('from 0.8 to 5')
    fireEvent.change(number, { target: { value: '1.9' } })
    fireEvent.change(within(form).getByLabelText('and earlier by'), { target: { value: '1' } })
    fireEvent.click(within(form).getByRole('button', { name: 'Correct it' }))
    expect(last()).toMatchObject({ kind: 'correct', set: { amount: 1.9, r: 40 } })
    expect(run.get().state.cups.find(one => one.cup === honey)!.seen).toMatchObject([{ value: 1.9, r: 40 }])
    expect(screen.getByText(/· corrected/)).toBeTruthy()
  })
})

describe('plan B', () => {
  const way = (kind: string, whole: number, about: object = {}) => ({
    ...{ kind, waitS: 0, cup: honey },
    chance: { whole, share: whole, weakest: { pour: plan.score[0]!.id, works: whole, inS: 130 } },
    ...about,
  })
  afterEach(() => void (reckoned.ways = []))

  test('is called with what it brings, taken with one key, and taken back', async () => {
    reckoned.ways = [way('follow', 0.05), way('plan-b', 0.7)]
    opened(/^pour:/)
    const call = await screen.findByRole('alert', { name: 'Plan B' })
    expect(call.textContent).toContain('Plan B: Spooned')
    expect(call.textContent).toContain('about 1 of 10 such batches come out from here, by plan B about 7 of 10')
    expect(call.textContent).toContain('Honeycomb would be lost first, in about 2 min')
    key('+')
    expect(last()).toMatchObject({ kind: 'plan-b', how: 'take' })
    expect(run.get().state.planB).not.toBeNull()
    expect(now().textContent).toContain('Spoon')
    key('t')
    fireEvent.click(screen.getByRole('button', { name: 'Back to the first plan' }))
    expect(run.get().state.planB).toBeNull()
  })

  test('that was answered is not asked again at once', async () => {
    reckoned.ways = [way('follow', 0.08), way('plan-b', 0.7)]
    opened(/^pour:/)
    fireEvent.click(await screen.findByRole('button', { name: 'Stay with the plan' }))
    expect(screen.queryByRole('alert', { name: 'Plan B' })).toBeNull()
  })

  test('that brings no more is not recommended: what still runs is poured', async () => {
    reckoned.ways = [way('follow', 0.1), way('plan-b', 0.12)]
    opened(/^pour:/)
    expect((await screen.findByText('Pour what still runs, in its order')).textContent).toBeTruthy()
  })
})
