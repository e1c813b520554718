import { useQuery } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import type { ReactNode } from 'react'
import { useParams } from 'react-router'
import { getRun, sessionQuery } from '../../api/client.ts'
import { keptRun } from '../../run/kept-run.ts'
import type { KeptRun } from '../../run/kept-run.ts'
import { OpenRun } from '../../run/open-run.ts'
import { OpenRunContext } from '../../run/context.tsx'
import { SaidAsLiked } from '../../plan/context.tsx'
import { Bench } from './bench.tsx'
import { RunRecordSheet } from './record-sheet.tsx'
import { NotOpened } from '../../ui/not-opened.tsx'
import { t } from '../../words/index.ts'

/** What this browser keeps of a run, with what the server has of it where it can be reached. */
async function takenUp(id: string): Promise<KeptRun> {
  const kept = await keptRun(id)
  try {
    const run = await getRun(id)
    return { run, unsent: kept?.unsent ?? [], aheadMs: run.now - Date.now() }
  } catch (error) {
    if (kept) return kept
    throw error
  }
}

/** A run, opened around a page of it. It opens with the network gone as well, if it was open in this browser before. */
function WithRun({ children }: { children: ReactNode }) {
  const { run: id = '' } = useParams()
  const taken = useQuery({
    queryKey: ['run', id],
    queryFn: () => takenUp(id),
    ...{ staleTime: Infinity, gcTime: 0, retry: false, networkMode: 'always' },
  })
  if (taken.error) return <NotOpened why={taken.error.message} />
  if (!taken.data) return <p className="p-10 text-soft">{t('Opening the run …')}</p>
  return (
    <Opened key={id} kept={taken.data}>
      {children}
    </Opened>
  )
}

function Opened({ kept, children }: { kept: KeptRun; children: ReactNode }) {
  const [run] = useState(() => new OpenRun(kept))
  const { data: session } = useQuery(sessionQuery)
  const person = session?.member?.name ?? ''
  useEffect(() => run.notedBy(person), [run, person])
  useEffect(() => run.attach(), [run])
  useEffect(() => {
    const seen = () => {
      if (document.visibilityState === 'visible') void run.catchUp()
    }
    document.addEventListener('visibilitychange', seen)
    return () => document.removeEventListener('visibilitychange', seen)
  }, [run])
  useEffect(() => {
    document.title = t('Bench · {plan} – Ostler', { plan: run.following.plan.name })
    return () => {
      document.title = t('Ostler')
    }
  }, [run])
  return (
    <OpenRunContext value={run}>
      <SaidAsLiked>{children}</SaidAsLiked>
    </OpenRunContext>
  )
}

/** A run on the whole screen. */
export const BenchPage = () => (
  <WithRun>
    <Bench />
  </WithRun>
)

/** What really happened in a run, beside what was planned; to be printed. */
export const RecordPage = () => (
  <WithRun>
    <RunRecordSheet />
  </WithRun>
)
