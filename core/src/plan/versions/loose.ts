/** A document of any version, of which nothing is known yet. */
export type Loose = Record<string, unknown>

export const loose = (value: unknown): Loose => (typeof value === 'object' && value !== null ? (value as Loose) : {})

/** Each of a list that may be none. */
export const each = (list: unknown, change: (one: Loose) => Loose): unknown =>
  Array.isArray(list) ? list.map(one => change(loose(one))) : list
