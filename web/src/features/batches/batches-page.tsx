import { LIVES, readPlan, starterLike } from '@ostler/core'
import type { BatchSummary, FromPlan, Problem } from '@ostler/core'
import { useInfiniteQuery, useQueryClient } from '@tanstack/react-query'
import { FileInput, Plus, Search } from 'lucide-react'
import { useDeferredValue, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import {
  addBatch,
  batchesQuery,
  deleteBatch,
  duplicateBatch,
  getBatch,
  notedOf,
  restoreBatch,
  sendEvents,
} from '../../api/client.ts'
import { Places } from '../../frame/places.tsx'
import { TopBar } from '../../frame/top-bar.tsx'
import { Ask } from '../../ui/ask.tsx'
import { JsonFileButton } from '../../ui/file-button.tsx'
import { useToast } from '../../ui/toast.tsx'
import { KeptRuns } from './kept-runs.tsx'
import { archiveBatch, unarchiveBatch } from '../../api/workshop.ts'
import { BatchRow } from './batch-row.tsx'
import { FirstSteps } from './first-steps.tsx'
import { Filters, NO_FILTER } from './filters.tsx'
import type { Filter } from './filters.tsx'
import { downloadPlan, planFromFile } from '../../parts/plan-file.ts'
import { freshUuid } from '../../plan/fresh-uuid.ts'
import { Say } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

function SearchField({ value, onValue }: { value: string; onValue: (value: string) => void }) {
  return (
    <label className="relative max-[600px]:w-full">
      <span className="sr-only">{t('Search batches by name, note, cup, scent, tag, sign, lot or day')}</span>
      <Search size={16} aria-hidden className="absolute top-1/2 left-2.5 -translate-y-1/2 text-soft" />
      <input
        type="search"
        className="field min-h-9 w-60 pl-8 max-[600px]:w-full"
        placeholder={t('name, scent, sign, lot or day')}
        value={value}
        maxLength={100}
        onChange={event => onValue(event.target.value)}
      />
    </label>
  )
}

/** All batches of the workshop, the last touched first. */
export function BatchesPage() {
  const [search, setSearch] = useState('')
  const wanted = useDeferredValue(search.trim())
  const [filter, setFilter] = useState<Filter>(NO_FILTER)
  const { data, error, isPending, hasNextPage, isFetchingNextPage, fetchNextPage } = useInfiniteQuery(
    batchesQuery({ ...filter, search: wanted }),
  )
  const batches = data?.pages.flatMap(page => page.batches)
  const acts = useActs()
  const [problems, setProblems] = useState<Problem[]>([])

  const importFile = async (file: File) => {
    const { result, run } = await planFromFile(file)
    if (result.ok) await acts.add(result.plan, run)
    else setProblems(result.problems)
  }

  return (
    <>
      <TopBar>
        <Places />
      </TopBar>
      <main className="mx-auto w-full max-w-260 px-5 py-6 max-[900px]:px-3">
        <div className="mb-5 flex flex-wrap items-center gap-2.5">
          <h1 className="mr-auto text-3xl">{t('Batches')}</h1>
          <SearchField value={search} onValue={setSearch} />
          <Filters filter={filter} onFilter={setFilter} />
          {/* Together, so that longer words take both to the next line, at its end. */}
          <div className="ml-auto flex gap-2.5 max-[600px]:ml-0">
            <JsonFileButton label={t('Plan file to import')} onFile={file => void importFile(file)}>
              <FileInput size={16} aria-hidden /> {t('Import')}
            </JsonFileButton>
            <button
              className="button button-main"
              disabled={acts.isAdding}
              onClick={() => void acts.start(batches?.[0]?.id)}
            >
              <Plus size={16} aria-hidden /> {t('New batch')}
            </button>
          </div>
        </div>
        {error && (
          <>
            <p className="text-rust">{error.message}</p>
            <KeptRuns />
          </>
        )}
        {isPending && <p className="text-soft">{t('Looking through the batches …')}</p>}
        {batches?.length === 0 && <Nothing search={wanted} filter={filter} />}
        <ul className="border-t border-line">
          {batches?.map(batch => (
            <BatchRow
              key={batch.id}
              batch={batch}
              onDuplicate={acts.duplicate}
              onExport={acts.save}
              onDelete={acts.remove}
              onArchive={acts.archive}
              onTag={tag => setFilter(now => ({ ...now, tag }))}
            />
          ))}
        </ul>
        {hasNextPage && (
          <button className="button my-4" disabled={isFetchingNextPage} onClick={() => void fetchNextPage()}>
            {t('Show older batches')}
          </button>
        )}
      </main>
      <ImportReport problems={problems} onClose={() => setProblems([])} />
    </>
  )
}

function useActs() {
  const client = useQueryClient()
  const navigate = useNavigate()
  const toast = useToast()
  const [isAdding, setAdding] = useState(false)
  const busy = useRef(false)
  const refresh = () => client.invalidateQueries({ queryKey: ['batches', 'list'] })
  const told = async (act: () => Promise<void>) => {
    try {
      await act()
    } catch (error) {
      toast((error as Error).message)
    }
  }
  const open = async (plan: () => Promise<Parameters<typeof addBatch>[0]>, run: FromPlan | null = null) => {
    // A double click is one wish.
    if (busy.current) return
    busy.current = true
    setAdding(true)
    await told(async () => {
      const batch = await addBatch(await plan())
      if (run) {
        const { id } = await notedOf(batch.id, { id: freshUuid(), openedAt: run.openedAt.toISOString() })
        await sendEvents(id, run.events)
      }
      await navigate(`/batches/${batch.id}/batter`)
    })
    busy.current = false
    setAdding(false)
  }
  return {
    isAdding,
    add: (plan: Parameters<typeof addBatch>[0], run: FromPlan | null) => open(() => Promise.resolve(plan), run),
    /** A new one, with the habits of the batch that was changed last. */
    start: (last: string | undefined) =>
      open(async () => {
        const read = last ? readPlan((await getBatch(last)).plan) : null
        return starterLike(t('New batch'), read?.ok ? read.plan : undefined)
      }),
    duplicate: (batch: BatchSummary) =>
      void told(async () => {
        const copy = await duplicateBatch(batch.id)
        await refresh()
        toast(t('“{copy}” is a copy of its own.', { copy: copy.name }), {
          text: t('Open'),
          run: () => void navigate(`/batches/${copy.id}/score`),
        })
      }),
    save: (batch: BatchSummary) =>
      void told(async () => {
        const read = readPlan((await getBatch(batch.id)).plan)
        if (read.ok) downloadPlan(read.plan)
      }),
    archive: (batch: BatchSummary) =>
      void told(async () => {
        const [to, back] = batch.isArchived ? [unarchiveBatch, archiveBatch] : [archiveBatch, unarchiveBatch]
        await to(batch.id)
        await refresh()
        toast(
          t('“{batch}” is {isArchived}.', {
            batch: batch.name,
            isArchived: batch.isArchived ? t('back among the batches') : t('put away'),
          }),
          {
            text: t('Undo'),
            run: () => void told(async () => void (await back(batch.id).then(refresh))),
          },
        )
      }),
    remove: (batch: BatchSummary) =>
      void told(async () => {
        await deleteBatch(batch.id)
        await refresh()
        const back = () => void told(async () => void (await restoreBatch(batch.id).then(refresh)))
        toast(t('“{batch}” is deleted.', { batch: batch.name }), { text: t('Undo'), run: back })
      }),
  }
}

const Nothing = ({ search, filter: { life, tag, archived } }: { search: string; filter: Filter }) =>
  search || life || tag || archived ? (
    <p className="py-8 text-soft">
      {t('No batch{archived} {what}.', {
        archived: archived && t(' that was put away'),
        what: [
          life && t('is {life}', { life: t(LIVES[life]) }),
          tag && t('has the tag “{tag}”', { tag }),
          search && t('has “{search}” in its name, notes, cups, scent, tags, lots or signs', { search }),
        ]
          .filter(Boolean)
          .join(t(' and ')),
      })}
    </p>
  ) : (
    <FirstSteps />
  )

const MOST_SHOWN = 12

function ImportReport({ problems, onClose }: { problems: Problem[]; onClose: () => void }) {
  return (
    <Ask open={problems.length > 0} title={t('This file was not imported')} onClose={onClose}>
      <ul className="mb-5 flex flex-col gap-2">
        {problems.slice(0, MOST_SHOWN).map((problem, i) => (
          <li key={i}>
            {problem.path && <code className="mr-2 text-[13px] text-soft">{problem.path}</code>}
            <Say of={problem.sentence} />
          </li>
        ))}
        {problems.length > MOST_SHOWN && (
          <li className="text-soft">{t('and {problems} more.', { problems: problems.length - MOST_SHOWN })}</li>
        )}
      </ul>
      <button className="button" onClick={onClose}>
        {t('Close')}
      </button>
    </Ask>
  )
}
