import { findById, hasStabiliserApart, massNumber, showMass, potAfter } from '@ostler/core'
import type { Forecast, Plan } from '@ostler/core'
import { Link } from 'react-router'
import { useBatch } from '../../plan/context.tsx'
import { useCupHex } from '../../plan/colour-view.ts'
import { smallMass } from '../../ui/small-mass.ts'
import { Swatch } from '../../ui/swatch.tsx'
import { CELL, NUMBER, Section, Tick } from './parts.tsx'
import type { Parts } from './parts.tsx'
import { rich, t } from '../../words/index.ts'

const MOMENTS = {
  oils: t('in the oils, before the lye'),
  pot: t('stirred into the pot before the split'),
  'with-colour': t('with the colour'),
  last: t('right before its pour'),
  'never-stop': t('blended into what is left in the pot, which is then poured without a stop'),
}

/** Each cup with what goes into it. */
export function Cups({ plan, forecast, habits }: Parts) {
  const { shelf } = useBatch()
  const hexOf = useCupHex()
  const { fineScaleStepG, scaleStepG } = plan.conditions
  const { portions } = forecast
  const fine = (g: number, exactG: number) => smallMass(g, exactG, habits, fineScaleStepG)
  const coarse = Math.min(scaleStepG, 0.1)
  const after = potAfter(portions)
  const isOnePot = plan.division.mode === 'one-pot'
  const used = portions.cups.flatMap(portion => portion.colours)
  const dusty = used.some(part => findById(shelf.colorants, part.colorant)?.dusty)
  return (
    <Section title={t('4 · Cups ({mass})', { mass: habits.mass })}>
      <table className="w-full">
        <thead>
          <tr className="text-left text-[13px] text-soft">
            <th className="font-normal">{t('cup')}</th>
            <th className="text-right font-normal">{t('batter')}</th>
            <th className="text-right font-normal">{t('leaves')}</th>
            <th className="text-right font-normal">{t('scent')}</th>
            <th className="pl-4 font-normal">{t('colour in its liquid, mixed before lye meets oil')}</th>
          </tr>
        </thead>
        <tbody>
          {portions.blankG > 0 && (
            <tr className="border-t border-line">
              <td className={CELL}>
                <span className="flex items-center gap-2">
                  <Tick /> <strong>{t('kept back plain')}</strong>
                </span>
              </td>
              <td className={NUMBER}>{massNumber(portions.blankG, habits, coarse)}</td>
              <td className={NUMBER}>{isOnePot ? massNumber(after.blankG, habits, 1) : '–'}</td>
              <td className={NUMBER}>–</td>
              <td className={`${CELL} pl-4`}>{t('drawn first, before scent and colour')}</td>
            </tr>
          )}
          {plan.cups.map((cup, i) => {
            const portion = portions.cups[i]!
            const own = portions.ownScents[i]
            return (
              <tr key={cup.id} className="border-t border-line">
                <td className={CELL}>
                  <span className="flex items-center gap-2">
                    <Tick /> <Swatch hex={hexOf(cup.id)} /> <strong>{cup.name}</strong>
                  </span>
                </td>
                <td className={NUMBER}>{massNumber(portion.batterG, habits, coarse)}</td>
                <td className={`${NUMBER} font-normal`}>{isOnePot ? massNumber(after.cupsG[i]!, habits, 1) : '–'}</td>
                <td className={NUMBER}>{fine(portion.scentG, portion.exact.scentG)}</td>
                <td className={`${CELL} pl-4`}>
                  <Colours {...{ portion, cup, own, fine }} />
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      <p className="mt-1.5">
        {rich('{potClingG} stays on the pot.{scent} {stabiliserG}{dusty} {link}', {
          potClingG: showMass(portions.potClingG, habits),
          scent: plan.scent && t(' Scent goes in {moment}.', { moment: MOMENTS[plan.scent.moment] }),
          stabiliserG:
            portions.stabiliserG > 0 &&
            t('Vanilla stabiliser goes into the scent: {stabiliserG} in all. ', {
              stabiliserG: showMass(portions.stabiliserG, habits),
            }),
          dusty: dusty && t('Wear a dust mask while powders are dry.'),
          link: (
            <Link to="../cards" className="underline print:hidden">
              {t('Labels and mixing cards')}
            </Link>
          ),
        })}
      </p>
    </Section>
  )
}

interface ColoursProps {
  cup: Plan['cups'][number]
  portion: Forecast['portions']['cups'][number]
  own: Forecast['portions']['ownScents'][number] | undefined
  fine: (g: number, exactG: number) => string
}

/** What is mixed for a cup before lye meets oil. */
const Colours = ({ cup, portion, own, fine }: ColoursProps) => (
  <>
    {portion.colours.map(part => (
      <span key={part.colorant} className="block">
        <strong>{fine(part.powderG, part.exact.powderG)}</strong> {part.name}
        {part.exact.mediumG > 0 && part.medium !== 'none' && (
          <>
            {' '}
            {rich('in {mediumG} {medium}', {
              mediumG: <strong>{fine(part.mediumG, part.exact.mediumG)}</strong>,
              medium: part.medium,
            })}
          </>
        )}
      </span>
    ))}
    {portion.colours.length === 0 && t('plain')}
    {own && (
      <span className="block text-[13px]">
        {t('own scent: {isPrivate}', {
          isPrivate: cup.ownScent?.isPrivate === true ? t('a private blend') : own.map(one => one.name).join(', '),
        })}
      </span>
    )}
    {hasStabiliserApart(cup) && portion.exact.stabiliserG > 0 && (
      <span className="block">
        {rich('{stabiliserG} vanilla stabiliser', {
          stabiliserG: <strong>{fine(portion.stabiliserG, portion.exact.stabiliserG)}</strong>,
        })}
      </span>
    )}
  </>
)
