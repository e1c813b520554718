import { showShare, showTemperature, waterEdit, waterOnShelf } from '@ostler/core'
import type { ContrastWay, CupGel, Words } from '@ostler/core'
import { useState } from 'react'
import { useCupHex } from '../../plan/colour-view.ts'
import { useBatch, useHabits, usePlan } from '../../plan/context.tsx'
import { NumberCell } from '../../ui/number-cell.tsx'
import { useTold } from '../../parts/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { Swatch } from '../../ui/swatch.tsx'
import { useToast } from '../../ui/toast.tsx'
import { contrastOf } from '../../workers/rest.ts'
import { useWork } from '../../workers/use-work.ts'
import { useSay } from '../../ui/say.tsx'

/** What each cup gels from and how much of it does; water stirred into one lets it gel where others do not. */
export function CupGels({ cups }: { cups: readonly CupGel[] }) {
  const habits = useHabits()
  const batch = useBatch()
  const plan = usePlan(state => state.plan)
  const told = useTold()
  const hexOf = useCupHex()
  const water = waterOnShelf(batch.shelf)
  const poured = new Set(plan.score.map(pour => pour.cup))
  const waterOf = (i: number) => plan.cups[i]!.colorants.find(part => part.colorant === water)?.doseGPerKg ?? 0
  const [search, contrast] = useContrast()
  return (
    <Section title="Cup by cup">
      <p className="max-w-180 text-soft">
        More water gels at less warmth. With more in one cup than in the others, one colour can gel, deep and clear,
        beside others that stay matt.
      </p>
      <div className="max-w-full overflow-x-auto">
        <table className="mt-2 w-full max-w-180">
          <thead>
            <tr className="text-left text-[13px] text-soft">
              {['cup', 'lye of lye and water', 'gels from', 'gels', 'water stirred in', ''].map(head => (
                <th key={head} className="pr-4 font-normal">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {cups.map((one, i) => {
              const cup = plan.cups[i]
              if (!cup || cup.id !== one.cup || !poured.has(one.cup)) return null
              return (
                <tr key={one.cup} className="border-t border-line">
                  <th className="py-1 pr-4 text-left font-semibold">
                    <span className="flex items-center gap-2">
                      <Swatch hex={hexOf(one.cup)} /> {cup.name}
                    </span>
                  </th>
                  <td className="pr-4">{showShare(one.lyeConcentration)}</td>
                  <td className="pr-4">{showTemperature(Math.round(one.gelC), habits)}</td>
                  <td className="pr-4 font-semibold">
                    {one.share < 0.02 ? 'no' : one.share > 0.97 ? 'all of it' : showShare(one.share, 0)}
                  </td>
                  <td className="pr-4 whitespace-nowrap">
                    {water === null ? (
                      'no water on the shelf'
                    ) : (
                      <NumberCell
                        label={`Water stirred into ${cup.name}, g per kg`}
                        kind="plain"
                        unit="g per kg"
                        value={waterOf(i)}
                        onValue={g => told(batch.edit(waterEdit(plan, i, water, g)))}
                      />
                    )}
                  </td>
                  <td>
                    {water !== null && poured.size > 1 && (
                      <button className="quiet" disabled={search.isBusy} onClick={() => contrast(i)}>
                        Gel it alone …
                      </button>
                    )}
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </div>
      <Found search={search} />
    </Section>
  )
}

interface Search {
  cup: number
  isBusy: boolean
  way: ContrastWay | null
  sentence: Words
}

function useContrast(): [Search, (cupIndex: number) => void] {
  const batch = useBatch()
  const [{ cup, name }, setCup] = useState({ cup: -1, name: '' })
  const [{ answer, isBusy, failure }, begin] = useWork<{ way: ContrastWay | null }>()
  const start = (index: number) => {
    const { plan } = batch.get()
    setCup({ cup: index, name: plan.cups[index]!.name })
    begin(async asking => ({ way: await contrastOf(plan, batch.shelf, index, asking) }))
  }
  const way = answer?.way ?? null
  const found =
    answer && !way
      ? `Nothing tried lets ${name} gel alone: up to 90 g of water per kg of it, 40 % lye in the pot, and towels.`
      : ''
  return [{ cup, isBusy, way, sentence: failure || found }, start]
}

function Found({ search }: { search: Search }) {
  const batch = useBatch()
  const toast = useToast()
  const say = useSay()
  const plan = usePlan(state => state.plan)
  const { way, isBusy, sentence } = search
  const name = plan.cups[search.cup]?.name ?? ''
  const apply = () => {
    if (!way) return
    const result = batch.edit(way.edit)
    toast(result.ok ? `${say(way.sentence)}: done.` : result.sentence, { text: 'Undo', run: () => batch.undo() })
  }
  return (
    <div aria-live="polite">
      {isBusy && <p className="mt-2 text-soft">Looking for a way to gel {name} alone …</p>}
      {sentence && <p className="mt-2">{say(sentence)}</p>}
      {way && (
        <div className="mt-2 max-w-180 border border-line p-3">
          <p className="font-semibold">{say(way.sentence)}.</p>
          <p className="text-soft">
            {showShare(way.cupShare, 0)} of {name} gels then, and at most {showShare(way.othersShare, 0)} of any other
            cup. A thinner batter moves faster: look at the lanes again.
          </p>
          <button className="button mt-1" onClick={apply}>
            Apply
          </button>
        </div>
      )}
    </div>
  )
}
