import { Plus } from 'lucide-react'
import { Popover } from 'radix-ui'
import { useId, useRef, useState } from 'react'
import type { KeyboardEvent } from 'react'
import type { AddOption } from './add-options.ts'
import { Swatch } from './swatch.tsx'
import { t } from '../words/index.ts'

interface Props {
  /** e.g. "an oil". */
  what: string
  options: readonly AddOption[]
  onAdd: (id: string) => void
}

/** Words of a name or its details, in any order and without accents. */
const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()

function found(options: readonly AddOption[], search: string): AddOption[] {
  const words = plain(search).split(/\s+/).filter(Boolean)
  const fits = options.filter(one => words.every(word => plain(`${one.name} ${one.detail ?? ''}`).includes(word)))
  const start = words.join(' ')
  // What begins with what is typed comes first; otherwise the shelf's own order stays.
  return start === ''
    ? fits
    : [...fits].sort((a, b) => Number(plain(b.name).startsWith(start)) - Number(plain(a.name).startsWith(start)))
}

/**
 * Adds one of the things that are not in use yet, from a list to type into. Enter or a click adds, Escape leaves; moving through
 * the list changes nothing.
 */
export function AddChoice({ what, options, onAdd }: Props) {
  const [isOpen, setOpen] = useState(false)
  if (options.length === 0) return null
  const add = (id: string) => {
    setOpen(false)
    onAdd(id)
  }
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <button type="button" className="quiet text-ink max-[600px]:min-h-11" aria-label={t('Add {what}', { what })}>
          <Plus size={16} aria-hidden /> {t('add {what}', { what })}
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          collisionPadding={8}
          aria-label={t('Add {what}', { what })}
          className="z-40 flex w-100 max-w-[94vw] flex-col rounded border border-ink bg-paper p-2"
        >
          <List what={what} options={options} onAdd={add} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

const PAGE = 8

function List({ what, options, onAdd }: Props) {
  const id = useId()
  const list = useRef<HTMLUListElement>(null)
  const [search, setSearch] = useState('')
  const [at, setAt] = useState(0)
  const shown = found(options, search)
  const move = (to: number) => {
    const next = Math.max(0, Math.min(shown.length - 1, to))
    setAt(next)
    list.current?.children[next]?.scrollIntoView?.({ block: 'nearest' })
  }
  const keys = (event: KeyboardEvent) => {
    const steps: Record<string, number> = { ArrowDown: at + 1, ArrowUp: at - 1, PageDown: at + PAGE, PageUp: at - PAGE }
    const to = steps[event.key]
    if (to !== undefined) {
      event.preventDefault()
      return move(to)
    }
    if (event.key !== 'Enter') return
    event.preventDefault()
    const one = shown[at]
    if (one) onAdd(one.id)
  }
  return (
    <>
      <input
        role="combobox"
        aria-expanded
        aria-label={t('Type to find {what}', { what })}
        aria-controls={`${id}-list`}
        aria-activedescendant={shown[at] ? `${id}-${at}` : undefined}
        aria-autocomplete="list"
        autoComplete="off"
        className="field mb-1 min-h-9"
        placeholder={t('type to find')}
        value={search}
        onChange={event => {
          setSearch(event.target.value)
          setAt(0)
        }}
        onKeyDown={keys}
      />
      <ul
        ref={list}
        id={`${id}-list`}
        role="listbox"
        aria-label={t('Add {what}', { what })}
        className="max-h-72 overflow-y-auto"
      >
        {shown.map((one, i) => (
          <li
            key={one.id}
            id={`${id}-${i}`}
            role="option"
            aria-selected={i === at}
            data-id={one.id}
            className={`flex min-h-9 cursor-pointer items-center gap-2 rounded px-2 py-1 max-[600px]:min-h-11 ${i === at ? 'bg-chosen' : ''}`}
            onPointerMove={() => setAt(i)}
            onClick={() => onAdd(one.id)}
          >
            {one.hex && <Swatch hex={one.hex} size={16} />}
            <span className="min-w-0 flex-1">
              {one.name}
              {one.detail && <span className="block text-[13px] leading-tight text-soft">{one.detail}</span>}
            </span>
          </li>
        ))}
      </ul>
      {shown.length === 0 && (
        <p role="status" className="px-2 py-1 text-soft">
          {t('Nothing fits “{search}”.', { search })}
        </p>
      )}
    </>
  )
}
