import type { Fineness, Measures, Picture, Plan, Program, View } from '@ostler/core'
import PQueue from 'p-queue'
import { Door, WorkerError } from './door.ts'
import type { Asking } from './door.ts'
import type { FacesWorker } from './faces.worker.ts'

const MOST_WORKERS = 4
/** Rows that a worker is handed at a time. A picture in the making is told of and can be stopped between them. */
const BAND = { preview: 40, final: 64, 'every-pixel': 32 } as const

interface Hand {
  door: Door<FacesWorker>
  /** Numbers of the designs that it has, the oldest first. */
  has: number[]
}

/** A worker keeps so many designs. */
const MOST_KEPT = 60
const numbers = new WeakMap<Program, number>()
let given = 0

function numberOf(program: Program): number {
  const known = numbers.get(program)
  if (known !== undefined) return known
  given += 1
  numbers.set(program, given)
  return given
}

let hands: Hand[] | undefined

function pool(): Hand[] {
  hands ??= Array.from({ length: Math.max(2, Math.min(MOST_WORKERS, navigator.hardwareConcurrency || 2)) }, () => ({
    door: new Door<FacesWorker>(() => new Worker(new URL('./faces.worker.ts', import.meta.url), { type: 'module' })),
    has: [],
  }))
  return hands
}

/** The number by which a worker knows a design; it is sent over once. */
function known(hand: Hand, program: Program): number {
  const id = numberOf(program)
  if (!hand.has.includes(id)) {
    const forget = hand.has.length >= MOST_KEPT ? hand.has.shift()! : null
    hand.has.push(id)
    // A worker that broke knows nothing any more: it is told all of it again.
    void hand.door.ask(worker => worker.take(id, program, forget)).catch(() => (hand.has = []))
  }
  return id
}

function emptyPicture({ width, height, isTop }: View, program: Program): Picture {
  const bytes = () => new Uint8Array(width * height)
  const light = isTop && program.tops.length > 0 ? bytes() : null
  return { width, height, first: bytes(), second: bytes(), share: bytes(), light }
}

export interface DrawWish extends Asking<number> {
  fineness?: Fineness
}

/** So that the first that was asked for is there first: few faces at a time, and those that are dragged beside fine ones. */
const QUEUES = {
  preview: new PQueue({ concurrency: 2 }),
  final: new PQueue({ concurrency: 1 }),
  'every-pixel': new PQueue({ concurrency: 1 }),
}

/**
 * One view of a design, drawn by all workers together: each takes the next band of rows as it is done with the last.
 * Tells the share that is done, 0 to 1.
 *
 * @throws the signal's reason when it is stopped
 */
export const drawFace = (program: Program, view: View, wish: DrawWish = {}): Promise<Picture> =>
  QUEUES[wish.fineness ?? 'preview'].add(() => drawnNow(program, view, wish), { signal: wish.signal })

async function drawnNow(program: Program, view: View, wish: DrawWish): Promise<Picture> {
  const { fineness = 'preview', onTold, signal } = wish
  const all = pool()
  const picture = emptyPicture(view, program)
  const rows = Math.min(BAND[fineness], Math.ceil(view.height / all.length))
  let next = 0
  let done = 0
  const work = async (hand: Hand): Promise<void> => {
    while (next < view.height) {
      const from = next
      const to = Math.min(view.height, from + rows)
      next = to
      const id = known(hand, program)
      const part = await hand.door
        .ask(async (worker): Promise<Picture | null> => worker.draw(id, view, from, to, fineness))
        .catch(async (error: unknown) => {
          if (!(error instanceof WorkerError)) throw error
          const { renderRows } = await import('./faces-here.ts')
          return renderRows(program, view, from, to, fineness)
        })
      signal?.throwIfAborted()
      if (part) {
        const at = from * view.width
        picture.first.set(part.first, at)
        picture.second.set(part.second, at)
        picture.share.set(part.share, at)
        if (part.light) picture.light?.set(part.light, at)
      }
      done += to - from
      onTold?.(done / view.height)
    }
  }
  await Promise.all(all.map(work))
  return picture
}

let turn = 0

/** Counts the faces of a design's bars, in a worker. */
export async function measureFaces(program: Program, plan: Pick<Plan, 'mould' | 'cutting'>): Promise<Measures | null> {
  const all = pool()
  turn += 1
  const hand = all[turn % all.length]!
  const id = known(hand, program)
  return hand.door
    .ask(async (worker): Promise<Measures | null> => worker.measure(id, plan.mould, plan.cutting))
    .catch(() => null)
}
