import type { TrialOutlook } from '@ostler/core'
import { showMass } from '@ostler/core'
import { useHabits } from '../../plan/context.tsx'

/** What a trial needs and will be able to show, before anything is made. */
export function ShowsAtAll({ outlook: { size, wouldSee, timesNeeded, weighing, order } }: { outlook: TrialOutlook }) {
  const habits = useHabits()
  const none = weighing.filter(({ how }) => how.way === 'none')
  return (
    <ul className="list-disc pl-5">
      <li>
        {showMass(size.batchG, habits, 1)} of batter
        {size.isTooSmall && ': less than a stick blender reaches into; stir by hand, or take larger samples'}.
      </li>
      <li>
        It will show a difference in lightness of about {wouldSee.toFixed(1)}, four times in five.{' '}
        {timesNeeded === null
          ? 'No number of repeats brings that down to what matters; more blanks or a meter would.'
          : timesNeeded > 1
            ? `Each sample ${timesNeeded} times would show what matters.`
            : ''}
      </li>
      {order.verdict !== 'clean' && <li>What is asked goes with the order of drawing: {order.verdict}.</li>}
      {none.map(({ colorant, how }) => (
        <li key={colorant} className="text-rust">
          △ This scale cannot weigh the smallest dose within 5 %
          {how.way === 'none' && how.sampleG !== null
            ? `: take samples of ${showMass(how.sampleG, habits, 1)}, or a finer scale.`
            : ': a finer scale is needed.'}
        </li>
      ))}
    </ul>
  )
}
