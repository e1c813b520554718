import { useSearchParams } from 'react-router'
import { useForecast, usePlan } from '../../plan/context.tsx'
import { ForecastRefused } from '../../ui/forecast-refused.tsx'
import { Notices } from '../../ui/notices.tsx'
import { ReckonSection, SightSection } from './base-section.tsx'
import { ColourTable } from './colour-table.tsx'
import { CupColourPanel } from './cup-colour.tsx'
import { PalettesSection } from './palettes-section.tsx'

/** What the colours become: on pour day, at the cut, cured; gelled and not. */
export function ColourPage() {
  const plan = usePlan(state => state.plan)
  const forecast = useForecast()
  const [search, setSearch] = useSearchParams()
  const wanted = plan.cups.findIndex(cup => cup.id === search.get('cup'))
  const index = wanted >= 0 ? wanted : 0
  const cup = plan.cups[index]!
  if (!forecast)
    return (
      <main className="p-6">
        <ForecastRefused />
      </main>
    )
  return (
    <main className="grid flex-1 grid-cols-[minmax(0,1fr)_400px] max-[1000px]:grid-cols-1">
      <div className="flex flex-col gap-6 bg-booth px-5 py-4 max-[900px]:px-3">
        <h1 className="text-2xl">What the colours become</h1>
        <ColourTable
          plan={plan}
          forecast={forecast}
          chosen={cup.id}
          onChoose={id => setSearch({ cup: id }, { replace: true })}
        />
        <Notices about={/^cups(\[|$)/} most={8} />
        <ReckonSection plan={plan} forecast={forecast} />
        <PalettesSection plan={plan} forecast={forecast} index={index} />
        <SightSection plan={plan} forecast={forecast} />
      </div>
      <aside className="border-l border-line bg-paper">
        <div className="px-4 py-4 max-[900px]:px-3 min-[1001px]:sticky min-[1001px]:top-0 min-[1001px]:max-h-dvh min-[1001px]:overflow-y-auto">
          <CupColourPanel key={cup.id} plan={plan} forecast={forecast} index={index} />
        </div>
      </aside>
    </main>
  )
}
