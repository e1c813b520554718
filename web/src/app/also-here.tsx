import { useQuery } from '@tanstack/react-query'
import { Users } from 'lucide-react'
import { useEffect, useState } from 'react'
import { leaveHere, sayHere } from '../api/client.ts'
import { freshUuid } from '../plan/fresh-uuid.ts'
import { usePlan } from '../plan/context.tsx'
import { t } from '../words/index.ts'

/** So often it is said that the batch is open here, ms. */
const SAID_EVERY_MS = 20_000

/** Who else has the batch open: changes of all are put together, and what meets is asked about. */
export function AlsoHere() {
  const batch = usePlan(state => state.id)
  const [window] = useState(freshUuid)
  const { data } = useQuery({
    queryKey: ['here', batch, window],
    queryFn: () => sayHere(batch, window),
    ...{ refetchInterval: SAID_EVERY_MS, refetchOnWindowFocus: true, staleTime: 0, gcTime: 0, retry: false },
  })
  useEffect(() => () => void leaveHere(batch, window).catch(() => undefined), [batch, window])
  if (!data || data.length === 0) return null
  const names = data.map(({ name, isYou }) => (isYou ? t('you, in another window') : name)).join(', ')
  return (
    <span title={t('also open: {names}', { names })} className="mr-2 flex items-center gap-1 text-[13px] text-soft">
      <Users size={15} aria-hidden /> <span aria-hidden>{data.length}</span>
      <span className="sr-only">{t('also open: {names}', { names })}</span>
    </span>
  )
}
