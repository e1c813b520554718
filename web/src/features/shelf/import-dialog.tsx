import Papa from 'papaparse'
import { SHELF_KINDS, fieldsOfKind, tableHeaders } from '@ostler/core'
import type { RowReport, ShelfKind, TablePreview, Words } from '@ostler/core'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { importItems, shelfQuery } from '../../api/client.ts'
import { Ask } from '../../ui/ask.tsx'
import { useToast } from '../../ui/toast.tsx'
import { Columns } from './import-columns.tsx'
import { isSpreadsheet, rowsOfSpreadsheet } from '../../parts/spreadsheet.ts'
import { previewTable } from '../../workers/table-file.ts'
import { useWork } from '../../workers/use-work.ts'
import { Say, useSay } from '../../ui/say.tsx'
import { lowered, t } from '../../words/index.ts'

const MOST_SHOWN = 200
const LARGEST_BYTES = 20_000_000
const TOO_LARGE = t('This file is larger than 20 MB. Is it a table of text?')
const STATES: readonly { state: RowReport['state']; text: string }[] = [
  { state: 'refused', text: t('refused') },
  { state: 'changed', text: t('will change') },
  { state: 'new', text: t('new') },
  { state: 'same', text: t('the same') },
]

interface Props {
  kind: ShelfKind
  open: boolean
  onClose: () => void
}

/** A table file: first what it would change and which rows are refused and why, then the import. */
export function ImportDialog({ kind, open, onClose }: Props) {
  return (
    <Ask open={open} title={t('{many} from a table file', { many: t(SHELF_KINDS[kind].many) })} onClose={onClose} wide>
      {open && <Import kind={kind} onClose={onClose} />}
    </Ask>
  )
}

function Import({ kind, onClose }: { kind: ShelfKind; onClose: () => void }) {
  const { data } = useQuery(shelfQuery)
  const client = useQueryClient()
  const toast = useToast()
  const [refused, setRefused] = useState<Words>('')
  const [busy, setBusy] = useState(false)
  const [{ answer, told, isBusy, failure }, begin] = useWork<TablePreview, number>()
  // What is read, kept for when somebody says what its columns are.
  const table = useRef('')
  const preview = refused === TOO_LARGE ? null : answer
  const sentence = refused || failure || preview?.problem

  const look = (text: string | Promise<string>, chosen: readonly string[] | null) => {
    setRefused('')
    begin(async asking => {
      table.current = await text
      const called = new Map(fieldsOfKind(kind).map(({ key, label }) => [key, t(label)]))
      return previewTable(table.current, kind, data?.shelf[kind] ?? [], chosen, called, asking)
    })
  }
  const read = (file: File) => {
    if (file.size > LARGEST_BYTES) return setRefused(TOO_LARGE)
    look(isSpreadsheet(file) ? rowsOfSpreadsheet(file).then(rows => Papa.unparse(rows)) : file.text(), null)
  }
  const take = async () => {
    if (!preview || !data) return
    setBusy(true)
    try {
      const items = preview.items.map(item => ({ item, revision: data.revisions[kind][item.id] ?? 0 }))
      const { count } = await importItems(kind, items)
      await client.invalidateQueries({ queryKey: shelfQuery.queryKey })
      toast(t('{count} {many} were taken in.', { count, many: lowered(t(SHELF_KINDS[kind].many)) }))
      onClose()
    } catch (error) {
      setRefused((error as Error).message)
      await client.invalidateQueries({ queryKey: shelfQuery.queryKey })
    } finally {
      setBusy(false)
    }
  }
  return (
    <div
      className="flex flex-col gap-3"
      onDragOver={event => event.preventDefault()}
      onDrop={event => {
        event.preventDefault()
        const [file] = event.dataTransfer.files
        if (file) read(file)
      }}
    >
      <Given kind={kind} onFile={read} onText={text => look(text, null)} />
      {isBusy && <ReadSoFar share={told ?? 0} />}
      {sentence && (
        <p role="alert" className="text-rust">
          <Say of={sentence} />
        </p>
      )}
      {preview && preview.columns.length > 0 && (
        <Columns kind={kind} columns={preview.columns} onChosen={chosen => look(table.current, chosen)} />
      )}
      {preview && !preview.problem && <Report preview={preview} />}
      {preview && !preview.problem && (
        <button
          className="button button-main self-start"
          disabled={busy || preview.items.length === 0}
          onClick={() => void take()}
        >
          {busy
            ? t('Taking in …')
            : preview.items.length === 0
              ? t('Nothing to take in')
              : t('Take in {items}', { items: preview.items.length })}
        </button>
      )}
    </div>
  )
}

interface GivenProps {
  kind: ShelfKind
  onFile: (file: File) => void
  onText: (text: string) => void
}

/** Where a table comes from: a file that is chosen, or cells that are pasted. */
function Given({ kind, onFile, onText }: GivenProps) {
  return (
    <>
      <p className="text-soft">
        {t(
          'The first row names the columns, best as “CSV” here writes them: {kind} and so on; others are told apart by eye. Commas, semicolons or tabs; decimal points or commas; any unit may stand behind a number. Rows with an id or name on the shelf change that item; columns left out stay as they are.',
          { kind: tableHeaders(kind).slice(0, 5).join(', ') },
        )}
      </p>
      <label className="flex flex-col gap-1">
        <span className="text-[13px] text-soft">{t('Table file (CSV or .xlsx)')}</span>
        <input
          type="file"
          accept=".csv,.xlsx,text/csv,text/plain"
          onChange={event => {
            const file = event.target.files?.[0]
            if (file) onFile(file)
            event.target.value = ''
          }}
        />
      </label>
      <label className="flex flex-col gap-1">
        <span className="text-[13px] text-soft">{t('Or paste its cells, with the row of headers')}</span>
        <textarea
          className="field h-16 text-[13px]"
          spellCheck={false}
          onChange={event => event.target.value.trim() !== '' && onText(event.target.value)}
        />
      </label>
    </>
  )
}

function ReadSoFar({ share }: { share: number }) {
  return (
    <div
      role="progressbar"
      aria-label={t('Reading')}
      aria-valuenow={Math.round(share * 100)}
      aria-valuemin={0}
      aria-valuemax={100}
      className="h-2 bg-line"
    >
      <div className="h-2 bg-ink" style={{ width: `${share * 100}%` }} />
    </div>
  )
}

function Report({ preview }: { preview: TablePreview }) {
  const say = useSay()
  const of = (state: RowReport['state']) => preview.reports.filter(report => report.state === state)
  const shown = STATES.filter(({ state }) => state !== 'same').flatMap(({ state }) => of(state))
  return (
    <section aria-label={t('What this file would do')}>
      <p className="flex flex-wrap gap-x-6 text-lg">
        {STATES.map(({ state, text }) => (
          <span key={state} className={state === 'refused' && of(state).length > 0 ? 'font-semibold text-rust' : ''}>
            <strong>{of(state).length}</strong> {text}
          </span>
        ))}
      </p>
      <div className="mt-2 max-h-72 overflow-y-auto border-y border-line">
        <table className="w-full text-[14px]">
          <tbody>
            {shown.slice(0, MOST_SHOWN).map(report => (
              <tr key={report.row} className="border-b border-line align-top">
                <td className="py-1 pr-3 whitespace-nowrap text-soft">{t('row {row}', { row: report.row })}</td>
                <td className="pr-3 whitespace-nowrap">{STATES.find(one => one.state === report.state)!.text}</td>
                <td>
                  <strong>{report.name || t('(no name)')}</strong>
                  {report.details.map(detail => (
                    <span
                      key={say(detail)}
                      className={`block ${report.state === 'refused' ? 'text-rust' : 'text-soft'}`}
                    >
                      <Say of={detail} />
                    </span>
                  ))}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {shown.length > MOST_SHOWN && (
        <p className="text-[13px] text-soft">
          {t('The first {what} of {shown} are shown.', { what: MOST_SHOWN, shown: shown.length })}
        </p>
      )}
    </section>
  )
}
