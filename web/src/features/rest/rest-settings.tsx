import {
  COVERS,
  GEL_WISHES,
  MAX_REST_STEPS,
  MOULD_WALLS,
  PLACES,
  UNDERS,
  restStep,
  staysCold,
  at,
  fact,
} from '@ostler/core'
import type { Cover, GelWish, Place, RestStep, UnderKind, WallKind } from '@ostler/core'
import { RestSurroundings } from './rest-surroundings.tsx'
import { Plus, Trash2 } from 'lucide-react'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { options } from '../../ui/options.ts'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { Readings } from './readings.tsx'
import { useSay } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

const MISTINGS = [t('not at all'), t('once'), t('twice'), t('three times'), t('four times')] as const

const UNDER_WORDS: Readonly<Record<UnderKind, string>> = {
  wood: t('on wood'),
  stone: t('on stone or tiles'),
  towel: t('on a folded towel'),
  rack: t('on a wire rack'),
}
const WALL_WORDS: Readonly<Record<WallKind, string>> = {
  silicone: t('silicone'),
  wood: t('wood'),
  hdpe: t('HDPE'),
  cardboard: t('cardboard'),
  pvc: t('PVC pipe'),
  acrylic: t('acrylic'),
  film: t('film'),
}

const SIDE_WORDS = { top: t('on top'), sides: t('round the sides'), below: t('below') } as const

/** When soap is usually taken out of the cold again, h. */
const BACK_H: Partial<Record<Place, number>> = { refrigerator: 18, freezer: 8 }

/** A step begins so long after the pour at most, min. */
const LATEST_MIN = 5700

/** Usual hours in the cold. */
const OUT_AGAIN_H = [12, 18, 24]

/** Where the mould stands, in what, and for how long. */
export function RestSettings() {
  const batch = useBatch()
  const told = useTold()
  const { wish, steps, mists } = usePlan(state => state.plan.rest)
  const set = (key: string, value: unknown) => told(batch.edit({ kind: 'set', path: ['rest', key], value }))
  const say = useSay()
  const last = steps.at(-1)!
  const isCold = usePlan(state => staysCold(state.plan))
  /** Into the room, so many hours after the last change. */
  const add = (h: number, about: Partial<RestStep>) => {
    const atMin = Math.min(LATEST_MIN, last.atMin + h * 60)
    set('steps', [...steps, restStep({ ...about, atMin, place: 'room' })])
  }
  return (
    <section aria-label={t('The rest')} className="flex flex-col gap-3">
      <Choice<GelWish>
        label={t('What you want')}
        className="w-full"
        value={wish}
        options={options(GEL_WISHES).map(one => ({ ...one, text: say(fact(one.text)) }))}
        onValue={value => set('wish', value)}
      />
      <Standing />
      <ol className="flex flex-col gap-3">
        {steps.map((step, i) => (
          <Step
            key={i}
            step={step}
            index={i}
            onRemove={() =>
              set(
                'steps',
                steps.filter((_, n) => n !== i),
              )
            }
          />
        ))}
      </ol>
      {isCold && steps.length < MAX_REST_STEPS && (
        <p className="flex flex-wrap items-center gap-2 text-[13px]">
          {t('Left there it sets, but not for unmoulding. When it comes out again:')}
          {OUT_AGAIN_H.map(h => (
            <button key={h} className="button" onClick={() => add(h, { cover: 'open' })}>
              {t('after {h} h', { h })}
            </button>
          ))}
        </p>
      )}
      <button
        className="button self-start"
        disabled={steps.length >= MAX_REST_STEPS}
        onClick={() => add(2, { ...last, holdMin: 0 })}
      >
        <Plus size={16} aria-hidden /> {t('then …')}
      </button>
      <Oven />
      <RestSurroundings />
      <Choice<string>
        label={t('Alcohol misted on the top, against ash')}
        value={String(mists)}
        options={MISTINGS.map((text, n) => ({ value: String(n), text }))}
        onValue={value => set('mists', Number(value))}
      />
      <Readings />
    </section>
  )
}

/** What the mould is of, on what it stands, and in what air. */
function Standing() {
  const batch = useBatch()
  const told = useTold()
  const { wall, under } = usePlan(state => state.plan.rest)
  const set = (key: string, value: unknown) => told(batch.edit({ kind: 'set', path: ['rest', key], value }))
  return (
    <div className="grid grid-cols-2 gap-3">
      <Choice
        label={t('Wall of the mould')}
        value={wall}
        options={[
          { value: 'auto', text: t('by its form') },
          ...Object.keys(MOULD_WALLS).map(kind => ({ value: kind, text: WALL_WORDS[kind as WallKind] })),
        ]}
        onValue={value => set('wall', value)}
      />
      <Choice
        label={t('It stands')}
        value={under}
        options={Object.keys(UNDERS).map(kind => ({ value: kind, text: UNDER_WORDS[kind as UnderKind] }))}
        onValue={value => set('under', value)}
      />
      <PlanField label={t('Room')} kind="temperature" width={64} path={at(plan => plan.conditions.roomC)} />
      <PlanField
        label={t('Damp in the air')}
        kind="share"
        decimals={0}
        width={64}
        path={at(plan => plan.rest.humidity)}
      />
    </div>
  )
}

interface StepProps {
  step: RestStep
  index: number
  onRemove: () => void
}

/** From when on a step is. */
function StepFrom({ path, index, onRemove }: Omit<StepProps, 'step'> & { path: (string | number)[] }) {
  if (index === 0) return <span className="font-semibold">{t('From the pour')}</span>
  return (
    <>
      <PlanField label={t('From, minutes after the pour')} kind="plain" decimals={0} width={72} path={path} />
      <button className="quiet ml-auto" aria-label={t('Remove step {index}', { index: index + 1 })} onClick={onRemove}>
        <Trash2 size={16} aria-hidden />
      </button>
    </>
  )
}

function Step({ step, index, onRemove }: StepProps) {
  const batch = useBatch()
  const told = useTold()
  const path = (key: string) => ['rest', 'steps', index, key]
  const set = (key: keyof RestStep, value: unknown) => told(batch.edit({ kind: 'set', path: path(key), value }))
  const isWarm = step.place === 'oven' || step.place === 'mat'
  const steps = usePlan(state => state.plan.rest.steps)
  /** Into the cold goes with the way back out of it, which can be moved. */
  const setPlace = (place: Place) => {
    const after = { ...step, place }
    const backH = BACK_H[place]
    const isLast = index === steps.length - 1
    const back =
      backH && isLast && steps.length < MAX_REST_STEPS
        ? [restStep({ atMin: Math.min(LATEST_MIN, step.atMin + backH * 60), cover: step.cover })]
        : []
    const value = [...steps.slice(0, index), after, ...back, ...steps.slice(index + 1)]
    told(batch.edit({ kind: 'set', path: at(plan => plan.rest.steps), value }))
  }
  return (
    <li className="grid grid-cols-2 gap-x-3 gap-y-2 border-t border-booth-deep pt-2">
      <div className="col-span-2 flex items-end gap-3">
        <StepFrom index={index} path={path('atMin')} onRemove={onRemove} />
      </div>
      <div className="col-span-2">
        <Choice<Place>
          label={t('Where')}
          className="w-full"
          value={step.place}
          options={options(PLACES)}
          onValue={setPlace}
        />
      </div>
      {isWarm && (
        <>
          <PlanField label={t('Warmed to')} kind="temperature" width={64} path={path('tempC')} />
          <PlanField
            label={step.place === 'oven' ? t('Held, min') : t('On for, min')}
            kind="plain"
            decimals={0}
            width={64}
            path={path('holdMin')}
          />
        </>
      )}
      <Choice<Cover>
        label={t('Top')}
        value={step.cover}
        options={options(COVERS)}
        onValue={value => set('cover', value)}
      />
      <fieldset className="col-span-2 grid grid-cols-3 gap-3">
        <legend className="text-[13px] text-soft">{t('Layers of towel')}</legend>
        {(['top', 'sides', 'below'] as const).map(side => (
          <PlanField
            key={side}
            label={SIDE_WORDS[side]}
            kind="plain"
            decimals={0}
            width={48}
            path={at(plan => plan.rest.steps[index]!.towels[side])}
          />
        ))}
      </fieldset>
    </li>
  )
}

/** A usual oven, or the maker's own as it cools. */
const OVEN_SEEN = { fromC: 60, toC: 45, inMin: 60 }

function Oven() {
  const batch = useBatch()
  const told = useTold()
  const { oven, steps } = usePlan(state => state.plan.rest)
  if (oven === null && steps.every(step => step.place !== 'oven')) return null
  const set = (value: typeof oven) => told(batch.edit({ kind: 'set', path: at(plan => plan.rest.oven), value }))
  return (
    <div>
      <Check
        label={t('I have watched my oven cool, empty')}
        checked={oven !== null}
        onChange={on => set(on ? OVEN_SEEN : null)}
      />
      {oven && (
        <div className="mt-1 flex flex-wrap gap-3">
          <PlanField label={t('From')} kind="temperature" width={60} path={at(plan => plan.rest.oven!.fromC)} />
          <PlanField label={t('to')} kind="temperature" width={60} path={at(plan => plan.rest.oven!.toC)} />
          <PlanField
            label={t('in, min')}
            kind="plain"
            decimals={0}
            width={60}
            path={at(plan => plan.rest.oven!.inMin)}
          />
        </div>
      )}
    </div>
  )
}
