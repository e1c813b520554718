import {
  DESIGN_VERSION,
  TECHNIQUES,
  designFrom,
  madeBy,
  planOfDesign,
  plannedMould,
  referenceShelf,
  starterPlan,
  startingTopping,
} from '@ostler/core'
import type { KeptDesign, Plan, ToppingKind } from '@ostler/core'

/** Designs of the made-up workshop, each by a technique, in a mould that suits it. */
interface DemoDesign {
  name: string
  notes: string
  technique: string
  values?: Record<string, number>
  mould: string
  cups: readonly (readonly [name: string, hex: string])[]
  toppings?: readonly ToppingKind[]
  rows?: number
}

const LOAF = 'loaf-1kg'
const SLAB = 'slab-12'

const DESIGNS: readonly DemoDesign[] = [
  {
    ...{ name: 'Weir Pool', technique: 'spot-rows', mould: LOAF, values: { pours: 7, spots: 4 } },
    notes: 'An eye in every other bar: pour into the same four spots, low and slow.',
    cups: [
      ['Foam', '#ece5d4'],
      ['Deep', '#2f5560'],
      ['Silt', '#8a7350'],
    ],
  },
  {
    ...{ name: 'Round Post', technique: 'rings', mould: 'column-round-76', values: { pours: 18 } },
    notes: 'Eighteen small pours on the axis; cut level for rings.',
    cups: [
      ['Heartwood', '#7c4a2d'],
      ['Sapwood', '#e3c99a'],
    ],
  },
  {
    ...{ name: 'Lock Gates', technique: 'halves', mould: LOAF, values: { layers: 3 } },
    notes: 'Two jugs at once, one from each end; the halves change places layer by layer.',
    cups: [
      ['Tar', '#33383d'],
      ['Limewash', '#eee8da'],
      ['Moss', '#66794a'],
    ],
  },
  {
    ...{ name: 'Barge Rope', technique: 'touching', mould: LOAF, values: { pours: 5 } },
    notes: 'Two lips together: the streams touch in the air and fall as ribbons.',
    cups: [
      ['Hemp', '#d9c6a0'],
      ['Rust', '#a04a2a'],
      ['Night', '#2c3550'],
    ],
  },
  {
    ...{ name: 'Thatch', technique: 'comb-pull', mould: SLAB, values: { lines: 8, tines: 13 }, rows: 3 },
    notes: 'Eight lines along the slab, one pull of the comb across.',
    cups: [
      ['Straw', '#d8b86a'],
      ['Smoke', '#6d6a63'],
      ['Chalk', '#efe9da'],
    ],
  },
  {
    ...{ name: 'Reed Warbler', technique: 'plumage', mould: SLAB, values: { lines: 9, tines: 11, eights: 3 }, rows: 3 },
    notes: 'Combed, then three eights with a chopstick. Needs a slow batter.',
    cups: [
      ['Reed', '#6f8a55'],
      ['Breast', '#e6d3ae'],
      ['Wing', '#6b4b34'],
      ['Eye', '#2c2d30'],
    ],
  },
  {
    ...{ name: 'Eddy', technique: 'spin', mould: SLAB, values: { lines: 6, turns: 2 }, rows: 3 },
    notes: 'Colours side by side; turn the slab on the bench in two jerks.',
    cups: [
      ['Slack', '#3d6b74'],
      ['Foam', '#efe7d5'],
      ['Peat', '#54402f'],
    ],
  },
  {
    ...{ name: 'Mooring Rings', technique: 'eights', mould: SLAB, values: { lines: 5, eights: 4 }, rows: 3 },
    notes: 'Four eights through five lines.',
    cups: [
      ['Hull', '#31435f'],
      ['Paint', '#c7583c'],
      ['Rope', '#e2d2aa'],
    ],
  },
  {
    ...{ name: 'Winding Hole', technique: 'rod-loops', mould: LOAF, values: { lines: 5, loops: 5 } },
    notes: 'A rod goes round five times on its way along the loaf.',
    cups: [
      ['Willow', '#8fa36c'],
      ['Clay', '#b5623f'],
      ['Mist', '#e6e2d6'],
    ],
  },
  {
    ...{ name: 'Hidden Fern', technique: 'hidden-feather', mould: LOAF, values: { pours: 9 } },
    notes: 'Thin strips inside, one lift of the wire through the middle.',
    cups: [
      ['Shade', '#39483c'],
      ['Frond', '#8fae5b'],
      ['Light', '#e9e4c9'],
    ],
  },
  {
    ...{ name: 'Winter Tiles', technique: 'peaks', mould: LOAF, values: { layers: 3 }, toppings: ['mica'] },
    notes: 'Level courses under spooned peaks; a dab of mica on every bar.',
    cups: [
      ['Slate', '#4b5560'],
      ['Lead', '#8d949a'],
      ['Rime', '#eceae2'],
    ],
  },
  {
    ...{ name: 'Millstones', technique: 'piped', mould: LOAF, values: { rounds: 8 }, toppings: ['seeds'] },
    notes: 'One row of piped rounds for every bar, poppy seeds over all: cut on its side.',
    cups: [
      ['Grist', '#c9ac7a'],
      ['Bran', '#8c6239'],
      ['Flour', '#efe8d8'],
    ],
  },
  {
    ...{ name: 'Shavings', technique: 'curls', mould: LOAF, values: { curls: 2 } },
    notes: 'Planed curls of an older loaf, laid along so that the cut shows their windings.',
    cups: [
      ['Pine', '#e0cfa6'],
      ['Bench', '#5f4a3a'],
    ],
  },
  {
    ...{ name: 'Three Pipes', technique: 'rods', mould: LOAF, values: { rods: 3 } },
    notes: 'Round rods between two pours; set them in at light to medium trace.',
    cups: [
      ['Bank', '#7a7f5a'],
      ['Sky at Six', '#d9d3c4'],
    ],
  },
  {
    ...{ name: 'Marbles', technique: 'balls', mould: LOAF, values: { size: 24 } },
    notes: 'A ball in the middle of every bar.',
    cups: [
      ['Felt', '#3e5a4a'],
      ['Chalk', '#ebe4d2'],
    ],
  },
  {
    ...{ name: 'Ribbed Sand', technique: 'stamped', mould: LOAF, values: { depth: 3 }, toppings: ['petals'] },
    notes: 'A wavy mat under plain layers; two petals to a bar.',
    cups: [
      ['Sand', '#d6bd8d'],
      ['Shallows', '#6f9aa0'],
    ],
  },
  {
    ...{ name: 'Thread', technique: 'drizzle', mould: LOAF, values: { turns: 16 } },
    notes: 'A thread of the last cup over a level top.',
    cups: [
      ['Linen', '#e8e0cc'],
      ['Indigo', '#35406b'],
      ['Madder', '#9c3f33'],
    ],
  },
  {
    ...{ name: 'Bank Slip', technique: 'one-wall', mould: LOAF, values: { pours: 12 } },
    notes: 'Always down the same wall, the mould propped up: the bands drift across.',
    cups: [
      ['Loam', '#5a4534'],
      ['Turf', '#7f9150'],
      ['Chalk', '#ebe5d6'],
    ],
  },
]

function designOfDemo(demo: DemoDesign): KeptDesign {
  const starter = starterPlan(demo.name)
  const technique = TECHNIQUES.find(one => one.id === demo.technique)
  const mould = referenceShelf().moulds.find(one => one.id === demo.mould)
  if (!technique || !mould) throw new Error(`the demo design ${demo.name} names a technique or mould that is not there`)
  const cups = demo.cups.map(([name, hex], i) => ({ id: `cup-${i + 1}`, name, hex }))
  const { score, moves, finish, cutting } = starter
  const bare: KeptDesign = {
    ...{
      format: 'ostler-design',
      version: DESIGN_VERSION,
      name: demo.name,
      notes: demo.notes,
      mould: plannedMould(mould),
    },
    ...{ cups, score, moves, finish, cutting },
  }
  const plan = planOfDesign(bare, starter)
  const made: Plan = { ...plan, ...madeBy(technique, plan, demo.values) }
  const toppings = (demo.toppings ?? []).map((kind, i) => startingTopping(`topping-${i + 1}`, kind))
  const isStrewn = toppings.some(topping => !topping.onGrid)
  const full: Plan = {
    ...made,
    finish: { ...made.finish, toppings },
    cutting: { ...made.cutting, rows: demo.rows ?? 1, onSide: isStrewn },
  }
  return { ...designFrom(full, demo.name, id => cups.find(cup => cup.id === id)!.hex), notes: demo.notes }
}

export const demoDesigns = (): KeptDesign[] => DESIGNS.map(designOfDemo)
