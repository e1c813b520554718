import type { TakenIn, TakenKind } from '@ostler/core'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { Download, Upload } from 'lucide-react'
import { EVERYTHING_FILE, takeInEverything } from '../../api/members.ts'
import { FileButton } from '../../ui/file-button.tsx'
import { Say } from '../../ui/say.tsx'
import { Section } from '../../ui/section.tsx'
import { t } from '../../words/index.ts'

/** All of a workshop as open files, and such a file from here or another server taken in. */
export function Everything() {
  const queries = useQueryClient()
  const takeIn = useMutation({ mutationFn: takeInEverything, onSettled: () => void queries.invalidateQueries() })
  return (
    <Section title={t('Everything as files')}>
      <p className="max-w-160 text-soft">
        {t(
          'Plans, records, photographs, shelf, recipes, designs and trials in one ZIP of open files, for another Ostler to take in. What stands there already stays as it is; members do not move.',
        )}
      </p>
      <p className="mt-2 flex flex-wrap gap-3">
        <a className="button min-h-11" href={EVERYTHING_FILE} download>
          <Download size={16} aria-hidden /> {t('Everything as open files (ZIP)')}
        </a>
        <FileButton
          label={t('File of a workshop to take in')}
          accept=".zip,application/zip"
          className="button min-h-11"
          isBusy={takeIn.isPending}
          onFile={file => takeIn.mutate(file)}
        >
          <Upload size={16} aria-hidden /> {t('Take in a workshop’s file …')}
        </FileButton>
      </p>
      <div role="status">
        {takeIn.isPending && (
          <p>{t('Taking it in: with many photographs this takes minutes. Leave this page open.')}</p>
        )}
        {takeIn.data && <Came of={takeIn.data} />}
      </div>
      {takeIn.error && (
        <p role="alert" className="text-rust">
          {takeIn.error.message}
        </p>
      )}
    </Section>
  )
}

const KINDS: readonly [TakenKind, string][] = [
  ['batches', t('Batches')],
  ['runs', t('Runs at the bench')],
  ['photos', t('Photographs')],
  ['shelf', t('On the shelf')],
  ['recipes', t('Recipes')],
  ['designs', t('Designs')],
  ['trials', t('Trials')],
]

/** What was taken in, what stood here already, and what was refused and why. */
function Came({ of: { refused, ...counts } }: { of: TakenIn }) {
  return (
    <>
      <table className="mt-3">
        <thead className="text-left text-[13px] text-soft">
          <tr>
            <th scope="col" className="pr-6 font-normal">
              {t('What')}
            </th>
            <th scope="col" className="pr-6 text-right font-normal">
              {t('taken in')}
            </th>
            <th scope="col" className="text-right font-normal">
              {t('stood here already')}
            </th>
          </tr>
        </thead>
        <tbody>
          {KINDS.map(([kind, name]) => (
            <tr key={kind} className="border-b border-line">
              <td className="py-1 pr-6">{name}</td>
              <td className="pr-6 text-right font-semibold tabular-nums">{counts[kind][0]}</td>
              <td className="text-right tabular-nums">{counts[kind][1]}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {refused.length > 0 && (
        <ul aria-label={t('Not taken in')} className="mt-3">
          {refused.map(({ name, sentence }, i) => (
            <li key={`${i} ${name}`} className="border-b border-line py-1">
              <strong>{name}</strong>: <Say of={sentence} />
            </li>
          ))}
        </ul>
      )}
    </>
  )
}
