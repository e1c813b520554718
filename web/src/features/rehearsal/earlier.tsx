import { LEVELS_OF_SURPRISE, surpriseOf } from '@ostler/core'
import type { RehearsalSetting, RehearsalSummary } from '@ostler/core'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { format } from 'date-fns'
import { Trash2 } from 'lucide-react'
import Papa from 'papaparse'
import { useState } from 'react'
import { Link } from 'react-router'
import { deleteRehearsal, rehearsalsQuery, shareRehearsal, unshareRehearsal } from '../../api/client.ts'
import { saveFile } from '../../ui/save-file.ts'
import { dated, t } from '../../words/index.ts'

/** What was to come in between, in words. */
const wordOf = ({ level, surprises }: RehearsalSetting): string =>
  surprises
    ? surprises.map(({ key }) => t(surpriseOf(key).title)).join(', ') || t('nothing chosen')
    : t(LEVELS_OF_SURPRISE[level].word)

/** Results of a class, or of one's own tries, as a table file. */
function saveResults(all: readonly RehearsalSummary[]): void {
  const rows = all.map(({ openedAt, person, setting, score, answeredRight }) => [
    format(new Date(openedAt), 'yyyy-MM-dd HH:mm'),
    ...[person, setting.seed, wordOf(setting), score ?? '', answeredRight ?? '', setting.questions?.length ?? ''],
  ])
  const table = [
    [t('begun'), t('by'), t('number'), t('came in between'), t('points of 100'), t('answered rightly'), t('questions')],
    ...rows,
  ]
  saveFile('rehearsals.csv', Papa.unparse(table, { escapeFormulae: true, newline: '\r\n' }), 'text/csv')
}

/** Rehearsals of this batch so far. */
export function Earlier({ batch, onAgain }: { batch: string; onAgain: (like: RehearsalSetting) => void }) {
  const all = useQuery({ ...rehearsalsQuery(batch), staleTime: 0 })
  const remove = useMutation({ mutationFn: deleteRehearsal, onSettled: () => void all.refetch() })
  return (
    <>
      <div className="mt-8 flex items-center gap-4">
        <h2 className="text-lg">{t('Rehearsals so far')}</h2>
        {all.data && all.data.length > 0 && (
          <button className="quiet min-h-10" onClick={() => saveResults(all.data)}>
            {t('Results as CSV')}
          </button>
        )}
      </div>
      {all.error && <p className="text-rust">{all.error.message}</p>}
      {remove.error && (
        <p role="alert" className="text-rust">
          {remove.error.message}
        </p>
      )}
      {all.data?.length === 0 && <p className="text-soft">{t('None yet.')}</p>}
      <ul>
        {all.data?.map(one => (
          <Row
            key={one.id}
            rehearsal={one}
            onAgain={() => onAgain(one.setting)}
            onDelete={() => remove.mutate(one.id)}
          />
        ))}
      </ul>
    </>
  )
}

interface RowProps {
  rehearsal: RehearsalSummary
  onAgain: () => void
  onDelete: () => void
}

function Row({ rehearsal, onAgain, onDelete }: RowProps) {
  const { id, openedAt, setting, score, person, answeredRight } = rehearsal
  const name = dated(new Date(openedAt), 'd MMMM yyyy, HH:mm')
  return (
    <li className="flex flex-wrap items-center gap-x-6 border-b border-line py-2">
      <Link to={`/rehearsals/${id}`} className="min-h-10 content-center text-lg font-semibold underline">
        {name}
      </Link>
      <span>{t('number {seed}, {setting}', { seed: setting.seed, setting: wordOf(setting) })}</span>
      <span className="text-soft">{person}</span>
      <span>
        {score === null ? t('goes on') : t('{score} of 100', { score })}
        {setting.questions &&
          t(', {answeredRight} of {questions} answered rightly', {
            answeredRight: answeredRight ?? 0,
            questions: setting.questions.length,
          })}
      </span>
      <span className="-mx-1.5 flex basis-full flex-wrap items-center">
        <button className="quiet min-h-10" onClick={onAgain}>
          {t('the same again')}
        </button>
        <Link className="quiet" to={`/rehearsals/${id}/watch`}>
          {t('watch it')}
        </Link>
        <ByLink rehearsal={rehearsal} />
        <Link className="quiet" to={`/rehearsals/${id}/came`}>
          {t('what came of it')}
        </Link>
        <button
          className="quiet min-h-10 min-w-10"
          aria-label={t('Delete the rehearsal of {name}', { name })}
          onClick={onDelete}
        >
          <Trash2 size={18} aria-hidden />
        </button>
      </span>
    </li>
  )
}

/** A link by which a class watches it on other screens, without signing in; taken back, it shows nothing more. */
function ByLink({ rehearsal: { id, isShared } }: { rehearsal: RehearsalSummary }) {
  const [token, setToken] = useState<string | null>(null)
  const queries = useQueryClient()
  const changed = () => void queries.invalidateQueries({ queryKey: ['rehearsals'] })
  const share = useMutation({
    mutationFn: () => shareRehearsal(id),
    onSuccess: one => setToken(one.token),
    onSettled: changed,
  })
  const unshare = useMutation({
    mutationFn: () => unshareRehearsal(id),
    onSuccess: () => setToken(null),
    onSettled: changed,
  })
  const error = share.error ?? unshare.error
  return (
    <>
      <button className="quiet min-h-10" onClick={() => share.mutate()}>
        {isShared ? t('a new link for a class') : t('a link for a class')}
      </button>
      {isShared && (
        <button className="quiet min-h-10" onClick={() => unshare.mutate()}>
          {t('end the link')}
        </button>
      )}
      {token !== null && isShared && <Address address={`${location.origin}/watch/${token}`} />}
      {error && (
        <span role="alert" className="basis-full text-rust">
          {error.message}
        </span>
      )}
    </>
  )
}

function Address({ address }: { address: string }) {
  const [told, setTold] = useState('')
  const copy = () =>
    void navigator.clipboard.writeText(address).then(
      () => setTold(t('copied')),
      () => setTold(t('mark it and copy it by hand')),
    )
  return (
    <span className="order-last flex basis-full flex-wrap items-center gap-3 px-1.5">
      <input
        className="field flex-1"
        readOnly
        value={address}
        aria-label={t('Link for a class')}
        onFocus={event => event.target.select()}
      />
      <button className="button" onClick={copy}>
        {t('Copy it')}
      </button>
      <span role="status">{told}</span>
      <span className="basis-full text-soft">
        {t(
          'Whoever has it watches this rehearsal without signing in, and can read its plan; names, notes, lots and prices stay here. It is shown this once.',
        )}
      </span>
    </span>
  )
}
