import { fact, millimetres } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { Plan } from '../plan/index.ts'

/** A sheet to cut, with its folds, mm from its top-left corner. */
export interface LinerSheet {
  name: string
  widthMm: number
  heightMm: number
  /** Fold lines across the width (x) and across the height (y). */
  foldsX: number[]
  foldsY: number[]
  /** A disc instead of a sheet. */
  isDisc: boolean
  count: number
  /** The shorter way across the roll, mm; and whether the roll is wide enough. */
  acrossRollMm: number
  fitsRoll: boolean
}

export interface Liner {
  sheets: LinerSheet[]
  /** Length of roll for all sheets side by side where they fit, mm. */
  rollLengthMm: number
  sentence: Words
}

const OVERLAP_MM = 20

type Raw = Omit<LinerSheet, 'acrossRollMm' | 'fitsRoll'>

function strips({ mould, preparation }: Plan): Raw[] {
  const { innerLengthMm: l, innerWidthMm: w, innerHeightMm: d } = mould
  const o = preparation.overhangMm
  return [
    {
      name: 'A, along the mould',
      widthMm: l + 2 * d + 2 * o,
      heightMm: w,
      foldsX: [o, o + d, o + d + l, o + d + l + d],
      foldsY: [],
      isDisc: false,
      count: mould.cavities,
    },
    {
      name: 'B, across the mould',
      widthMm: w + 2 * d + 2 * o,
      heightMm: l,
      foldsX: [o, o + d, o + d + w, o + d + w + d],
      foldsY: [],
      isDisc: false,
      count: mould.cavities,
    },
  ]
}

/** A round, oval or hexagonal column: one sheet round the wall, one piece for its floor. */
function wrap({ mould, preparation }: Plan): Raw[] {
  const { innerLengthMm: l, innerWidthMm: w, innerHeightMm: d, form, cavities } = mould
  const around =
    form === 'cylinder'
      ? Math.PI * l
      : form === 'hexagon'
        ? (6 * l) / Math.sqrt(3)
        : // Ramanujan's approximation of an ellipse's girth.
          Math.PI * ((3 * (l + w)) / 2 - Math.sqrt(((3 * l + w) / 2) * ((l + 3 * w) / 2)))
  const tab = OVERLAP_MM
  const floorL = (form === 'hexagon' ? (2 * l) / Math.sqrt(3) : l) + 2 * tab
  const floorW = (form === 'hexagon' ? (2 * l) / Math.sqrt(3) : w) + 2 * tab
  return [
    {
      name: 'wall',
      widthMm: around + OVERLAP_MM,
      heightMm: d + preparation.overhangMm,
      foldsX: [around],
      foldsY: [preparation.overhangMm],
      isDisc: false,
      count: cavities,
    },
    {
      name: 'floor, with tabs to cut',
      widthMm: floorL,
      heightMm: floorW,
      foldsX: [],
      foldsY: [],
      isDisc: true,
      count: cavities,
    },
  ]
}

function onRoll(raw: Raw, rollMm: number): LinerSheet {
  const short = Math.min(raw.widthMm, raw.heightMm)
  const long = Math.max(raw.widthMm, raw.heightMm)
  const across = long <= rollMm ? long : short
  return { ...raw, acrossRollMm: across, fitsRoll: short <= rollMm }
}

/**
 * Sheets to line the mould: two crossed strips for a box, wall and floor for a column. Strip A = length + 2 depths + 2
 * overhangs by width; strip B the other way.
 *
 * @returns null when the mould is not lined
 */
export function linerOf(plan: Plan): Liner | null {
  const { mould, preparation } = plan
  if (mould.lining === 'none' || mould.form === 'dome') return null
  const raws = mould.form === 'box' ? strips(plan) : wrap(plan)
  const sheets = raws.map(raw => onRoll(raw, preparation.rollWidthMm))
  const along = (sheet: LinerSheet) => (sheet.acrossRollMm === sheet.widthMm ? sheet.heightMm : sheet.widthMm)
  const rollLengthMm = sheets.reduce((sum, sheet) => sum + along(sheet) * sheet.count, 0)
  const tooWide = sheets.filter(sheet => !sheet.fitsRoll)
  const sentence = tooWide.length
    ? fact('preparation.sheet-wider-than-roll', { tooWide: tooWide.map(sheet => sheet.name).join(' and ') })
    : fact('preparation.about-roll-wide', {
        rollLengthMm: millimetres(Math.ceil(rollLengthMm / 10) * 10),
        rollWidthMm: millimetres(Math.round(preparation.rollWidthMm)),
      })
  return { sheets, rollLengthMm, sentence }
}

/** How far off level a slope puts the soap over the mould's length, mm. */
export const levelError = (lengthMm: number, degrees: number): number => lengthMm * Math.tan((degrees * Math.PI) / 180)

/** How the soap lets go of this mould. */
export function releaseSentence(plan: Plan): Words {
  const { lining, form } = plan.mould
  if (lining !== 'none') return fact('preparation.lined-lift-out-by')
  if (form !== 'box' && plan.mould.cavities > 1) return fact('preparation.bare-cavities-hold-on')
  return fact('preparation.bare-silicone-or-plastic')
}
