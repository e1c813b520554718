import { useRef } from 'react'
import { useSearchParams } from 'react-router'
import { useForecast, usePlan } from '../../plan/context.tsx'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { Notices } from '../../parts/notices.tsx'
import { ReckonSection, SightSection } from './base-section.tsx'
import { PlantSection, VanillinSection, WhitesSection } from './choices.tsx'
import { ColourTable } from './colour-table.tsx'
import { CupColourPanel } from './cup-colour.tsx'
import { PalettesSection } from './palettes-section.tsx'
import { t } from '../../words/index.ts'

const NARROW = '(max-width: 1000px)'

/** What the colours become: on pour day, at the cut, cured; gelled and not. */
export function ColourPage() {
  const plan = usePlan(state => state.plan)
  const forecast = useForecast()
  const [search, setSearch] = useSearchParams()
  const wanted = plan.cups.findIndex(cup => cup.id === search.get('cup'))
  const index = wanted >= 0 ? wanted : 0
  const cup = plan.cups[index]!
  const panel = useRef<HTMLElement>(null)
  const choose = (id: string) => {
    setSearch({ cup: id }, { replace: true })
    // On a phone the panel stands below the table.
    if (matchMedia(NARROW).matches) panel.current?.scrollIntoView({ behavior: 'smooth' })
  }
  if (!forecast)
    return (
      <main className="p-6">
        <ForecastRefused />
      </main>
    )
  return (
    <main className="grid flex-1 grid-cols-[minmax(0,1fr)_400px] grid-rows-[auto_1fr] max-[1000px]:grid-cols-1">
      <div className="flex flex-col gap-6 bg-booth px-5 pt-4 pb-6 max-[900px]:px-3">
        <h1 className="text-2xl">{t('What the colours become')}</h1>
        <ColourTable plan={plan} forecast={forecast} chosen={cup.id} onChoose={choose} />
        <Notices about={/^cups(\[|$)/} most={8} />
      </div>
      <aside ref={panel} className="row-span-2 border-l border-line bg-paper max-[1000px]:row-span-1">
        <div className="px-4 py-4 max-[900px]:px-3 min-[1001px]:sticky min-[1001px]:top-0 min-[1001px]:max-h-dvh min-[1001px]:overflow-y-auto">
          <CupColourPanel key={cup.id} plan={plan} forecast={forecast} index={index} />
        </div>
      </aside>
      <div className="flex flex-col gap-6 bg-booth px-5 pb-5 max-[1000px]:pt-5 max-[900px]:px-3">
        <VanillinSection plan={plan} forecast={forecast} index={index} />
        <PlantSection plan={plan} forecast={forecast} index={index} />
        <WhitesSection plan={plan} forecast={forecast} index={index} />
        <ReckonSection plan={plan} forecast={forecast} />
        <PalettesSection plan={plan} forecast={forecast} index={index} />
        <SightSection plan={plan} forecast={forecast} />
      </div>
    </main>
  )
}
