import { canTeach, pastScatter } from '@ostler/core'
import type { Shelf, TrialAnswer } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { useMemo } from 'react'
import { trialsQuery } from '../../api/client.ts'
import { Section } from '../../ui/section.tsx'
import { answerOfTrial } from '../../workers/trial.ts'
import { AtAge } from './at-age.tsx'
import { OfColorant } from './of-colorant.tsx'
import { SaysFound } from './says-found.tsx'
import { isWatched } from './pair-watch.tsx'
import { SaysLevels, SaysNumbers } from './says-numbers.tsx'
import { TakeOn } from './take-on.tsx'
import type { TrialChange } from './trial-change.ts'
import { fixed, t } from '../../words/index.ts'

interface Props {
  kept: TrialAnswer
  shelf: Shelf
  onKeep: (change: TrialChange) => Promise<unknown>
}

/** What the trial says so far, and what the shelf would learn of it. */
export function Answer({ kept, shelf, onKeep }: Props) {
  const { trial, id, batch } = kept
  const { colorants, scents, evidence } = shelf
  const trials = useQuery(trialsQuery).data
  const past = useMemo(() => pastScatter(trials ?? [], id), [trials, id])
  const answer = useQuery({
    queryKey: ['trial answer', id, kept.revision, colorants, scents, evidence, past],
    queryFn: ({ signal }) => answerOfTrial(trial, id, shelf, batch, past, { signal }),
    ...{ retry: false, gcTime: 0 },
  })
  const says = answer.data
  return (
    <Section title={t('What it says')}>
      {answer.error && <p className="text-rust">{answer.error.message}</p>}
      {!says && !answer.error && <p className="text-soft">{t('Reading it …')}</p>}
      {says?.colorants.map(one => (
        <OfColorant key={one.colorant} answer={one} shelf={shelf} trial={trial} />
      ))}
      {says && <SaysFound says={says} shelf={shelf} scent={trial.question.scent ?? ''} />}
      {says?.scatter != null && (
        <p className="mb-3">
          {t(
            'Samples of this workshop that were made alike lie {scatter} times as far apart as is usual. What is said here goes by that.',
            { scatter: fixed(says.scatter, 1) },
          )}
        </p>
      )}
      {says && canTeach(says) && <TakeOn kept={kept} says={says} onKeep={onKeep} />}
      {says && isWatched(trial) && <SaysLevels trial={trial} numbers={says.numbers} />}
      {(isWatched(trial) ? [] : (says?.numbers.toReversed() ?? [])).map(read => (
        <SaysNumbers key={`${read.what} ${read.days} ${read.minutes}`} trial={trial} read={read} shelf={shelf} />
      ))}
      {says?.ages.toReversed().map(age => (
        <AtAge key={`${age.days} ${age.way}`} trial={trial} age={age} shelf={shelf} />
      ))}
    </Section>
  )
}
