import { useQuery } from '@tanstack/react-query'
import type { RehearsalAnswer } from '@ostler/core'
import { useMemo, useRef } from 'react'
import { useParams } from 'react-router'
import { ApiError, getRehearsal, getWatched } from '../../api/client.ts'
import { SaidAsLiked } from '../../plan/context.tsx'
import { RehearsalContext } from '../../rehearsal/context.tsx'
import { RehearsalRun } from '../../rehearsal/rehearsal-run.ts'
import { SeenBatter } from '../../rehearsal/seen-batter.tsx'
import { OpenRunContext, useFollowed, useRunState } from '../../run/context.tsx'
import { Say } from '../../ui/say.tsx'
import { showClock } from '../../ui/clock.ts'
import { CupsStrip } from './cups-strip.tsx'
import { useNow } from './bench-head.tsx'
import { useOutlook } from './use-outlook.ts'
import { NotOpened } from '../../ui/not-opened.tsx'
import { t } from '../../words/index.ts'

/** So often it is asked how it goes on, ms. */
const ASK_MS = 2000

/** A rehearsal as it goes on elsewhere, for a class: looked at, never touched. */
export function WatchPage() {
  const { rehearsal: id = '' } = useParams()
  const watched = useQuery({
    queryKey: ['rehearsal', id, 'watched'],
    queryFn: () => getRehearsal(id),
    ...{ refetchInterval: ASK_MS, gcTime: 0 },
  })
  if (watched.error && !watched.data) return <NotOpened why={watched.error.message} />
  if (!watched.data) return <p className="p-10 text-soft">{t('Opening the rehearsal …')}</p>
  return <Watched key={watched.data.revision} answer={watched.data} isLost={watched.error !== null} />
}

/** The same by a link, for those who do not belong to the workshop. */
export function WatchByLinkPage() {
  const { token = '' } = useParams()
  const last = useRef<RehearsalAnswer | null>(null)
  const watched = useQuery({
    queryKey: ['watched', token],
    queryFn: async () => {
      const answer = await getWatched(token, last.current?.revision ?? null)
      if (answer) last.current = answer
      return last.current
    },
    ...{ refetchInterval: ASK_MS, gcTime: 0, retry: false },
  })
  const isGone = watched.error instanceof ApiError && watched.error.status === 404
  if (watched.error && (isGone || !watched.data))
    return (
      <main className="p-10">
        <p className="text-xl">{watched.error.message}</p>
      </main>
    )
  if (!watched.data) return <p className="p-10 text-soft">{t('Opening the rehearsal …')}</p>
  return <Watched key={watched.data.revision} answer={watched.data} isLost={watched.error !== null} />
}

function Watched({ answer, isLost }: { answer: RehearsalAnswer; isLost: boolean }) {
  const run = useMemo(() => new RehearsalRun(answer, true), [answer])
  return (
    <RehearsalContext value={run}>
      <OpenRunContext value={run}>
        <SaidAsLiked>
          <Shown person={answer.person} isLost={isLost} />
        </SaidAsLiked>
      </OpenRunContext>
    </RehearsalContext>
  )
}

function Shown({ person, isLost }: { person: string; isLost: boolean }) {
  const { plan, input } = useFollowed()
  const { state, next } = useRunState()
  const now = useNow()
  const told = useOutlook()
  const [action] = next
  const open = input.pours.find(pour => state.pours[pour.pour] === undefined)
  const cup = action?.step?.cup ?? (state.splitAt !== null && open ? input.cups[open.cup]!.cup.id : undefined)
  return (
    <div className="grid h-dvh grid-rows-[auto_minmax(0,1fr)]">
      <header className="flex flex-wrap items-center gap-4 bg-ink px-6 py-2 text-paper">
        <strong className="text-lg">{t('Watching a rehearsal')}</strong>
        <span>
          {plan.name}
          {person !== '' && `, ${person}`}
        </span>
        {isLost && <span role="status">{t('the server is away; this is how it stood')}</span>}
        <strong className="ml-auto text-2xl">{showClock(state.lyeInAt === null ? now : now - state.lyeInAt)}</strong>
      </header>
      <div className="grid min-h-0 grid-cols-[minmax(0,1fr)_minmax(320px,32%)] max-[760px]:grid-cols-1">
        <main className="overflow-y-auto px-6 py-4">
          <h1 className="font-title text-[clamp(2.75rem,6.5vw,4.75rem)] leading-[1.05] font-semibold">
            {action && <Say of={action.big} />}
          </h1>
          <p className="mt-3 mb-5 text-[clamp(1.25rem,2.2vw,1.6rem)] leading-snug">
            {action && <Say of={action.more} />}
          </p>
          <SeenBatter cup={cup} />
        </main>
        <CupsStrip outlook={told.outlook} gives={false} />
      </div>
    </div>
  )
}
