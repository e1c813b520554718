import { ACCELERATIONS, capShare, findById, limitOfOils, plannedScent, showMass, at, fact } from '@ostler/core'
import type { AccelerationClass, PlannedScent, ScentMoment, ScentWay } from '@ostler/core'
import { Link } from 'react-router'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { Choice } from '../../ui/choice.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { useSay } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

const PACE: Record<AccelerationClass, string> = {
  ...ACCELERATIONS,
  none: t('calm'),
  moderate: t('quickens'),
  strong: t('accelerates'),
}

const MOMENTS: readonly { value: ScentMoment; text: string }[] = [
  { value: 'oils', text: t('into the oils') },
  { value: 'pot', text: t('into the pot') },
  { value: 'with-colour', text: t('with the colour') },
  { value: 'last', text: t('cup by cup, last') },
  { value: 'never-stop', text: t('never stop: blended in, poured at once') },
]

const WAYS: readonly { value: ScentWay; text: string }[] = [
  { value: 'hand', text: t('by hand') },
  { value: 'bursts', text: t('in bursts') },
]

const NONE = ''
const BLEND = 'blend'

/** Which scent, how much, and when it goes in. A blend is mixed on the Batter page. */
export function ScentStrip() {
  const say = useSay()
  const batch = useBatch()
  const scent = usePlan(state => state.plan.scent)
  const forecast = useForecast()
  const { scents } = batch.shelf
  const told = useTold()
  const set = (path: string[], value: unknown) =>
    told(batch.edit({ kind: 'set', path: ['scent', ...path], value }, `scent ${path.join()}`))

  const choose = (id: string) => {
    if (id === BLEND) return
    if (id === NONE) return set([], null)
    const chosen = findById(scents, id)
    const most = chosen ? capShare(limitOfOils(chosen, forecast?.recipe.batterPerOils ?? 1.4)) : 1
    const parts = chosen?.type === 'blend' ? chosen.parts : [{ scent: id, share: 1 }]
    const wish = scent?.basis === 'oils' ? scent.load : (chosen?.usualShareOfOils ?? 0.02)
    set(
      [],
      plannedScent(
        parts,
        Math.min(wish, most),
        scent
          ? { moment: scent.moment, how: scent.how, spread: scent.spread, stabiliserRatio: scent.stabiliserRatio }
          : {},
      ),
    )
  }
  const isBlend = (scent?.parts.length ?? 0) > 1
  const options = [
    { value: NONE, text: t('No scent') },
    ...(isBlend ? [{ value: BLEND, text: say(forecast?.recipe.scent?.name ?? fact('Own blend')) }] : []),
    ...scents
      .filter(one => !one.archived)
      .map(one => ({ value: one.id, text: `${one.name} · ${t(PACE[one.acceleration])}` })),
  ]
  const first = scent?.parts[0]?.scent
  const note = first && !isBlend ? findById(scents, first)?.note : undefined
  return (
    <section aria-label={t('Scent')} className="border-b border-line px-5 py-2 max-[900px]:px-3">
      <div className="flex items-center gap-2">
        <Choice
          bare
          label={t('Scent')}
          className={scent ? 'w-66' : 'w-full'}
          value={isBlend ? BLEND : (first ?? NONE)}
          options={options}
          onValue={choose}
        />
        {scent && (
          <PlanField
            bare
            label={t('Scent, share of the {basis}', { basis: scent.basis })}
            kind="share"
            width={58}
            path={at(plan => plan.scent!.load)}
          />
        )}
      </div>
      {scent && <ScentHow scent={scent} isBlend={isBlend} note={note} set={set} />}
    </section>
  )
}

interface HowProps {
  scent: PlannedScent
  isBlend: boolean
  note: string | undefined
  set: (path: string[], value: unknown) => void
}

/** When it goes in, in one go or in bursts, and how much that is. */
function ScentHow({ scent, isBlend, note, set }: HowProps) {
  const habits = useHabits()
  const forecast = useForecast()
  const mayBurst = ['pot', 'with-colour', 'last'].includes(scent.moment)
  return (
    <div className="mt-1.5 flex items-center gap-2">
      <div className="shrink-0">
        <Choice
          bare
          label={t('When the scent goes in')}
          className="w-38"
          value={scent.moment}
          options={MOMENTS}
          onValue={value => set(['moment'], value)}
        />
      </div>
      {mayBurst && (
        <div className="shrink-0">
          <Choice<ScentWay>
            bare
            label={t('How the scent goes in')}
            className="w-26"
            value={scent.how}
            options={WAYS}
            onValue={value => set(['how'], value)}
          />
        </div>
      )}
      <p className="min-w-0 truncate text-[13px] text-soft" title={note}>
        {forecast &&
          `${showMass(forecast.portions.scentG, habits)}${scent.basis === 'batter' ? t(', by the batter') : ''}. `}
        {isBlend ? (
          <Link to="../batter#scent" className="underline">
            {t('Its parts')}
          </Link>
        ) : (
          note
        )}
      </p>
    </div>
  )
}
