import { useQuery } from '@tanstack/react-query'
import type { RehearsalAnswer } from '@ostler/core'
import { useEffect, useState } from 'react'
import { useParams } from 'react-router'
import { getRehearsal } from '../../api/client.ts'
import { SaidAsLiked } from '../../plan/context.tsx'
import { RehearsalContext } from '../../rehearsal/context.tsx'
import { RehearsalRun } from '../../rehearsal/rehearsal-run.ts'
import { OpenRunContext } from '../../run/context.tsx'
import { Bench } from './bench.tsx'
import { NotOpened } from '../../ui/not-opened.tsx'
import { t } from '../../words/index.ts'

/** A rehearsal on the whole screen: the Bench as it is. */
export function RehearsalPage() {
  const { rehearsal: id = '' } = useParams()
  const taken = useQuery({
    queryKey: ['rehearsal', id],
    queryFn: () => getRehearsal(id),
    ...{ staleTime: Infinity, gcTime: 0, retry: false },
  })
  if (taken.error) return <NotOpened why={taken.error.message} />
  if (!taken.data) return <p className="p-10 text-soft">{t('Opening the rehearsal …')}</p>
  return <Opened key={id} answer={taken.data} />
}

function Opened({ answer }: { answer: RehearsalAnswer }) {
  const [run] = useState(() => new RehearsalRun(answer))
  useEffect(() => run.attach(), [run])
  useEffect(() => {
    document.title = t('Rehearsal · {plan} – Ostler', { plan: run.following.plan.name })
    return () => {
      document.title = t('Ostler')
    }
  }, [run])
  return (
    <RehearsalContext value={run}>
      <OpenRunContext value={run}>
        <SaidAsLiked>
          <Bench />
        </SaidAsLiked>
      </OpenRunContext>
    </RehearsalContext>
  )
}
