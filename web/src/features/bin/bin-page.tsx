import type { BinAnswer, BinKind } from '@ostler/core'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Undo2 } from 'lucide-react'
import { binQuery, restoreBatch, restoreDesign, restoreRecipe, restoreTrial } from '../../api/client.ts'
import { Places } from '../../frame/places.tsx'
import { TopBar } from '../../frame/top-bar.tsx'
import { useToast } from '../../ui/toast.tsx'
import { dated, t } from '../../words/index.ts'

const KINDS: Readonly<Record<BinKind, { one: string; restore: (id: string) => Promise<void> }>> = {
  batches: { one: t('batch'), restore: restoreBatch },
  recipes: { one: t('recipe'), restore: restoreRecipe },
  designs: { one: t('design'), restore: restoreDesign },
  trials: { one: t('trial'), restore: restoreTrial },
}

const day = (at: string): string => dated(new Date(at), 'd MMMM yyyy')

/** What was deleted, and how long it can be brought back. */
export function BinPage() {
  const { data, error } = useQuery({ ...binQuery, staleTime: 0 })
  return (
    <>
      <TopBar>
        <Places />
      </TopBar>
      <main className="mx-auto w-full max-w-200 flex-1 p-5 max-[900px]:p-3">
        <h1 className="text-2xl">{t('Bin')}</h1>
        <p className="mt-1 max-w-160 text-soft">
          {t(
            'What was deleted stays here for thirty days. Batches that were poured stay for good: their lots lead to them.',
          )}
        </p>
        {error && <p className="mt-2 text-rust">{error.message}</p>}
        {data?.length === 0 && <p className="mt-4">{t('It is empty.')}</p>}
        <ul className="mt-4">
          {data?.map(one => (
            <Thrown key={`${one.kind} ${one.id}`} one={one} />
          ))}
        </ul>
      </main>
    </>
  )
}

function Thrown({ one: { kind, id, name, deletedAt, goesAt } }: { one: BinAnswer }) {
  const queries = useQueryClient()
  const toast = useToast()
  const back = useMutation({
    mutationFn: () => KINDS[kind].restore(id),
    onSuccess: () => toast(t('{name} is back.', { name })),
    onError: error => toast(error.message),
    // Whatever lists it is asked anew.
    onSettled: () => void queries.invalidateQueries(),
  })
  return (
    <li className="flex flex-wrap items-center gap-x-5 border-b border-line py-2">
      <strong className="text-lg">{name}</strong>
      <span className="text-soft">
        {t('{one}, deleted on {deletedAt}{goesAt}', {
          one: KINDS[kind].one,
          deletedAt: day(deletedAt),
          goesAt: goesAt && t('; goes on {goesAt}', { goesAt: day(goesAt) }),
        })}
      </span>
      <button className="button ml-auto min-h-11" disabled={back.isPending} onClick={() => back.mutate()}>
        <Undo2 size={16} aria-hidden /> {t('Bring it back')}
      </button>
    </li>
  )
}
