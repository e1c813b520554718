import { Choice, NumberFrom, Text, Whole, YesNo } from '../document/fields/index.ts'

/** How a workshop labels its soap: the same for all of its batches. */

/** Two schools: what was put into the pot, or what became of it. */
export const LABEL_SCHOOLS = {
  'put-in': 'as put in (oils, Sodium Hydroxide)',
  'as-made': 'as made (Sodium Olivate …)',
} as const
export type LabelSchool = keyof typeof LABEL_SCHOOLS

/** Sheets of labels, and single labels for a printer that takes a roll. All in mm. */
export interface LabelSheet {
  name: string
  widthMm: number
  heightMm: number
  across: number
  down: number
}

export const A4 = { widthMm: 210, heightMm: 297 } as const
export const LETTER = { widthMm: 215.9, heightMm: 279.4 } as const

export const LABEL_SHEETS = {
  'a4-2x4': { name: 'A4, 2 × 4', ...A4, across: 2, down: 4 },
  'a4-2x5': { name: 'A4, 2 × 5', ...A4, across: 2, down: 5 },
  'a4-3x6': { name: 'A4, 3 × 6', ...A4, across: 3, down: 6 },
  'letter-2x4': { name: 'Letter, 2 × 4', ...LETTER, across: 2, down: 4 },
  'letter-2x5': { name: 'Letter, 2 × 5', ...LETTER, across: 2, down: 5 },
  'letter-3x6': { name: 'Letter, 3 × 6', ...LETTER, across: 3, down: 6 },
  'roll-60x40': { name: 'one label, 60 × 40 mm', widthMm: 60, heightMm: 40, across: 1, down: 1 },
  'roll-100x50': { name: 'one label, 100 × 50 mm', widthMm: 100, heightMm: 50, across: 1, down: 1 },
  'roll-100x75': { name: 'one label, 100 × 75 mm', widthMm: 100, heightMm: 75, across: 1, down: 1 },
  'band-210x50': { name: 'band around a bar, 210 × 50 mm', widthMm: 210, heightMm: 50, across: 1, down: 1 },
} as const satisfies Record<string, LabelSheet>
export type LabelSheetId = keyof typeof LABEL_SHEETS

export class Labelling {
  @Choice(Object.keys(LABEL_SCHOOLS), 'Ingredients are named as put in, or as made.')
  school!: LabelSchool

  @Choice(Object.keys(LABEL_SHEETS), 'This sheet of labels is not known.')
  sheet!: LabelSheetId

  @Text(0, 160, 'Who makes it is told in at most 160 letters.', { says: 'Name and address, as rules ask for.' })
  maker!: string

  @Text(0, 200, 'Words of one’s own have at most 200 letters.', { says: 'What else stands on every label.' })
  words!: string

  @NumberFrom(0, 20, 'The edge that is left free is from 0 to 20 mm.', { says: 'Around the sheet, mm.' })
  edgeMm!: number

  @NumberFrom(0, 10, 'Between labels there are 0 to 10 mm.', { says: 'Between labels, mm.' })
  gapMm!: number

  @Whole(0, 5000, 'The first place that is still free is a count.', {
    says: 'Places of the first sheet that are used already.',
  })
  skip!: number

  @YesNo('With the code that opens the batch is yes or no.', { says: 'With a QR code that opens the batch.' })
  withCode!: boolean
}

export const USUAL_LABELLING: Labelling = {
  school: 'put-in',
  sheet: 'a4-2x5',
  maker: '',
  words: '',
  edgeMm: 8,
  gapMm: 2,
  skip: 0,
  withCode: true,
}

export interface Place {
  xMm: number
  yMm: number
  widthMm: number
  heightMm: number
}

/**
 * Where labels stand on their sheets, from the top left, row by row. Places that are used already are left out on the first sheet.
 *
 * @returns for each sheet its labels
 */
export function labelPlaces(sheet: LabelSheet, count: number, { edgeMm, gapMm, skip }: Labelling): Place[][] {
  const { across, down } = sheet
  // A roll has one label and no edge.
  const [edge, gap] = across * down === 1 ? [0, 0] : [edgeMm, gapMm]
  const widthMm = (sheet.widthMm - 2 * edge - gap * (across - 1)) / across
  const heightMm = (sheet.heightMm - 2 * edge - gap * (down - 1)) / down
  const each = across * down
  const first = each === 1 ? 0 : skip % each
  const pages = Math.ceil((first + count) / each)
  return Array.from({ length: pages }, (_, page) => {
    const from = page === 0 ? first : 0
    const to = Math.min(each, first + count - page * each)
    return Array.from({ length: to - from }, (__, i) => {
      const [row, column] = [Math.floor((from + i) / across), (from + i) % across]
      return { xMm: edge + column * (widthMm + gap), yMm: edge + row * (heightMm + gap), widthMm, heightMm }
    })
  })
}
