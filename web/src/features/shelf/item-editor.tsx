import { SHELF_KINDS, fieldsOfKind, findById, isAlike, itemChanges, newItem } from '@ostler/core'
import type { Colorant, Oil, OilShare, Palette, Problem, Scent, ScentPart, Shelf, ShelfItem, Words } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { Archive, ArchiveRestore, Copy } from 'lucide-react'
import { useState } from 'react'
import type { ReactNode } from 'react'
import { useNavigate } from 'react-router'
import { shelfQuery } from '../../api/client.ts'
import { useHabits } from '../../plan/context.tsx'
import { Versions } from '../../parts/versions.tsx'
import { oilOptions, scentOptions } from '../../ui/add-options.ts'
import { useToast } from '../../ui/toast.tsx'
import { itemDrafts } from './drafts.ts'
import type { ItemDraft } from './drafts.ts'
import { FieldInput } from './field-input.tsx'
import { Group } from './group.tsx'
import { ItemExtras } from './item-extras.tsx'
import { AllergensEditor } from './allergens-editor.tsx'
import { LotsEditor } from './lots-editor.tsx'
import { PaletteEditor } from './palette-editor.tsx'
import { PartsEditor } from './parts-editor.tsx'
import { SaveBar, useSaving } from './saving.tsx'
import type { EditorProps } from './saving.tsx'
import { SwatchesEditor } from './swatches-editor.tsx'
import { t } from '../../words/index.ts'

/** One item with all its values, its lots, and what may stand in for it. */
export function ItemEditor({ kind, id }: Pick<EditorProps, 'kind' | 'id'>) {
  const { data } = useQuery(shelfQuery)
  const stored = data && findById<ShelfItem>(data.shelf[kind], id)
  const { one } = SHELF_KINDS[kind]
  if (!data) return null
  if (!stored && id !== 'new')
    return <p>{t('There is no such {one}. It may be of another kind, or its address is old.', { one: t(one) })}</p>
  const revision = stored ? (data.revisions[kind][id] ?? 0) : 0
  return <Editor kind={kind} id={id} stored={stored ?? newItem(kind)} revision={revision} shelf={data.shelf} />
}

function useItemDraft({ kind, id, stored, revision }: EditorProps) {
  const key = `${kind}/${id}`
  const [draft, setDraft] = useState<ItemDraft>(() => itemDrafts.get(key) ?? { item: stored, typed: {}, revision })
  const isDirty = Object.keys(draft.typed).length > 0 || !isAlike(draft.item, stored)
  const keep = (next: ItemDraft) => {
    setDraft(next)
    itemDrafts.keep(key, next)
  }
  const reset = (item: ShelfItem, at: number) => {
    itemDrafts.drop(key)
    setDraft({ item, typed: {}, revision: at })
  }
  return { draft, isDirty, keep, reset }
}

function Editor(props: EditorProps) {
  const { kind, id, stored, shelf } = props
  const navigate = useNavigate()
  const toast = useToast()
  const { draft, isDirty, keep, reset } = useItemDraft(props)
  const [problems, setProblems] = useState<Problem[]>([])
  const saving = useSaving(props, draft, reset, setProblems)
  const { item } = draft
  const set = (key: string, value: unknown) => {
    const typed = Object.fromEntries(Object.entries(draft.typed).filter(([name]) => name !== key))
    keep({ ...draft, item: { ...item, [key]: value }, typed })
    setProblems(all => all.filter(problem => problem.path !== key))
  }
  const hold = (key: string, text: string) => keep({ ...draft, typed: { ...draft.typed, [key]: text } })
  const duplicate = () => {
    const copy = {
      ...item,
      id: 'new',
      name: t('{item}, copy', { item: item.name.slice(0, 72) }),
      lots: [],
    } as ShelfItem
    itemDrafts.keep(`${kind}/new`, { item: copy, typed: {}, revision: 0 })
    void navigate(`/shelf/${kind}/new`)
    toast(t('This is a copy, not saved yet. Give it a name.'))
  }
  return (
    <form
      className="flex flex-col gap-5"
      onSubmit={event => {
        event.preventDefault()
        void saving.save()
      }}
    >
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <h2 className="w-full text-2xl">
          {id === 'new' ? t('New {one}', { one: t(SHELF_KINDS[kind].one) }) : stored.name}
        </h2>
        {id !== 'new' && (
          <ItemButtons
            earlier={
              <Earlier
                {...props}
                onBack={was =>
                  isDirty
                    ? toast(t('Save what you changed, or take it back, before an earlier version.'))
                    : void saving.save(was, undefined, t('{item} is as it was then.', { item: was.name }))
                }
              />
            }
            isArchived={stored.archived}
            onCopy={duplicate}
            onArchive={() => void saving.save({ ...item, archived: !item.archived })}
          />
        )}
      </div>
      {stored.archived && <p className="text-soft">{t('Archived: batches that use it keep it, no list offers it.')}</p>}
      <Fields {...{ kind, item, problems, set, hold }} typed={draft.typed} />
      <OwnParts {...{ kind, item, shelf, problems, set }} />
      <SaveBar
        isDirty={isDirty || id === 'new'}
        saving={saving}
        onDrop={() => {
          reset(stored, props.revision)
          setProblems([])
        }}
      />
      {id !== 'new' && <ItemExtras kind={kind} item={stored} shelf={shelf} />}
    </form>
  )
}

/** What it was before; one that is brought back has its lots as they are counted, and its findings as they stand, now. */
function Earlier({ kind, id, stored, revision, onBack }: EditorProps & { onBack: (was: ShelfItem) => void }) {
  const { findings } = stored as Partial<Scent>
  return (
    <Versions<ShelfItem>
      {...{ name: stored.name, at: `/shelf/${kind}/${id}`, revision }}
      changes={(before, after) => itemChanges(kind, before, after)}
      onBack={kept => onBack({ ...kept, lots: stored.lots, ...(findings && { findings }) })}
    />
  )
}

interface FieldsProps extends Omit<OwnPartsProps, 'shelf'> {
  typed: ItemDraft['typed']
  hold: (key: string, text: string) => void
}

function Fields({ kind, item, typed, problems, set, hold }: FieldsProps) {
  const fields = fieldsOfKind(kind).filter(field => field.key !== 'archived')
  return [...new Set(fields.map(field => field.group))].map(group => (
    <Group key={group} group={group} isOpen={group !== 'Trace and melting, for the forecast'}>
      {fields
        .filter(field => field.group === group)
        .map(field => (
          <FieldInput
            key={field.key}
            field={field}
            value={(item as unknown as Record<string, unknown>)[field.key]}
            typed={typed[field.key]}
            problem={problems.find(problem => problem.path.startsWith(field.key))?.sentence}
            onValue={value => set(field.key, value)}
            onTyped={text => hold(field.key, text)}
          />
        ))}
    </Group>
  ))
}

interface ItemButtonsProps {
  earlier: ReactNode
  isArchived: boolean
  onCopy: () => void
  onArchive: () => void
}

const ItemButtons = ({ earlier, isArchived, onCopy, onArchive }: ItemButtonsProps) => (
  <>
    {earlier}
    <button type="button" className="quiet" onClick={onCopy}>
      <Copy size={16} aria-hidden /> {t('Duplicate')}
    </button>
    <button type="button" className="quiet" onClick={onArchive}>
      {isArchived ? <ArchiveRestore size={16} aria-hidden /> : <Archive size={16} aria-hidden />}
      {isArchived ? t('Bring back') : t('Archive')}
    </button>
  </>
)

interface PartsProps<T> {
  shelf: Shelf
  onParts: (parts: T[]) => void
  problem: Words | undefined
}

function ScentParts({ scent, shelf, onParts, problem }: PartsProps<ScentPart> & { scent: Scent }) {
  const habits = useHabits()
  const unused = shelf.scents.filter(
    one => one.type !== 'blend' && !one.archived && !scent.parts.some(part => part.scent === one.id),
  )
  return (
    <PartsEditor
      parts={scent.parts.map(part => ({ id: part.scent, share: part.share }))}
      nameOf={id => shelf.scents.find(one => one.id === id)?.name ?? id}
      options={scentOptions(unused, habits)}
      onParts={parts => onParts(parts.map(part => ({ scent: part.id, share: part.share })))}
      problem={problem}
    />
  )
}

/** Oils that were bought mixed: in a recipe they count one by one, each with its own lye. */
function OilParts({ oil, shelf, onParts, problem }: PartsProps<OilShare> & { oil: Oil }) {
  const habits = useHabits()
  const unused = shelf.oils.filter(
    one => one.blend.length === 0 && !one.archived && one.id !== oil.id && !oil.blend.some(part => part.oil === one.id),
  )
  return (
    <PartsEditor
      parts={oil.blend.map(part => ({ id: part.oil, share: part.share }))}
      nameOf={id => shelf.oils.find(one => one.id === id)?.name ?? id}
      options={oilOptions(unused, habits)}
      onParts={parts => onParts(parts.map(part => ({ oil: part.id, share: part.share })))}
      problem={problem}
    />
  )
}

interface OwnPartsProps extends Pick<EditorProps, 'kind' | 'shelf'> {
  item: ShelfItem
  problems: readonly Problem[]
  set: (key: string, value: unknown) => void
}

/** What an item of this kind has beside its fields. */
function OwnParts({ kind, item, shelf, problems, set }: OwnPartsProps) {
  return (
    <>
      {kind === 'scents' && (item as { type?: string }).type === 'blend' && (
        <ScentParts
          scent={item as Scent}
          shelf={shelf}
          onParts={parts => set('parts', parts)}
          problem={problems.find(one => one.path === 'parts')?.sentence}
        />
      )}
      {kind === 'oils' && (
        <OilParts
          oil={item as Oil}
          shelf={shelf}
          onParts={blend => set('blend', blend)}
          problem={problems.find(one => one.path === 'blend')?.sentence}
        />
      )}
      {kind === 'scents' && (
        <AllergensEditor
          scent={item as Scent}
          onAllergens={allergens => set('allergens', allergens)}
          problems={problems}
        />
      )}
      {kind === 'colorants' && (
        <SwatchesEditor
          colorant={item as Colorant}
          shelf={shelf}
          onSwatches={swatches => set('swatches', swatches)}
          problem={problems.find(one => one.path.startsWith('swatches'))?.sentence}
        />
      )}
      {kind === 'palettes' && (
        <PaletteEditor
          palette={item as Palette}
          shelf={shelf}
          onColours={colours => set('colours', colours)}
          problem={problems.find(one => one.path.startsWith('colours'))?.sentence}
        />
      )}
      {kind !== 'palettes' && (
        <LotsEditor
          kind={kind}
          item={item.id === 'new' ? null : item.id}
          lots={item.lots}
          onLots={lots => set('lots', lots)}
          problems={problems}
        />
      )}
    </>
  )
}
