import { findById, isLyeLine, listOf, showMass, showTemperature, weighList } from '@ostler/core'
import { useDesignHexes, useDesign } from '../../drawing/use-design.ts'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { Say } from '../../ui/say.tsx'
import { Swatch } from '../../ui/swatch.tsx'
import { Part, Table } from './part.tsx'
import type { TableRow } from './part.tsx'
import { showShare, t } from '../../words/index.ts'

/** What was to be made: oils, lye, temperatures, scent, and the cups with their colours. */
export function Planned() {
  const habits = useHabits()
  const plan = usePlan(one => one.plan)
  const { shelf } = useBatch()
  const { portions, colours } = useForecast()!
  const hexes = useDesignHexes(useDesign())
  const lyeG = weighList(plan, portions, shelf)
    .filter(line => isLyeLine(line))
    .reduce((sum, line) => sum + line.massG, 0)
  const scents = plan.scent?.isPrivate
    ? [t('a private blend, {scentG}', { scentG: showMass(portions.scentG, habits, 0.1) })]
    : portions.scents.map(one => `${one.name} ${showMass(one.massG, habits, 0.1)}`)
  const rows: TableRow[] = [
    ...portions.oils.map(({ name, share, massG }) => ({
      what: name,
      cells: [showShare(share, 1), showMass(massG, habits, 1)],
    })),
    { what: t('Lye (NaOH)'), cells: ['', showMass(lyeG, habits, 0.1)] },
    { what: t('Superfat'), cells: ['', showShare(portions.superfatShare, 1)] },
    { what: t('Lye and oils meet at'), cells: ['', showTemperature(plan.conditions.mixC, habits)] },
    { what: t('Scent'), cells: ['', scents.length > 0 ? scents.join(', ') : t('none')] },
  ]
  return (
    <Part title={plan.recipe.name === '' ? t('Planned') : t('Planned: {recipe}', { recipe: plan.recipe.name })}>
      <div className="grid grid-cols-2 gap-x-10 max-[700px]:grid-cols-1">
        <Table rows={rows} />
        <Table
          rows={plan.cups.map((cup, i) => ({
            what: (
              <span className="flex items-center gap-2">
                <Swatch hex={hexes[i] ?? '#ffffff'} size={18} />
                <span>
                  {cup.name}
                  <span className="block text-[13px] text-soft">
                    <Say
                      of={listOf(
                        cup.colorants.map(one => findById(shelf.colorants, one.colorant)?.name ?? one.colorant),
                      )}
                    />
                  </span>
                </span>
              </span>
            ),
            cells: [showMass(portions.cups[i]?.totalG ?? 0, habits, 1)],
          }))}
        />
      </div>
      {colours === null && <p className="text-soft">{t('Its colours cannot be forecast with the shelf as it is.')}</p>}
    </Part>
  )
}
