import { Door } from './door.ts'
import type { PhotoSizes, PhotoWorker } from './photo.worker.ts'
import { t } from '../words/index.ts'

const door = new Door<PhotoWorker>(() => new Worker(new URL('./photo.worker.ts', import.meta.url), { type: 'module' }))

/** Largest file that is taken in, bytes. */
const MOST_BYTES = 20_000_000
/** Names that phones give to pictures that browsers do not read, in the file's own head. */
const HEIC = /^ftyp(?:heic|heix|heim|heis|hevc|hevx|mif1|msf1)/

export type PhotoRead = { ok: true; photo: PhotoSizes } | { ok: false; sentence: string }

/** A photograph as it is kept, in two sizes; or why it is none, in words. Worked out beside the page. */
export async function readPhoto(file: File): Promise<PhotoRead> {
  const refused = (sentence: string): PhotoRead => ({ ok: false, sentence })
  if (file.size === 0) return refused(t('This file is empty.'))
  if (file.size > MOST_BYTES)
    return refused(
      t('This file has {mb} MB; at most {most} MB are taken in.', {
        mb: Math.round(file.size / 1e6),
        most: MOST_BYTES / 1e6,
      }),
    )
  const head = new TextDecoder('latin1').decode(await file.slice(4, 12).arrayBuffer())
  if (HEIC.test(head))
    return refused(
      t(
        'This is a HEIC picture, which browsers do not read. Set the phone’s camera to JPEG (“most compatible”), or share the picture as JPEG.',
      ),
    )
  const photo = await door.ask(worker => worker.photoSizes(file))
  return photo
    ? { ok: true, photo }
    : refused(t('This file is no picture that can be read here. A JPEG, PNG or WebP is.'))
}
