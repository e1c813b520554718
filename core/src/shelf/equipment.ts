import { Amount, Flag, OneOf, Words } from './fields.ts'
import { ShelfItem } from './item.ts'

export const FORMS = {
  box: 'box',
  cylinder: 'round',
  hexagon: 'hexagonal',
  ellipse: 'oval',
  dome: 'half sphere',
} as const
export type MouldForm = keyof typeof FORMS

export const LININGS = {
  none: 'none',
  paper: 'freezer paper, shiny side in',
  parchment: 'baking parchment',
  film: 'plastic film or bag',
  carton: 'coated carton',
  silicone: 'silicone liner',
} as const
export type Lining = keyof typeof LININGS

export const WALLS = {
  silicone: 'silicone',
  'silicone-sleeve': 'silicone in a wooden sleeve',
  wood: 'wood',
  plastic: 'plastic (PP, HDPE, acrylic)',
  card: 'card',
  aluminium: 'aluminium',
} as const
export type Wall = keyof typeof WALLS

const mm = (label: string, start: number, max: number, inList = false) =>
  Amount({ label, quantity: 'length', unit: 'mm', min: 10, max, start, group: 'Inside', inList })

/** Inner sizes of one cavity. Round: length and width are the bore; hexagonal: across the flats; half sphere: its width. */
export class MouldShape extends ShelfItem {
  @OneOf({ label: 'Form', options: FORMS, start: 'box', group: 'Inside', inList: true })
  form!: MouldForm
  @mm('Inner length', 230, 1500, true)
  innerLengthMm!: number
  @mm('Inner width', 75, 600, true)
  innerWidthMm!: number
  @mm('Inner height', 70, 400, true)
  innerHeightMm!: number
  @Amount({ label: 'Cavities', quantity: 'plain', unit: '', min: 1, max: 60, start: 1, group: 'Inside' })
  cavities!: number
  @Amount({ label: 'Narrows to each side', quantity: 'length', unit: 'mm', min: 0, max: 60, start: 0, group: 'Inside' })
  taperMm!: number
  @Amount({ label: 'Usual fill', quantity: 'share', unit: '%', min: 0.3, max: 1, start: 0.9 })
  usualFillShare!: number
  @OneOf({ label: 'Wall', options: WALLS, start: 'silicone', inList: true })
  wall!: Wall
  @OneOf({ label: 'Lining', options: LININGS, start: 'none' })
  lining!: Lining
  @Amount({ label: 'Extra hours before unmoulding', quantity: 'plain', unit: 'h', min: 0, max: 72, start: 0 })
  releaseHours!: number
}

export const VESSEL_ROLES = {
  lye: 'for lye',
  pot: 'mixing pot',
  jug: 'pouring jug',
  cup: 'colour cup',
  bath: 'water bath',
  other: 'other',
} as const

export const MATERIALS = {
  pp: 'polypropylene (mark 5)',
  hdpe: 'HDPE (mark 2)',
  steel: 'stainless steel',
  silicone: 'silicone',
  enamel: 'enamelled steel',
  ldpe: 'LDPE',
  glass: 'glass',
  aluminium: 'aluminium',
  wood: 'wood',
  pet: 'PET',
  polystyrene: 'polystyrene',
  paper: 'coated paper',
  melamine: 'melamine',
} as const
export type Material = keyof typeof MATERIALS

export class Vessel extends ShelfItem {
  @OneOf({ label: 'Use', options: VESSEL_ROLES, start: 'jug', inList: true })
  role!: keyof typeof VESSEL_ROLES
  @OneOf({ label: 'Material', options: MATERIALS, start: 'pp', inList: true })
  material!: Material
  @Amount({
    label: 'Holds to the brim',
    quantity: 'volume',
    unit: 'ml',
    min: 20,
    max: 60_000,
    start: 1000,
    inList: true,
  })
  capacityMl!: number
  @Amount({ label: 'How many', quantity: 'plain', unit: '', min: 0, max: 99, start: 1, inList: true })
  count!: number
  @Amount({ label: 'Work it up to', quantity: 'share', unit: '% of the brim', min: 0.3, max: 0.95, start: 0.8 })
  workingFillShare!: number
  @Amount({ label: 'Thin batter that clings', quantity: 'mass', unit: 'g', min: 0, max: 500, start: 8 })
  clingThinG!: number
  @Amount({ label: 'Thick batter that clings', quantity: 'mass', unit: 'g', min: 0, max: 500, start: 22 })
  clingThickG!: number
}

export class Tool extends ShelfItem {
  @Words({ label: 'For', max: 80, inList: true })
  use!: string
  @Amount({ label: 'How many', quantity: 'plain', unit: '', min: 0, max: 999, start: 1, inList: true })
  count!: number
  @Flag({ label: 'Runs on batteries' })
  battery!: boolean
}
