import { measuresOf, renderRows } from '@ostler/core'
import type { Fineness, Measures, Picture, Plan, Program, View } from '@ostler/core'
import { expose, transfer } from 'comlink'

const programs = new Map<number, Program>()

/** A design that pictures are wanted of; `forget` is one that no more are wanted of. */
const take = (id: number, program: Program, forget: number | null): void => {
  programs.set(id, program)
  if (forget !== null) programs.delete(forget)
}

/** Rows of a view of a design. */
function draw(id: number, view: View, from: number, to: number, fineness: Fineness): Picture | null {
  const program = programs.get(id)
  if (!program) return null
  const picture = renderRows(program, view, from, to, fineness)
  const buffers = [picture.first.buffer, picture.second.buffer, picture.share.buffer]
  return transfer(picture, picture.light ? [...buffers, picture.light.buffer] : buffers)
}

function measure(id: number, mould: Plan['mould'], cutting: Plan['cutting']): Measures | null {
  const program = programs.get(id)
  return program ? measuresOf(program, { mould, cutting }) : null
}

const doorway = { take, draw, measure }
export type FacesWorker = typeof doorway

expose(doorway)
