import type { BenchEvent, CupOutlook, Following } from '@ostler/core'
import { Door } from './door.ts'
import type { Asking } from './door.ts'
import type { BenchWorker } from './bench.worker.ts'

const door = new Door<BenchWorker>(() => new Worker(new URL('./bench.worker.ts', import.meta.url), { type: 'module' }))

/** How long each cup can still be poured, at a second of the run. The screen never waits for it. */
export const minutesLeft = async (
  id: string,
  { plan, shelf }: Following,
  events: readonly BenchEvent[],
  r: number,
  asking: Pick<Asking, 'signal'>,
): Promise<CupOutlook[]> => {
  const known = await door.ask(worker => worker.outlook(id, events, r), asking)
  if (known) return known
  await door.ask(worker => worker.follow(id, plan, shelf), asking)
  return (await door.ask(worker => worker.outlook(id, events, r), asking)) ?? []
}
