import { isAlike } from '../document/changes/index.ts'

/**
 * Results that are worked out when they are asked for, and remembered with what they were made of: a result stands for the next
 * document as long as everything that it has read of it is the very same. What is read is noted while it is read, so that no list
 * of it can go stale.
 */

type Named = Readonly<Record<string, unknown>>

/** What a result was made of: values read of the sources by their name, and other results. */
interface Made {
  reads: Map<string, unknown>
  used: Map<string, unknown>
  value: unknown
}

/** Parts of the sources of which single values are noted instead of the whole. */
export type Fine = readonly string[]

/** A source that notes what is read of it. `fine`: names of parts that are watched one level deeper. */
function watched(source: Named, path: string, fine: Fine, note: (path: string, value: unknown) => void): Named {
  const known = new Map<string | symbol, unknown>()
  return new Proxy(source, {
    get(of, key) {
      const before = known.get(key)
      // A source stays as it is while a result is made of it: once is enough.
      if (before !== undefined || known.has(key)) return before
      const value: unknown = Reflect.get(of, key)
      if (typeof key === 'symbol') return value
      const place = `${path}.${key}`
      const isFine = fine.includes(place) && typeof value === 'object' && value !== null
      if (!isFine) note(place, value)
      const seen = isFine ? watched(value as Named, place, [], note) : value
      known.set(key, seen)
      return seen
    },
  })
}

const valueAt = (sources: Named, path: string): unknown =>
  path.split('.').reduce<unknown>((node, key) => (node as Named | null | undefined)?.[key], sources)

/** How each result is made of the sources and of other results. */
export type Makers<S extends object, R extends object> = {
  readonly [K in keyof R]: (sources: S, results: R) => R[K]
}

export class Asked<S extends object, R extends object> {
  readonly #makers: Makers<S, R>
  readonly #sources: S
  readonly #fine: Fine
  readonly #settles: readonly string[]
  readonly #records: Map<string, Made>
  /** Results that hold for these sources. */
  readonly #held = new Set<string>()

  /**
   * @param settles results of plain data that are compared with what they were before
   * @param before  results for other sources: what still holds of them is taken over when it is asked for
   */
  constructor(
    makers: Makers<S, R>,
    sources: S,
    { fine, settles, before }: { fine: Fine; settles: readonly string[]; before: Asked<S, R> | null },
  ) {
    this.#makers = makers
    this.#sources = sources
    this.#fine = fine
    this.#settles = settles
    this.#records = new Map(before ? before.#records : [])
  }

  get<K extends keyof R & string>(name: K): R[K] {
    if (this.#held.has(name)) return this.#records.get(name)!.value as R[K]
    const old = this.#records.get(name)
    const record = old && this.#stillHolds(old) ? old : this.#made(name)
    this.#records.set(name, record)
    this.#held.add(name)
    return record.value as R[K]
  }

  #stillHolds({ reads, used }: Made): boolean {
    for (const [path, value] of reads) if (valueAt(this.#sources as Named, path) !== value) return false
    for (const [name, value] of used) if (this.get(name as keyof R & string) !== value) return false
    return true
  }

  #made(name: keyof R & string): Made {
    const reads = new Map<string, unknown>()
    const used = new Map<string, unknown>()
    const note = (path: string, value: unknown) => reads.set(path, value)
    const sources = {} as Record<string, Named>
    for (const [key, source] of Object.entries(this.#sources))
      sources[key] = watched(source as Named, key, this.#fine, note)
    const results = new Proxy({} as R, {
      get: (_, key) => {
        const result = this.get(key as keyof R & string)
        used.set(key as string, result)
        return result
      },
    })
    const value = this.#makers[name](sources as S, results)
    const old = this.#records.get(name)
    // Made anew and come to the same: what is made of it holds as well.
    return { reads, used, value: old && this.#settles.includes(name) && isAlike(old.value, value) ? old.value : value }
  }
}
