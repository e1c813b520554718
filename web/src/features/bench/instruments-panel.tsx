import { LINE_UNITS, USUAL_LINES } from '@ostler/core'
import type { InstrumentReading, LineFormat, LineUnit, ProbeIn } from '@ostler/core'
import { useEffect, useRef, useState } from 'react'
import { connect, disconnect, useConnected } from '../../instruments/connected.ts'
import { hasSerial, serialInstrument } from '../../instruments/serial.ts'
import { simulatedScale, simulatedThermometer } from '../../instruments/simulated.ts'
import type { SimulatedScaleInstrument, SimulatedThermometerInstrument } from '../../instruments/simulated.ts'
import { useRunState } from '../../run/context.tsx'
import { Check } from '../../ui/check.tsx'
import { BenchPanel, Chips } from './panel.tsx'
import { Shown } from './shown.tsx'
import { t } from '../../words/index.ts'

const KEY = 'button min-h-16 px-4 text-lg'
type Way = 'hand' | 'simulated' | 'serial'
const WAYS: readonly { value: Way; text: string }[] = [
  { value: 'hand', text: t('by hand') },
  { value: 'simulated', text: t('simulated') },
  { value: 'serial', text: t('serial port') },
]

/** Scale and thermometer: entered by hand, simulated to try everything, or printing lines on a serial port. */
export function InstrumentsPanel({ onClose }: { onClose: () => void }) {
  return (
    <BenchPanel title={t('Instruments')} onClose={onClose}>
      <p className="mb-3 max-w-180 text-lg text-soft">
        {t('A reading that has come to rest fills the number of what is weighed or read next; one key takes it.')}
      </p>
      <div className="grid grid-cols-2 gap-x-10 gap-y-6 max-[1000px]:grid-cols-1">
        <Kind kind="mass" title={t('Scale')} />
        <Kind kind="temperature" title={t('Thermometer')} />
      </div>
    </BenchPanel>
  )
}

function Kind({ kind, title }: { kind: InstrumentReading['kind']; title: string }) {
  const connected = useConnected()[kind]
  const now: Way = connected ? (connected.instrument.source === 'simulated' ? 'simulated' : 'serial') : 'hand'
  const [wanted, setWanted] = useState<Way>(now)
  const choose = (way: Way) => {
    setWanted(way)
    if (way !== now) disconnect(kind)
    if (way === 'simulated') connect(kind === 'mass' ? simulatedScale() : simulatedThermometer())
  }
  return (
    <section aria-label={title}>
      <h3 className="text-xl">{title}</h3>
      <Chips
        label={t('{title}: how', { title })}
        options={WAYS}
        value={wanted}
        onValue={value => choose(value as Way)}
      />
      <Shown kind={kind} />
      {connected && now === 'simulated' && kind === 'mass' && (
        <Pan scale={connected.instrument as SimulatedScaleInstrument} />
      )}
      {connected && now === 'simulated' && kind === 'temperature' && (
        <Held probe={connected.instrument as SimulatedThermometerInstrument} />
      )}
      {wanted === 'serial' && now !== 'serial' && <Port kind={kind} />}
    </section>
  )
}

const POURED_G_PER_S = 12
const POUR_MS = 100

/** What lies on the simulated scale: a vessel, what is poured while a key is held, what the step asks for. */
function Pan({ scale }: { scale: SimulatedScaleInstrument }) {
  const { next } = useRunState()
  const asked = next[0]?.massG ?? null
  const timer = useRef<ReturnType<typeof setInterval> | undefined>(undefined)
  const stop = () => clearInterval(timer.current)
  useEffect(() => stop, [])
  const add = (g: number) => scale.put(scale.loadG() + g)
  const pour = () => {
    stop()
    timer.current = setInterval(() => add((POURED_G_PER_S * POUR_MS) / 1000), POUR_MS)
  }
  return (
    <div className="flex flex-wrap gap-2" role="group" aria-label={t('On the pan')}>
      <button className={KEY} onClick={() => add(213)}>
        {t('Jug on')}
      </button>
      <button className={KEY} onClick={() => scale.tare?.()}>
        {t('Tare')}
      </button>
      <button
        className={KEY}
        onPointerDown={pour}
        onPointerUp={stop}
        onPointerLeave={stop}
        onKeyDown={event => event.key === ' ' && !event.repeat && pour()}
        onKeyUp={stop}
        onBlur={stop}
      >
        {t('Pour, while held')}
      </button>
      {[1, 10, 100].map(g => (
        <button key={g} className={KEY} onClick={() => add(g)}>
          + {g} g
        </button>
      ))}
      {[10, 1].map(g => (
        <button key={g} className={KEY} onClick={() => add(-g)}>
          − {g} g
        </button>
      ))}
      {asked !== null && (
        <button
          className={KEY}
          onClick={() => {
            scale.tare?.()
            add(asked)
          }}
        >
          {t('What is asked for')}
        </button>
      )}
      <button className={KEY} onClick={() => scale.put(0)}>
        {t('All off')}
      </button>
    </div>
  )
}

/** What the simulated probe is held in. */
function Held({ probe }: { probe: SimulatedThermometerInstrument }) {
  const [tempC, setTempC] = useState(33)
  const [isStirred, setStirred] = useState(true)
  const hold = (c: number, how: ProbeIn) => probe.hold(c, how)
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <label className="flex items-center gap-2 text-lg">
        {t('it is held in')}
        <input
          type="range"
          className="w-40"
          min={0}
          max={95}
          value={tempC}
          aria-valuetext={`${tempC} °C`}
          onChange={event => {
            const c = Number(event.target.value)
            setTempC(c)
            hold(c, isStirred ? 'stirred' : 'still')
          }}
        />
        <strong className="w-16">{tempC} °C</strong>
      </label>
      <Check
        className="min-h-11"
        label={t('stirred')}
        checked={isStirred}
        onChange={stirred => {
          setStirred(stirred)
          hold(tempC, stirred ? 'stirred' : 'still')
        }}
      />
      <button className={KEY} onClick={() => hold(tempC, isStirred ? 'stirred' : 'still')}>
        {t('Put it in')}
      </button>
      <button className={KEY} onClick={() => hold(21, 'air')}>
        {t('Out')}
      </button>
    </div>
  )
}

const RATES = [1200, 2400, 4800, 9600, 19_200, 38_400, 57_600, 115_200]
const UNIT_NAMES: Readonly<Record<LineUnit, string>> = {
  ...{ g: 'g', kg: 'kg', mg: 'mg', oz: 'oz', lb: 'lb', c: '°C', f: '°F' },
}
const WORDS: readonly (readonly [keyof Omit<LineFormat, 'unit'>, string])[] = [
  ['stableWord', t('word in lines at rest')],
  ['unstableWord', t('word in lines that move')],
  ['overWord', t('word when it is over')],
]

/** How the lines of a serial port are read, and the key that asks for the port. */
function Port({ kind }: { kind: InstrumentReading['kind'] }) {
  const units = LINE_UNITS.filter(unit => (unit === 'c' || unit === 'f') === (kind === 'temperature'))
  const [format, setFormat] = useState<LineFormat>({ ...USUAL_LINES, unit: units[0]! })
  const [baudRate, setRate] = useState(9600)
  const [sentence, setSentence] = useState('')
  const open = async () => {
    setSentence('')
    try {
      connect(await serialInstrument(format, baudRate))
    } catch (error) {
      setSentence((error as Error).message)
    }
  }
  return (
    <div>
      <p className="max-w-140 text-[15px] text-soft">
        {t(
          'One reading a line, such as “ST 123.4 g” or “+0021.6”. A unit in the line counts before the one chosen here; without a word for rest, what stays the same is at rest.',
        )}
      </p>
      <div className="my-2 flex flex-wrap items-end gap-3">
        <label className="flex flex-col text-[13px] text-soft">
          {t('unit of a bare number')}
          <select
            className="field min-h-11 text-ink"
            value={format.unit}
            onChange={event => setFormat({ ...format, unit: event.target.value as LineUnit })}
          >
            {units.map(unit => (
              <option key={unit} value={unit}>
                {UNIT_NAMES[unit]}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-col text-[13px] text-soft">
          {t('bits a second')}
          <select
            className="field min-h-11 text-ink"
            value={baudRate}
            onChange={event => setRate(Number(event.target.value))}
          >
            {RATES.map(rate => (
              <option key={rate}>{rate}</option>
            ))}
          </select>
        </label>
        {WORDS.map(([part, label]) => (
          <label key={part} className="flex flex-col text-[13px] text-soft">
            {label}
            <input
              className="field min-h-11 w-28 text-ink"
              value={format[part]}
              maxLength={12}
              onChange={event => setFormat({ ...format, [part]: event.target.value.trim() })}
            />
          </label>
        ))}
      </div>
      <button className={KEY} disabled={!hasSerial()} onClick={() => void open()}>
        {t('Choose the port')}
      </button>
      {!hasSerial() && <p className="text-[15px] text-soft">{t('This browser has no serial port.')}</p>}
      {sentence !== '' && (
        <p role="alert" className="text-lg text-rust">
          {sentence}
        </p>
      )}
    </div>
  )
}
