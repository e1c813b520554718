import { useEffect } from 'react'
import { Printer } from 'lucide-react'
import { useParams } from 'react-router'
import { Places } from '../../frame/places.tsx'
import { TopBar } from '../../frame/top-bar.tsx'
import { CRAFT_CARDS, LYE_LESSON } from '../../ui/craft.ts'
import type { CraftCard } from '../../ui/craft.ts'
import { t } from '../../words/index.ts'

/** What is done every time and why, on cards to print: lye for the first time, air, melting, tops, cleaning up. */
export function CraftPage() {
  const { card = '' } = useParams()
  useEffect(() => {
    document.getElementById(card)?.scrollIntoView?.({ block: 'start' })
  }, [card])
  return (
    <>
      <div className="print:hidden">
        <TopBar>
          <Places />
        </TopBar>
      </div>
      <main className="mx-auto w-full max-w-240 px-5 py-6 max-[900px]:px-3 print:p-0">
        <div className="mb-2 flex flex-wrap items-center gap-4">
          <h1 id="lye" className="mr-auto text-3xl">
            {t('Lye, before the first time')}
          </h1>
          <button className="button print:hidden" onClick={() => window.print()}>
            <Printer size={16} aria-hidden /> {t('Print')}
          </button>
        </div>
        <Cards cards={LYE_LESSON} />
        <h2 className="mt-8 mb-2 text-3xl print:mt-4">{t('Every time')}</h2>
        <Cards cards={CRAFT_CARDS} />
        <p className="mt-4 text-soft">
          {t('Habits of the craft. Suppliers’ documents, local rules and licensed practice come first.')}
        </p>
      </main>
    </>
  )
}

const Cards = ({ cards }: { cards: readonly CraftCard[] }) => (
  <div className="grid grid-cols-2 gap-x-8 gap-y-5 max-[760px]:grid-cols-1 print:grid-cols-2">
    {cards.map(card => (
      <section
        key={card.id}
        id={card.id}
        aria-label={card.title}
        className="break-inside-avoid border-t-2 border-ink pt-2"
      >
        <h3 className="text-xl">{card.title}</h3>
        <p className="font-semibold">{card.why}</p>
        <ul className="mt-1 list-disc pl-5">
          {card.steps.map(step => (
            <li key={step}>{step}</li>
          ))}
        </ul>
      </section>
    ))}
  </div>
)
