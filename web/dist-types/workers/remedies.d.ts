import type { Plan, Remedy, Shelf } from '@ostler/core'
/** The changes that help most, worked out off the main thread. */
export declare function remediesInWorker(plan: Plan, shelf: Shelf): Promise<Remedy[]>
