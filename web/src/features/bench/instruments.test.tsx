import { readPlanText, referenceShelf } from '@ostler/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { MemoryRouter } from 'react-router'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import text from '../../../../examples/weir-milk.json?raw'
import { connect, connectedNow, disconnect } from '../../instruments/connected.ts'
import { serialInstrument } from '../../instruments/serial.ts'
import { simulatedScale } from '../../instruments/simulated.ts'
import { OpenRunContext } from '../../run/context.tsx'
import { OpenRun } from '../../run/open-run.ts'
import { Bench } from './bench.tsx'

vi.mock('../../workers/bench.ts', () => ({ outlookOf: () => new Promise(() => undefined) }))
vi.mock('../../run/kept-run.ts', () => ({ keepRun: () => Promise.resolve(true) }))

const read = readPlanText(text)
if (!read.ok) throw new Error('weir-milk')

let run: OpenRun
const key = (name: string) => act(() => void fireEvent.keyDown(document.body, { key: name }))
const last = () => run.get().events.at(-1)

beforeEach(() => {
  vi.useFakeTimers({ now: new Date('2026-11-30T10:00:00Z') })
  run = new OpenRun({
    run: {
      ...{ id: 'run', batch: 'batch', begunAt: null, openedAt: new Date().toISOString(), plan: read.plan },
      ...{ shelf: referenceShelf(), events: [], seq: 0, now: Date.now() },
    },
    ...{ unsent: [], aheadMs: 0 },
  })
  for (const item of ['gear', 'air', 'alone', 'rinse']) run.note({ kind: 'tick', item: `safety:${item}` })
  for (const item of ['gather', 'line', 'level']) run.note({ kind: 'tick', item: `ready:${item}` })
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { enabled: false } } })}>
      <MemoryRouter>
        <OpenRunContext value={run}>
          <Bench />
        </OpenRunContext>
      </MemoryRouter>
    </QueryClientProvider>,
  )
})
afterEach(() => {
  disconnect('mass')
  disconnect('temperature')
  cleanup()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
const passes = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms))
const shown = () => screen.getByRole('status', { name: 'On the scale' }).textContent

describe('a scale that is connected', () => {
  test('gives its reading when it has come to rest, once, and not before', async () => {
    const scale = simulatedScale()
    act(() => connect(scale))
    await passes(3000)
    act(() => scale.put(131))
    await passes(300)
    key('Enter')
    expect(last()!.kind).toBe('tick')
    expect(screen.getByText(/has not come to rest yet/)).toBeTruthy()
    await passes(3000)
    expect(shown()).toMatch(/13[01]\.\d g ● at rest/)
    key('Enter')
    expect(last()).toMatchObject({ kind: 'weighed', item: 'water', source: 'simulated' })
    expect(last()!.amount).toBeCloseTo(131, 0)
    // What lies there still is not taken for the next line.
    await passes(1000)
    key('Enter')
    expect(run.get().events.filter(event => event.kind === 'weighed')).toHaveLength(1)
    expect(screen.getByText(/still shows what was taken last/)).toBeTruthy()
    key('0')
    await passes(2000)
    expect(shown()).toMatch(/−?-?0\.\d g/)
  })

  test('fills the pad, and what is typed counts before it', async () => {
    const scale = simulatedScale()
    act(() => connect(scale))
    act(() => scale.put(120))
    await passes(4000)
    key('m')
    fireEvent.click(screen.getByRole('button', { name: 'Note it' }))
    expect(last()).toMatchObject({ kind: 'weighed', source: 'simulated' })
    key('u')
    key('m')
    for (const digit of ['1', '3', '1']) key(digit)
    fireEvent.click(screen.getByRole('button', { name: 'Note it' }))
    expect(last()).toMatchObject({ kind: 'weighed', amount: 131, source: 'hand' })
  })
})

describe('lines on a serial port', () => {
  const FORMAT = { unit: 'g', stableWord: 'st', unstableWord: 'us', overWord: 'ol' } as const
  let send: ReadableStreamDefaultController<Uint8Array>
  const port = {
    readable: null as ReadableStream<Uint8Array> | null,
    open: vi.fn(() => Promise.resolve()),
    close: vi.fn(() => Promise.resolve()),
  }
  const said = async (line: string) => {
    send.enqueue(new TextEncoder().encode(line))
    await passes(10)
  }
  beforeEach(() => {
    port.readable = new ReadableStream({ start: controller => void (send = controller) })
    vi.stubGlobal('navigator', Object.assign(navigator, { serial: { requestPort: () => Promise.resolve(port) } }))
  })

  test('are readings, at rest as they say; a port that is pulled out is told', async () => {
    const scale = await serialInstrument(FORMAT, 9600)
    expect(port.open).toHaveBeenCalledWith({ baudRate: 9600 })
    act(() => connect(scale))
    await said('US  130.0 g\r\nST  13')
    expect(connectedNow().mass!.reading).toMatchObject({ value: 130, isStable: false })
    await said('1.2 g\r\n')
    expect(connectedNow().mass!.reading).toMatchObject({ value: 131.2, isStable: true })
    key('Enter')
    expect(last()).toMatchObject({ kind: 'weighed', item: 'water', amount: 131.2, source: 'scale' })
    send.error(new Error('gone'))
    await passes(10)
    expect(shown()).toContain('The port was lost')
    expect(screen.getByRole('status', { name: 'On the scale' })).toBeTruthy()
  })

  test('where no port is chosen that is said', async () => {
    vi.stubGlobal('navigator', Object.assign(navigator, { serial: { requestPort: () => Promise.reject(new Error()) } }))
    await expect(serialInstrument(FORMAT, 9600)).rejects.toThrow('No port was chosen.')
  })
})
