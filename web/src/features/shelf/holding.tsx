import { showMass } from '@ostler/core'
import type { ShelfKind } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { parseISO } from 'date-fns'
import { useState } from 'react'
import { Link } from 'react-router'
import { holdingQuery } from '../../api/workshop.ts'
import { useHabits } from '../../plan/context.tsx'
import { dated, t } from '../../words/index.ts'

/** Which batches hold which lot: what is asked when a supplier calls one back. */
export function Holding({ kind, item }: { kind: ShelfKind; item: string }) {
  const habits = useHabits()
  const [isOpen, setOpen] = useState(false)
  const { data, error } = useQuery({ ...holdingQuery(kind, item), enabled: isOpen })
  const marks = [...new Set((data ?? []).map(one => one.mark || one.lot))]
  return (
    <details className="mt-2" onToggle={toggled => setOpen(toggled.currentTarget.open)}>
      <summary>{t('Batches that hold it, by lot')}</summary>
      {error && <p className="text-[13px] text-rust">{error.message}</p>}
      {data?.length === 0 && (
        <p className="text-[13px] text-soft">{t('None: lots are taken on a batch’s page Lots, under Record.')}</p>
      )}
      {marks.map(mark => (
        <div key={mark} className="mt-1">
          <p className="text-[13px] text-soft">{t('lot {mark}', { mark })}</p>
          <ul>
            {(data ?? [])
              .filter(one => (one.mark || one.lot) === mark)
              .map(one => (
                <li key={one.batch} className="border-b border-line py-0.5">
                  {one.isDeleted ? (
                    <span>
                      {one.name} <span className="text-soft">{t('(deleted; its soap holds it still)')}</span>
                    </span>
                  ) : (
                    <Link to={`/batches/${one.batch}/lots`} className="font-semibold underline">
                      {one.name}
                    </Link>
                  )}{' '}
                  <span className="text-soft">
                    {showMass(one.massG, habits, 0.1)}
                    {one.pouredAt !== '' &&
                      t(', poured {pouredAt}', { pouredAt: dated(parseISO(one.pouredAt), 'd MMM yyyy') })}
                  </span>
                </li>
              ))}
          </ul>
        </div>
      ))}
    </details>
  )
}
