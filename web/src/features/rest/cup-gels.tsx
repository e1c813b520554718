import { showTemperature, waterEdit, waterOnShelf } from '@ostler/core'
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
import { showShare, t } from '../../words/index.ts'

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
    <Section title={t('Cup by cup')}>
      <p className="max-w-180 text-soft">
        {t(
          'More water gels at less warmth. With more in one cup than in the others, one colour can gel, deep and clear, beside others that stay matt.',
        )}
      </p>
      <div className="max-w-full overflow-x-auto">
        <table className="mt-2 w-full max-w-180">
          <thead>
            <tr className="text-left text-[13px] text-soft">
              {[t('cup'), t('lye of lye and water'), t('gels from'), t('gels'), t('water stirred in'), ''].map(head => (
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
                    {one.share < 0.02 ? t('no') : one.share > 0.97 ? t('all of it') : showShare(one.share, 0)}
                  </td>
                  <td className="pr-4 whitespace-nowrap">
                    {water === null ? (
                      t('no water on the shelf')
                    ) : (
                      <NumberCell
                        label={t('Water stirred into {cup}, g per kg', { cup: cup.name })}
                        kind="plain"
                        unit={t('g per kg')}
                        value={waterOf(i)}
                        onValue={g => told(batch.edit(waterEdit(plan, i, water, g)))}
                      />
                    )}
                  </td>
                  <td>
                    {water !== null && poured.size > 1 && (
                      <button className="quiet" disabled={search.isBusy} onClick={() => contrast(i)}>
                        {t('Gel it alone …')}
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
      ? t('Nothing tried lets {name} gel alone: up to 90 g of water per kg of it, 40 % lye in the pot, and towels.', {
          name,
        })
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
    toast(result.ok ? t('{sentence}: done.', { sentence: say(way.sentence) }) : result.sentence, {
      text: t('Undo'),
      run: () => batch.undo(),
    })
  }
  return (
    <div aria-live="polite">
      {isBusy && <p className="mt-2 text-soft">{t('Looking for a way to gel {name} alone …', { name })}</p>}
      {sentence && <p className="mt-2">{say(sentence)}</p>}
      {way && (
        <div className="mt-2 max-w-180 border border-line p-3">
          <p className="font-semibold">{say(way.sentence)}.</p>
          <p className="text-soft">
            {t(
              '{cupShare} of {name} gels then, and at most {othersShare} of any other cup. A thinner batter moves faster: look at the lanes again.',
              { cupShare: showShare(way.cupShare, 0), name, othersShare: showShare(way.othersShare, 0) },
            )}
          </p>
          <button className="button mt-1" onClick={apply}>
            {t('Apply')}
          </button>
        </div>
      )}
    </div>
  )
}
