import { openPromise } from 'yauzl'
import type { Entry, ZipFile } from 'yauzl'

/** Most parts of a file that is taken in, and most bytes that one and all of them unpack to. */
const MOST_PARTS = 200_000
const MOST_PART_BYTES = 32e6
const MOST_BYTES = 8e9

/** A ZIP file on disk: its parts are read one at a time, by their names. */
export class Archive {
  readonly #file: ZipFile
  readonly #parts: ReadonlyMap<string, Entry>

  private constructor(file: ZipFile, parts: ReadonlyMap<string, Entry>) {
    this.#file = file
    this.#parts = parts
  }

  /** Null: it is no ZIP file, it is broken, or it unpacks to more than may be. */
  static async open(path: string): Promise<Archive | null> {
    let file: ZipFile | null = null
    try {
      file = await openPromise(path, { lazyEntries: true, autoClose: false })
      const parts = new Map<string, Entry>()
      let bytes = 0
      for await (const entry of file.eachEntry()) {
        bytes += entry.uncompressedSize
        if (parts.size >= MOST_PARTS || bytes > MOST_BYTES) throw new Error('more than is taken in')
        if (!entry.fileName.endsWith('/')) parts.set(entry.fileName, entry)
      }
      return new Archive(file, parts)
    } catch {
      file?.close()
      return null
    }
  }

  /** Names of its parts that begin so, in their order. */
  names(start: string): string[] {
    return [...this.#parts.keys()].filter(name => name.startsWith(start)).sort()
  }

  has(name: string): boolean {
    return this.#parts.has(name)
  }

  /** Null: there is no such part, it is too large, or it is broken. */
  async bytes(name: string): Promise<Buffer | null> {
    const entry = this.#parts.get(name)
    if (!entry || entry.uncompressedSize > MOST_PART_BYTES) return null
    try {
      const chunks: Buffer[] = []
      for await (const chunk of await this.#file.openReadStreamPromise(entry)) chunks.push(chunk as Buffer)
      return Buffer.concat(chunks)
    } catch {
      return null
    }
  }

  /** Undefined: there is no such part, or it is not JSON. */
  async json(name: string): Promise<unknown> {
    const bytes = await this.bytes(name)
    try {
      return bytes === null ? undefined : (JSON.parse(bytes.toString('utf8')) as unknown)
    } catch {
      return undefined
    }
  }

  close(): void {
    this.#file.close()
  }
}
