import type { ReactNode } from 'react'
import { FITNESS, LIVES, isHeld, showMass } from '@ostler/core'
import type { BatchSummary } from '@ostler/core'
import { parseISO } from 'date-fns'
import { Archive, ArchiveRestore, Copy, Download, Trash2 } from 'lucide-react'
import { Link } from 'react-router'
import { faceAddress } from '../../api/client.ts'
import { useHabits } from '../../plan/context.tsx'
import { STATE_WORDS } from '../../ui/state-words.ts'
import { Tags } from './tags.tsx'
import { useSay } from '../../ui/say.tsx'
import { ago, dated, t, todayHere } from '../../words/index.ts'

interface Props {
  batch: BatchSummary
  onDuplicate: (batch: BatchSummary) => void
  onExport: (batch: BatchSummary) => void
  onDelete: (batch: BatchSummary) => void
  onArchive: (batch: BatchSummary) => void
  onTag: (tag: string) => void
}

/** What it is for, and the day it must be made by where it is wanted for one. */
function Wanted({ batch: { occasion, forWhom, makeOn } }: Pick<Props, 'batch'>) {
  const brief = [occasion, forWhom && t('for {forWhom}', { forWhom })].filter(Boolean).join(', ')
  if (brief === '' && makeOn === null) return null
  const isLate = makeOn !== null && makeOn < todayHere()
  return (
    <p>
      {brief}
      {makeOn !== null && (
        <span className={isLate ? 'text-rust' : ''}>
          {t('{brief}{isLate}to be made by {makeOn}', {
            brief: brief !== '' && ' · ',
            isLate: isLate && '▲ ',
            makeOn: dated(parseISO(makeOn), 'd MMMM'),
          })}
        </span>
      )}
    </p>
  )
}

/** A batch in the list; what is still being worked out stands empty in its place. */
export function BatchRow({ batch, onDuplicate, onExport, onDelete, onArchive, onTag }: Props) {
  const habits = useHabits()
  const say = useSay()
  const { potG, scent, state, layers, life } = batch
  // What the pour might do is no news once it is poured.
  const isAhead = life === 'draft' || life === 'planned' || life === 'made'
  const page = isAhead ? 'score' : life === 'resting' ? 'rest' : 'outcome'
  return (
    <li className="grid grid-cols-[96px_1fr_auto_auto] items-center gap-5 border-b border-line py-3 max-[900px]:grid-cols-[64px_1fr] max-[900px]:gap-3 max-[900px]:gap-y-1">
      <Link
        to={`/batches/${batch.id}/${page}`}
        tabIndex={-1}
        aria-hidden
        className="grid place-items-center rounded bg-booth p-2"
      >
        {batch.face === null ? (
          <span className="block h-16" />
        ) : (
          <img
            src={faceAddress(batch)}
            alt=""
            height={64}
            loading="lazy"
            className="block h-16 max-w-full object-contain"
          />
        )}
      </Link>
      <div className="min-w-0">
        <Link to={`/batches/${batch.id}/${page}`} className="font-title text-xl font-semibold hover:underline">
          {batch.name}
        </Link>
        <p className="text-soft">
          {layers} {layers === 1 ? t('layer') : t('layers')} · {potG === null ? '…' : showMass(potG, habits, 1)}
          {scent !== null && ` · ${say(scent) || t('unscented')}`}
        </p>
        <Wanted batch={batch} />
        <p className="text-[13px] text-soft">
          {t('changed {formatDistanceToNow}', {
            formatDistanceToNow: ago(new Date(batch.updatedAt)),
          })}
        </p>
        <Tags batch={batch} onTag={onTag} />
      </div>
      <p className="w-56 text-right text-[15px] max-[900px]:col-start-2 max-[900px]:w-auto max-[900px]:text-left">
        <strong className="block font-semibold">{t(LIVES[life])}</strong>
        {isHeld(batch.fitness) && (
          <Link to={`/batches/${batch.id}/faults`} className="font-semibold text-rust underline">
            ▲ {t(FITNESS[batch.fitness])}
          </Link>
        )}
        {state && isAhead && (
          <span className={state === 'trouble' ? 'font-semibold text-rust' : ''}>{STATE_WORDS[state]}</span>
        )}
      </p>
      <RowKeys {...{ batch, onDuplicate, onExport, onDelete, onArchive }} />
    </li>
  )
}

/** What can be done with a batch without opening it. */
function RowKeys({ batch, onDuplicate, onExport, onDelete, onArchive }: Omit<Props, 'onTag'>) {
  const { name, isArchived } = batch
  const key = (label: string, title: string, icon: ReactNode, onPress: (batch: BatchSummary) => void) => (
    <button className="quiet" aria-label={label} title={title} onClick={() => onPress(batch)}>
      {icon}
    </button>
  )
  return (
    <div className="flex max-[900px]:col-start-2 max-[900px]:-ml-2">
      {key(t('Duplicate {batch}', { batch: name }), t('Duplicate'), <Copy size={17} aria-hidden />, onDuplicate)}
      {key(t('Export {batch}', { batch: name }), t('Export'), <Download size={17} aria-hidden />, onExport)}
      {isArchived
        ? key(
            t('Take {batch} out again', { batch: name }),
            t('Take out again'),
            <ArchiveRestore size={17} aria-hidden />,
            onArchive,
          )
        : key(t('Put {batch} away', { batch: name }), t('Put away'), <Archive size={17} aria-hidden />, onArchive)}
      {key(t('Delete {batch}', { batch: name }), t('Delete'), <Trash2 size={17} aria-hidden />, onDelete)}
    </div>
  )
}
