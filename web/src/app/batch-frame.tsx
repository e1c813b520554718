import { AlsoHere } from './also-here.tsx'
import { shelfWithout } from '@ostler/core'
import type { BatchAnswer, Shelf } from '@ostler/core'
import { queryOptions, useQuery, useQueryClient } from '@tanstack/react-query'
import { Redo2, Undo2 } from 'lucide-react'
import { useEffect, useState } from 'react'
import { Link, Outlet, useLocation, useParams } from 'react-router'
import { ApiError, batchQuery, restoreBatch, shelfQuery } from '../api/client.ts'
import { OpenBatchContext, useBatch, usePlan } from '../plan/context.tsx'
import { draftToTakeUp } from '../plan/draft.ts'
import type { KeptDraft } from '../plan/draft.ts'
import { OpenBatch } from '../plan/open-batch.ts'
import { NotedOfBatch } from '../run/noted.tsx'
import { adviceOf } from '../workers/remedies.ts'
import { useAct } from '../ui/use-act.ts'
import { TextField } from '../ui/text-field.tsx'
import { SaveMark } from './save-mark.tsx'
import { PageLinks, StageLinks } from './stage-bar.tsx'
import { placeOf } from './stages.ts'
import { TopBar } from '../frame/top-bar.tsx'
import { t } from '../words/index.ts'

const setTitle = (title: string): void => {
  document.title = title
}

/** What this browser still holds of a batch that the server has not. */
const draftQuery = (id: string) =>
  queryOptions({
    queryKey: ['draft', id],
    queryFn: () => draftToTakeUp(id),
    staleTime: 0,
    gcTime: 0,
    networkMode: 'always',
  })

/** What the server answers of a batch in the bin: its labels lead here still. */
const DELETED = 410

function BringBack({ id }: { id: string }) {
  const client = useQueryClient()
  const act = useAct()
  const back = () =>
    act.run(async () => {
      await restoreBatch(id)
      await client.invalidateQueries({ queryKey: ['batches'] })
    })
  return (
    <>
      <button className="button button-main" disabled={act.busy} onClick={() => void back()}>
        {t('Bring it back')}
      </button>
      {act.sentence !== '' && <p role="alert">{act.sentence}</p>}
    </>
  )
}

/** Opens a batch with the shelf and keeps it open while its pages change. */
export function BatchFrame() {
  const { id = '' } = useParams()
  const batch = useQuery(batchQuery(id))
  const shelf = useQuery(shelfQuery)
  const draft = useQuery(draftQuery(id))
  const error = batch.error ?? shelf.error
  if (error && !(batch.data && shelf.data)) {
    return (
      <>
        <TopBar />
        <main className="mx-auto max-w-140 p-10">
          <p className="mb-5">{error.message}</p>
          <div className="flex flex-wrap gap-3">
            {error instanceof ApiError && error.status === DELETED && <BringBack id={id} />}
            <Link to="/batches" className="button">
              {t('To the batches')}
            </Link>
          </div>
        </main>
      </>
    )
  }
  if (!batch.data || !shelf.data || draft.isPending) return <p className="p-10 text-soft">{t('Opening the batch …')}</p>
  return <Opened key={id} batch={batch.data} shelf={shelf.data.shelf} draft={draft.data ?? null} />
}

/** From here on the store is what counts; what the query fetches later is left alone. */
function Opened({ batch, shelf, draft }: { batch: BatchAnswer; shelf: Shelf; draft: KeptDraft | null }) {
  const [open] = useState(() => new OpenBatch(batch, shelfWithout(shelf, batch.id), adviceOf, draft))
  useEffect(() => open.attach(), [open])
  return (
    <OpenBatchContext value={open}>
      <NotedOfBatch id={batch.id}>
        <BatchPages />
      </NotedOfBatch>
    </OpenBatchContext>
  )
}

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.matches('textarea, input:not([inputmode="decimal"])')

/** Ctrl or Cmd with Z, with Shift or Y to go forward again. Text fields keep their own. */
function useUndoKeys(): void {
  const batch = useBatch()
  useEffect(() => {
    const keys = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey || isTyping(event.target)) return
      const key = event.key.toLowerCase()
      if (key !== 'z' && key !== 'y') return
      event.preventDefault()
      if (event.target instanceof HTMLInputElement) event.target.blur()
      if (key === 'y' || event.shiftKey) batch.redo()
      else batch.undo()
    }
    addEventListener('keydown', keys)
    return () => removeEventListener('keydown', keys)
  }, [batch])
}

/** Pages that show a heading of their own. */
const HAS_HEADING = new Set([
  'sheet',
  'cards',
  'colour',
  'compare',
  'cut',
  'bars',
  'design',
  'cups',
  'rest',
  'weigh',
  'bench',
])

function BatchPages() {
  const batch = useBatch()
  const name = usePlan(state => state.plan.name)
  const canUndo = usePlan(state => state.canUndo)
  const canRedo = usePlan(state => state.canRedo)
  const { name: page, path } = placeOf(useLocation().pathname)
  useUndoKeys()
  useEffect(() => {
    setTitle(t('{page} · {name} – Ostler', { page, name }))
    return () => {
      setTitle(t('Ostler'))
    }
  }, [name, page])

  return (
    <div className="flex min-h-screen flex-col">
      <TopBar>
        <TextField
          bare
          label={t('Name of the batch')}
          value={name}
          onValue={value => batch.edit({ kind: 'set', path: ['name'], value }, 'name')}
          className="w-60 border-transparent bg-transparent font-title text-lg font-semibold hover:border-line"
        />
        <StageLinks />
        <div className="ml-auto flex flex-1 items-center justify-end gap-1 max-[900px]:order-2">
          <AlsoHere />
          <SaveMark />
          <button
            className="quiet"
            aria-label={t('Undo')}
            title={t('Undo (Ctrl Z)')}
            disabled={!canUndo}
            onClick={() => batch.undo()}
          >
            <Undo2 size={18} aria-hidden />
          </button>
          <button
            className="quiet"
            aria-label={t('Redo')}
            title={t('Redo (Ctrl Shift Z)')}
            disabled={!canRedo}
            onClick={() => batch.redo()}
          >
            <Redo2 size={18} aria-hidden />
          </button>
        </div>
      </TopBar>
      <PageLinks />
      {!HAS_HEADING.has(path) && (
        <h1 className="sr-only">
          {page}: {name}
        </h1>
      )}
      <Outlet />
    </div>
  )
}
