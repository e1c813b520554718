import type { Words } from '../quantities/facts/index.ts'
import { startingEmbed, startingMove, startingShape } from '../plan/index.ts'
import type { Embed, Finish, Move, Plan, Pour, PourShape, Together } from '../plan/index.ts'

/** Number that a technique asks for, e.g. how many loops. */
export interface Parameter {
  key: string
  label: string
  from: number
  to: number
  /** Where it starts; 0: as many as there are cups. */
  usual: number
}

/** The part of a plan that a technique makes. */
export type Made = Pick<Plan, 'score' | 'moves' | 'finish'>

/** A way of pouring and moving that makers have a name for, as a start for a score of one's own. */
export interface Technique {
  id: string
  name: string
  sentence: Words
  /** Fewer cups than this do not show it. */
  cups: number
  /** What shows it best: the cut across, the top, or the cut along. */
  seen: 'across' | 'top' | 'along'
  parameters: readonly Parameter[]
  steps: (value: (key: string) => number, plan: Plan) => readonly Step[]
}

export interface Step {
  /** Which cup, counted from the first; beyond the last it starts again. */
  cup: number
  share: number
  shape?: Partial<PourShape>
  dropMm?: number
  together?: Together
  moves?: readonly (Partial<Move> & Pick<Move, 'tool'>)[]
  embeds?: readonly Partial<Embed>[]
  mat?: Finish['mat']
}

/** Where the parameters of a technique start in a plan. */
export const usualValues = ({ parameters }: Technique, plan: Plan): Record<string, number> =>
  Object.fromEntries(
    parameters.map(({ key, usual, from, to }) => [
      key,
      usual > 0 ? usual : Math.max(from, Math.min(to, plan.cups.length)),
    ]),
  )

/** A score by a technique with the plan's cups and mould; parameters that are not given are as usual. */
export function madeBy(technique: Technique, plan: Plan, values: Readonly<Record<string, number>> = {}): Made {
  const usual = usualValues(technique, plan)
  const value = (key: string) => {
    const { from, to } = technique.parameters.find(one => one.key === key)!
    return Math.max(from, Math.min(to, Math.round(values[key] ?? usual[key]!)))
  }
  const steps = technique.steps(value, plan)
  const whole = steps.reduce((sum, step) => sum + step.share, 0)
  const first = plan.score[0]!
  const score = steps.map((step, i): Pour => ({
    ...first,
    id: `pour-${i + 1}`,
    cup: plan.cups[step.cup % plan.cups.length]!.id,
    share: Number((step.share / whole).toFixed(6)),
    dropMm: step.dropMm ?? 10,
    overSpatula: step.shape?.way === undefined || step.shape.way === 'layer',
    waitMin: 0,
    together: step.together ?? 'no',
    window: null,
    shape: { ...startingShape(), ...step.shape },
  }))
  let moveNumber = 0
  const moves = steps.flatMap((step, i) =>
    (step.moves ?? []).map((move): Move => {
      moveNumber += 1
      return { ...startingMove(`move-${moveNumber}`, score[i]!.id, move.tool), ...move }
    }),
  )
  let embedNumber = 0
  const embeds = steps.flatMap((step, i) =>
    (step.embeds ?? []).map((embed): Embed => {
      embedNumber += 1
      return { ...startingEmbed(`embed-${embedNumber}`, score[i]!.id), ...embed }
    }),
  )
  const mat = steps.find(step => step.mat)?.mat ?? plan.finish.mat
  return { score, moves, finish: { ...plan.finish, embeds, mat } }
}

/** Trace at which each pour of a score is usually made: heaps and rough faces thick, streams and swirls thin. */
export const usualLevels = (plan: Pick<Plan, 'score' | 'moves'>): number[] =>
  plan.score.map(({ shape }) => {
    if (shape.way === 'spoon' || shape.texture === 'rustic' || shape.texture === 'clouds') return 3.7
    if (shape.texture === 'wavy' || shape.way === 'peaks' || shape.way === 'piped') return 3
    return shape.way === 'layer' && plan.moves.length === 0 ? 2.7 : 2
  })

export const times = <T>(count: number, make: (i: number) => T): T[] => Array.from({ length: count }, (_, i) => make(i))
