import { FACT_GROUPS, applyEdit, differences, factsOf, forecast, readPlan, shelfWithout } from '@ostler/core'
import type { Difference, Forecast, Plan, Shelf } from '@ostler/core'
import { useInfiniteQuery, useQuery } from '@tanstack/react-query'
import { Printer } from 'lucide-react'
import { useMemo } from 'react'
import { Link, useSearchParams } from 'react-router'
import { batchQuery, ALL_BATCHES, batchesQuery, shelfQuery } from '../../api/client.ts'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { Choice } from '../../ui/choice.tsx'
import { FacePicture } from '../../drawing/face-picture.tsx'
import { Say, useSay } from '../../ui/say.tsx'
import { rich, t } from '../../words/index.ts'
import { inWords } from '../../ui/options.ts'

/** Stands for this batch's own plan B in the address. */
const PLAN_B = 'plan-b'

interface Side {
  name: string
  plan: Plan
  forecast: Forecast
  /** What its own page goes by: without what it taught itself. */
  shelf: Shelf
}

/** The other plan: another batch, or this one's plan B. */
function useOther(wanted: string): Side | null {
  const batch = useBatch()
  const isBatch = wanted !== '' && wanted !== PLAN_B
  const { data: other } = useQuery({ ...batchQuery(wanted), enabled: isBatch })
  const plan = usePlan(state => state.plan)
  const { data } = useQuery(shelfQuery)
  return useMemo(() => {
    if (wanted === PLAN_B) {
      const swapped = applyEdit(plan, { kind: 'swap-plans' })
      if (!swapped.ok) return null
      const result = forecast(swapped.plan, batch.shelf)
      return result.ok ? { name: t('Plan B'), plan: swapped.plan, forecast: result.forecast, shelf: batch.shelf } : null
    }
    const read = other && readPlan(other.plan)
    if (!other || !read?.ok) return null
    const shelf = data ? shelfWithout(data.shelf, other.id) : batch.shelf
    const result = forecast(read.plan, shelf)
    return result.ok ? { name: other.name, plan: read.plan, forecast: result.forecast, shelf } : null
  }, [wanted, other, plan, batch, data])
}

/** Two plans side by side: only what is different. */
export function ComparePage() {
  const batch = useBatch()
  const [params, setParams] = useSearchParams()
  const state = usePlan(one => one)
  const { data, isPending } = useInfiniteQuery(batchesQuery(ALL_BATCHES))
  const others = (data?.pages ?? []).flatMap(page => page.batches).filter(one => one.id !== state.id)
  const wanted = params.get('with') ?? others[0]?.id ?? ''
  const other = useOther(wanted)
  const { plan, result } = state
  const mine = useMemo<Side | null>(
    () => (result.ok ? { name: plan.name, plan, forecast: result.forecast, shelf: batch.shelf } : null),
    [plan, result, batch],
  )
  const found = useMemo(() => {
    if (!mine || !other) return []
    const [here, there] = [mine, other].map(side => factsOf(side.plan, side.forecast, side.shelf))
    return differences(here!, there!)
  }, [mine, other])
  const choices = [
    ...(plan.planB ? [{ value: PLAN_B, text: t('Plan B of this batch') }] : []),
    ...others.map(one => ({ value: one.id, text: one.name })),
  ]
  return (
    <main className="mx-auto w-full max-w-250 px-5 py-6">
      <div className="mb-4 flex flex-wrap items-end gap-4">
        <h1 className="mr-auto text-2xl">{t('Two plans, and where they differ')}</h1>
        <Choice
          label={t('Against')}
          value={wanted}
          options={choices}
          onValue={value => setParams({ with: value }, { replace: true })}
          className="min-w-56 print:hidden"
        />
        <button className="button print:hidden" onClick={() => print()}>
          <Printer size={16} aria-hidden /> {t('Print')}
        </button>
      </div>
      {!isPending && choices.length === 0 && (
        <p>
          {rich('There is no other plan to compare with. {link} and change the copy, or write a plan B under Score.', {
            link: <Link to="/batches">{t('Duplicate this batch')}</Link>,
          })}
        </p>
      )}
      {mine && other && <Sides left={mine} right={other} found={found} />}
    </main>
  )
}

function Sides({ left, right, found }: { left: Side; right: Side; found: readonly Difference[] }) {
  const say = useSay()
  return (
    <table className="w-full table-fixed">
      <thead>
        <tr className="align-bottom">
          <th className="w-44" />
          {[left, right].map((side, i) => (
            <th key={i} className="pb-2 pl-4 text-left">
              <span className="inline-block rounded bg-booth p-2">
                <FacePicture
                  plan={side.plan}
                  colours={side.forecast.colours}
                  pours={side.forecast.lanes.pours}
                  height={96}
                />
              </span>
              <span className="block font-title text-lg">{side.name}</span>
            </th>
          ))}
        </tr>
      </thead>
      {found.length === 0 && (
        <tbody>
          <tr>
            <td colSpan={3} className="border-t border-line py-3">
              {t('They do not differ in anything that is weighed, poured or timed.')}
            </td>
          </tr>
        </tbody>
      )}
      {inWords(FACT_GROUPS).map(([group, title]) => {
        const rows = found.filter(one => one.group === group)
        if (rows.length === 0) return null
        return (
          <tbody key={group}>
            <tr>
              <th colSpan={3} scope="rowgroup" className="border-t border-ink pt-3 text-left font-title text-base">
                {title}
              </th>
            </tr>
            {rows.map((one, i) => (
              <tr key={`${say(one.what)} ${i}`} className="border-t border-line align-baseline">
                <th scope="row" className="py-1 pr-3 text-left font-normal text-soft">
                  <Say of={one.what} />
                </th>
                {[one.left, one.right].map((value, side) => (
                  <td key={side} className={`py-1 pl-4 ${group === 'outcome' ? 'text-lg font-semibold' : ''}`}>
                    {value === null ? <span className="text-soft">{t('none')}</span> : say(value)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        )
      })}
    </table>
  )
}
