import { referenceShelf } from '@ostler/core'
import type { Shelf } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { shelfQuery } from '../../api/client.ts'
import { t } from '../../words/index.ts'

interface Step {
  to: string
  title: string
  says: string
  isDone: (shelf: Shelf) => boolean
}

const known = (): ReadonlySet<string> => new Set(referenceShelf().moulds.map(({ id }) => id))

/** What is worth doing before the first batch, in the order of the work; none of it has to be. */
const STEPS: readonly Step[] = [
  {
    ...{ to: '/craft', title: t('Lye, before the first time') },
    says: t('Goggles, gloves, lye into water: one page, to be read at the bench.'),
    isDone: () => false,
  },
  {
    ...{ to: '/shelf/moulds/new', title: t('Your mould') },
    says: t('Its inner length and width, and how high it is filled: everything is weighed for it.'),
    isDone: ({ moulds }) => moulds.some(({ id, lots }) => lots.length > 0 || !known().has(id)),
  },
  {
    ...{ to: '/shelf/oils', title: t('The oils that you have') },
    says: t('Give them a lot each; what a label needs and what runs short follows from that.'),
    isDone: ({ oils }) => oils.some(({ lots }) => lots.length > 0),
  },
  {
    ...{ to: '/shelf/scents', title: t('Your scents, by their supplier’s document') },
    says: t('Limit, vanillin, and whether it is said to quicken: forecasts go by that until your batches tell more.'),
    isDone: ({ scents }) => scents.some(({ lots }) => lots.length > 0),
  },
  {
    ...{ to: '/lessons', title: t('Rehearse a pour') },
    says: t('A batter that thickens by the clock, with nothing to clean up.'),
    isDone: () => false,
  },
]

/** A new workshop: what Ostler is for, and a way to begin. */
export function FirstSteps() {
  const shelf = useQuery(shelfQuery).data?.shelf
  return (
    <div className="max-w-160 py-6">
      <p className="mb-2 text-lg">
        {t('Here stand your batches: what to weigh, how the bars will look, and whether there is time for every pour.')}
      </p>
      <p className="text-soft">
        {t(
          'Begin with “New batch”: it opens with three layers in a 1 kg loaf, and everything can be changed. Or first:',
        )}
      </p>
      <ol className="mt-3">
        {STEPS.map(({ to, title, says, isDone }) => (
          <li key={to} className="flex gap-3 border-b border-line py-2">
            <span aria-hidden className="w-5 text-lg">
              {shelf && isDone(shelf) ? '✓' : '○'}
            </span>
            <span>
              <Link to={to} className="text-lg font-semibold underline">
                {title}
              </Link>
              {shelf && isDone(shelf) && <span className="sr-only">{t(', done')}</span>}
              <span className="block text-soft">{says}</span>
            </span>
          </li>
        ))}
      </ol>
      <p className="mt-3 text-soft">{t('Ounces, Fahrenheit and inches are in the menu at the top right.')}</p>
    </div>
  )
}
