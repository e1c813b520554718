import { gelOfBars } from '@ostler/core'
import { usePlan } from '../../plan/context.tsx'
import { Section } from '../../ui/section.tsx'
import { showShare, t } from '../../words/index.ts'

/** A spread between bars from which it is worth a word. */
const DIFFERS = 0.1

/** The bars of a loaf in a row: how much of each gels. Worked through in three dimensions, since ends cool. */
export function BarsAlong({ along }: { along: readonly number[] | null }) {
  const plan = usePlan(state => state.plan)
  const { mould } = plan
  // A round mould stands, and cavities are bars already: neither has ends.
  if (mould.form === 'cylinder' || mould.cavities > 1 || mould.innerLengthMm < mould.innerWidthMm) return null
  if (!along) return <p className="text-[13px] text-soft">{t('Working the ends of the mould through …')}</p>
  const bars = gelOfBars(plan, along)
  if (bars.length === 0) return null
  const shares = bars.map(bar => bar.share)
  const [least, most] = [Math.min(...shares), Math.max(...shares)]
  const words =
    most < 0.02
      ? t('No bar gels.')
      : least > 0.97
        ? t('Every bar gels through, those of the ends too.')
        : most - least < DIFFERS
          ? t('All bars gel about as far.')
          : t(
              'The ends cool sooner: {shares} of the first bar gels, {at} of the last, {most} of those in the middle.',
              { shares: showShare(shares[0]!, 0), at: showShare(shares.at(-1)!, 0), most: showShare(most, 0) },
            )
  return (
    <Section title={t('Bar by bar')}>
      <p className="text-soft">{words}</p>
      <ol aria-label={t('Gelled share of each bar')} className="mt-2 flex h-16 max-w-180 items-end gap-0.5">
        {bars.map(({ bar, share }) => (
          <li
            key={bar}
            aria-label={t('Bar {bar}: {share}', { bar, share: showShare(share, 0) })}
            className="relative flex h-full min-w-2 flex-1 items-end border border-line"
          >
            <span className="block w-full bg-ink" style={{ height: `${100 * share}%` }} />
          </li>
        ))}
      </ol>
    </Section>
  )
}
