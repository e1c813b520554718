import { COLOUR_VISIONS, isLostTo, seenBy, at } from '@ostler/core'
import type { Forecast, Plan, ColourVision } from '@ostler/core'
import { setColourView, useColourView } from '../../plan/colour-view.ts'
import { useBatch } from '../../plan/context.tsx'
import { Choice } from '../../ui/choice.tsx'
import { Check } from '../../ui/check.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { rich, t } from '../../words/index.ts'
import { inWords } from '../../ui/options.ts'

/** Which cups are reckoned to gel by the rest. */
function restWords({ colours }: Forecast): string {
  const count = colours.cups.filter(cup => cup.gelled === 'yes').length
  if (count === 0) return t('not gelled')
  return count === colours.cups.length
    ? t('gelled')
    : t('{count} of {cups} cups gelled', { count, cups: colours.cups.length })
}

/** What the forecast reckons with: gel, days, the plain soap itself. */
export function ReckonSection({ plan, forecast }: { plan: Plan; forecast: Forecast }) {
  const batch = useBatch()
  const told = useTold()
  const { colour } = plan
  const setHex = (hex: string | null) =>
    told(batch.edit({ kind: 'set', path: at(plan => plan.colour.baseHex), value: hex }, 'plain base'))
  return (
    <Section title={t('Reckoned with')}>
      <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
        <Choice
          label={t('The loaf')}
          value={colour.gel === null ? 'rest' : colour.gel >= 0.5 ? 'yes' : 'no'}
          options={[
            { value: 'rest', text: t('does as its rest is forecast: {forecast}', { forecast: restWords(forecast) }) },
            { value: 'no', text: t('will not gel') },
            { value: 'yes', text: t('will gel') },
          ]}
          onValue={value =>
            told(
              batch.edit({
                kind: 'set',
                path: at(plan => plan.colour.gel),
                value: value === 'rest' ? null : value === 'yes' ? 1 : 0,
              }),
            )
          }
        />
        <PlanField label={t('Cut on day')} kind="plain" width={56} path={at(plan => plan.colour.cutDays)} />
        <PlanField
          label={t('Cured on day')}
          kind="plain"
          decimals={0}
          width={56}
          path={at(plan => plan.colour.curedDays)}
        />
        <Check
          label={t('I have a plain bar of this base')}
          checked={colour.baseHex !== null}
          onChange={on => setHex(on ? forecast.colours.base.cured[forecast.colours.gelled].hex : null)}
        />
        {colour.baseHex !== null && (
          <>
            <label className="flex flex-col gap-0.5 text-[13px] text-soft">
              {t('Its colour')}
              <input
                type="color"
                className="h-[30px] w-16 cursor-pointer rounded border border-line bg-paper p-0.5"
                value={colour.baseHex}
                onChange={event => setHex(event.target.value.toLowerCase())}
              />
            </label>
            <PlanField
              label={t('Its age, days')}
              kind="plain"
              decimals={0}
              width={56}
              path={at(plan => plan.colour.baseDays)}
            />
          </>
        )}
      </div>
      <p className="mt-1.5 text-[13px] text-soft">
        {t('ΔE says how far two colours lie apart: 1 is hardly seen side by side, 5 is plainly another colour.')}
      </p>
    </Section>
  )
}

/** The colours as other eyes see them, and which of them those eyes lose. */
export function SightSection({ plan, forecast }: { plan: Plan; forecast: Forecast }) {
  const { sight } = useColourView()
  const cured = (cup: string) => {
    const found = forecast.colours.cups.find(one => one.cup === cup)!
    return found.stages.cured[found.gelled].hex
  }
  const name = (cup: string) => plan.cups.find(one => one.id === cup)!.name
  const poured = [...new Set(plan.score.map(pour => pour.cup))]
  const lost = poured.flatMap((a, i) =>
    poured
      .slice(i + 1)
      .filter(b => sight !== 'full' && isLostTo(cured(a), cured(b), sight))
      .map(b => [a, b] as const),
  )
  return (
    <Section title={t('Seen by other eyes')}>
      <Choice<ColourVision>
        bare
        label={t('Show colours')}
        value={sight}
        options={inWords<ColourVision>(COLOUR_VISIONS).map(([value, text]) => ({ value, text }))}
        onValue={next => setColourView({ sight: next })}
      />
      {sight !== 'full' && (
        <div className="mt-2">
          {lost.length === 0 && <p>{t('These eyes can tell apart what most can.')}</p>}
          {lost.map(([a, b]) => (
            <p key={a + b} className="flex items-center gap-2">
              {rich('{part}{a} and {b} look alike to them.', {
                part: (
                  <span aria-hidden className="inline-flex">
                    <span className="size-6" style={{ background: seenBy(cured(a), sight) }} />
                    <span className="size-6" style={{ background: seenBy(cured(b), sight) }} />
                  </span>
                ),
                a: name(a),
                b: name(b),
              })}
            </p>
          ))}
        </div>
      )}
    </Section>
  )
}
