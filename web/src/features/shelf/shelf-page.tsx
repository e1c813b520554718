import { SHELF_KINDS, shelfKinds, tableHeaders, tableRow } from '@ostler/core'
import type { ShelfItem, ShelfKind } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { Download, Plus, Scale, Search, Upload } from 'lucide-react'
import Papa from 'papaparse'
import { useDeferredValue, useMemo, useState } from 'react'
import { NavLink, useNavigate, useParams } from 'react-router'
import { shelfQuery } from '../../api/client.ts'
import { Places } from '../../frame/places.tsx'
import { TopBar } from '../../frame/top-bar.tsx'
import { Choice } from '../../ui/choice.tsx'
import { saveFile } from '../../ui/save-file.ts'
import { ImportDialog } from './import-dialog.tsx'
import { ItemEditor } from './item-editor.tsx'
import { ItemList } from './item-list.tsx'
import { RulesDialog } from './rules-dialog.tsx'
import { VIEWS, wantedItems } from './wanted.ts'
import type { Sort, View } from './wanted.ts'
import { lowered, t } from '../../words/index.ts'

const kindOf = (text: string | undefined): ShelfKind =>
  (shelfKinds as string[]).includes(text ?? '') ? (text as ShelfKind) : 'oils'

/** Everything the workshop owns, by kind: a list to search and an item to edit beside it. */
export function ShelfPage() {
  const params = useParams()
  const kind = kindOf(params['kind'])
  const { data, error } = useQuery(shelfQuery)
  return (
    <div className="flex h-dvh flex-col max-[900px]:h-auto">
      <TopBar>
        <Places />
      </TopBar>
      <nav aria-label={t('Kinds')} className="flex flex-wrap gap-x-1 border-b border-line px-4 max-[900px]:px-2">
        {shelfKinds.map(one => (
          <NavLink
            key={one}
            to={`/shelf/${one}`}
            className={`flex min-h-10 items-center px-3 ${one === kind ? 'font-semibold underline decoration-2 underline-offset-8' : 'text-soft hover:text-ink'}`}
          >
            {t(SHELF_KINDS[one].many)}
          </NavLink>
        ))}
      </nav>
      {error && !data && <p className="p-5 text-rust">{error.message}</p>}
      {!data && !error && <p className="p-5 text-soft">{t('Looking at the shelf …')}</p>}
      {data && <Kind key={kind} kind={kind} items={data.shelf[kind]} itemId={params['item']} />}
    </div>
  )
}

function Kind({ kind, items, itemId }: { kind: ShelfKind; items: readonly ShelfItem[]; itemId: string | undefined }) {
  const navigate = useNavigate()
  const [search, setSearch] = useState('')
  const [view, setView] = useState<View>('here')
  const [sort, setSort] = useState<Sort>({ key: 'name', down: false })
  const [open, setOpen] = useState<'import' | 'rules' | null>(null)
  const deferred = useDeferredValue(search)
  const wanted = useMemo(() => wantedItems(kind, items, deferred, view, sort), [kind, items, deferred, view, sort])
  const exported = () => {
    const csv = Papa.unparse([tableHeaders(kind), ...wanted.map(item => tableRow(kind, item))])
    saveFile(`${kind}.csv`, `\uFEFF${csv}\r\n`, 'text/csv')
  }
  const { one, many } = SHELF_KINDS[kind]
  return (
    <main className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_460px] max-[1100px]:grid-cols-[minmax(0,1fr)_400px] max-[900px]:grid-cols-1">
      <div className="flex min-h-0 min-w-0 flex-col px-5 pt-3 max-[900px]:px-3">
        <div className="mb-2 flex flex-wrap items-center gap-x-2 gap-y-2">
          <h1 className="sr-only">{t('Shelf: {many}', { many })}</h1>
          <label className="relative">
            <span className="sr-only">{t('Search {many}', { many: lowered(many) })}</span>
            <Search size={16} aria-hidden className="absolute top-1/2 left-2.5 -translate-y-1/2 text-soft" />
            <input
              type="search"
              className="field w-50 pl-8"
              placeholder={t('name, note or content')}
              value={search}
              maxLength={80}
              onChange={event => setSearch(event.target.value)}
            />
          </label>
          <Choice<View> bare label={t('Show')} className="w-32" value={view} options={VIEWS} onValue={setView} />
          <p className="mr-auto text-[13px] text-soft" role="status">
            {t('{wanted} of {items}', { wanted: wanted.length, items: items.length })}
          </p>
          <button className="quiet" onClick={() => setOpen('rules')}>
            <Scale size={16} aria-hidden /> {t('Rules')}
          </button>
          <button className="quiet" onClick={exported}>
            <Download size={16} aria-hidden /> {t('CSV')}
          </button>
          <button className="quiet" onClick={() => setOpen('import')}>
            <Upload size={16} aria-hidden /> {t('From a table')}
          </button>
          <button className="button button-main" onClick={() => void navigate(`/shelf/${kind}/new`)}>
            <Plus size={16} aria-hidden /> {t('New {one}', { one: t(one) })}
          </button>
        </div>
        <ItemList kind={kind} items={wanted} chosen={itemId} sort={sort} onSort={setSort} />
        {wanted.length === 0 && (
          <p className="py-6 text-soft">
            {items.length === 0
              ? t('No {many} yet. Add one, or bring a table with “From a table”.', { many: lowered(many) })
              : t('Nothing here for “{search}”. Try fewer letters, or show all.', { search })}
          </p>
        )}
      </div>
      <aside className="min-h-0 overflow-y-auto border-l border-line bg-panel p-5 max-[900px]:border-t max-[900px]:border-l-0 max-[900px]:p-3">
        {itemId ? (
          <ItemEditor key={`${kind}/${itemId}`} kind={kind} id={itemId} />
        ) : (
          <p className="text-soft">
            {t(
              'Choose one to see and change its values. Starting values are from general literature: your suppliers’ documents and your own measurements come first.',
            )}
          </p>
        )}
      </aside>
      <ImportDialog kind={kind} open={open === 'import'} onClose={() => setOpen(null)} />
      <RulesDialog open={open === 'rules'} onClose={() => setOpen(null)} />
    </main>
  )
}
