/** A step of the work at the bench. */

export type StepKind =
  | 'safety'
  | 'ready'
  | 'weigh'
  | 'lye-mix'
  | 'lye-clear'
  | 'melt'
  | 'cream'
  | 'temp'
  | 'lye-in'
  | 'trickle'
  | 'blend'
  | 'hold'
  | 'scent-pot'
  | 'draw'
  | 'colour'
  | 'scent'
  | 'wait'
  | 'pour'
  | 'tool'
  | 'finish'
  | 'close'

export interface BenchStep {
  /** Stable name, e.g. "pour:pour-2". */
  key: string
  kind: StepKind
  /** Id of the cup, pour or move, and key of the line or tick that it is about. */
  cup?: string
  pour?: string
  move?: string
  item?: string
  /** What the hands take, s. */
  seconds: number
  massG: number | null
}

/** Usual seconds of what the plan keeps no times of. Engineering estimates. */
export const SECONDS = {
  tick: 5,
  weigh: 45,
  mix: 60,
  clear: 60,
  melt: 300,
  temp: 25,
  lyeIn: 20,
  hold: 15,
  whip: 180,
  finish: 60,
} as const

export const step = (key: string, kind: StepKind, seconds: number, about: Partial<BenchStep> = {}): BenchStep => ({
  key,
  kind,
  seconds,
  massG: null,
  ...about,
})
