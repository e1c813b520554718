import { Lines, Steady, readingOfLine } from '@ostler/core'
import type { InstrumentReading, LineFormat } from '@ostler/core'
import type { Instrument } from './instrument.ts'
import { t } from '../words/index.ts'

/** The part of the browser's serial port that is used. */
interface SerialPort {
  readonly readable: ReadableStream<Uint8Array> | null
  open: (options: { baudRate: number }) => Promise<void>
  close: () => Promise<void>
}
interface Serial {
  requestPort: () => Promise<SerialPort>
}
const serialOf = (): Serial | undefined => (navigator as Navigator & { serial?: Serial }).serial

export const hasSerial = (): boolean => serialOf() !== undefined

/** What stays the same for so long is stable, where the lines do not say. */
const STEADY = { mass: { withinS: 1, by: 1 }, temperature: { withinS: 2.5, by: 0.2 } } as const

/** Reads lines from a port until it is closed or pulled out. */
async function read(port: SerialPort, signal: AbortSignal, heard: (line: string) => void): Promise<void> {
  const lines = new Lines()
  const decoder = new TextDecoder()
  const reader = port.readable!.getReader()
  const stop = () => void reader.cancel().catch(() => undefined)
  signal.addEventListener('abort', stop)
  try {
    for (;;) {
      const { value, done } = await reader.read()
      if (done) return
      for (const line of lines.told(decoder.decode(value, { stream: true }))) heard(line)
    }
  } finally {
    signal.removeEventListener('abort', stop)
    reader.releaseLock()
  }
}

/**
 * Asks for a port and opens it.
 *
 * @throws where the browser has none, none is chosen, or it cannot be opened; with a sentence
 */
export async function serialInstrument(format: LineFormat, baudRate: number): Promise<Instrument> {
  const serial = serialOf()
  if (!serial) throw new Error(t('This browser has no serial port. One for the desk has, such as Chromium.'))
  const port = await serial.requestPort().catch(() => null)
  if (!port) throw new Error(t('No port was chosen.'))
  await port.open({ baudRate }).catch(() => {
    throw new Error(t('The port cannot be opened. Is another program using it?'))
  })
  const kind = format.unit === 'c' || format.unit === 'f' ? 'temperature' : 'mass'
  const closing = new AbortController()
  return {
    ...{ kind, source: kind === 'mass' ? 'scale' : 'probe' },
    name: kind === 'mass' ? 'Scale on the serial port' : 'Thermometer on the serial port',
    subscribe(heard, failed) {
      const steady = new Steady(STEADY[kind])
      const told = (line: string) => {
        const reading = readingOfLine(line, format)
        if (!reading || reading.kind !== kind) return
        const isSteady = reading.value !== null && steady.told(performance.now() / 1000, reading.value)
        heard({ ...reading, isStable: reading.isStable ?? isSteady } satisfies InstrumentReading)
      }
      void read(port, closing.signal, told).then(
        () => closing.signal.aborted || failed('Nothing more comes from the port.'),
        () => failed('The port was lost. Connect it again.'),
      )
      return () => undefined
    },
    close() {
      closing.abort()
      setTimeout(() => void port.close().catch(() => undefined), 200)
    },
  }
}
