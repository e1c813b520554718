import { fact } from '../quantities/facts/index.ts'
import type { Due } from '../record/index.ts'
import { dueLooks } from './answer.ts'
import type { Trial } from './document.ts'

/** The next look that is due of a trial; none where it is not poured, all are done, or it was taken on. */
export function trialDue(id: string, trial: Trial): Due[] {
  const look = trial.takenOn === '' ? dueLooks(trial).find(({ isDone, isPast }) => !isDone && !isPast) : undefined
  if (!look) return []
  const { days, on } = look
  return [
    {
      key: `trial:${id}:${days}`,
      kind: 'look',
      batch: null,
      trial: id,
      name: trial.name,
      on,
      what: fact('due.look', { days }),
    },
  ]
}
