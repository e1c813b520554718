import type { Plan, Shelf, WishAnswer } from '@ostler/core'
import { Door } from './door.ts'
import type { Asking } from './door.ts'
import type { ColourWorker, PictureColours } from './colour.worker.ts'

const door = new Door<ColourWorker>(
  () => new Worker(new URL('./colour.worker.ts', import.meta.url), { type: 'module' }),
)

interface Asked {
  plan: Plan
  shelf: Shelf
  cupIndex: number
  hex: string
  colorants: readonly string[]
}

/** Doses that come nearest to a wished colour; with a look at everything else on the shelf where it is wished for. */
export const wishAnswer = (asked: Asked, looksFurther: boolean, asking: Asking): Promise<WishAnswer | null> =>
  door.ask(worker => worker.wishFor(asked, looksFurther), asking)

const MOST_BYTES = 60 * 1024 * 1024

/** Main colours of a picture file, or why there are none. */
export async function coloursOfPicture(file: File, most: number): Promise<PictureColours> {
  if (file.size > MOST_BYTES)
    return { ok: false, sentence: 'This file is larger than 60 MB. Save the picture smaller.' }
  return door.ask(async (worker): Promise<PictureColours> => worker.coloursOfPicture(file, most))
}
