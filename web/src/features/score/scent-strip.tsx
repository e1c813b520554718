import { findById, showMass } from '@ostler/core'
import type { AccelerationClass, ScentMoment } from '@ostler/core'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { Choice } from '../../ui/choice.tsx'
import { PlanField, useTold } from '../../ui/plan-field.tsx'

const PACE: Record<AccelerationClass, string> = {
  slows: 'slows',
  none: 'calm',
  mild: 'mild',
  moderate: 'quickens',
  strong: 'accelerates',
  seizes: 'seizes',
}

const MOMENTS: readonly { value: ScentMoment; text: string }[] = [
  { value: 'pot', text: 'into the pot' },
  { value: 'with-colour', text: 'with the colour' },
  { value: 'last', text: 'cup by cup, last' },
]

const NONE = ''

/** Which scent, how much, and when it goes in. */
export function ScentStrip() {
  const batch = useBatch()
  const habits = useHabits()
  const scent = usePlan(state => state.plan.scent)
  const grams = useForecast()?.portions.scentG
  const { scents } = batch.shelf
  const told = useTold()
  const set = (path: string[], value: unknown) =>
    told(batch.edit({ kind: 'set', path: ['scent', ...path], value }, `scent ${path.join()}`))

  const choose = (id: string) => {
    if (id === NONE) return set([], null)
    const chosen = findById(scents, id)
    const shareOfOils = Math.min(scent?.shareOfOils ?? chosen?.usualShareOfOils ?? 0.02, chosen?.limitShareOfOils ?? 1)
    set([], { scent: id, shareOfOils, moment: scent?.moment ?? 'with-colour' })
  }
  const options = [
    { value: NONE, text: 'No scent' },
    ...scents.map(one => ({ value: one.id, text: `${one.name} · ${PACE[one.acceleration]}` })),
  ]
  const note = scent && findById(scents, scent.scent)
  return (
    <section aria-label="Scent" className="border-b border-line px-5 py-2 max-[900px]:px-3">
      <div className="flex items-center gap-2">
        <Choice
          bare
          label="Scent"
          className={scent ? 'w-66' : 'w-full'}
          value={scent?.scent ?? NONE}
          options={options}
          onValue={choose}
        />
        {scent && (
          <PlanField bare label="Scent, share of the oils" kind="share" width={58} path={['scent', 'shareOfOils']} />
        )}
      </div>
      {scent && (
        <div className="mt-1.5 flex items-center gap-2">
          <div className="shrink-0">
            <Choice
              bare
              label="When the scent goes in"
              className="w-38"
              value={scent.moment}
              options={MOMENTS}
              onValue={value => set(['moment'], value)}
            />
          </div>
          <p className="min-w-0 truncate text-[13px] text-soft" title={note?.note}>
            {grams !== undefined && `${showMass(grams, habits)}. `}
            {note?.note}
          </p>
        </div>
      )}
    </section>
  )
}
