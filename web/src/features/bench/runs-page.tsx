import { useMutation, useQuery } from '@tanstack/react-query'
import { Play } from 'lucide-react'
import { Link, useNavigate, useParams } from 'react-router'
import { beginRun, bringInRun, runsQuery } from '../../api/client.ts'
import { freshUuid } from '../../plan/fresh-uuid.ts'
import { useForecast } from '../../plan/context.tsx'
import { JsonFileButton } from '../../ui/file-button.tsx'
import { SaidAndTrue } from './said-and-true.tsx'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { dated, t } from '../../words/index.ts'

const ENDS: Readonly<Record<string, string>> = { moulded: t('in the mould'), 'given-up': t('given up') }

/** @throws with a sentence where it is none */
async function jsonOf(file: File): Promise<unknown> {
  try {
    return JSON.parse(await file.text())
  } catch {
    throw new Error(t('“{file}” is not a run that was kept as a file.', { file: file.name }))
  }
}

/** Runs of this batch: every time that it was made, or is being made. */
export function RunsPage() {
  const { id = '' } = useParams()
  const runs = useQuery({ ...runsQuery(id), staleTime: 0 })
  const navigate = useNavigate()
  const forecast = useForecast()
  const begin = useMutation({
    // What was made ready already goes on at the bench.
    mutationFn: () => beginRun(id, runs.data?.find(run => run.begunAt === null && run.count > 0)?.id ?? freshUuid()),
    onSuccess: run => navigate(`/bench/${run.id}`),
  })
  const bring = useMutation({
    mutationFn: async (file: File) => bringInRun(id, await jsonOf(file)),
    onSuccess: () => void runs.refetch(),
  })
  const begun = runs.data?.filter(run => run.begunAt !== null)
  return (
    <main className="mx-auto w-full max-w-180 flex-1 p-5 max-[900px]:p-3">
      <h1 className="text-2xl">{t('Make it')}</h1>
      <p className="mt-1 text-soft">
        {t(
          'The Bench stays beside the pot: one deed at a time, every cup in sight. It follows the plan as it stands when you begin; a plan that is changed afterwards is another run.',
        )}
      </p>
      <ForecastRefused />
      {forecast && (
        <button
          className="button button-main mt-4 mr-3 min-h-16 px-8 text-xl"
          disabled={begin.isPending || runs.isPending}
          onClick={() => begin.mutate()}
        >
          <Play size={22} aria-hidden /> {t('Begin a run')}
        </button>
      )}
      <Link className="button mt-4 min-h-16 px-6 text-xl" to={`/batches/${id}/rehearse`}>
        {t('Rehearse it first')}
      </Link>
      {begin.error && (
        <p role="alert" className="mt-2 text-rust">
          {begin.error.message}
        </p>
      )}
      <div className="mt-8 flex items-center gap-4">
        <h2 className="text-lg">{t('Runs so far')}</h2>
        <JsonFileButton
          label={t('Run file to bring in')}
          className="quiet min-h-10"
          onFile={file => bring.mutate(file)}
        >
          {t('Bring in a run from a file')}
        </JsonFileButton>
      </div>
      {bring.error && (
        <p role="alert" className="text-rust">
          {bring.error.message}
        </p>
      )}
      {begun?.length === 0 && <p className="text-soft">{t('None yet.')}</p>}
      {runs.error && <p className="text-rust">{runs.error.message}</p>}
      <ul>
        {begun?.map(run => (
          <li key={run.id} className="flex flex-wrap items-center gap-x-6 border-b border-line py-2">
            <Link to={`/bench/${run.id}`} className="min-h-10 content-center text-lg font-semibold underline">
              {dated(new Date(run.begunAt ?? run.openedAt), 'd MMMM yyyy, HH:mm')}
            </Link>
            <span>{run.closed === null ? t('goes on') : (ENDS[run.closed] ?? run.closed)}</span>
            <span className="text-soft">
              {run.count} {run.count === 1 ? t('entry') : t('entries')}
            </span>
            <Link className="quiet ml-auto" to={`/bench/${run.id}/sheet`}>
              {t('as it was made')}
            </Link>
            <a className="quiet" href={`/api/runs/${run.id}/document`}>
              {t('as a file')}
            </a>
          </li>
        ))}
      </ul>
      <SaidAndTrue />
    </main>
  )
}
