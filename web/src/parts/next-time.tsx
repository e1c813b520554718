import { SHARED, listOf } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { Link, useParams } from 'react-router'
import { lessonsQuery } from '../api/client.ts'
import { useSay } from '../ui/say.tsx'

/** What was learned from other batches with the same oils, scent, colour or mould; nothing where nothing was. */
export function NextTime() {
  const { id = '' } = useParams()
  const { data } = useQuery({ ...lessonsQuery(id), enabled: id !== '' })
  const say = useSay()
  if (!data || data.length === 0) return null
  return (
    <aside aria-label="From other batches" className="mb-4 border-l-4 border-ink pl-4 print:hidden">
      <h2 className="text-lg">This time</h2>
      <ul>
        {data.map(({ key, batch, name, text, shares }) => (
          <li key={`${batch}:${key}`} className="py-1">
            {text}{' '}
            <span className="text-[14px] text-soft">
              <Link to={`/batches/${batch}/outcome`} className="underline">
                {name}
              </Link>
              , same {say(listOf(shares.map(one => SHARED[one])))}
            </span>
          </li>
        ))}
      </ul>
    </aside>
  )
}
