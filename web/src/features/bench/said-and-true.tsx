import { saidBins } from '@ostler/core'
import type { RunOutcome, SaidRun } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import {
  CartesianGrid,
  ComposedChart,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  XAxis,
  YAxis,
  ZAxis,
} from 'recharts'
import { outcomesQuery } from '../../api/client.ts'
import { inTen } from './plan-b-call.tsx'
import { dated, t } from '../../words/index.ts'

/** Fewer runs than this say little of how far chances are to be trusted. */
const ENOUGH = 10
const SHOWN = 10
const percent = (share: number) => `${Math.round(share * 100)} %`

/** What was said of the runs of this workshop as their batter was divided, and what came true. */
export function SaidAndTrue() {
  const { data } = useQuery(outcomesQuery)
  if (!data || data.length === 0) return null
  const runs = data.flatMap(({ said, cameTrue }): SaidRun[] => (said === null ? [] : [{ said, cameTrue }]))
  return (
    <section aria-label={t('Said, and came true')} className="mt-8">
      <h2 className="text-lg">{t('Said, and came true')}</h2>
      <p className="text-soft">
        {t(
          'All runs of this workshop: how likely they were to come out as their batter was divided, and what came of them.{runs}',
          {
            runs:
              runs.length < ENOUGH &&
              t(' {runs} so far; from {enough} on they show how far a chance is to be trusted.', {
                runs: runs.length,
                enough: ENOUGH,
              }),
          },
        )}
      </p>
      {runs.length > 0 && <SaidChart runs={runs} />}
      <Runs list={data.slice(0, SHOWN)} />
    </section>
  )
}

function SaidChart({ runs }: { runs: readonly SaidRun[] }) {
  const bins = saidBins(runs)
  const words = bins.map(bin =>
    t('Of {runs} of which {said} was said, {cameTrue} came out.', {
      runs: bin.runs,
      said: percent(bin.said),
      cameTrue: percent(bin.cameTrue),
    }),
  )
  return (
    <figure aria-label={t('Chance that was said, and share that came out')} className="max-w-120">
      <p className="sr-only">{words.join(' ')}</p>
      <ResponsiveContainer height={260}>
        <ComposedChart data={bins} margin={{ top: 10, right: 20, bottom: 24, left: 10 }}>
          <CartesianGrid stroke="var(--line)" />
          <XAxis
            dataKey="said"
            type="number"
            domain={[0, 1]}
            tickFormatter={percent}
            stroke="var(--soft)"
            tick={{ fontSize: 13, fill: 'var(--soft)' }}
            label={{ value: t('was said'), position: 'bottom', fill: 'var(--soft)', fontSize: 13 }}
          />
          <YAxis
            dataKey="cameTrue"
            type="number"
            domain={[0, 1]}
            tickFormatter={percent}
            stroke="var(--soft)"
            width={70}
            tick={{ fontSize: 13, fill: 'var(--soft)' }}
            label={{ value: t('came out'), angle: -90, position: 'insideLeft', fill: 'var(--soft)', fontSize: 13 }}
          />
          <ZAxis dataKey="runs" range={[60, 400]} domain={[1, Math.max(2, ...bins.map(bin => bin.runs))]} />
          <ReferenceLine
            segment={[
              { x: 0, y: 0 },
              { x: 1, y: 1 },
            ]}
            stroke="var(--soft)"
            strokeDasharray="5 4"
          />
          <Scatter data={bins} fill="var(--ink)" isAnimationActive={false} />
        </ComposedChart>
      </ResponsiveContainer>
    </figure>
  )
}

const Runs = ({ list }: { list: readonly RunOutcome[] }) => (
  <ul className="max-w-160">
    {list.map(run => (
      <li key={run.run} className="flex flex-wrap items-center gap-x-5 border-b border-line">
        <Link to={`/bench/${run.run}/sheet`} className="min-h-10 content-center underline">
          {run.name}, {dated(new Date(run.begunAt), 'd MMMM yyyy')}
        </Link>
        <span>{run.cameTrue ? t('✓ as planned') : t('△ otherwise')}</span>
        <span className="ml-auto text-soft">
          {run.said === null ? t('nothing was said') : t('{said} was said', { said: inTen(run.said) })}
        </span>
      </li>
    ))}
  </ul>
)
