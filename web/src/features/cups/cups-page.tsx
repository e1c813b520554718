import { Printer } from 'lucide-react'
import { useRef } from 'react'
import { Link, useSearchParams } from 'react-router'
import { useForecast, usePlan } from '../../plan/context.tsx'
import { NextTime } from '../../parts/next-time.tsx'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { Notices } from '../../parts/notices.tsx'
import { CupPanel } from './cup-panel.tsx'
import { DivisionTable } from './division-table.tsx'
import { FilledSection } from './filled-section.tsx'
import { MediumSection } from './medium-section.tsx'
import { MouldsSection } from './moulds-section.tsx'
import { ReservesSection } from './reserves-section.tsx'
import { CupsScentSection } from './scent-section.tsx'
import { t } from '../../words/index.ts'

const NARROW = '(max-width: 1000px)'

/** How the pot is divided, and what goes into each cup. */
export function CupsPage() {
  const plan = usePlan(state => state.plan)
  const forecast = useForecast()
  const [search, setSearch] = useSearchParams()
  const wanted = plan.cups.findIndex(cup => cup.id === search.get('cup'))
  const index = wanted >= 0 ? wanted : 0
  const panel = useRef<HTMLElement>(null)
  const choose = (cup: string) => {
    setSearch({ cup }, { replace: true })
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
    <main className="grid flex-1 grid-cols-[minmax(0,1fr)_380px] grid-rows-[auto_1fr] max-[1000px]:grid-cols-1">
      <div className="flex flex-col gap-7 px-5 pt-4 pb-6 max-[900px]:px-3">
        <header className="flex flex-wrap items-baseline gap-x-6 gap-y-2">
          <h1 className="text-2xl">{t('Cups')}</h1>
          <Link to="../cards" className="button ml-auto">
            <Printer size={16} aria-hidden /> {t('Labels and mixing cards')}
          </Link>
        </header>
        <NextTime at="cups" />
        <DivisionTable plan={plan} forecast={forecast} chosen={plan.cups[index]!.id} onChoose={choose} />
        <Notices about={/^(cups|scent|division|reserves|potColorants|mould|moreMoulds)/} className="-my-2" />
      </div>
      <aside ref={panel} className="row-span-2 bg-booth max-[1000px]:row-span-1">
        <div className="px-4 py-4 max-[900px]:px-3 min-[1001px]:sticky min-[1001px]:top-0 min-[1001px]:max-h-dvh min-[1001px]:overflow-y-auto">
          <CupPanel
            key={plan.cups[index]!.id}
            plan={plan}
            forecast={forecast}
            index={index}
            onRemoved={() => setSearch({}, { replace: true })}
          />
        </div>
      </aside>
      <div className="flex flex-col gap-7 px-5 pb-4 max-[1000px]:pt-5 max-[900px]:px-3">
        <CupsScentSection plan={plan} forecast={forecast} />
        <ReservesSection plan={plan} />
        <MouldsSection plan={plan} forecast={forecast} />
        <MediumSection plan={plan} forecast={forecast} />
        <FilledSection plan={plan} forecast={forecast} />
      </div>
    </main>
  )
}
