import { hasOwnLye } from '@ostler/core'
import type { Cup, Forecast, Plan } from '@ostler/core'
import { Link } from 'react-router'
import { useBatch } from '../../plan/context.tsx'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { rich, showShare, t } from '../../words/index.ts'

type Draws = 'end' | 'level' | 'seconds'

const DRAWS: { value: Draws; text: string }[] = [
  { value: 'end', text: t('when blending stops') },
  { value: 'level', text: t('early, at a trace') },
  { value: 'seconds', text: t('early, after seconds of blending') },
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

interface StrengthProps {
  own: number | null
  /** The recipe's. */
  usual: number
  path: (string | number)[]
  onOwn: (share: number | null) => void
}

/** Lye of another strength than the recipe's, share of it that is NaOH. */
const LyeStrength = ({ own, usual, path, onOwn }: StrengthProps) => (
  <div className="flex flex-wrap items-center gap-x-4">
    <Check
      label={t('lye of its own strength')}
      checked={own !== null}
      onChange={on => onOwn(on ? Math.round(100 * usual) / 100 : null)}
    />
    {own !== null ? (
      <PlanField bare label={t('Its lye concentration')} kind="share" width={64} path={path} />
    ) : (
      <span className="text-[13px] text-soft">{t('as the recipe: {lyeShare}', { lyeShare: showShare(usual, 0) })}</span>
    )}
  </div>
)

/** A batter of its own, or one by letter with the cups that are of it already. */
const battersFor = (plan: Plan, cup: Cup) => [
  { value: '', text: t('of its own') },
  ...[...LETTERS].map(letter => {
    const others = plan.cups.filter(one => one.batter === letter && one.id !== cup.id)
    const name = t('batter {toUpperCase}', { toUpperCase: letter.toUpperCase() })
    return {
      value: letter,
      text:
        others.length > 0 ? t('{name}, with {others}', { name, others: others.map(one => one.name).join(', ') }) : name,
    }
  }),
]

/** When a cup is filled, how far it is blended by itself, and which batter it is of. */
export function CupWorking({ plan, forecast, cup, index }: Props) {
  const batch = useBatch()
  const told = useTold()
  const set = (key: string, value: unknown) => told(batch.edit({ kind: 'set', path: ['cups', index, key], value }))
  const isOwn = plan.division.mode === 'own-batters'
  const at = (...path: (string | number)[]) => ['cups', index, ...path]
  const { stopLevel } = plan.conditions
  const { naohG, waterG } = forecast.portions.pot
  return (
    <div className="flex flex-col gap-2">
      {!plan.whipped && !isOwn && (
        <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
          <Choice<Draws>
            label={t('Filled')}
            value={cup.draw?.by ?? 'end'}
            options={DRAWS}
            onValue={by => set('draw', by === 'end' ? null : STARTS[by])}
          />
          {cup.draw && (
            <PlanField
              label={cup.draw.by === 'level' ? t('At trace') : t('After seconds')}
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
            label={t('blended further by itself')}
            checked={cup.stop !== null}
            onChange={on => set('stop', on ? Math.round(10 * Math.min(MOST, stopLevel + FURTHER)) / 10 : null)}
          />
          {cup.stop !== null && (
            <PlanField bare label={t('Blended on to level')} kind="plain" width={64} path={at('stop')} />
          )}
        </div>
      )}
      {isOwn && (
        <Choice
          label={t('Its batter')}
          value={cup.batter}
          options={battersFor(plan, cup)}
          onValue={value => set('batter', value)}
        />
      )}
      {hasOwnLye(plan) && (
        <LyeStrength
          own={cup.lyeShare}
          usual={naohG / (naohG + waterG)}
          path={at('lyeShare')}
          onOwn={share => set('lyeShare', share)}
        />
      )}
      {!isOwn && plan.cups.length > 2 && (
        <p className="text-[13px] text-soft">
          {rich('Batters for some of the cups, or lye of another strength: {link}.', {
            link: (
              <Link to="../prepare" className="underline">
                {t('one pot or several')}
              </Link>
            ),
          })}
        </p>
      )}
    </div>
  )
}
