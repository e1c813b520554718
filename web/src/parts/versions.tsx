import { together } from '@ostler/core'
import type { KeptVersion, Words } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { History, RotateCcw } from 'lucide-react'
import { useState } from 'react'
import { versionsQuery } from '../api/history.ts'
import { Ask } from '../ui/ask.tsx'
import { Say } from '../ui/say.tsx'
import { dated, t } from '../words/index.ts'

/** As many changes of one version are told. */
const MOST_TOLD = 8

interface Props<T> {
  /** What it is called. */
  name: string
  /** Under the API, like "/shelf/oils/olive". */
  at: string
  revision: number
  changes: (before: T, after: T) => Words[]
  /** Saves it as it was then. */
  onBack: (kept: T) => void
  /** No words beside the sign: it stands in a narrow row. */
  bare?: boolean
}

/** What a thing was before: who changed what and when, each version to be had back. */
export function Versions<T>({ bare = false, ...props }: Props<T>) {
  const [open, setOpen] = useState(false)
  const label = t('Earlier versions of {name}', { name: props.name })
  return (
    <>
      <button type="button" className="quiet" aria-label={label} title={label} onClick={() => setOpen(true)}>
        <History size={16} aria-hidden /> {!bare && t('Earlier versions')}
      </button>
      <Ask open={open} title={label} onClose={() => setOpen(false)} wide>
        {open && (
          <>
            <List
              {...props}
              onBack={kept => {
                setOpen(false)
                props.onBack(kept)
              }}
            />
            <button type="button" className="button mt-4 min-h-11" onClick={() => setOpen(false)}>
              {t('Close')}
            </button>
          </>
        )}
      </Ask>
    </>
  )
}

function List<T>({ at, revision, changes, onBack }: Props<T>) {
  const { data, error } = useQuery(versionsQuery<T>(at))
  if (error && !data) return <p className="text-rust">{error.message}</p>
  if (!data) return <p className="text-soft">{t('Looking it up …')}</p>
  if (data.length === 0) return <p>{t('It was never changed here. From its first change on what it was is kept.')}</p>
  return (
    <ol className="border-t border-line">
      {data.map((version, i) => {
        const before = data[i + 1]
        return (
          <Version
            key={version.revision}
            version={version}
            told={before ? changes(before.kept, version.kept) : null}
            isNow={version.revision === revision}
            onBack={() => onBack(version.kept)}
          />
        )
      })}
    </ol>
  )
}

interface VersionProps<T> {
  version: KeptVersion<T>
  /** What became another; null: it is the first that is known. */
  told: readonly Words[] | null
  isNow: boolean
  onBack: () => void
}

function Version<T>({ version: { at, member }, told, isNow, onBack }: VersionProps<T>) {
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line py-2">
      <div className="min-w-60 flex-1">
        <p className="first-letter:uppercase">
          {told === null ? (
            t('as it was first')
          ) : told.length === 0 ? (
            t('nothing that shows')
          ) : (
            <>
              <Say of={together(told.slice(0, MOST_TOLD), ', ')} />
              {told.length > MOST_TOLD && t(' and {n} more', { n: told.length - MOST_TOLD })}
            </>
          )}
        </p>
        <p className="text-[13px] text-soft">
          {dated(new Date(at), 'd MMM yyyy, HH:mm')}
          {member !== null && `, ${member}`}
          {isNow && t(': as it is now')}
        </p>
      </div>
      {!isNow && (
        <button type="button" className="button min-h-11" onClick={onBack}>
          <RotateCcw size={16} aria-hidden /> {t('Bring this back')}
        </button>
      )}
    </li>
  )
}
