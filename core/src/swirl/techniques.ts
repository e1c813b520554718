import { startingMove, startingShape } from '../plan/index.ts'
import type { Move, Plan, Pour, PourShape } from '../plan/index.ts'

/** A way of pouring and moving that makers have a name for, as a start for a score of one's own. */
export interface Technique {
  id: string
  name: string
  sentence: string
  /** Fewer cups than this do not show it. */
  cups: number
  make: (plan: Plan) => Pick<Plan, 'score' | 'moves'>
}

interface Step {
  /** Which cup, counted from the first; beyond the last it starts again. */
  cup: number
  share: number
  shape?: Partial<PourShape>
  dropMm?: number
  moves?: readonly (Partial<Move> & Pick<Move, 'tool'>)[]
}

function scoreOf(plan: Plan, steps: readonly Step[]): Pick<Plan, 'score' | 'moves'> {
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
    shape: { ...startingShape(), ...step.shape },
  }))
  let n = 0
  const moves = steps.flatMap((step, i) =>
    (step.moves ?? []).map((move): Move => {
      n += 1
      return { ...startingMove(`move-${n}`, score[i]!.id, move.tool), ...move }
    }),
  )
  return { score, moves }
}

const times = <T>(count: number, make: (i: number) => T): T[] => Array.from({ length: count }, (_, i) => make(i))
const everyCup = (plan: Plan, make: (i: number) => Step): Step[] => times(plan.cups.length, make)

export const TECHNIQUES: readonly Technique[] = [
  {
    id: 'straight',
    name: 'Straight layers',
    sentence: 'Level bands, each poured once the one below carries it.',
    cups: 2,
    make: plan =>
      scoreOf(
        plan,
        everyCup(plan, i => ({ cup: i, share: 1 })),
      ),
  },
  {
    id: 'rustic',
    name: 'Rustic layers',
    sentence: 'Thick batter spooned and pressed, so that the faces stay uneven.',
    cups: 2,
    make: plan =>
      scoreOf(
        plan,
        everyCup(plan, i => ({ cup: i, share: 1, shape: { texture: 'rustic' } })),
      ),
  },
  {
    id: 'tilted',
    name: 'Slanted layers',
    sentence: 'The mould is propped up at one side, then at the other.',
    cups: 2,
    make: plan =>
      scoreOf(
        plan,
        times(Math.max(4, plan.cups.length), i => ({
          cup: i,
          share: 1,
          shape: { tiltDeg: i === 0 ? 0 : i % 2 ? 14 : -14 },
        })),
      ),
  },
  {
    id: 'hills',
    name: 'Hills and clouds',
    sentence: 'Wavy and heaped layers, like a landscape from the side.',
    cups: 3,
    make: plan =>
      scoreOf(
        plan,
        everyCup(plan, i => ({ cup: i, share: 1, shape: { way: i % 3 === 2 ? 'spoon' : 'layer', texture: 'wavy' } })),
      ),
  },
  {
    id: 'hanger',
    name: 'Hanger swirl',
    sentence: 'Layers or streams, then a wire drawn down, across and up.',
    cups: 2,
    make: plan =>
      scoreOf(
        plan,
        times(Math.max(5, plan.cups.length), i => ({
          cup: i,
          share: 1,
          ...(i === Math.max(5, plan.cups.length) - 1 && { moves: [{ tool: 'hanger' as const, count: 3 }] }),
        })),
      ),
  },
  {
    id: 'drop',
    name: 'Drop swirl',
    sentence: 'Streams from a height dive into the base and rise as plumes.',
    cups: 2,
    make: plan =>
      scoreOf(plan, [
        { cup: 0, share: 2.4 },
        ...times(9, i => ({
          cup: i % 3 === 2 ? 0 : 1 + (i % Math.max(1, plan.cups.length - 1)),
          share: i % 3 === 2 ? 0.25 : 0.5,
          dropMm: 20 + 25 * (i % 4),
          shape: {
            ...{ way: 'drop' as const, count: 3, range: 0.6, cover: i % 2 ? 0.2 : 0 },
            across: 0.5 + 0.28 * (((i * 0.37) % 1) - 0.5),
          },
        })),
      ]),
  },
  {
    id: 'in-the-pot',
    name: 'In the pot',
    sentence: 'Colours poured into the base at hours of the clock, one turn, then out in passes.',
    cups: 2,
    make: plan =>
      scoreOf(plan, [
        { cup: 0, share: 2.6, shape: { way: 'pot', hour: 0 } },
        ...times(6, i => ({
          cup: 1 + (i % Math.max(1, plan.cups.length - 1)),
          share: 0.6,
          dropMm: 60,
          shape: { way: 'pot' as const, hour: 2 * i + 1 },
          ...(i === 5 && {
            moves: [
              { tool: 'stir' as const, count: 1 },
              { tool: 'decant' as const, count: 6 },
            ],
          }),
        })),
      ]),
  },
  {
    id: 'middle-stripes',
    name: 'Stripes down the middle',
    sentence: 'Small pours by turns along one line: each pushes the last outwards.',
    cups: 2,
    make: plan =>
      scoreOf(plan, [
        { cup: 0, share: 0.8 },
        ...times(18, i => ({
          cup: i + 1,
          share: 0.36,
          shape: { way: 'line' as const, across: 0.5 + (i % 2 ? 0.02 : -0.02), spreadMm: 32 },
        })),
      ]),
  },
  {
    id: 'walls',
    name: 'Wall pour',
    sentence: 'Down one wall and the other by turns: sheets that meet in the middle.',
    cups: 2,
    make: plan =>
      scoreOf(
        plan,
        times(10, i => ({ cup: i, share: 1, shape: { way: 'walls' as const, count: 2, spreadMm: 36 } })),
      ),
  },
  {
    id: 'feather-top',
    name: 'Feathered top',
    sentence: 'Fine lines on the surface, drawn across with a skewer.',
    cups: 2,
    make: plan =>
      scoreOf(plan, [
        { cup: 0, share: 6 },
        ...times(4, i => ({
          cup: 1 + (i % Math.max(1, plan.cups.length - 1)),
          share: 0.22,
          shape: { way: 'line' as const, across: 0.14 + 0.24 * i, spreadMm: 6 },
          ...(i === 3 && { moves: [{ tool: 'skewer' as const, pattern: 'across' as const, count: 16, depth: 0.3 }] }),
        })),
      ]),
  },
  {
    id: 'combed',
    name: 'Combed lines',
    sentence: 'Lines side by side, drawn crosswise and back: best in a slab.',
    cups: 2,
    make: plan =>
      scoreOf(plan, [
        { cup: 0, share: 2 },
        ...times(6, i => ({
          cup: i,
          share: 0.5,
          shape: { way: 'line' as const, across: 0.12 + 0.152 * i, spreadMm: 12 },
          ...(i === 5 && { moves: [{ tool: 'stick' as const, pattern: 'both' as const, count: 12, depth: 0.9 }] }),
        })),
      ]),
  },
  {
    id: 'eights',
    name: 'Figure eights',
    sentence: 'A chopstick goes through lines of colour in eights.',
    cups: 2,
    make: plan =>
      scoreOf(plan, [
        { cup: 0, share: 3 },
        ...times(5, i => ({
          cup: i + 1,
          share: 0.6,
          shape: { way: 'line' as const, across: 0.15 + 0.175 * i, spreadMm: 10 },
          ...(i === 4 && { moves: [{ tool: 'stick' as const, pattern: 'eights' as const, count: 4, depth: 1 }] }),
        })),
      ]),
  },
  {
    id: 'spoon-plunge',
    name: 'Spoon plunges',
    sentence: 'Layers, then a spoon down and up in a grid.',
    cups: 2,
    make: plan =>
      scoreOf(
        plan,
        times(5, i => ({ cup: i, share: 1, ...(i === 4 && { moves: [{ tool: 'spoon' as const, count: 6 }] }) })),
      ),
  },
  {
    id: 'rings',
    name: 'Rings in one spot',
    sentence: 'Small pours one into another in the same place: rings in the cut, best in a column.',
    cups: 2,
    make: plan =>
      scoreOf(plan, [
        { cup: 0, share: 0.6 },
        ...times(14, i => ({
          cup: i + 1,
          share: 0.5,
          shape: { way: 'spots' as const, count: 1, across: 0.5, spreadMm: 30 },
        })),
      ]),
  },
  {
    id: 'dusted',
    name: 'Dusted lines',
    sentence: 'A breath of powder between layers draws a fine line.',
    cups: 2,
    make: plan =>
      scoreOf(
        plan,
        everyCup(plan, i => ({
          cup: i,
          share: 1,
          shape: { pencil: i === 0 ? '' : 'charcoal', texture: i % 2 ? 'wavy' : 'straight' },
        })),
      ),
  },
]
