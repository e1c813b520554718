import type { Picture, Program, View } from '@ostler/core'
import { wrap } from 'comlink'
import type { Remote } from 'comlink'
import type { FacesWorker } from './faces.worker.ts'

const MOST_WORKERS = 4
/** Rows are handed out in pieces of whole blocks. */
const PIECE = 4

interface Hand {
  worker: Remote<FacesWorker>
  /** Numbers of the designs that it has, the oldest first. */
  has: number[]
}

/** A worker keeps so many designs. */
const MOST_KEPT = 30
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
  hands ??= Array.from(
    { length: Math.max(2, Math.min(MOST_WORKERS, (navigator.hardwareConcurrency || 2) - 1)) },
    () => ({
      worker: wrap<FacesWorker>(new Worker(new URL('./faces.worker.ts', import.meta.url), { type: 'module' })),
      has: [],
    }),
  )
  return hands
}

/** One view of a design, drawn by all workers together: each takes a part of the rows. */
export async function drawFace(program: Program, view: View, isFinal = false): Promise<Picture> {
  const all = pool()
  const id = numberOf(program)
  const rows = Math.ceil(view.height / all.length / PIECE) * PIECE
  const parts = await Promise.all(
    all.map(async (hand, i) => {
      const [from, to] = [Math.min(view.height, i * rows), Math.min(view.height, (i + 1) * rows)]
      if (from === to) return null
      if (!hand.has.includes(id)) {
        const forget = hand.has.length >= MOST_KEPT ? hand.has.shift()! : null
        hand.has.push(id)
        void hand.worker.take(id, program, forget)
      }
      return hand.worker.draw(id, view, from, to, isFinal)
    }),
  )
  const size = view.width * view.height
  const picture: Picture = {
    width: view.width,
    height: view.height,
    first: new Uint8Array(size),
    second: new Uint8Array(size),
    share: new Uint8Array(size),
  }
  parts.forEach((part, i) => {
    if (!part) return
    const at = i * rows * view.width
    picture.first.set(part.first, at)
    picture.second.set(part.second, at)
    picture.share.set(part.share, at)
  })
  return picture
}
