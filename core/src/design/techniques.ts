import { fact } from '../quantities/facts/index.ts'
import { times } from './technique.ts'
import type { Step, Technique } from './technique.ts'

/** Layers, and streams that shape the whole cut. */

const LAYERS = { key: 'layers', label: 'Layers', from: 2, to: 12, usual: 0 } as const
const loops = (usual: number) => ({ key: 'loops', label: 'Loops', from: 1, to: 8, usual })
const pours = (label: string, from: number, to: number, usual: number) => ({ key: 'pours', label, from, to, usual })
/** Another cup than the base one, by turns. */
const other = (i: number, cups: number) => 1 + (i % Math.max(1, cups - 1))

export const BODY_TECHNIQUES: readonly Technique[] = [
  {
    id: 'straight',
    name: 'Straight layers',
    sentence: fact('design.level-bands-each-poured'),
    cups: 2,
    seen: 'across',
    parameters: [LAYERS],
    steps: value => times(value('layers'), i => ({ cup: i, share: 1 })),
  },
  {
    id: 'fade',
    name: 'Fade',
    sentence: fact('design.from-first-cup-last'),
    cups: 3,
    seen: 'across',
    parameters: [LAYERS],
    steps: (value, plan) =>
      times(value('layers'), i => ({
        cup: Math.round((i * (plan.cups.length - 1)) / Math.max(1, value('layers') - 1)),
        share: 1,
        shape: { texture: 'wavy' },
      })),
  },
  {
    id: 'rustic',
    name: 'Rustic layers',
    sentence: fact('design.thick-batter-spooned-pressed'),
    cups: 2,
    seen: 'across',
    parameters: [LAYERS],
    steps: value => times(value('layers'), i => ({ cup: i, share: 1, shape: { texture: 'rustic' } })),
  },
  {
    id: 'tilted',
    name: 'Slanted layers',
    sentence: fact('design.mould-propped-up-at'),
    cups: 2,
    seen: 'across',
    parameters: [
      { ...LAYERS, usual: 4 },
      { key: 'slope', label: 'Slope, degrees', from: 3, to: 30, usual: 14 },
    ],
    steps: value =>
      times(value('layers'), i => ({
        cup: i,
        share: 1,
        shape: { tiltDeg: i === 0 ? 0 : (i % 2 ? 1 : -1) * value('slope') },
      })),
  },
  {
    id: 'hills',
    name: 'Hills and clouds',
    sentence: fact('design.wavy-heaped-layers-like'),
    cups: 3,
    seen: 'across',
    parameters: [LAYERS],
    steps: value =>
      times(value('layers'), i => ({
        cup: i,
        share: 1,
        shape: { way: i % 3 === 2 ? 'spoon' : 'layer', texture: 'wavy' },
      })),
  },
  {
    id: 'dusted',
    name: 'Dusted lines',
    sentence: fact('design.breath-powder-between-layers'),
    cups: 2,
    seen: 'across',
    parameters: [LAYERS],
    steps: value =>
      times(value('layers'), i => ({
        cup: i,
        share: 1,
        shape: { pencil: i === 0 ? '' : 'charcoal', texture: i % 2 ? 'wavy' : 'straight' },
      })),
  },
  {
    id: 'hanger',
    name: 'Hanger swirl',
    sentence: fact('design.layers-or-streams-then'),
    cups: 2,
    seen: 'across',
    parameters: [{ ...LAYERS, usual: 5 }, loops(3)],
    steps: value =>
      times(value('layers'), i => ({
        cup: i,
        share: 1,
        ...(i === value('layers') - 1 && { moves: [{ tool: 'hanger' as const, count: value('loops') }] }),
      })),
  },
  {
    id: 'hidden-feather',
    name: 'Hidden feather',
    sentence: fact('design.thin-stacked-strips-inside'),
    cups: 2,
    seen: 'across',
    parameters: [pours('Strips', 3, 14, 8)],
    steps: value => [
      { cup: 0, share: 2 },
      ...times(value('pours'), (i): Step => ({
        cup: i + 1,
        share: 0.28,
        shape: { way: 'line', across: 0.5, spreadMm: 24 },
      })),
      { cup: 0, share: 1.2, moves: [{ tool: 'hanger', count: 1, depth: 0.92, strength: 1.2 }] },
    ],
  },
  {
    id: 'drop',
    name: 'Drop swirl',
    sentence: fact('design.streams-from-height-dive'),
    cups: 2,
    seen: 'across',
    parameters: [pours('Pours', 3, 18, 9), { key: 'fall', label: 'Highest fall, mm', from: 30, to: 200, usual: 95 }],
    steps: (value, plan) => [
      { cup: 0, share: 2.4 },
      ...times(value('pours'), i => ({
        cup: i % 3 === 2 ? 0 : other(i, plan.cups.length),
        share: i % 3 === 2 ? 0.25 : 0.5,
        dropMm: 20 + ((value('fall') - 20) * (i % 4)) / 3,
        shape: {
          way: 'drop' as const,
          count: 3,
          range: 0.6,
          cover: i % 2 ? 0.2 : 0,
          across: 0.5 + 0.28 * (((i * 0.37) % 1) - 0.5),
        },
      })),
    ],
  },
  {
    id: 'in-the-pot',
    name: 'In the pot',
    sentence: fact('design.colours-poured-into-base'),
    cups: 2,
    seen: 'across',
    parameters: [
      pours('Pours into the base', 2, 12, 6),
      { key: 'turns', label: 'Turns', from: 1, to: 4, usual: 1 },
      { key: 'passes', label: 'Passes', from: 3, to: 9, usual: 6 },
    ],
    steps: (value, plan) => [
      { cup: 0, share: 2.6, shape: { way: 'pot', hour: 0 } },
      ...times(value('pours'), i => ({
        cup: other(i, plan.cups.length),
        share: 3.6 / value('pours'),
        dropMm: 60,
        shape: { way: 'pot' as const, hour: (1 + (12 * i) / value('pours')) % 12 || 12 },
        ...(i === value('pours') - 1 && {
          moves: [
            { tool: 'stir' as const, count: value('turns') },
            { tool: 'decant' as const, count: value('passes') },
          ],
        }),
      })),
    ],
  },
  {
    id: 'middle-stripes',
    name: 'Stripes down the middle',
    sentence: fact('design.small-pours-by-turns'),
    cups: 2,
    seen: 'across',
    parameters: [pours('Pours', 6, 30, 18)],
    steps: value => [
      { cup: 0, share: 0.8 },
      ...times(value('pours'), i => ({
        cup: i + 1,
        share: 6.5 / value('pours'),
        shape: { way: 'line' as const, across: 0.5 + (i % 2 ? 0.02 : -0.02), spreadMm: 32 },
      })),
    ],
  },
  {
    id: 'walls',
    name: 'Wall pour',
    sentence: fact('design.down-one-wall-other'),
    cups: 2,
    seen: 'across',
    parameters: [pours('Pours', 4, 20, 10)],
    steps: value =>
      times(value('pours'), i => ({ cup: i, share: 1, shape: { way: 'walls' as const, count: 2, spreadMm: 36 } })),
  },
  {
    id: 'one-wall',
    name: 'Down one wall',
    sentence: fact('design.thin-batter-runs-down'),
    cups: 2,
    seen: 'across',
    parameters: [pours('Pours', 4, 20, 12)],
    steps: value =>
      times(value('pours'), i => ({
        cup: i,
        share: 1,
        shape: { way: 'line' as const, count: 1, across: 0.03, range: 0, spreadMm: 46 },
      })),
  },
  {
    id: 'rings',
    name: 'Rings in one spot',
    sentence: fact('design.small-pours-one-into'),
    cups: 2,
    seen: 'top',
    parameters: [pours('Pours', 4, 30, 14)],
    steps: value => [
      { cup: 0, share: 0.6 },
      ...times(value('pours'), i => ({
        cup: i + 1,
        share: 7 / value('pours'),
        shape: { way: 'spots' as const, count: 1, across: 0.5, spreadMm: 26 },
      })),
    ],
  },
  {
    id: 'spot-rows',
    name: 'Rings in a row',
    sentence: fact('design.each-colour-goes-into'),
    cups: 2,
    seen: 'top',
    parameters: [pours('Pours', 3, 16, 8), { key: 'spots', label: 'Spots', from: 2, to: 10, usual: 5 }],
    steps: value => [
      { cup: 0, share: 2 },
      ...times(value('pours'), i => ({
        cup: i + 1,
        share: 3 / value('pours'),
        shape: { way: 'spots' as const, count: value('spots'), range: 0.72, across: 0.5, spreadMm: 17 },
      })),
    ],
  },
  {
    id: 'halves',
    name: 'Two halves',
    sentence: fact('design.two-cups-poured-at'),
    cups: 2,
    seen: 'along',
    parameters: [{ ...LAYERS, usual: 2, to: 6 }],
    steps: value =>
      times(2 * value('layers'), i => ({
        cup: i % 4 < 2 ? i : i + 1,
        share: 1,
        shape: { texture: 'wavy' as const },
        ...(i % 2 === 1 && { together: 'ends' as const }),
      })),
  },
  {
    id: 'touching',
    name: 'Streams that touch',
    sentence: fact('design.two-thin-streams-meet'),
    cups: 2,
    seen: 'across',
    parameters: [pours('Pairs', 2, 10, 4)],
    steps: (value, plan) => [
      { cup: 0, share: 0.6 },
      ...times(2 * value('pours'), i => ({
        cup: i % 2 ? other(i >> 1, plan.cups.length) : 0,
        share: 3 / value('pours'),
        shape: { way: 'line' as const, across: 0.35 + 0.3 * ((i >> 1) % 2), spreadMm: 40 },
        ...(i % 2 === 1 && { together: 'mingled' as const }),
      })),
    ],
  },
]
