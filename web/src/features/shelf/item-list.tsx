import { SHELF_KINDS, stockOf, writeCell } from '@ostler/core'
import type { Field, ShelfItem, ShelfKind } from '@ostler/core'
import { useVirtualizer } from '@tanstack/react-virtual'
import { useRef } from 'react'
import type { CSSProperties, KeyboardEvent } from 'react'
import { useNavigate } from 'react-router'
import { listFields } from './wanted.ts'
import type { Sort } from './wanted.ts'
import { lowered, t, tidy } from '../../words/index.ts'

interface Props {
  kind: ShelfKind
  items: readonly ShelfItem[]
  chosen: string | undefined
  sort: Sort
  onSort: (sort: Sort) => void
}

const ROW_PX = 38

/** A phone shows the name, the next two values and what is left. */
const GRID =
  'grid [grid-template-columns:var(--columns)] max-[600px]:[grid-template-columns:2fr_1fr_1fr_52px] max-[600px]:[&>*:nth-child(n+4):not(:last-child)]:hidden'

/** Columns by how much room their values need. */
const widthOf = (field: Field): string =>
  field.key === 'name'
    ? 'minmax(200px,3fr)'
    : field.kind === 'text'
      ? 'minmax(90px,1.4fr)'
      : field.kind === 'colour'
        ? '64px'
        : 'minmax(64px,1fr)'

/** The items as rows; only those on screen are drawn, so that thousands scroll freely. */
export function ItemList({ kind, items, chosen, sort, onSort }: Props) {
  const box = useRef<HTMLDivElement>(null)
  const navigate = useNavigate()
  const fields = listFields(kind)
  // oxlint-disable-next-line react-hooks/incompatible-library -- the list is not memoised, and needs not be
  const rows = useVirtualizer({
    count: items.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
  })
  const columns = { '--columns': `${fields.map(widthOf).join(' ')} minmax(70px,1fr)` } as CSSProperties
  const head = (key: string, label: string, isNumber: boolean) => (
    <button
      key={key}
      role="columnheader"
      aria-sort={sort.key === key ? (sort.down ? 'descending' : 'ascending') : 'none'}
      className={`py-1.5 leading-tight hover:text-ink ${isNumber ? 'text-right' : 'text-left'} ${sort.key === key ? 'font-semibold text-ink' : ''}`}
      onClick={() => onSort({ key, down: sort.key === key ? !sort.down : false })}
      title={t('Sort by {label}', { label: lowered(label) })}
    >
      {label}
      {sort.key === key && (sort.down ? ' ↓' : ' ↑')}
    </button>
  )
  const onKey = (event: KeyboardEvent, index: number) => {
    const to = event.key === 'ArrowDown' ? index + 1 : event.key === 'ArrowUp' ? index - 1 : null
    if (to === null || !items[to]) return
    event.preventDefault()
    rows.scrollToIndex(to)
    void navigate(`/shelf/${kind}/${items[to].id}`)
    requestAnimationFrame(() => box.current?.querySelector<HTMLElement>(`[data-id="${items[to]!.id}"]`)?.focus())
  }
  return (
    <div
      role="table"
      aria-label={t(SHELF_KINDS[kind].many)}
      aria-rowcount={items.length}
      className="flex min-h-0 flex-1 flex-col max-[900px]:h-[50dvh] max-[900px]:flex-none"
    >
      <div
        role="row"
        style={columns}
        className={`${GRID} items-end gap-x-3 border-b border-ink pr-4 text-[13px] text-soft`}
      >
        {fields.map(field => head(field.key, t(field.label), field.kind === 'number'))}
        {head('stock', SHELF_KINDS[kind].countedIn === 'g' ? t('left, g') : t('lots'), true)}
      </div>
      <div ref={box} className="min-h-0 flex-1 overflow-y-auto">
        <div role="rowgroup" style={{ height: rows.getTotalSize() }} className="relative">
          {rows.getVirtualItems().map(row => {
            const item = items[row.index]!
            return (
              <div
                key={item.id}
                role="row"
                data-id={item.id}
                aria-rowindex={row.index + 1}
                aria-selected={item.id === chosen}
                tabIndex={item.id === chosen || (chosen === undefined && row.index === 0) ? 0 : -1}
                style={{ ...columns, transform: `translateY(${row.start}px)`, height: ROW_PX }}
                className={`${GRID} absolute inset-x-0 top-0 cursor-pointer items-center gap-x-3 border-b border-line pr-4 ${item.id === chosen ? 'bg-chosen' : 'hover:bg-panel'}`}
                onClick={() => void navigate(`/shelf/${kind}/${item.id}`)}
                onKeyDown={event =>
                  event.key === 'Enter' ? void navigate(`/shelf/${kind}/${item.id}`) : onKey(event, row.index)
                }
              >
                {fields.map(field => (
                  <Cell key={field.key} field={field} value={(item as unknown as Record<string, unknown>)[field.key]} />
                ))}
                <span role="cell" className="text-right">
                  {item.lots.length > 0 ? tidy(stockOf(item), 0) : <span className="text-soft">–</span>}
                </span>
              </div>
            )
          })}
        </div>
      </div>
    </div>
  )
}

function Cell({ field, value }: { field: Field; value: unknown }) {
  if (field.kind === 'colour')
    return (
      <span role="cell">
        <span
          className="block h-5 w-10 border border-line"
          style={{ background: String(value) }}
          title={String(value)}
        />
      </span>
    )
  const text = field.options ? t(writeCell(field, value)) : writeCell(field, value)
  const unit = field.kind === 'number' && field.quantity === 'share' ? ' %' : ''
  return (
    <span
      role="cell"
      className={`truncate ${field.kind === 'number' ? 'text-right' : ''} ${field.key === 'name' ? 'font-semibold' : ''}`}
      title={field.unit ? `${text} ${t(field.unit)}` : text}
    >
      {text}
      {unit}
    </span>
  )
}
