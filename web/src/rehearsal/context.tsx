import { createContext, useCallback, useContext, useEffect, useState, useSyncExternalStore } from 'react'
import type { WorldNow } from '@ostler/core'
import type { RehearsalState } from './hands.ts'
import type { RehearsalRun } from './rehearsal-run.ts'

export const RehearsalContext = createContext<RehearsalRun | null>(null)

/** The rehearsal that is open; null: the run is a real one. */
export const useRehearsal = (): RehearsalRun | null => useContext(RehearsalContext)

const never = () => () => undefined
const nothing = () => null

/** How the rehearsal stands beside its events; null: the run is a real one. */
export function useRehearsalState(): RehearsalState | null {
  const rehearsal = useRehearsal()
  return useSyncExternalStore(rehearsal?.subscribe ?? never, rehearsal?.getMore ?? nothing)
}

const LOOK_MS = 400

/** Something that is read of the rehearsal again and again, and after every entry; null: the run is a real one. */
export function useLooked<T>(read: (rehearsal: RehearsalRun) => T): T | null {
  const rehearsal = useRehearsal()
  const [seen, setSeen] = useState(() => (rehearsal ? read(rehearsal) : null))
  useEffect(() => {
    if (!rehearsal) return
    const look = () => setSeen(read(rehearsal))
    const timer = setInterval(look, LOOK_MS)
    const end = rehearsal.subscribe(look)
    return () => {
      clearInterval(timer)
      end()
    }
  }, [rehearsal, read])
  return seen
}

const worldOf = (rehearsal: RehearsalRun) => rehearsal.world()

/** What there is to be seen. */
export const useWorld = (): WorldNow | null => useLooked(worldOf)

/** Seconds by the clock of the run where that is simulated, else by one that nobody sets. */
export function useSeconds(): () => number {
  const rehearsal = useRehearsal()
  return useCallback(() => (rehearsal ? rehearsal.nowS() : performance.now() / 1000), [rehearsal])
}
