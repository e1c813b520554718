import {
  PLAN_B_COSTS,
  PLAN_B_KINDS,
  PLAN_B_REASONS,
  TRIGGERS,
  acrossView,
  designOf,
  levelView,
  planBCall,
  showMinutes,
  at,
} from '@ostler/core'
import type { PlanBOffer, PlanBOutlook, Trigger } from '@ostler/core'
import { Trash2 } from 'lucide-react'
import { useMemo, useState } from 'react'
import { useAnswer } from '../../parts/use-answer.ts'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { Choice } from '../../ui/choice.tsx'
import { options } from '../../ui/options.ts'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { TextField } from '../../ui/text-field.tsx'
import { planBOffers, planBOutlook } from '../../workers/search.ts'
import { FaceCanvas } from '../../drawing/face-canvas.tsx'
import { Term } from '../../ui/term.tsx'
import { useDesignHexes, useDesignNames } from '../../drawing/use-design.ts'
import { Say } from '../../ui/say.tsx'
import { rich, showChance, t } from '../../words/index.ts'

/** While plan B is worked on, the score says so. */
export function PlanBBanner() {
  const batch = useBatch()
  const told = useTold()
  const planB = usePlan(state => state.plan.planB)
  if (!planB?.inUse) return null
  return (
    <div className="mx-4 my-1 flex items-center gap-2 border border-ink px-3 py-1">
      <span className="min-w-0 flex-1">
        {rich('This is plan B: {planB}', { planB: <strong>{planB.name}</strong> })}
      </span>
      <button className="button" onClick={() => told(batch.edit({ kind: 'swap-plans' }))}>
        {t('Back to plan A')}
      </button>
    </div>
  )
}

const PICTURE_PX = 240
const triggers = options(TRIGGERS)

/** The second score: chosen before the batch starts, with what calls for it. */
export function PlanBPanel() {
  const batch = useBatch()
  const told = useTold()
  const plan = usePlan(state => state.plan)
  const { planB } = plan
  const set = (key: string, value: unknown) => told(batch.edit({ kind: 'set', path: ['planB', key], value }))
  if (!planB) return <Offers />
  return (
    <div className="flex flex-col gap-2 border-t border-booth-deep pt-2">
      <h3 className="flex items-center font-semibold">
        {planB.inUse ? t('Plan A, put by') : t('Plan B')}
        <button
          className="quiet ml-auto"
          aria-label={planB.inUse ? t('Discard plan A and keep this score') : t('Discard plan B')}
          onClick={() => told(batch.edit({ kind: 'set', path: at(plan => plan.planB), value: null }))}
        >
          <Trash2 size={16} aria-hidden />
        </button>
      </h3>
      <OtherPicture />
      {!planB.inUse && (
        <>
          <TextField
            label={t('Its name')}
            value={planB.name}
            onValue={value => batch.edit({ kind: 'set', path: at(plan => plan.planB!.name), value }, 'plan b name')}
          />
          <Choice<Trigger>
            label={t('When')}
            value={planB.trigger}
            options={triggers}
            onValue={value => set('trigger', value)}
          />
          {planB.trigger === 'thick' && (
            <PlanField label={t('trace')} kind="plain" decimals={1} width={64} path={at(plan => plan.planB!.level)} />
          )}
          <p className="text-[13px]">
            <Say of={planBCall(plan)} />.
          </p>
          <Choice
            label={t('looked at before')}
            value={planB.before}
            options={plan.score.map((pour, i) => ({
              value: pour.id,
              text: t('layer {i}, {find}', { i: i + 1, find: plan.cups.find(cup => cup.id === pour.cup)?.name ?? '' }),
            }))}
            onValue={value => set('before', value)}
          />
        </>
      )}
      {!planB.inUse && <Outlook />}
      <button className="button self-start" onClick={() => told(batch.edit({ kind: 'swap-plans' }))}>
        {planB.inUse ? t('Back to plan A') : t('Work on plan B')}
      </button>
    </div>
  )
}

/** What a plan B is worth, in words. */
function worth({ fires, planA, planB, warns, lastMin }: PlanBOutlook): string {
  if (fires < 0.005) return t('Its trigger is hardly ever seen.')
  const seen =
    warns > 0 ? t(' Its trigger is seen before {warns} of what goes wrong.', { warns: showChance(warns) }) : ''
  return t(
    'Called for in {fires} of runs; then plan A still works in {planA}, this in {planB}. Last moment: about {lastMin} after lye in.{seen}',
    {
      fires: showChance(fires),
      planA: showChance(planA),
      planB: showChance(planB),
      lastMin: showMinutes(lastMin),
      seen,
    },
  )
}

/** Kinds of plan B that this design and scent have a use for, the most useful first. */
function Offers() {
  const batch = useBatch()
  const told = useTold()
  const plan = usePlan(state => state.plan)
  const [isOpen, setOpen] = useState(false)
  const offers = useAnswer<PlanBOffer[]>(isOpen, planBOffers)
  return (
    <div className="border-t border-booth-deep pt-2">
      <h3 className="font-semibold">
        <Term at="plan-b">{t('Plan B')}</Term>
      </h3>
      <p className="text-[13px] text-soft">
        {t(
          'A second score for the same cups, in case the batter thickens too soon. Choose it now, not with a cup in hand.',
        )}
      </p>
      {!isOpen && (
        <button className="button mt-1" onClick={() => setOpen(true)}>
          {t('Make a plan B …')}
        </button>
      )}
      {isOpen && !offers && <p className="mt-1 text-[13px] text-soft">{t('Trying each against the bad runs …')}</p>}
      {offers?.length === 0 && (
        <p className="mt-1 text-[13px]">
          {t(
            'No plan B of the usual kinds helps against what is likely to go wrong here. Change the plan first: see the risk below the lanes.',
          )}
        </p>
      )}
      <ul aria-label={t('Plans B')}>
        {offers?.map(({ kind, edit, outlook }) => (
          <li key={kind} className="mt-2 border-t border-line pt-1">
            <p className="font-semibold">{t(PLAN_B_KINDS[kind])}</p>
            <p className="text-[13px] text-soft">
              <Say of={PLAN_B_REASONS[kind]} />
            </p>
            <p className="text-[13px]">{worth(outlook)}</p>
            <p className="text-[13px] text-soft">{t('It costs {kind}.', { kind: t(PLAN_B_COSTS[kind]) })}</p>
            <button
              className="button mt-1"
              aria-label={t('Take {kind} as plan B', { kind: t(PLAN_B_KINDS[kind]) })}
              onClick={() => told(batch.edit(edit))}
            >
              {t('Take it')}
            </button>
          </li>
        ))}
      </ul>
      {offers && plan.cups.length < 2 && (
        <p className="text-[13px] text-soft">{t('More cups leave more to choose from.')}</p>
      )}
    </div>
  )
}

/** What the chosen plan B is worth as the plan now stands. */
function Outlook() {
  const outlook = useAnswer<PlanBOutlook | null>(true, planBOutlook)
  return <p className="min-h-10 text-[13px]">{outlook ? worth(outlook) : ''}</p>
}

function OtherPicture() {
  const plan = usePlan(state => state.plan)
  const { planB } = plan
  const design = useMemo(() => designOf({ ...plan, score: planB!.score, moves: planB!.moves }, []), [plan, planB])
  const hexes = useDesignHexes(design)
  const names = useDesignNames(design)
  const { program } = design
  const view = program.radiusMm > 0 ? levelView(program, 0.5, PICTURE_PX) : acrossView(program, 0.42, PICTURE_PX)
  return (
    <FaceCanvas
      {...{ program, view, hexes, names }}
      drawnWith={planB!}
      label={t('Face of {planB}', { planB: planB!.name })}
      className="w-40"
    />
  )
}
