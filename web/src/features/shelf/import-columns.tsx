import { fieldsOfKind } from '@ostler/core'
import type { ShelfKind, TableColumn } from '@ostler/core'
import { useId } from 'react'
import { Choice } from '../../ui/choice.tsx'
import { t } from '../../words/index.ts'

/** What each column of the file is taken for, and a choice for each: files from elsewhere name them otherwise. */
export function Columns({ kind, columns, onChosen }: ColumnsProps) {
  const id = useId()
  const left = columns.filter(({ header, field }) => field === '' && header.trim() !== '')
  const options = [
    { value: '', text: t('left out') },
    { value: 'id', text: 'Id' },
    ...fieldsOfKind(kind).map(({ key, label, unit }) => ({
      value: key,
      text: unit ? `${t(label)} [${t(unit)}]` : t(label),
    })),
  ]
  const choose = (at: number, field: string) =>
    // Two columns cannot fill one field: the one that was said last does.
    onChosen(columns.map((column, i) => (i === at ? field : column.field === field ? '' : column.field)))
  return (
    <details open={left.length > 0 || columns.every(({ field }) => field !== 'name')}>
      <summary className="cursor-pointer">
        {left.length > 0 ? (
          <span className="text-rust">
            {t('△ Columns not known, and left out: {unknownHeaders}.', {
              unknownHeaders: left
                .slice(0, 12)
                .map(({ header }) => header)
                .join(', '),
            })}
          </span>
        ) : (
          t('What its columns are taken for')
        )}
      </summary>
      <table aria-label={t('Columns of the file')} className="mt-1 block max-h-60 w-full overflow-y-auto text-[14px]">
        <tbody>
          {columns.map(({ header, sample, field }, i) => (
            <tr key={`${id}-${i}`} className="border-b border-line">
              <th scope="row" className="py-1 pr-3 text-left font-normal">
                {header.trim() || t('(no name)')}
                {sample !== '' && <span className="block text-[13px] text-soft">{sample.slice(0, 40)}</span>}
              </th>
              <td className="py-1">
                <Choice
                  bare
                  label={t('What “{header}” is', { header })}
                  value={field}
                  options={options}
                  onValue={value => choose(i, value)}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  )
}

interface ColumnsProps {
  kind: ShelfKind
  columns: readonly TableColumn[]
  onChosen: (chosen: string[]) => void
}
