import type { Due } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { format } from 'date-fns'
import { useEffect } from 'react'
import { duesQuery } from '../api/client.ts'
import { tellsDue, toTell } from '../kept/due-notices.ts'
import { say, t, todayHere } from '../words/index.ts'

/** How often it is looked for what has become due, ms. */
const EVERY_MS = 5 * 60_000
/** More at once are told as one. */
const MOST_SINGLE = 3

function tell(title: string, body: string, tag: string): void {
  try {
    new Notification(title, { body, tag, icon: '/icon.svg' })
  } catch {
    // A browser that tells only through its service worker, as on some phones.
    void navigator.serviceWorker?.ready.then(worker => worker.showNotification(title, { body, tag, icon: '/icon.svg' }))
  }
}

const single = (due: Due): void => tell(due.name, say(due.what), due.key)

/** Tells what has become due, where the maker asked this browser to, for as long as Ostler is open in it. */
export function DueTeller() {
  const isOn = tellsDue()
  const { data } = useQuery({
    ...duesQuery(todayHere()),
    enabled: isOn,
    refetchInterval: EVERY_MS,
    refetchIntervalInBackground: true,
  })
  useEffect(() => {
    if (!data || !tellsDue()) return
    const fresh = toTell(data, format(new Date(), "yyyy-MM-dd'T'HH:mm"))
    if (fresh.length <= MOST_SINGLE) fresh.forEach(single)
    else tell(t('{fresh} things are due', { fresh: fresh.length }), fresh.map(due => due.name).join(', '), 'due')
  }, [data])
  return null
}
