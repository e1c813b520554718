import { fact } from '../quantities/facts/index.ts'
import { BODY_TECHNIQUES } from './techniques.ts'
import { times } from './technique.ts'
import type { Step, Technique } from './technique.ts'

/** Tools through the body, and what goes on, in and under it. */

const strokes = (usual: number) => ({ key: 'strokes', label: 'Strokes', from: 2, to: 24, usual })
const LINES = { key: 'lines', label: 'Lines of colour', from: 2, to: 12, usual: 6 } as const
const other = (i: number, cups: number) => 1 + (i % Math.max(1, cups - 1))

/** Lines of every cup side by side on a base, the last followed by tools. */
const linesWith = (count: number, tools: NonNullable<Step['moves']>, spreadMm = 12, base = 2): Step[] => [
  { cup: 0, share: base },
  ...times(count, i => ({
    cup: i + 1,
    share: 3 / count,
    shape: { way: 'line' as const, across: count === 1 ? 0.5 : 0.12 + (0.76 * i) / (count - 1), spreadMm },
    ...(i === count - 1 && { moves: tools }),
  })),
]
const moved = (move: NonNullable<Step['moves']>[number]) => move

const TOOL_TECHNIQUES: readonly Technique[] = [
  {
    id: 'feather-top',
    name: 'Feathered top',
    sentence: fact('design.fine-lines-on-surface'),
    cups: 2,
    seen: 'top',
    parameters: [{ ...LINES, usual: 4 }, strokes(16)],
    steps: (value, plan) => [
      { cup: 0, share: 6 },
      ...times(value('lines'), i => ({
        cup: other(i, plan.cups.length),
        share: 0.9 / value('lines'),
        shape: { way: 'line' as const, across: 0.14 + (0.72 * i) / (value('lines') - 1), spreadMm: 6 },
        ...(i === value('lines') - 1 && {
          moves: [moved({ tool: 'skewer', pattern: 'across', count: value('strokes'), depth: 0.3 })],
        }),
      })),
    ],
  },
  {
    id: 'combed',
    name: 'Combed lines',
    sentence: fact('design.lines-side-by-side'),
    cups: 2,
    seen: 'top',
    parameters: [LINES, strokes(12)],
    steps: value =>
      linesWith(value('lines'), [moved({ tool: 'stick', pattern: 'both', count: value('strokes'), depth: 0.9 })]),
  },
  {
    id: 'comb-pull',
    name: 'Comb pull',
    sentence: fact('design.lines-along-then-comb'),
    cups: 2,
    seen: 'top',
    parameters: [LINES, { key: 'tines', label: 'Tines', from: 3, to: 24, usual: 11 }],
    steps: value =>
      linesWith(value('lines'), [moved({ tool: 'comb', pattern: 'across', count: value('tines'), depth: 1 })]),
  },
  {
    id: 'plumage',
    name: 'Plumage',
    sentence: fact('design.combed-one-way-back'),
    cups: 3,
    seen: 'top',
    parameters: [
      { ...LINES, usual: 8 },
      { key: 'tines', label: 'Tines', from: 3, to: 24, usual: 9 },
      { key: 'eights', label: 'Eights', from: 1, to: 8, usual: 3 },
    ],
    steps: value =>
      linesWith(value('lines'), [
        moved({ tool: 'comb', pattern: 'across', count: value('tines'), depth: 1 }),
        moved({ tool: 'stick', pattern: 'eights', count: value('eights'), depth: 1, strength: 0.8 }),
      ]),
  },
  {
    id: 'eights',
    name: 'Figure eights',
    sentence: fact('design.chopstick-goes-through-lines'),
    cups: 2,
    seen: 'top',
    parameters: [
      { ...LINES, usual: 5 },
      { key: 'eights', label: 'Eights', from: 1, to: 8, usual: 4 },
    ],
    steps: value =>
      linesWith(value('lines'), [moved({ tool: 'stick', pattern: 'eights', count: value('eights'), depth: 1 })], 10, 3),
  },
  {
    id: 'rod-loops',
    name: 'Rod loops',
    sentence: fact('design.rod-goes-circles-along'),
    cups: 2,
    seen: 'top',
    parameters: [LINES, { key: 'loops', label: 'Loops', from: 1, to: 10, usual: 5 }],
    steps: value =>
      linesWith(value('lines'), [moved({ tool: 'stick', pattern: 'loops', count: value('loops'), depth: 1 })]),
  },
  {
    id: 'spin',
    name: 'Spin swirl',
    sentence: fact('design.colours-side-by-side'),
    cups: 2,
    seen: 'top',
    parameters: [
      { ...LINES, usual: 5 },
      { key: 'turns', label: 'Jerks', from: 1, to: 4, usual: 2 },
    ],
    steps: value => linesWith(value('lines'), [moved({ tool: 'spin', count: value('turns') })], 14, 1),
  },
  {
    id: 'spoon-plunge',
    name: 'Spoon plunges',
    sentence: fact('design.layers-then-spoon-down'),
    cups: 2,
    seen: 'along',
    parameters: [
      { key: 'layers', label: 'Layers', from: 2, to: 8, usual: 5 },
      { key: 'plunges', label: 'Plunges in a row', from: 2, to: 10, usual: 6 },
    ],
    steps: value =>
      times(value('layers'), i => ({
        cup: i,
        share: 1,
        ...(i === value('layers') - 1 && { moves: [moved({ tool: 'spoon', count: value('plunges') })] }),
      })),
  },
  {
    id: 'folds',
    name: 'Spatula folds',
    sentence: fact('design.layers-turned-over-with'),
    cups: 2,
    seen: 'across',
    parameters: [
      { key: 'layers', label: 'Layers', from: 2, to: 8, usual: 4 },
      { key: 'folds', label: 'Folds', from: 1, to: 8, usual: 4 },
    ],
    steps: value =>
      times(value('layers'), i => ({
        cup: i,
        share: 1,
        ...(i === value('layers') - 1 && { moves: [moved({ tool: 'fold', count: value('folds'), strength: 1.4 })] }),
      })),
  },
  {
    id: 'drizzle',
    name: 'Drizzled top',
    sentence: fact('design.level-base-thread-colour'),
    cups: 2,
    seen: 'top',
    parameters: [{ key: 'turns', label: 'Turns to and fro', from: 3, to: 24, usual: 14 }],
    steps: (value, plan) => [
      ...times(plan.cups.length - 1, i => ({ cup: i, share: 5 / (plan.cups.length - 1) })),
      { cup: plan.cups.length - 1, share: 0.05, shape: { way: 'drizzle', count: value('turns') } },
    ],
  },
  {
    id: 'peaks',
    name: 'Spooned peaks',
    sentence: fact('design.level-layers-top-spooned'),
    cups: 2,
    seen: 'along',
    parameters: [{ key: 'layers', label: 'Layers', from: 1, to: 8, usual: 2 }],
    steps: (value, plan) => [
      ...times(value('layers'), i => ({ cup: i % Math.max(1, plan.cups.length - 1), share: 5 / value('layers') })),
      { cup: plan.cups.length - 1, share: 0.8, shape: { way: 'peaks' } },
    ],
  },
  {
    id: 'piped',
    name: 'Piped top',
    sentence: fact('design.very-thick-batter-piped'),
    cups: 2,
    seen: 'top',
    parameters: [{ key: 'rounds', label: 'Rounds along', from: 2, to: 24, usual: 8 }],
    steps: (value, plan) => [
      ...times(plan.cups.length - 1, i => ({ cup: i, share: 5 / (plan.cups.length - 1) })),
      { cup: plan.cups.length - 1, share: 0.36, shape: { way: 'piped', count: value('rounds') } },
    ],
  },
  {
    id: 'rods',
    name: 'Rods set in',
    sentence: fact('design.ready-made-round-rods'),
    cups: 2,
    seen: 'across',
    parameters: [{ key: 'rods', label: 'Rods', from: 1, to: 5, usual: 3 }],
    steps: value => [
      {
        cup: 0,
        share: 1,
        embeds: times(value('rods'), i => ({
          name: `Rod ${i + 1}`,
          across: (i + 0.5) / value('rods'),
          height: i % 2 ? 0.62 : 0.42,
          widthMm: 13,
          hex: ['#c9a24b', '#8c3b3b', '#3f6f73'][i % 3]!,
        })),
      },
      { cup: 1, share: 1, shape: { texture: 'wavy' } },
    ],
  },
  {
    id: 'balls',
    name: 'A ball in every bar',
    sentence: fact('design.balls-ready-made-soap'),
    cups: 2,
    seen: 'along',
    parameters: [{ key: 'size', label: 'Diameter, mm', from: 10, to: 45, usual: 22 }],
    steps: value => [
      {
        cup: 0,
        share: 1,
        embeds: [{ name: 'Ball', form: 'ball', widthMm: value('size'), everyBar: true, height: 0.5 }],
      },
      { cup: 1, share: 1, shape: { texture: 'wavy' } },
    ],
  },
  {
    id: 'curls',
    name: 'Curls',
    sentence: fact('design.planed-curls-soap-laid'),
    cups: 2,
    seen: 'across',
    parameters: [{ key: 'curls', label: 'Curls', from: 1, to: 4, usual: 2 }],
    steps: value => [
      {
        cup: 0,
        share: 1.2,
        embeds: times(value('curls'), i => ({
          name: `Curl ${i + 1}`,
          form: 'curl' as const,
          widthMm: 26,
          height: 0.5,
          across: (i + 0.5) / value('curls'),
          hex: ['#e8dcc0', '#b0563b', '#54707a'][i % 3]!,
        })),
      },
      { cup: 1, share: 1 },
    ],
  },
  {
    id: 'stamped',
    name: 'Stamped underside',
    sentence: fact('design.wavy-mat-on-floor'),
    cups: 2,
    seen: 'along',
    parameters: [{ key: 'depth', label: 'Relief, mm', from: 1, to: 6, usual: 3 }],
    steps: value => [
      { cup: 0, share: 1, mat: { texture: 'waves', depthMm: value('depth'), pitchMm: 14 } },
      { cup: 1, share: 1, shape: { texture: 'wavy' } },
    ],
  },
]

export const TECHNIQUES: readonly Technique[] = [...BODY_TECHNIQUES, ...TOOL_TECHNIQUES]
