import { METRIC } from '@ostler/core'
import type { Forecast, Lanes, UnitHabits, Risk } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { createContext, useContext, useDeferredValue, useSyncExternalStore } from 'react'
import type { ReactNode } from 'react'
import { sessionQuery } from '../api/client.ts'
import { SaidIn } from '../ui/say.tsx'
import { markedHere } from '../words/index.ts'
import type { OpenBatch, OpenBatchState } from './open-batch.ts'

export const OpenBatchContext = createContext<OpenBatch | null>(null)

/** The open batch's store. */
export function useBatch(): OpenBatch {
  const batch = useContext(OpenBatchContext)
  if (!batch) throw new Error('no batch is open here')
  return batch
}

/** The open batch as a part of a page shows it that may lag behind; null: as it is. */
const LaggingContext = createContext<OpenBatchState | null>(null)
const never = () => () => undefined

/** One slice of the open batch. `select` picks what is there; it builds nothing anew. */
export function usePlan<T>(select: (state: OpenBatchState) => T): T {
  const batch = useBatch()
  const lagging = useContext(LaggingContext)
  return useSyncExternalStore(lagging ? never : batch.subscribe, () => select(lagging ?? batch.get()))
}

/**
 * What is only read of the open batch, drawn after what the hand is on: an edit shows there first, and one that follows does not
 * wait for this. For parts without fields, that are drawn anew with the batch alone (`memo`).
 */
export function Lagging({ children }: { children: ReactNode }) {
  const batch = useBatch()
  const state = useSyncExternalStore(batch.subscribe, batch.get)
  return <LaggingContext value={useDeferredValue(state)}>{children}</LaggingContext>
}

/** Fields within what lags: they show what is typed at once. */
export const AtOnce = ({ children }: { children: ReactNode }) => (
  <LaggingContext value={null}>{children}</LaggingContext>
)

/** The forecast, or null while an oil is missing on the shelf. */
export const useForecast = (): Forecast | null => usePlan(state => (state.result.ok ? state.result.forecast : null))

/** The biggest risk: by many runs once they are worked through, until then as the forecast has it. */
export const useRisk = (): Risk | null =>
  usePlan(state => state.sure?.risk ?? (state.result.ok ? state.result.forecast.risk : null))

/** The lanes, with chances of the same runs as the risk, so that one page tells one number. */
export const useLanes = (): Lanes | null =>
  usePlan(state => (state.result.ok ? (state.sure?.lanes ?? state.result.forecast.lanes) : null))

/** How this workshop likes its units. */
export const useHabits = (): UnitHabits => markedHere(useQuery(sessionQuery).data?.workshop?.habits ?? METRIC)

/** What is said inside is said as this workshop likes its units. */
export const SaidAsLiked = ({ children }: { children: ReactNode }) => <SaidIn habits={useHabits()}>{children}</SaidIn>
