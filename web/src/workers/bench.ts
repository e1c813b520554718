import type { BenchEvent, BenchOutlook, Following } from '@ostler/core'
import { Door } from './door.ts'
import type { Asking } from './door.ts'
import type { BenchWorker } from './bench.worker.ts'

const door = new Door<BenchWorker>(() => new Worker(new URL('./bench.worker.ts', import.meta.url), { type: 'module' }))

interface Asked {
  events: readonly BenchEvent[]
  /** Second of the run. */
  r: number
  /** Ways besides following and plan B as well. */
  all: boolean
}

/** How a run stands: minutes left of its cups, and how likely the rest comes out. The screen never waits for it. */
export const outlookOf = async (
  id: string,
  { plan, shelf }: Following,
  { events, r, all }: Asked,
  asking: Pick<Asking, 'signal'>,
): Promise<BenchOutlook | null> => {
  const known = await door.ask(worker => worker.outlook(id, events, r, all), asking)
  if (known) return known
  await door.ask(worker => worker.follow(id, plan, shelf), asking)
  return door.ask(worker => worker.outlook(id, events, r, all), asking)
}
