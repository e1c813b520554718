import { recordFold } from '@ostler/core'
import type { PhotoAnswer, RecordEntry, RecordState, Words } from '@ostler/core'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { format } from 'date-fns'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { ApiError, addEntries, recordQuery, sessionQuery } from '../api/client.ts'
import { lastingStore, readJson, removeKey, writeJson } from '../kept/storage.ts'
import { freshUuid } from '../plan/fresh-uuid.ts'

export type About = Pick<RecordEntry, 'kind'> & Partial<RecordEntry>

export interface OpenRecord {
  state: RecordState
  photos: readonly PhotoAnswer[]
  isPending: boolean
  /** Why it could not be read; null: it could. */
  error: Error | null
  /** How many entries are in this browser alone. */
  unsent: number
  /** Why the server does not take one; empty: it does. */
  refused: Words
  note: (about: About) => void
}

const AGAIN_MS = 4000
const keyOf = (batch: string) => `ostler-record:${batch}`

/** Now, as the clock of the workshop shows it. */
export const clockNow = (): string => format(new Date(), "yyyy-MM-dd'T'HH:mm")

/** An entry that is sent by itself, of no open record. */
export const loneEntry = (about: About): RecordEntry => ({
  key: `${freshUuid().slice(0, 8)}:1`,
  on: clockNow(),
  noted: new Date().toISOString(),
  ...about,
})

/** Entries that are in this browser alone, sent as soon as the server can be reached. */
function useUnsent(batch: string) {
  const client = useQueryClient()
  const [unsent, setUnsent] = useState<RecordEntry[]>(() => readJson<RecordEntry[]>(lastingStore(), keyOf(batch)) ?? [])
  const [refused, setRefused] = useState<Words>('')
  const [tries, setTries] = useState(0)
  const isSending = useRef(false)
  const keep = useCallback(
    (change: (all: RecordEntry[]) => RecordEntry[]) =>
      setUnsent(all => {
        const next = change(all)
        if (next.length > 0) writeJson(lastingStore(), keyOf(batch), next)
        else removeKey(lastingStore(), keyOf(batch))
        return next
      }),
    [batch],
  )
  useEffect(() => {
    if (unsent.length === 0 || isSending.current) return
    isSending.current = true
    let timer: ReturnType<typeof setTimeout> | undefined
    const sent = new Set(unsent.map(entry => entry.key))
    const drop = () => keep(all => all.filter(entry => !sent.has(entry.key)))
    addEntries(batch, unsent)
      .then(async () => {
        setRefused('')
        await client.invalidateQueries(recordQuery(batch))
        drop()
      })
      .catch((error: unknown) => {
        // What is refused for itself is not sent again.
        if (error instanceof ApiError && [400, 404, 409].includes(error.status)) {
          setRefused(error.answer.sentence)
          drop()
        } else timer = setTimeout(() => setTries(n => n + 1), AGAIN_MS)
      })
      .finally(() => {
        isSending.current = false
      })
    return () => clearTimeout(timer)
  }, [batch, client, keep, unsent, tries])
  return { unsent, refused, keep }
}

/** What came of a batch. What is noted shows at once, is kept in the browser until the server has it, and is taken back by another entry. */
export function useRecord(batch: string): OpenRecord {
  const { data, isPending, error } = useQuery(recordQuery(batch))
  const { data: session } = useQuery(sessionQuery)
  const { unsent, refused, keep } = useUnsent(batch)
  const device = useRef(freshUuid().slice(0, 8))
  const count = useRef(0)
  const person = session?.member?.name
  const note = useCallback(
    (about: About) => {
      count.current += 1
      const key = `${device.current}:${count.current}`
      const entry = {
        ...{ key, on: clockNow(), noted: new Date().toISOString() },
        ...(person !== undefined && { person }),
        ...about,
      }
      keep(all => [...all, entry])
    },
    [keep, person],
  )
  const state = useMemo(() => recordFold([...(data?.entries ?? []), ...unsent]), [data, unsent])
  return { state, photos: data?.photos ?? [], isPending, error, unsent: unsent.length, refused, note }
}
