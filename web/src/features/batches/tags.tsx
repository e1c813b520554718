import type { BatchSummary } from '@ostler/core'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { Plus, X } from 'lucide-react'
import { useState } from 'react'
import { saveTags, tagsQuery } from '../../api/workshop.ts'
import { t } from '../../words/index.ts'

const MOST = 12

/** What a batch is sorted by: each tag lists all that have it; another is typed. */
export function Tags({ batch, onTag }: { batch: BatchSummary; onTag: (tag: string) => void }) {
  const client = useQueryClient()
  const [typed, setTyped] = useState<string | null>(null)
  const save = useMutation({
    mutationFn: (tags: readonly string[]) => saveTags(batch.id, tags),
    onSuccess: () =>
      Promise.all([
        client.invalidateQueries({ queryKey: ['batches', 'list'] }),
        client.invalidateQueries({ queryKey: tagsQuery.queryKey }),
      ]),
  })
  const add = () => {
    const tag = (typed ?? '').trim()
    setTyped(null)
    if (tag !== '' && !batch.tags.includes(tag)) save.mutate([...batch.tags, tag])
  }
  return (
    <div className="mt-0.5 flex flex-wrap items-center gap-x-2 text-[13px]">
      {batch.tags.map(tag => (
        <span key={tag} className="inline-flex items-center border border-line">
          <button
            className="min-h-6 px-1.5 hover:underline"
            title={t('All with “{tag}”', { tag })}
            onClick={() => onTag(tag)}
          >
            {tag}
          </button>
          <button
            className="grid min-h-6 min-w-6 place-items-center text-soft hover:text-ink"
            aria-label={t('Take the tag {tag} off {batch}', { tag, batch: batch.name })}
            onClick={() => save.mutate(batch.tags.filter(one => one !== tag))}
          >
            <X size={12} aria-hidden />
          </button>
        </span>
      ))}
      {typed === null ? (
        batch.tags.length < MOST && (
          <button
            className="quiet min-h-7"
            aria-label={t('Add a tag to {batch}', { batch: batch.name })}
            onClick={() => setTyped('')}
          >
            <Plus size={13} aria-hidden /> {t('tag')}
          </button>
        )
      ) : (
        <TagInput {...{ typed, setTyped, add }} />
      )}
      {save.error && (
        <span role="alert" className="text-rust">
          {save.error.message}
        </span>
      )}
    </div>
  )
}

interface InputProps {
  typed: string
  setTyped: (typed: string | null) => void
  add: () => void
}

const TagInput = ({ typed, setTyped, add }: InputProps) => (
  <input
    autoFocus
    aria-label={t('New tag')}
    className="field w-36"
    maxLength={30}
    value={typed}
    onChange={changed => setTyped(changed.target.value)}
    onBlur={add}
    onKeyDown={pressed => {
      if (pressed.key === 'Enter') add()
      if (pressed.key === 'Escape') setTyped(null)
    }}
  />
)
