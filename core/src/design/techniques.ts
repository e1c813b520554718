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
    sentence: 'Level bands, each poured once the one below carries it.',
    cups: 2,
    seen: 'across',
    parameters: [LAYERS],
    steps: value => times(value('layers'), i => ({ cup: i, share: 1 })),
  },
  {
    id: 'fade',
    name: 'Fade',
    sentence: 'From the first cup to the last in even steps: make the cups a ladder of tints.',
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
    sentence: 'Thick batter spooned and pressed, so that the faces stay uneven.',
    cups: 2,
    seen: 'across',
    parameters: [LAYERS],
    steps: value => times(value('layers'), i => ({ cup: i, share: 1, shape: { texture: 'rustic' } })),
  },
  {
    id: 'tilted',
    name: 'Slanted layers',
    sentence: 'The mould is propped up at one side, then at the other.',
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
    sentence: 'Wavy and heaped layers, like a landscape from the side.',
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
    sentence: 'A breath of powder between layers draws a fine line.',
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
    sentence: 'Layers or streams, then a wire drawn down, across and up.',
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
    sentence: 'Thin stacked strips inside the loaf, drawn up once through the middle.',
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
    sentence: 'Streams from a height dive into the base and rise as plumes.',
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
          ...{ way: 'drop' as const, count: 3, range: 0.6, cover: i % 2 ? 0.2 : 0 },
          across: 0.5 + 0.28 * (((i * 0.37) % 1) - 0.5),
        },
      })),
    ],
  },
  {
    id: 'in-the-pot',
    name: 'In the pot',
    sentence: 'Colours poured into the base at hours of the clock, one turn, then out in passes.',
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
    sentence: 'Small pours by turns along one line: each pushes the last outwards.',
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
    sentence: 'Down one wall and the other by turns: sheets that meet in the middle.',
    cups: 2,
    seen: 'across',
    parameters: [pours('Pours', 4, 20, 10)],
    steps: value =>
      times(value('pours'), i => ({ cup: i, share: 1, shape: { way: 'walls' as const, count: 2, spreadMm: 36 } })),
  },
  {
    id: 'one-wall',
    name: 'Down one wall',
    sentence: 'Thin batter runs down one wall with the mould aslant, and drifts across in bands.',
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
    sentence: 'Small pours one into another in the same place: rings in the cut, best in a column.',
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
    sentence: 'Each colour goes into the same row of spots as the last: an eye in every bar.',
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
    sentence: 'Two cups poured at once from both ends; they meet in the middle with a soft seam.',
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
    sentence: 'Two thin streams meet in the air and fall together in ribbons.',
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
