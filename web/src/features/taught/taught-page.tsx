import { narrowedBy, paceOf } from '@ostler/core'
import type { Evidence } from '@ostler/core'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useMemo } from 'react'
import { Link, useParams } from 'react-router'
import { recordQuery, saveCounts, shelfQuery } from '../../api/client.ts'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { useForecast, usePlan } from '../../plan/context.tsx'
import { Check } from '../../ui/check.tsx'
import { Section } from '../../ui/section.tsx'
import { useAct } from '../../ui/use-act.ts'
import { HandsTaught } from './hands-taught.tsx'
import { StuckTaught } from './stuck-taught.tsx'
import { rich, t } from '../../words/index.ts'

/** What a batch taught the workshop: each thing with what was expected and what came, looked at and left out by the maker. */
export function TaughtPage() {
  const { id = '' } = useParams()
  const { data: shelf, error } = useQuery(shelfQuery)
  const { data: record } = useQuery(recordQuery(id))
  const forecast = useForecast()
  const evidence = shelf?.shelf.evidence.find(one => one.batch === id) ?? null
  return (
    <main className="mx-auto w-full max-w-220 flex-1 px-5 py-4 max-[900px]:px-3">
      <h1 className="text-2xl">{t('What it taught')}</h1>
      <ForecastRefused />
      {error && <p className="text-rust">{error.message}</p>}
      {forecast && shelf && (
        <>
          <Read evidence={evidence} />
          <HandsTaught />
          <StuckTaught entries={record?.entries ?? []} />
        </>
      )}
    </main>
  )
}

const percent = (ln: number, [more, less]: readonly [string, string]): string => {
  const by = Math.round((Math.exp(ln) - 1) * 100)
  return by === 0 ? t('as expected') : `${Math.abs(by)} % ${by > 0 ? more : less}`
}
const range = (variance: number): string => `± ${Math.round((Math.exp(1.28 * Math.sqrt(variance)) - 1) * 100)} %`

interface Line {
  what: string
  came: string
  sure: string
  for: string
}

/** What was read of it and counts by itself for later forecasts. */
function linesOf({ observations, rest, cure }: Evidence): Line[] {
  const stages = [
    ['plain', t('pace of the plain batter'), t('the recipe, your hands')],
    ['scented', t('pace with the scent'), t('the scent')],
    ['blend', t('pace under the blender'), t('your blender')],
  ] as const
  const readings = [
    [t('heat of the reaction in the mould'), rest?.rate, [t('quicker'), t('slower')], t('this recipe and scent')],
    [t('heat that the mould loses'), rest?.losses, [t('more'), t('less')], t('this mould and wrap')],
    [t('water that bars lose'), cure?.loss, [t('more'), t('less')], t('your rack')],
    [t('time that bars take to dry'), cure?.time, [t('longer'), t('shorter')], t('your rack')],
  ] as const
  return [
    ...stages.flatMap(([stage, what, whose]): Line[] => {
      const mine = observations.filter(one => one.stage === stage)
      const weight = mine.reduce((sum, one) => sum + 1 / one.variance, 0)
      if (weight === 0) return []
      const mean = mine.reduce((sum, one) => sum + one.value / one.variance, 0) / weight
      return [{ what, came: percent(mean, [t('quicker'), t('slower')]), sure: range(1 / weight), for: whose }]
    }),
    ...readings.flatMap(([what, reading, words, whose]): Line[] =>
      reading ? [{ what, came: percent(reading.value, words), sure: range(reading.variance), for: whose }] : [],
    ),
  ]
}

function Read({ evidence }: { evidence: Evidence | null }) {
  const client = useQueryClient()
  const act = useAct()
  const { data } = useQuery(shelfQuery)
  const plan = usePlan(one => one.plan)
  const narrowed = useMemo(
    () => (evidence && data ? narrowedBy(data.shelf, paceOf(plan, data.shelf), evidence) : 0),
    [data, evidence, plan],
  )
  const lines = evidence ? linesOf(evidence) : []
  if (!evidence || lines.length === 0)
    return (
      <Section title={t('Read of it')} className="mt-4">
        <p className="max-w-140 text-soft">
          {rich(
            'Nothing yet. Traces that are noted at the bench, temperatures of the {rest} and bars on the {scale} are read here, and make the next forecast surer.',
            {
              rest: (
                <Link to="../rest" className="underline">
                  {t('rest')}
                </Link>
              ),
              scale: (
                <Link to="../cut" className="underline">
                  {t('scale')}
                </Link>
              ),
            },
          )}
        </p>
      </Section>
    )
  const count = (counts: boolean) =>
    act.run(async () => {
      await saveCounts(evidence.batch, counts)
      await client.invalidateQueries({ queryKey: shelfQuery.queryKey })
    })
  return (
    <Section title={t('Read of it')} className="mt-4">
      <table className="w-full">
        <thead>
          <tr className="text-left text-[13px] text-soft">
            {['', t('came out'), t('surely to'), t('teaches')].map(head => (
              <th key={head} className="pr-4 font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map(line => (
            <tr key={line.what} className="border-b border-line">
              <th scope="row" className="py-1.5 pr-4 text-left font-normal first-letter:uppercase">
                {line.what}
              </th>
              <td className="pr-4 text-lg font-semibold">{line.came}</td>
              <td className="pr-4 text-soft">{line.sure}</td>
              <td className="text-soft">{line.for}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-2 flex flex-wrap items-center gap-x-5">
        <Check label={t('counts for other batches')} checked={evidence.counts} onChange={on => void count(on)} />
        {evidence.counts && narrowed > 0.005 && (
          <span className="text-soft">
            {t('By it the pace of the next batch like this is known {narrowed} % more closely.', {
              narrowed: Math.round(narrowed * 100),
            })}
          </span>
        )}
        {act.sentence !== '' && (
          <span role="alert" className="text-rust">
            {act.sentence}
          </span>
        )}
      </div>
    </Section>
  )
}
