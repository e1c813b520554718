import { followingOf } from '@ostler/core'
import type { Following, Forecast, Plan, Shelf } from '@ostler/core'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { createContext, useContext, useEffect, useMemo, useState, useSyncExternalStore } from 'react'
import type { ReactNode } from 'react'
import { notedOf } from '../api/client.ts'
import { useBatch, useForecast, usePlan } from '../plan/context.tsx'
import { freshUuid } from '../plan/fresh-uuid.ts'
import { keepLastRun, keptLastRun, keptRun } from './kept-run.ts'
import type { KeptRun } from './kept-run.ts'
import { OpenRun } from './open-run.ts'
import type { OpenRunState } from './open-run.ts'

/** What was noted of the batch that is open, as it is made ready or was made last. */
export interface Noted {
  run: OpenRun | null
  /** Why it cannot be opened. */
  sentence: string
  /** Another day at the bench: nothing is ticked, weighed or read. What was noted stays with its own run. */
  startOver: () => void
}

export const NotedContext = createContext<Noted>({ run: null, sentence: '', startOver: () => undefined })

export const useNoted = (): Noted => useContext(NotedContext)

const NOTHING = { subscribe: () => () => undefined, get: () => null } as const

/** How that run stands; null until it is open. */
export function useNotedState(): OpenRunState | null {
  const { run } = useNoted()
  const { subscribe, get } = run ?? NOTHING
  return useSyncExternalStore<OpenRunState | null>(subscribe, get)
}

/** What a plan is followed by at the bench; null where it cannot be. */
function followingIn(plan: Plan, shelf: Shelf, portions: Forecast['portions']): Following | null {
  try {
    return followingOf(plan, shelf, portions)
  } catch {
    return null
  }
}

interface Known {
  noted: Omit<KeptRun['run'], 'plan' | 'shelf'>
  unsent: KeptRun['unsent']
  aheadMs: number
}

/** What the server knows, with what has not gone there yet; what this browser keeps where the server cannot be reached. */
async function known(batch: string, anew: boolean): Promise<Known> {
  try {
    const noted = await notedOf(batch, { id: freshUuid(), anew })
    void keepLastRun(batch, noted.id)
    const kept = await keptRun(noted.id)
    return { noted, unsent: kept?.unsent ?? [], aheadMs: noted.now - Date.now() }
  } catch (error) {
    const last = anew ? null : await keptLastRun(batch)
    const kept = last === null ? null : await keptRun(last)
    if (!kept) throw error
    return { ...kept, noted: kept.run }
  }
}

/** Opens what was noted of the batch around its pages. */
export function NotedOfBatch({ id, children }: { id: string; children: ReactNode }) {
  const client = useQueryClient()
  const [anew, setAnew] = useState(0)
  const { data, error } = useQuery({
    queryKey: ['batches', 'noted', id, anew],
    queryFn: () => known(id, anew > 0),
    ...{ staleTime: Infinity, gcTime: 0, retry: false, networkMode: 'always' },
  })
  const run = useOpened(data)
  const noted = useMemo(
    (): Noted => ({
      ...{ run, sentence: error?.message ?? '' },
      startOver: () => {
        setAnew(now => now + 1)
        void client.invalidateQueries({ queryKey: ['batches', 'runs', id] })
      },
    }),
    [run, error, client, id],
  )
  return <NotedContext value={noted}>{children}</NotedContext>
}

/** The run, attached; null as long as the plan cannot be followed. */
function useOpened(data: Known | undefined): OpenRun | null {
  const { shelf } = useBatch()
  const plan = usePlan(state => state.plan)
  const portions = useForecast()?.portions
  const canOpen = portions !== undefined
  const run = useMemo(
    () => {
      const following = data && canOpen ? followingIn(plan, shelf, portions) : null
      return data && following ? new OpenRun({ ...data, run: { ...data.noted, plan, shelf } }, following) : null
    },
    // oxlint-disable-next-line react-hooks/exhaustive-deps -- pages on which it matters tell it of the plan as that changes
    [data, canOpen],
  )
  useEffect(() => run?.attach(), [run])
  return run
}

/** What is noted on this page is judged by the plan as it stands here. */
export function useFollowsPlan(): void {
  const { run } = useNoted()
  const { shelf } = useBatch()
  const plan = usePlan(state => state.plan)
  const portions = useForecast()?.portions
  useEffect(() => {
    if (!run || !portions || run.following.plan === plan) return
    const following = followingIn(plan, shelf, portions)
    if (following) run.follow(following)
  }, [run, plan, shelf, portions])
}
