import { hasOwnLye, showShare } from '@ostler/core'
import type { Cup, Forecast, Plan } from '@ostler/core'
import { Link } from 'react-router'
import { useBatch } from '../../plan/context.tsx'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'

type Draws = 'end' | 'level' | 'seconds'

const DRAWS: { value: Draws; text: string }[] = [
  { value: 'end', text: 'when blending stops' },
  { value: 'level', text: 'early, at a trace' },
  { value: 'seconds', text: 'early, after seconds of blending' },
]
/** Where drawing early starts from. */
const STARTS = { level: { by: 'level', value: 1.2 }, seconds: { by: 'seconds', value: 10 } } as const
/** By how much further a cup is blended at first. */
const FURTHER = 0.8
const MOST = 4.4

const LETTERS = 'abcdef'

interface Props {
  plan: Plan
  forecast: Forecast
  cup: Cup
  index: number
}

/** When a cup is filled, how far it is blended by itself, and which batter it is of. */
export function CupWorking({ plan, forecast, cup, index }: Props) {
  const batch = useBatch()
  const told = useTold()
  const set = (key: string, value: unknown) => told(batch.edit({ kind: 'set', path: ['cups', index, key], value }))
  const isOwn = plan.division.mode === 'own-batters'
  const at = (...path: (string | number)[]) => ['cups', index, ...path]
  const { stopLevel } = plan.conditions
  const { naohG, waterG } = forecast.portions.pot
  const lyeShare = naohG / (naohG + waterG)
  return (
    <div className="flex flex-col gap-2">
      {!plan.whipped && !isOwn && (
        <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
          <Choice<Draws>
            label="Filled"
            value={cup.draw?.by ?? 'end'}
            options={DRAWS}
            onValue={by => set('draw', by === 'end' ? null : STARTS[by])}
          />
          {cup.draw && (
            <PlanField
              label={cup.draw.by === 'level' ? 'At trace' : 'After seconds'}
              kind="plain"
              decimals={cup.draw.by === 'level' ? 1 : 0}
              width={64}
              path={at('draw', 'value')}
            />
          )}
        </div>
      )}
      {!plan.whipped && (
        <div className="flex flex-wrap items-center gap-x-4">
          <Check
            label="blended further by itself"
            checked={cup.stop !== null}
            onChange={on => set('stop', on ? Math.round(10 * Math.min(MOST, stopLevel + FURTHER)) / 10 : null)}
          />
          {cup.stop !== null && (
            <PlanField bare label="Blended on to level" kind="plain" width={64} path={at('stop')} />
          )}
        </div>
      )}
      {isOwn && (
        <Choice
          label="Its batter"
          value={cup.batter}
          options={[
            { value: '', text: 'of its own' },
            ...[...LETTERS].map(letter => {
              const others = plan.cups.filter(one => one.batter === letter && one.id !== cup.id)
              const name = `batter ${letter.toUpperCase()}`
              return {
                value: letter,
                text: others.length > 0 ? `${name}, with ${others.map(one => one.name).join(', ')}` : name,
              }
            }),
          ]}
          onValue={value => set('batter', value)}
        />
      )}
      {hasOwnLye(plan) && (
        <div className="flex flex-wrap items-center gap-x-4">
          <Check
            label="lye of its own strength"
            checked={cup.lyeShare !== null}
            onChange={on => set('lyeShare', on ? Math.round(100 * lyeShare) / 100 : null)}
          />
          {cup.lyeShare !== null && (
            <PlanField bare label="Its lye concentration" kind="share" width={64} path={at('lyeShare')} />
          )}
          {cup.lyeShare === null && (
            <span className="text-[13px] text-soft">as the recipe: {showShare(lyeShare, 0)}</span>
          )}
        </div>
      )}
      {!isOwn && plan.cups.length > 2 && (
        <p className="text-[13px] text-soft">
          Batters for some of the cups, or lye of another strength:{' '}
          <Link to="../prepare" className="underline">
            one pot or several
          </Link>
          .
        </p>
      )}
    </div>
  )
}
