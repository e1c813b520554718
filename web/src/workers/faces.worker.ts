import { renderRows } from '@ostler/core'
import type { Picture, Program, View } from '@ostler/core'
import { expose, transfer } from 'comlink'

const programs = new Map<number, Program>()

/** A design that pictures are wanted of; `forget` is one that no more are wanted of. */
const take = (id: number, program: Program, forget: number | null): void => {
  programs.set(id, program)
  if (forget !== null) programs.delete(forget)
}

/** Rows of a view of a design. */
function draw(id: number, view: View, from: number, to: number, isFinal: boolean): Picture | null {
  const program = programs.get(id)
  if (!program) return null
  const picture = renderRows(program, view, from, to, isFinal)
  return transfer(picture, [picture.first.buffer, picture.second.buffer, picture.share.buffer])
}

const doorway = { take, draw }
export type FacesWorker = typeof doorway

expose(doorway)
