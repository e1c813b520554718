import type { TrialOutlook } from '@ostler/core'
import { MEASURES, showMass } from '@ostler/core'
import { useHabits } from '../../plan/context.tsx'
import { fixed, t } from '../../words/index.ts'

/** The least that it would see, in the words of what is read. */
function whatIsSeen({ sees, wouldSee }: TrialOutlook): string {
  const percent = `${Math.round(100 * (wouldSee - 1))} %`
  if (sees === 'lightness') return t('a difference in lightness of about {wouldSee}', { wouldSee: fixed(wouldSee, 1) })
  if (sees === 'pace') return t('that the scent quickens or slows the batter by {percent} or more', { percent })
  const { says, unit, isRatio } = MEASURES[sees]
  return isRatio
    ? t('a difference of {percent} ({says})', { percent, says })
    : t('a difference of {wouldSee} ({says}, {unit})', { wouldSee: fixed(wouldSee, 1), says, unit })
}

/** What would tell more, where it does not see what matters. */
function whatMoreTells({ sees, timesNeeded }: TrialOutlook): string {
  if (sees === 'pace') return t('One pair convicts a scent that quickens; it takes ten to clear one that does not.')
  if (timesNeeded === null)
    return t('No number of repeats brings that down to what matters; more blanks or a finer way to read would.')
  return timesNeeded > 1 ? t('Each made {timesNeeded} times would show what matters.', { timesNeeded }) : ''
}

/** What a trial needs and will be able to show, before anything is made. */
export function ShowsAtAll({ outlook }: { outlook: TrialOutlook }) {
  const { size, weighing, order } = outlook
  const habits = useHabits()
  const none = weighing.flatMap(({ how }) => (how.way === 'none' ? [how.sampleG] : []))
  const needed = none.includes(null) ? null : Math.max(...none.map(g => g ?? 0))
  return (
    <ul className="list-disc pl-5">
      <li>
        {t(
          '{batchG} of batter{isTooSmall}. What is left goes into one more cavity, marked S; never back into a sample with nothing in it.',
          {
            batchG: showMass(size.batchG, habits, 1),
            isTooSmall:
              size.isTooSmall && t(': less than a stick blender reaches into; stir by hand, or take larger samples'),
          },
        )}
      </li>
      <li>
        {t('It will show {outlook}, four times in five. {outlook2}', {
          outlook: whatIsSeen(outlook),
          outlook2: whatMoreTells(outlook),
        })}
      </li>
      {order.verdict !== 'clean' && (
        <li>{t('What is asked goes with the order of drawing: {verdict}.', { verdict: t(order.verdict) })}</li>
      )}
      {none.length > 0 && (
        <li className="text-rust">
          {t('△ This scale cannot weigh {weighing} within 5 %{needed}', {
            weighing:
              weighing.length > 1
                ? t('{none} of the {weighing} colorants', { none: none.length, weighing: weighing.length })
                : t('the smallest dose'),
            needed:
              needed === null
                ? t(': a finer scale is needed.')
                : t(': take samples of {needed}, or a finer scale.', { needed: showMass(needed, habits, 1) }),
          })}
        </li>
      )}
    </ul>
  )
}
