import { agesRead } from './answer.ts'
import type { Lab } from '../look/colour/index.ts'
import type { Trial } from './document.ts'
import { TABLE_FREEDOM, scaleOf, scatterOf } from './noise.ts'
import type { ReadingWay, Scatter } from './noise.ts'
import { isAlike } from './samples.ts'

/** How far samples of one workshop that were made alike lie apart: what its repeats have said, trial after trial. */

export type PastScatter = Partial<Record<ReadingWay, Scatter>>

/** So many degrees of freedom of the newest trials count. */
const MOST_FREEDOM = 60
/** From so many of its own on a workshop’s scatter is told, and from so far off what is assumed. */
const TOLD_FROM = 6
const TOLD = { more: 1.25, less: 0.8 } as const

/** Scatter of a trial’s repeats at its last look: what stays with a sample is the same at all looks. */
export function scatterIn(trial: Trial): { way: ReadingWay; scatter: Scatter } | null {
  const last = agesRead(trial).at(-1)
  if (!last) return null
  const read = trial.samples.filter(({ label, struckOut }) => struckOut === '' && last.labs.has(label))
  const firsts = read.filter((one, i) => read.findIndex(other => isAlike(one, other)) === i)
  const groups = firsts.map(first =>
    read.filter(one => isAlike(one, first)).map(({ label }): Lab => last.labs.get(label)!),
  )
  return { way: last.way, scatter: scatterOf(groups, last.way, last.photos) }
}

/** What trials that were taken on say together, the newest first. @param except a trial that is not counted for itself */
export function pastScatter(trials: readonly { id: string; trial: Trial }[], except: string): PastScatter {
  const past: PastScatter = {}
  const counted = trials
    .filter(({ id, trial }) => id !== except && trial.takenOn !== '')
    .sort((a, b) => b.trial.pouredOn.localeCompare(a.trial.pouredOn))
  for (const { trial } of counted) {
    const found = scatterIn(trial)
    if (!found) continue
    const so = past[found.way] ?? { misses: 0, freedom: 0 }
    if (so.freedom >= MOST_FREEDOM) continue
    past[found.way] = { misses: so.misses + found.scatter.misses, freedom: so.freedom + found.scatter.freedom }
  }
  return past
}

/** How far samples lie apart against what is assumed, this trial’s with the earlier ones’; null: as assumed, or too few to say. */
export function scatterTold(trial: Trial, past: PastScatter): number | null {
  const own = scatterIn(trial)
  if (!own) return null
  const before = past[own.way] ?? { misses: 0, freedom: 0 }
  const { s2, freedom } = scaleOf(own.scatter, before)
  const times = Math.sqrt(s2)
  if (freedom - TABLE_FREEDOM < TOLD_FROM) return null
  return times >= TOLD.more || times <= TOLD.less ? times : null
}
