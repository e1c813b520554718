import { SHELF_KINDS, checkItem, fieldsOfKind, findById, idFromName, newItem } from '@ostler/core'
import type {
  Colorant,
  Oil,
  OilShare,
  Palette,
  Problem,
  Scent,
  ScentPart,
  Shelf,
  ShelfItem,
  ShelfKind,
  Words,
} from '@ostler/core'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { Archive, ArchiveRestore, Copy } from 'lucide-react'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { ApiError, saveItem, shelfQuery } from '../../api/client.ts'
import { useHabits } from '../../plan/context.tsx'
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
import { SwatchesEditor } from './swatches-editor.tsx'
import { Say } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

interface Props {
  kind: ShelfKind
  /** "new" for one that does not exist yet. */
  id: string
}

/** One item with all its values, its lots, and what may stand in for it. */
export function ItemEditor({ kind, id }: Props) {
  const { data } = useQuery(shelfQuery)
  const stored = data && findById<ShelfItem>(data.shelf[kind], id)
  const { one } = SHELF_KINDS[kind]
  if (!data) return null
  if (!stored && id !== 'new')
    return <p>{t('There is no such {one}. It may be of another kind, or its address is old.', { one: t(one) })}</p>
  const revision = stored ? (data.revisions[kind][id] ?? 0) : 0
  return <Editor kind={kind} id={id} stored={stored ?? newItem(kind)} revision={revision} shelf={data.shelf} />
}

interface EditorProps extends Props {
  stored: ShelfItem
  revision: number
  shelf: Shelf
}

function useItemDraft({ kind, id, stored, revision }: EditorProps) {
  const key = `${kind}/${id}`
  const [draft, setDraft] = useState<ItemDraft>(() => itemDrafts.get(key) ?? { item: stored, typed: {}, revision })
  const isDirty = Object.keys(draft.typed).length > 0 || JSON.stringify(draft.item) !== JSON.stringify(stored)
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
  const fields = fieldsOfKind(kind).filter(field => field.key !== 'archived')
  const groups = [...new Set(fields.map(field => field.group))]
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
      <div className="flex items-start gap-3">
        <h2 className="flex-1 text-2xl">
          {id === 'new' ? t('New {one}', { one: t(SHELF_KINDS[kind].one) }) : stored.name}
        </h2>
        {id !== 'new' && (
          <ItemButtons
            isArchived={stored.archived}
            onCopy={duplicate}
            onArchive={() => void saving.save({ ...item, archived: !item.archived })}
          />
        )}
      </div>
      {stored.archived && <p className="text-soft">{t('Archived: batches that use it keep it, no list offers it.')}</p>}
      {groups.map(group => (
        <Group key={group} group={group} isOpen={group !== 'Trace and melting, for the forecast'}>
          {fields
            .filter(field => field.group === group)
            .map(field => (
              <FieldInput
                key={field.key}
                field={field}
                value={(item as unknown as Record<string, unknown>)[field.key]}
                typed={draft.typed[field.key]}
                problem={problems.find(problem => problem.path.startsWith(field.key))?.sentence}
                onValue={value => set(field.key, value)}
                onTyped={text => hold(field.key, text)}
              />
            ))}
        </Group>
      ))}
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

interface ItemButtonsProps {
  isArchived: boolean
  onCopy: () => void
  onArchive: () => void
}

const ItemButtons = ({ isArchived, onCopy, onArchive }: ItemButtonsProps) => (
  <>
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

interface Saving {
  busy: boolean
  sentence: Words | null
  /** Stands where the other window's version is newer. */
  theirs: { item: ShelfItem; revision: number } | null
  save: (item?: ShelfItem, onto?: number) => Promise<void>
  takeTheirs: () => void
}

function useSaving(
  { kind, id, shelf, stored: before }: EditorProps,
  draft: ItemDraft,
  reset: (item: ShelfItem, revision: number) => void,
  setProblems: (problems: Problem[]) => void,
): Saving {
  const client = useQueryClient()
  const navigate = useNavigate()
  const toast = useToast()
  const [busy, setBusy] = useState(false)
  const [sentence, setSentence] = useState<Words | null>(null)
  const [theirs, setTheirs] = useState<Saving['theirs']>(null)

  const save = async (wanted = draft.item, onto = draft.revision) => {
    const unread = Object.keys(draft.typed)[0]
    if (unread) return setSentence(t('A value cannot be read yet; see the field marked above.'))
    const named =
      id === 'new'
        ? { ...wanted, id: idFromName(wanted.name, taken => shelf[kind].some(one => one.id === taken)) }
        : wanted
    const checked = checkItem(kind, named)
    if (!checked.ok) {
      setProblems(checked.problems)
      return setSentence(
        checked.problems.length === 1
          ? checked.problems[0]!.sentence
          : t('Some values are not right yet; see the fields marked.'),
      )
    }
    if (shelf[kind].some(one => one.id !== named.id && one.name.toLowerCase() === named.name.trim().toLowerCase())) {
      const sentence = t('Another {one} has this name already. Give it a mark of its own.', {
        one: t(SHELF_KINDS[kind].one),
      })
      setProblems([{ path: 'name', value: named.name, sentence }])
      return setSentence(sentence)
    }
    setBusy(true)
    setSentence(null)
    try {
      const stored = await saveItem(kind, checked.value, onto)
      reset(stored.item, stored.revision)
      setTheirs(null)
      await client.invalidateQueries({ queryKey: shelfQuery.queryKey })
      const undo = () =>
        void saveItem(kind, before, stored.revision)
          .then(() => client.invalidateQueries({ queryKey: shelfQuery.queryKey }))
          .then(() => reset(before, stored.revision + 1))
          .catch((error: Error) => toast(error.message))
      toast(
        t('{item} is saved.', { item: stored.item.name }),
        ...(id === 'new' ? [] : [{ text: t('Undo'), run: undo }]),
      )
      if (id === 'new') await navigate(`/shelf/${kind}/${stored.item.id}`, { replace: true })
    } catch (error) {
      const current = error instanceof ApiError ? error.answer.item : undefined
      if (current) setTheirs({ item: current.item, revision: current.revision })
      if (error instanceof ApiError && error.answer.problems) setProblems(error.answer.problems)
      setSentence((error as Error).message)
    } finally {
      setBusy(false)
    }
  }
  const takeTheirs = () => {
    if (!theirs) return
    reset(theirs.item, theirs.revision)
    setTheirs(null)
    setSentence(null)
    void client.invalidateQueries({ queryKey: shelfQuery.queryKey })
  }
  return { busy, sentence, theirs, save, takeTheirs }
}

interface SaveBarProps {
  isDirty: boolean
  saving: Saving
  onDrop: () => void
}

/** Save and take back, with what stands against it. */
function SaveBar({ isDirty, saving, onDrop }: SaveBarProps) {
  if (!isDirty && !saving.sentence) return null
  return (
    <div className="sticky bottom-0 -mx-5 border-t border-ink bg-panel px-5 py-3">
      {saving.sentence && (
        <p role="alert" className="mb-2 text-rust">
          <Say of={saving.sentence} />
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        {saving.theirs ? (
          <>
            <button type="button" className="button" onClick={saving.takeTheirs}>
              {t('Take what was saved')}
            </button>
            <button
              type="button"
              className="button"
              onClick={() => void saving.save(undefined, saving.theirs!.revision)}
            >
              {t('Save mine over it')}
            </button>
          </>
        ) : (
          <>
            <button type="submit" className="button button-main" disabled={saving.busy}>
              {saving.busy ? t('Saving …') : t('Save')}
            </button>
            <button type="button" className="button" onClick={onDrop}>
              {t('Take back')}
            </button>
          </>
        )}
      </div>
    </div>
  )
}
