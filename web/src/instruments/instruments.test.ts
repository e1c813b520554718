import { METRIC } from '@ostler/core'
import type { InstrumentReading } from '@ostler/core'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { connect, connectedNow, disconnect, tookWeight } from './connected.ts'
import type { Instrument } from './instrument.ts'
import { readingNumber } from './reading-number.ts'
import { hasSerial, serialInstrument } from './serial.ts'
import { simulatedScale } from './simulated.ts'

/** A scale of which a test says what it shows. */
function scale() {
  const ends = vi.fn()
  let heard: (reading: InstrumentReading) => void = () => undefined
  let failed: (why: string) => void = () => undefined
  const instrument: Instrument = {
    ...{ kind: 'mass', source: 'scale', name: 'Scale' },
    subscribe(onHeard, onFailed) {
      ;[heard, failed] = [onHeard, onFailed]
      return ends
    },
    close: vi.fn(),
  }
  return {
    instrument,
    ends,
    shows: (value: number | null) => heard({ kind: 'mass', value, isStable: true, state: 'shows' }),
    fails: (why: string) => failed(why),
  }
}
afterEach(() => {
  disconnect('mass')
  disconnect('temperature')
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

describe('a connected scale', () => {
  test('takes the place of the one before, which is closed and heard no more', () => {
    const [first, second] = [scale(), scale()]
    connect(first.instrument)
    connect(second.instrument)
    expect(first.ends).toHaveBeenCalledOnce()
    expect(first.instrument.close).toHaveBeenCalledOnce()
    first.shows(100)
    expect(connectedNow().mass!.reading).toBeNull()
    second.shows(250)
    expect(connectedNow().mass!.reading!.value).toBe(250)
  })

  test('is not taken twice for the same load: a few grams of drift are the same, another weight is not', () => {
    const one = scale()
    connect(one.instrument)
    one.shows(412)
    tookWeight(412)
    one.shows(414.5)
    expect(connectedNow().mass!.taken).toBe(412)
    one.shows(416)
    expect(connectedNow().mass!.taken).toBeNull()
  })

  test('that shows nothing or fails is taken for nothing, and says why', () => {
    const one = scale()
    connect(one.instrument)
    one.shows(412)
    tookWeight(412)
    one.shows(null)
    expect(connectedNow().mass!.taken).toBeNull()
    one.fails('The port was lost.')
    expect(connectedNow().mass).toMatchObject({ reading: null, failure: 'The port was lost.' })
    disconnect('mass')
    one.shows(5)
    expect(connectedNow().mass).toBeNull()
  })

  test('leaves a thermometer alone', () => {
    const one = scale()
    connect(one.instrument)
    connect({ ...scale().instrument, kind: 'temperature', source: 'probe' })
    disconnect('temperature')
    expect(connectedNow().mass).not.toBeNull()
  })
})

test('a simulated scale settles on what is put on it, and counts on from its tare', () => {
  vi.useFakeTimers()
  const one = simulatedScale()
  let last: InstrumentReading | null = null
  const end = one.subscribe(
    reading => (last = reading),
    () => undefined,
  )
  one.put(300)
  vi.advanceTimersByTime(6000)
  expect(last!.isStable).toBe(true)
  expect(Math.abs(last!.value! - 300)).toBeLessThanOrEqual(0.2)
  one.tare!()
  one.put(425)
  vi.advanceTimersByTime(6000)
  expect(Math.abs(last!.value! - 125)).toBeLessThanOrEqual(0.3)
  end()
  const shown = last
  vi.advanceTimersByTime(3000)
  expect(last).toBe(shown)
})

test('readings are shown in the units of the workshop, nothing as nothing', () => {
  const mass = (value: number | null): InstrumentReading => ({ kind: 'mass', value, isStable: true, state: 'shows' })
  expect(readingNumber(mass(412.34), METRIC)).toBe('412.3')
  expect(readingNumber(mass(null), METRIC)).toBe('')
  expect(Number(readingNumber(mass(283.495), { ...METRIC, mass: 'oz' }))).toBeCloseTo(10, 1)
  const warm: InstrumentReading = { kind: 'temperature', value: 40, isStable: true, state: 'shows' }
  expect(readingNumber(warm, METRIC)).toBe('40.0')
  expect(readingNumber(warm, { ...METRIC, temperature: 'F' })).toBe('104.0')
})

describe('a serial port', () => {
  const lines = { unit: 'g', decimal: 'point' } as never
  beforeEach(() => vi.stubGlobal('navigator', {}))

  test('that the browser does not have is told', async () => {
    expect(hasSerial()).toBe(false)
    await expect(serialInstrument(lines, 9600)).rejects.toThrow(/This browser has no serial port/)
  })

  test('that was not chosen, or is in use, is told', async () => {
    vi.stubGlobal('navigator', { serial: { requestPort: () => Promise.reject(new Error('none')) } })
    await expect(serialInstrument(lines, 9600)).rejects.toThrow('No port was chosen.')
    const port = { open: () => Promise.reject(new Error('busy')) }
    vi.stubGlobal('navigator', { serial: { requestPort: () => Promise.resolve(port) } })
    await expect(serialInstrument(lines, 9600)).rejects.toThrow(/Is another program using it\?/)
  })
})
