import { recordOf, runShown, settle } from '@ostler/core'
import { Printer } from 'lucide-react'
import { useMemo } from 'react'
import { Link } from 'react-router'
import { RunSheet } from '../../parts/run-sheet.tsx'
import { useRun, useRunHex, useRunState } from '../../run/context.tsx'
import { dated, t } from '../../words/index.ts'

/** What really happened in this run beside what was planned, as a sheet to print and keep. */
export function RunRecordSheet() {
  const run = useRun()
  const { state, events } = useRunState()
  const hexOf = useRunHex()
  const { plan } = run.following
  const record = useMemo(() => recordOf(run.following, state, settle(events)), [run, state, events])
  return (
    <main className="min-h-screen bg-booth py-6 max-[600px]:py-0 print:bg-white print:p-0">
      <div className="mx-auto mb-4 flex max-w-200 gap-3 px-4 max-[600px]:pt-3 print:hidden">
        <button className="button button-main" onClick={() => print()}>
          <Printer size={16} aria-hidden /> {t('Print')}
        </button>
        <Link className="button" to={`/bench/${run.id}`}>
          {t('To the bench')}
        </Link>
        <Link className="button" to={`/batches/${run.batch}/bench`}>
          {t('To its runs')}
        </Link>
      </div>
      <article className="sheet mx-auto max-w-200 bg-paper p-8 text-[15px] max-[600px]:p-4 print:max-w-none print:p-0 print:text-[11pt]">
        <h1 className="text-3xl">{t('{plan}, as it was made', { plan: plan.name })}</h1>
        <p className="mb-4 text-soft">
          {dated(run.openedAt, 'd MMMM yyyy, HH:mm')} ·{' '}
          {state.closed === 'moulded'
            ? t('in the mould')
            : state.closed === 'given-up'
              ? t('given up')
              : t('not ended')}
          {plan.madeBy && t(' · made by {madeBy}', { madeBy: plan.madeBy })}
        </p>
        <RunSheet shown={runShown(plan, state, record, hexOf)} />
      </article>
    </main>
  )
}
