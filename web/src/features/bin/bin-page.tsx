import type { BinAnswer, BinKind } from '@ostler/core'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { format } from 'date-fns'
import { Undo2 } from 'lucide-react'
import { binQuery, restoreBatch, restoreDesign, restoreRecipe, restoreTrial } from '../../api/client.ts'
import { Places } from '../../frame/places.tsx'
import { TopBar } from '../../frame/top-bar.tsx'
import { useToast } from '../../ui/toast.tsx'

const KINDS: Readonly<Record<BinKind, { one: string; restore: (id: string) => Promise<void> }>> = {
  batches: { one: 'batch', restore: restoreBatch },
  recipes: { one: 'recipe', restore: restoreRecipe },
  designs: { one: 'design', restore: restoreDesign },
  trials: { one: 'trial', restore: restoreTrial },
}

const day = (at: string): string => format(new Date(at), 'd MMMM yyyy')

/** What was deleted, and how long it can be brought back. */
export function BinPage() {
  const { data, error } = useQuery({ ...binQuery, staleTime: 0 })
  return (
    <>
      <TopBar>
        <Places />
      </TopBar>
      <main className="mx-auto w-full max-w-200 flex-1 p-5 max-[900px]:p-3">
        <h1 className="text-2xl">Bin</h1>
        <p className="mt-1 max-w-160 text-soft">
          What was deleted stays here for thirty days. Batches that were poured stay for good: their lots lead to them.
        </p>
        {error && <p className="mt-2 text-rust">{error.message}</p>}
        {data?.length === 0 && <p className="mt-4">It is empty.</p>}
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
    onSuccess: () => toast(`${name} is back.`),
    onError: error => toast(error.message),
    // Whatever lists it is asked anew.
    onSettled: () => void queries.invalidateQueries(),
  })
  return (
    <li className="flex flex-wrap items-center gap-x-5 border-b border-line py-2">
      <strong className="text-lg">{name}</strong>
      <span className="text-soft">
        {KINDS[kind].one}, deleted on {day(deletedAt)}
        {goesAt && `; goes on ${day(goesAt)}`}
      </span>
      <button className="button ml-auto min-h-11" disabled={back.isPending} onClick={() => back.mutate()}>
        <Undo2 size={16} aria-hidden /> Bring it back
      </button>
    </li>
  )
}
