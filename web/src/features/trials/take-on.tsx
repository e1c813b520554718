import { findById, prefixOfTrial, shelfWithoutTrial, takenBack, takenOn, taughtBy } from '@ostler/core'
import type { Colorant, Scent, Shelf, TrialAnswer, TrialSays } from '@ostler/core'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { parseISO } from 'date-fns'
import { saveCounts, saveItem, shelfQuery } from '../../api/client.ts'
import type { TrialChange } from './trial-change.ts'
import { dated, t, todayHere } from '../../words/index.ts'

interface Items {
  colorants: Colorant[]
  scents: Scent[]
}

/** Items of the shelf as they are once it has learned of the trial. */
function taught({ trial, id }: TrialAnswer, says: TrialSays, shelf: Shelf, today: string): Items {
  const { scent, colorants } = taughtBy(trial, id, shelf, says, today)
  const dosed = says.colorants.flatMap(({ colorant }) => findById(shelf.colorants, colorant) ?? [])
  return {
    colorants: [...dosed.map(item => takenOn(trial, id, item, today)), ...colorants],
    scents: scent ? [scent] : [],
  }
}

/** The same without it: nothing of the trial is left on them. */
function untaught({ id }: TrialAnswer, shelf: Shelf): Items {
  const bare = shelfWithoutTrial(shelf, id, null)
  const isOf = (item: Scent | Colorant): boolean =>
    item.findings?.some(({ trial }) => trial === prefixOfTrial(id)) === true ||
    ('swatches' in item && item.swatches.some(swatch => swatch.id.startsWith(`${prefixOfTrial(id)}-`)))
  return {
    colorants: bare.colorants.filter((_, i) => isOf(shelf.colorants[i]!)).map(item => takenBack(id, item)),
    scents: bare.scents.filter((_, i) => isOf(shelf.scents[i]!)),
  }
}

interface Props {
  kept: TrialAnswer
  says: TrialSays
  onKeep: (change: TrialChange) => Promise<unknown>
}

/** What is learned goes to the shelf with one press, and comes off it with one. */
export function TakeOn({ kept, says, onKeep }: Props) {
  const { trial } = kept
  const queries = useQueryClient()
  const shelf = useQuery(shelfQuery).data
  const today = todayHere()
  const isOn = trial.takenOn !== ''
  const move = useMutation({
    mutationFn: async () => {
      if (!shelf) return
      const { revisions } = shelf
      const items = isOn ? untaught(kept, shelf.shelf) : taught(kept, says, shelf.shelf, today)
      for (const item of items.colorants) await saveItem('colorants', item, revisions.colorants[item.id] ?? 0)
      // What was seen of its pace counts once: with the trial, or with the batch that it was made as.
      const isInBatch = shelf.shelf.evidence.some(one => one.batch === kept.batch)
      if (says.speed && kept.batch !== null && isInBatch) await saveCounts(kept.batch, isOn)
      for (const item of items.scents) await saveItem('scents', item, revisions.scents[item.id] ?? 0)
    },
    onSuccess: () => onKeep(now => ({ ...now, takenOn: isOn ? '' : today })),
    onSettled: () => void queries.invalidateQueries({ queryKey: shelfQuery.queryKey }),
  })
  return (
    <div className="mt-3 flex flex-wrap items-center gap-4 print:hidden">
      <button
        className={`button min-h-12 px-5 ${isOn ? '' : 'button-main'}`}
        disabled={move.isPending || !shelf}
        onClick={() => move.mutate()}
      >
        {isOn ? t('Take it back') : t('Let the shelf learn it')}
      </button>
      <span>
        {isOn
          ? t('On the shelf since {format}: forecasts go by it.', {
              format: dated(parseISO(trial.takenOn), 'd MMMM yyyy'),
            })
          : t('Forecasts go by it from then on. It can be taken back.')}
      </span>
      {move.error && (
        <span role="alert" className="text-rust">
          {move.error.message}
        </span>
      )}
    </div>
  )
}
