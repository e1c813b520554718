import type { Look } from './look.ts'
import type { Program, TwistOp } from './program.ts'

/** Everything that a move needs to know of the block it goes through. */
export interface Block {
  program: Program
  heightMm: number
  look: Look
  seed: number
  /** How far around a stroke reaches, where that is less than usual. */
  reachMm?: number
}

/** Corners of a path, in the two axes that it lies in. */
export type Path = readonly (readonly [number, number])[]

/** A whole turn inside a region, with everything that is usual. */
export const stirring = (change: Partial<TwistOp>): TwistOp => ({
  kind: 'twist',
  plane: 'yz',
  centreA: 0,
  centreB: 0,
  axisA: 0,
  axisB: 1,
  across: 1,
  along: 1,
  power: 2,
  law: 'stir',
  angle: 1,
  ring: 0,
  core: 1,
  slice: { kind: 'all' },
  meander: null,
  ...change,
})
