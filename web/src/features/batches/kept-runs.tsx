import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { keptRuns } from '../../run/kept-run.ts'
import { dated, t } from '../../words/index.ts'

/** With the server out of reach: runs that are kept in this browser and go on from here. */
export function KeptRuns() {
  const { data } = useQuery({ queryKey: ['kept-runs'], queryFn: keptRuns, staleTime: 0, networkMode: 'always' })
  if (!data || data.length === 0) return null
  return (
    <section aria-label={t('Runs kept in this browser')} className="mt-4 border-2 border-ink p-4">
      <h2 className="text-lg">{t('Runs kept in this browser')}</h2>
      <p className="text-soft">{t('They go on without the server; what is noted is sent when it is back.')}</p>
      <ul>
        {data.map(({ run, unsent }) => (
          <li key={run.id} className="flex flex-wrap items-center gap-x-4">
            <Link to={`/bench/${run.id}`} className="min-h-11 content-center text-lg font-semibold underline">
              {run.plan.name}, {dated(new Date(run.openedAt), 'd MMMM, HH:mm')}
            </Link>
            {unsent.length > 0 && (
              <span className="text-soft">{t('{unsent} not sent yet', { unsent: unsent.length })}</span>
            )}
          </li>
        ))}
      </ul>
    </section>
  )
}
