import { SimulatedScale, SimulatedThermometer } from '@ostler/core'
import type { InstrumentReading, ProbeIn } from '@ostler/core'
import type { Instrument } from './instrument.ts'

const TICK_MS = 100
/** A scale that a bench often has. */
const SCALE = { stepG: 0.1, capacityG: 5000 } as const
const ROOM_C = 21

/** Lets a simulated instrument go on in real time. */
function running(after: (seconds: number) => InstrumentReading): Pick<Instrument, 'subscribe'> {
  return {
    subscribe(heard) {
      let last = performance.now()
      const timer = setInterval(() => {
        const now = performance.now()
        // A page that slept does not make up for it all at once.
        heard(after(Math.min(1, (now - last) / 1000)))
        last = now
      }, TICK_MS)
      return () => clearInterval(timer)
    },
  }
}

export interface SimulatedScaleInstrument extends Instrument {
  put: (loadG: number) => void
  loadG: () => number
}

export function simulatedScale(): SimulatedScaleInstrument {
  const scale = new SimulatedScale(SCALE)
  return {
    ...{ kind: 'mass', source: 'simulated', name: 'Simulated scale' },
    ...running(seconds => scale.after(seconds)),
    tare: () => scale.tare(),
    put: loadG => scale.put(loadG),
    loadG: () => scale.loadG,
    close: () => undefined,
  }
}

export interface SimulatedThermometerInstrument extends Instrument {
  hold: (tempC: number, how: ProbeIn) => void
}

export function simulatedThermometer(): SimulatedThermometerInstrument {
  const probe = new SimulatedThermometer(ROOM_C)
  return {
    ...{ kind: 'temperature', source: 'simulated', name: 'Simulated thermometer' },
    ...running(seconds => probe.after(seconds)),
    hold: (tempC, how) => probe.hold(tempC, how),
    close: () => undefined,
  }
}
