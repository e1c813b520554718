import { capShare, findById, plannedScent, scentLoad, at, fact } from '@ostler/core'
import type { Forecast, PlannedScent, Plan, ScentMoment } from '@ostler/core'
import { Link } from 'react-router'
import { useBatch, useHabits } from '../../plan/context.tsx'
import { Choice } from '../../ui/choice.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { QuantityField } from '../../ui/quantity.tsx'
import { useSay } from '../../ui/say.tsx'
import { rich, showShare, t } from '../../words/index.ts'

interface Props {
  plan: Plan
  forecast: Forecast
  index: number
}

type Way = 'batch' | 'none' | 'own'

/** Which scent a cup gets: the batch's, none, or one of its own. */
export function CupScent({ plan, forecast, index }: Props) {
  const say = useSay()
  const batch = useBatch()
  const told = useTold()
  const cup = plan.cups[index]!
  const way: Way = cup.ownScent ? 'own' : cup.scented && plan.scent ? 'batch' : 'none'
  const perOils = forecast.recipe.batterPerOils
  const first = batch.shelf.scents.find(one => !one.archived && one.type !== 'blend')
  const choose = (next: Way) => {
    const own = next === 'own' && first ? ownScent(first.id, plan, batch.shelf, perOils) : null
    told(
      batch.edit({
        kind: 'set',
        path: at(plan => plan.cups[index]),
        value: { ...cup, scented: next !== 'none', ownScent: own },
      }),
    )
  }
  const inBatch = forecast.recipe.scent?.name
  const portion = forecast.portions.cups[index]!
  const planned = cup.ownScent ?? (way === 'batch' ? plan.scent : null)
  const load = planned && scentLoad(planned, batch.shelf, perOils)
  const isOver = load !== null && portion.scentOfOils > load.mostOfOils + 1e-9
  return (
    <div className="flex flex-col gap-2">
      <Choice<Way>
        bare
        label={t('Scent of this cup')}
        className="w-full"
        value={way}
        options={[
          ...(plan.scent
            ? [
                {
                  value: 'batch' as const,
                  text: t('the batch’s: {inBatch}', { inBatch: say(inBatch ?? fact('its scent')) }),
                },
              ]
            : []),
          { value: 'none', text: t('no scent') },
          ...(first ? [{ value: 'own' as const, text: t('one of its own') }] : []),
        ]}
        onValue={choose}
      />
      {!plan.scent && way === 'none' && (
        <p className="text-[13px] text-soft">
          {rich('The batch has no scent. {link}', {
            link: (
              <Link to="../batter#scent" className="underline">
                {t('Choose one for all cups')}
              </Link>
            ),
          })}
        </p>
      )}
      {cup.ownScent && <OwnFields scent={cup.ownScent} plan={plan} forecast={forecast} index={index} />}
      {way === 'batch' && plan.scent && <Stabiliser scent={plan.scent} plan={plan} index={index} />}
      {load && portion.totalG > 0 && (
        <p className={`text-[13px] ${isOver ? 'font-semibold text-rust' : 'text-soft'}`}>
          {t(
            '{isOver}{scentOfOils} of this cup’s oils; {limiting} allows {mostOfOils}. The supplier’s document comes first.',
            {
              isOver: isOver && '▲ ',
              scentOfOils: showShare(portion.scentOfOils, 2),
              limiting: load.limiting.name,
              mostOfOils: showShare(capShare(load.mostOfOils), 2),
            },
          )}
        </p>
      )}
    </div>
  )
}

/** Vanilla stabiliser of this cup: as the batch's scent has it, or so much in this cup alone. */
function Stabiliser({ scent, plan, index }: { scent: PlannedScent; plan: Plan; index: number }) {
  const batch = useBatch()
  const told = useTold()
  const habits = useHabits()
  const { stabiliserRatio: own, name } = plan.cups[index]!
  const set = (value: number | null) =>
    batch.edit({ kind: 'set', path: at(plan => plan.cups[index]!.stabiliserRatio), value }, `stabiliser ${name}`)
  return (
    <div className="flex flex-wrap items-end gap-3 text-[13px]">
      <QuantityField
        label={t('Stabiliser in this cup, g per g of scent')}
        kind="plain"
        width={60}
        habits={habits}
        value={own ?? scent.stabiliserRatio}
        onValue={set}
      />
      {own === null ? (
        <span className="pb-2 text-soft">{t('as the batch’s scent has it')}</span>
      ) : (
        <button className="quiet pb-2" onClick={() => told(set(null))}>
          {t('as the batch has it')}
        </button>
      )}
    </div>
  )
}

/** A scent on its own, as strong as usual and no stronger than its limit. */
function ownScent(id: string, plan: Plan, shelf: ReturnType<typeof useBatch>['shelf'], perOils: number): PlannedScent {
  const item = findById(shelf.scents, id)!
  const parts = item.type === 'blend' ? item.parts : [{ scent: id, share: 1 }]
  const probe = plannedScent(parts, 0)
  const most = capShare(Math.min(0.1, scentLoad(probe, shelf, perOils).mostOfOils))
  return plannedScent(parts, Math.min(item.usualShareOfOils, most), {
    moment: plan.scent?.moment === 'last' ? 'last' : 'with-colour',
  })
}

export const MOMENT_WORDS: readonly { value: ScentMoment; text: string }[] = [
  { value: 'oils', text: t('into the oils') },
  { value: 'pot', text: t('into the pot') },
  { value: 'with-colour', text: t('with the colour') },
  { value: 'last', text: t('right before its pour') },
]

function OwnFields({ scent, plan, forecast, index }: Props & { scent: PlannedScent }) {
  const batch = useBatch()
  const told = useTold()
  const path = ['cups', index, 'ownScent'] as const
  const set = (value: PlannedScent) => told(batch.edit({ kind: 'set', path, value }))
  const perOils = forecast.recipe.batterPerOils
  const isBlend = scent.parts.length > 1
  return (
    <div className="flex flex-wrap items-end gap-x-3 gap-y-2">
      <Choice
        label={t('Its own scent')}
        className="max-w-64"
        value={isBlend ? 'blend' : scent.parts[0]!.scent}
        options={[
          ...(isBlend ? [{ value: 'blend', text: t('a blend of {parts}', { parts: scent.parts.length }) }] : []),
          ...batch.shelf.scents.filter(one => !one.archived).map(one => ({ value: one.id, text: one.name })),
        ]}
        onValue={id => {
          if (id === 'blend') return
          const next = ownScent(id, plan, batch.shelf, perOils)
          set({ ...next, moment: scent.moment, stabiliserRatio: scent.stabiliserRatio })
        }}
      />
      <PlanField
        label={t('Load, of the {basis}', { basis: scent.basis })}
        kind="share"
        width={60}
        path={[...path, 'load']}
      />
      <Choice
        label={t('Goes in')}
        value={scent.moment}
        options={MOMENT_WORDS.filter(one => one.value !== 'pot')}
        onValue={moment => set({ ...scent, moment })}
      />
      <PlanField label={t('Stabiliser, g per g')} kind="plain" width={52} path={[...path, 'stabiliserRatio']} />
    </div>
  )
}
