import { findById, showMass, showMinutes, at } from '@ostler/core'
import type { Cup, Forecast, Plan } from '@ostler/core'
import { Trash2 } from 'lucide-react'
import { Link } from 'react-router'
import { useBatch, useHabits, useLanes } from '../../plan/context.tsx'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { TextField } from '../../ui/text-field.tsx'
import { ColorantRows } from '../../parts/colorant-rows.tsx'
import { CupScent } from './cup-scent.tsx'
import { CupWorking } from './cup-working.tsx'
import { rich, showChance, showShare, t } from '../../words/index.ts'

interface Props {
  plan: Plan
  forecast: Forecast
  index: number
  onRemoved: () => void
}

/** Everything about one cup. */
export function CupPanel({ plan, forecast, index, onRemoved }: Props) {
  const batch = useBatch()
  const told = useTold()
  const cup = plan.cups[index]!
  const remove = () => {
    const result = batch.edit({ kind: 'remove-cup', cup: cup.id })
    told(result)
    if (result.ok) onRemoved()
  }
  return (
    <section aria-label={t('Cup {cup}', { cup: cup.name })} className="flex flex-col gap-4">
      <div className="flex items-end gap-2">
        <div className="flex-1">
          <TextField
            label={t('Cup')}
            value={cup.name}
            className="w-full font-title text-lg font-semibold"
            onValue={value =>
              batch.edit({ kind: 'set', path: at(plan => plan.cups[index]!.name), value }, `name ${cup.id}`)
            }
          />
        </div>
        <button
          className="quiet"
          disabled={plan.cups.length === 1}
          onClick={remove}
          aria-label={t('Remove {cup}', { cup: cup.name })}
        >
          <Trash2 size={17} aria-hidden />
        </button>
      </div>
      <Holds forecast={forecast} index={index} />
      <Part title={t('Colour')}>
        <ColorantRows cup={cup} index={index} />
        <p className="mt-1 text-[13px] text-soft">
          {rich('A dose may be typed in level spoons: “1 1/2 tsp”. {link}', {
            link: (
              <Link to={`../colour?cup=${cup.id}`} className="underline">
                {t('What it becomes')}
              </Link>
            ),
          })}
        </p>
      </Part>
      <Part title={t('Scent')}>
        <CupScent plan={plan} forecast={forecast} index={index} />
      </Part>
      <Part title={t('How it is worked')}>
        <CupWorking plan={plan} forecast={forecast} cup={cup} index={index} />
      </Part>
      <Part title={t('Vessel and what clings')}>
        <VesselFields cup={cup} forecast={forecast} index={index} />
      </Part>
    </section>
  )
}

const Part = ({ title, children }: { title: string; children: React.ReactNode }) => (
  <div className="border-t border-booth-deep pt-2">
    <h3 className="mb-1.5 font-title font-semibold">{title}</h3>
    {children}
  </div>
)

/** Shown once it is half a point away from the batch's. */
const WORTH_SHOWING = 0.005

function Holds({ forecast, index }: { forecast: Forecast; index: number }) {
  const habits = useHabits()
  const { portions } = forecast
  const portion = portions.cups[index]!
  if (!(portion.totalG > 0))
    return (
      <p className="text-soft">
        {t('It is poured nowhere yet: give it a layer in the score, or keep some of it back.')}
      </p>
    )
  const { pot } = portions
  const plainShare = pot.naohG / (pot.naohG + pot.waterG)
  const superfatOff = Math.abs(portion.superfatShare - portions.superfatShare) > WORTH_SHOWING
  const waterOff = Math.abs(portion.concentrationShare - plainShare) > WORTH_SHOWING
  const parts = [
    t('{pouredG} poured', { pouredG: showMass(portion.pouredG, habits, 1) }),
    portion.reserveG > 0 && t('{reserveG} kept back', { reserveG: showMass(portion.reserveG, habits, 1) }),
    t('{clingG} clings', { clingG: showMass(portion.clingG, habits, 0.1) }),
    t('{volumeMl} ml', { volumeMl: Math.round(portion.volumeMl) }),
  ].filter(Boolean)
  return (
    <div>
      <p>
        {rich('{totalG} in all', { totalG: <strong className="text-2xl">{showMass(portion.totalG, habits)}</strong> })}
      </p>
      <p className="text-[13px] text-soft">{parts.join(' · ')}</p>
      {superfatOff && (
        <p className="mt-1 text-[14px]">
          {rich('Superfat of this cup {superfatShare}, of the batch {superfatShare2}.', {
            superfatShare: <strong>{showShare(portion.superfatShare)}</strong>,
            superfatShare2: showShare(portions.superfatShare),
          })}
        </p>
      )}
      {waterOff && (
        <p className="mt-1 text-[14px]">
          {rich('Lye in this cup {concentrationShare}, in the pot {plainShare}.', {
            concentrationShare: <strong>{showShare(portion.concentrationShare, 0)}</strong>,
            plainShare: showShare(plainShare, 0),
          })}
        </p>
      )}
      <PourWords forecast={forecast} index={index} />
    </div>
  )
}

/** What scent and colour make of the time: when its pours come, and how much is to spare. */
function PourWords({ forecast, index }: { forecast: Forecast; index: number }) {
  const { cup } = forecast.portions.cups[index]!
  const pours = useLanes()!.pours.filter(pour => pour.cup === cup)
  if (pours.length === 0) return null
  const worst = pours.reduce((a, b) => (b.chance < a.chance ? b : a))
  const spare =
    worst.marginMin < 0
      ? t('{marginMin} late', { marginMin: showMinutes(-worst.marginMin) })
      : t('{marginMin} to spare', { marginMin: showMinutes(worst.marginMin) })
  return (
    <p className={`mt-1 text-[14px] ${worst.chance < 0.6 ? 'font-semibold text-rust' : ''}`}>
      {rich('Poured {pours}: {chance} as planned, {spare}. {score}', {
        pours: pours.map(pour => t('at {startMin}', { startMin: showMinutes(pour.startMin) })).join(', '),
        chance: showChance(worst.chance),
        spare,
        score: (
          <Link to="../score" className="underline">
            {t('Score')}
          </Link>
        ),
      })}
    </p>
  )
}

function VesselFields({ cup, forecast, index }: { cup: Cup; forecast: Forecast; index: number }) {
  const batch = useBatch()
  const told = useTold()
  const portion = forecast.portions.cups[index]!
  const vessel = findById(batch.shelf.vessels, cup.vessel)
  const vessels = batch.shelf.vessels.filter(
    one => one.id === cup.vessel || (!one.archived && (one.role === 'cup' || one.role === 'jug' || one.role === 'pot')),
  )
  const isAuto = cup.clingG === null
  const setCling = (auto: boolean) =>
    told(
      batch.edit({
        kind: 'set',
        path: at(plan => plan.cups[index]!.clingG),
        value: auto ? null : Math.round(portion.clingG * 10) / 10,
      }),
    )
  return (
    <div className="flex flex-col gap-2">
      <Choice
        bare
        label={t('Vessel')}
        className="w-full"
        value={cup.vessel}
        options={[
          { value: '', text: t('any vessel') },
          ...vessels.map(one => ({
            value: one.id,
            text: t('{one} · {capacityMl} ml', { one: one.name, capacityMl: Math.round(one.capacityMl) }),
          })),
        ]}
        onValue={value => told(batch.edit({ kind: 'set', path: at(plan => plan.cups[index]!.vessel), value }))}
      />
      {vessel && portion.volumeMl > 0 && (
        <p className="text-[13px] text-soft">
          {t('{volumeMl} % full; it works up to {workingFillShare} %.', {
            volumeMl: Math.round((portion.volumeMl / vessel.capacityMl) * 100),
            workingFillShare: Math.round(vessel.workingFillShare * 100),
          })}
        </p>
      )}
      <div className="flex flex-wrap items-center gap-x-4">
        <Check label={t('clings as batter of this kind does')} checked={isAuto} onChange={setCling} />
        {!isAuto && (
          <PlanField
            bare
            label={t('Clings to it')}
            kind="mass"
            width={64}
            path={at(plan => plan.cups[index]!.clingG)}
          />
        )}
      </div>
    </div>
  )
}
