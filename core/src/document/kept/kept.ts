import { isTame } from '../checks/index.ts'
import type { Tameness } from '../checks/index.ts'
import { fact } from '../../quantities/facts/index.ts'
import type { Fact } from '../../quantities/facts/index.ts'
import type { Problem } from '../fields/index.ts'

/** Plain data of any version, of which nothing is known yet. */
export type Loose = Record<string, unknown>

/** One step up: plain data in, plain data out. */
export type Step = (document: Loose) => Loose

/**
 * A kind of document that is kept: in the database, in a file, in a browser. Whatever is kept carries its format and the
 * version that it was written in; there is one way up from every version that ever was.
 */
export interface Kind<T> {
  format: string
  version: number
  /** To the next version, by the one that each starts from. */
  steps: Readonly<Record<number, Step>>
  /** What is wrong with a document of the newest version, and the document as it is used. */
  read(document: Loose): { ok: true; value: T } | { ok: false; problems: Problem[] }
  /** What is said of something else than this kind. */
  says: { noObject: Fact; otherFormat: Fact; tooDeep: Fact; newer: (version: number) => Fact }
  tameness?: Tameness
}

/** The document as it is used, and the version it was kept in; or everything that is wrong with it. */
export type Opened<T> = { ok: true; value: T; from: number } | { ok: false; problems: Problem[] }

const refuse = (sentence: Fact, path = '', value: unknown = ''): { ok: false; problems: Problem[] } => ({
  ok: false,
  problems: [{ path, value, sentence }],
})

const isLoose = (value: unknown): value is Loose => typeof value === 'object' && value !== null && !Array.isArray(value)

/** Brings an older document to the newest version, one at a time; null where a step cannot make anything of it. */
function upright(document: Loose, steps: Kind<unknown>['steps']): Loose | null {
  let now = document
  try {
    for (let at = now['version']; typeof at === 'number'; at = now['version']) {
      const step = steps[at]
      if (!step) return now
      now = step(now)
      // A step that leads nowhere would be taken for ever.
      if (!(typeof now['version'] === 'number' && now['version'] > at)) return null
    }
  } catch {
    return null
  }
  return now
}

/**
 * Opens something that claims to be of a kind, whatever version it was kept in. Never throws: it says what is wrong. What a newer
 * Ostler has written is refused and left alone.
 */
export function opened<T>(kind: Kind<T>, value: unknown): Opened<T> {
  if (!isLoose(value)) return refuse(kind.says.noObject)
  const { format, version } = value
  if (format !== kind.format) return refuse(kind.says.otherFormat, 'format', format)
  if (typeof version === 'number' && version > kind.version) return refuse(kind.says.newer(version), 'version', version)
  if (!isTame(value, kind.tameness)) return refuse(kind.says.tooDeep)
  const document = upright(value, kind.steps)
  if (document === null)
    return refuse(fact('kept.cannot-be-brought-up', { version: String(version) }), 'version', version)
  const read = kind.read(document)
  return read.ok ? { ...read, from: typeof version === 'number' ? version : kind.version } : read
}
