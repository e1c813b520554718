import type { Forecast, UnitHabits } from '@ostler/core'
import type { OpenBatch, OpenBatchState } from './open-batch.ts'
export declare const OpenBatchContext: import('react').Context<OpenBatch | null>
/** The open batch's store. */
export declare function useBatch(): OpenBatch
/** One slice of the open batch. `select` picks what is there; it builds nothing anew. */
export declare function usePlan<T>(select: (state: OpenBatchState) => T): T
/** The forecast, or null while an oil is missing on the shelf. */
export declare const useForecast: () => Forecast | null
/** How this workshop likes its units. */
export declare const useHabits: () => UnitHabits
