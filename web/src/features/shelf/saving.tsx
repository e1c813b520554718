import { SHELF_KINDS, checkItem, idFromName } from '@ostler/core'
import type { Problem, Shelf, ShelfItem, ShelfKind, Words } from '@ostler/core'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { ApiError, saveItem, shelfQuery } from '../../api/client.ts'
import { Say } from '../../ui/say.tsx'
import { useToast } from '../../ui/toast.tsx'
import { t } from '../../words/index.ts'
import type { ItemDraft } from './drafts.ts'

/** An item that is edited, and the shelf that it stands on. */
export interface EditorProps {
  kind: ShelfKind
  /** "new" for one that does not exist yet. */
  id: string
  stored: ShelfItem
  revision: number
  shelf: Shelf
}

interface Saving {
  busy: boolean
  sentence: Words | null
  /** Stands where the other window's version is newer. */
  theirs: { item: ShelfItem; revision: number } | null
  /** @param told what is said when it is done */
  save: (item?: ShelfItem, onto?: number, told?: string) => Promise<void>
  takeTheirs: () => void
}

/** Saves an item, tells what stands against it, and has it back. */
export function useSaving(
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

  const save = async (wanted = draft.item, onto = draft.revision, told?: string) => {
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
        told ?? t('{item} is saved.', { item: stored.item.name }),
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
export function SaveBar({ isDirty, saving, onDrop }: SaveBarProps) {
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
