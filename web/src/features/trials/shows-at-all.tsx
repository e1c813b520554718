import type { TrialOutlook } from '@ostler/core'
import { MEASURES, showMass } from '@ostler/core'
import { useHabits } from '../../plan/context.tsx'

/** The least that it would see, in the words of what is read. */
function whatIsSeen({ sees, wouldSee }: TrialOutlook): string {
  const percent = `${Math.round(100 * (wouldSee - 1))} %`
  if (sees === 'lightness') return `a difference in lightness of about ${wouldSee.toFixed(1)}`
  if (sees === 'pace') return `that the scent quickens or slows the batter by ${percent} or more`
  const { says, unit, isRatio } = MEASURES[sees]
  return isRatio ? `a difference of ${percent} (${says})` : `a difference of ${wouldSee.toFixed(1)} (${says}, ${unit})`
}

/** What would tell more, where it does not see what matters. */
function whatMoreTells({ sees, timesNeeded }: TrialOutlook): string {
  if (sees === 'pace') return 'One pair convicts a scent that quickens; it takes ten to clear one that does not.'
  if (timesNeeded === null)
    return 'No number of repeats brings that down to what matters; more blanks or a finer way to read would.'
  return timesNeeded > 1 ? `Each made ${timesNeeded} times would show what matters.` : ''
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
        {showMass(size.batchG, habits, 1)} of batter
        {size.isTooSmall && ': less than a stick blender reaches into; stir by hand, or take larger samples'}. What is
        left goes into one more cavity, marked S; never back into a sample with nothing in it.
      </li>
      <li>
        It will show {whatIsSeen(outlook)}, four times in five. {whatMoreTells(outlook)}
      </li>
      {order.verdict !== 'clean' && <li>What is asked goes with the order of drawing: {order.verdict}.</li>}
      {none.length > 0 && (
        <li className="text-rust">
          △ This scale cannot weigh{' '}
          {weighing.length > 1 ? `${none.length} of the ${weighing.length} colorants` : 'the smallest dose'} within 5 %
          {needed === null
            ? ': a finer scale is needed.'
            : `: take samples of ${showMass(needed, habits, 1)}, or a finer scale.`}
        </li>
      )}
    </ul>
  )
}
