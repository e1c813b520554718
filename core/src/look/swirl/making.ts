import type { Words } from '../../quantities/facts/index.ts'
import type { Mould, Move, Plan, Pour } from '../../plan/index.ts'
import type { PourOp, Program } from './program.ts'

/** A design while it is compiled. */
export interface Making {
  plan: Plan
  /** The mould that is drawn. */
  mould: Mould
  program: Program
  cups: string[]
  pencils: string[]
  sentences: Words[]
  levels: readonly number[]
  /** What waits in the pot to be poured out. */
  pot: { pours: { op: PourOp; pour: Pour }[]; volume: number; side: number; moves: Move[]; height: number }
}
