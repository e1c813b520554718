import { fact, listOf, millimetres, together } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { Mould, Plan } from '../plan/index.ts'

/** A sheet to cut, with its folds, mm from its top-left corner. */
export interface LinerSheet {
  name: Words
  widthMm: number
  heightMm: number
  /** Fold lines across the width (x) and across the height (y). */
  foldsX: number[]
  foldsY: number[]
  /** Cuts from an edge to a fold, mm. */
  slits: { x: number; fromY: number; toY: number }[]
  /** As wide as that where it lies on the floor, mm; null: as wide all along. */
  narrowsToMm: number | null
  /** A disc instead of a sheet. */
  isDisc: boolean
  count: number
  /** The shorter way across the roll, mm; and whether the roll is wide enough. */
  acrossRollMm: number
  fitsRoll: boolean
}

export interface Liner {
  /** The mould's name. */
  mould: string
  sheets: LinerSheet[]
  /** Length of roll for all sheets side by side where they fit, mm. */
  rollLengthMm: number
  sentence: Words
}

const OVERLAP_MM = 20

type Raw = Omit<LinerSheet, 'acrossRollMm' | 'fitsRoll'>

interface Lined {
  mould: Mould
  overhangMm: number
  layers: number
}

/** Floor of a box, and how deep its walls are along their slope. */
function boxOf({ innerLengthMm, innerWidthMm, innerHeightMm, taperMm }: Mould) {
  return { l: innerLengthMm - 2 * taperMm, w: innerWidthMm - 2 * taperMm, d: Math.hypot(innerHeightMm, taperMm) }
}

function strips({ mould, overhangMm: o, layers }: Lined): Raw[] {
  const { l, w, d } = boxOf(mould)
  const count = mould.cavities * layers
  const narrows = (to: number) => (mould.taperMm > 0 ? to : null)
  const plain = { foldsY: [], slits: [], isDisc: false, count }
  return [
    {
      ...{ name: fact('A, along the mould'), widthMm: l + 2 * d + 2 * o, heightMm: mould.innerWidthMm },
      ...{ foldsX: [o, o + d, o + d + l, o + d + l + d], narrowsToMm: narrows(w), ...plain },
    },
    {
      ...{ name: fact('B, across the mould'), widthMm: w + 2 * d + 2 * o, heightMm: mould.innerLengthMm },
      ...{ foldsX: [o, o + d, o + d + w, o + d + w + d], narrowsToMm: narrows(l), ...plain },
    },
  ]
}

/** One sheet for a box: slit along the folds of the long side, its corners lie behind each other. */
function oneSheet({ mould, overhangMm: o, layers }: Lined): Raw[] {
  const { l, w, d } = boxOf(mould)
  const [widthMm, heightMm] = [l + 2 * d + 2 * o, w + 2 * d + 2 * o]
  const corner = o + d
  const slits = [corner, corner + l].flatMap(x => [
    { x, fromY: 0, toY: corner },
    { x, fromY: heightMm - corner, toY: heightMm },
  ])
  return [
    {
      ...{ name: fact('one sheet'), widthMm, heightMm, slits, narrowsToMm: null, isDisc: false },
      ...{ foldsX: [o, corner, corner + l, corner + l + d], foldsY: [o, corner, corner + w, corner + w + d] },
      count: mould.cavities * layers,
    },
  ]
}

/** A round, oval or hexagonal column: one sheet round the wall, one piece for its floor. */
function wrap({ mould, overhangMm, layers }: Lined): Raw[] {
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
      name: fact('wall'),
      widthMm: around + OVERLAP_MM,
      heightMm: d + overhangMm,
      foldsX: [around],
      foldsY: [overhangMm],
      ...{ slits: [], narrowsToMm: null, isDisc: false, count: cavities * layers },
    },
    {
      name: fact('floor, with tabs to cut'),
      widthMm: floorL,
      heightMm: floorW,
      ...{ foldsX: [], foldsY: [], slits: [], narrowsToMm: null, isDisc: true, count: cavities * layers },
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
 * Sheets to line a mould: two crossed strips or one sheet for a box, wall and floor for a column. Strip A = floor's length + 2 walls + 2
 * overhangs by the rim's width; strip B the other way. Walls that lean are as deep as their slope.
 *
 * @returns null when the mould is not lined with sheets
 */
function linerFor(mould: Mould, { preparation }: Plan): Liner | null {
  if (mould.lining === 'none' || mould.lining === 'silicone' || mould.form === 'dome') return null
  const lined: Lined = { mould, overhangMm: preparation.overhangMm, layers: preparation.linerLayers }
  const raws = mould.form !== 'box' ? wrap(lined) : preparation.linerWay === 'sheet' ? oneSheet(lined) : strips(lined)
  const sheets = raws.map(raw => onRoll(raw, preparation.rollWidthMm))
  const along = (sheet: LinerSheet) => (sheet.acrossRollMm === sheet.widthMm ? sheet.heightMm : sheet.widthMm)
  const rollLengthMm = sheets.reduce((sum, sheet) => sum + along(sheet) * sheet.count, 0)
  const tooWide = sheets.filter(sheet => !sheet.fitsRoll)
  const sentence = tooWide.length
    ? fact('preparation.sheet-wider-than-roll', { tooWide: listOf(tooWide.map(sheet => sheet.name)) })
    : fact('preparation.about-roll-wide', {
        rollLengthMm: millimetres(Math.ceil(rollLengthMm / 10) * 10),
        rollWidthMm: millimetres(Math.round(preparation.rollWidthMm)),
      })
  return { mould: mould.name, sheets, rollLengthMm, sentence }
}

/** Liners of every mould that the plan fills and that is lined. */
export const linersOf = (plan: Plan): Liner[] =>
  [plan.mould, ...plan.moreMoulds].flatMap(mould => linerFor(mould, plan) ?? [])

/** How far off level a slope puts the soap over the mould's length, mm. */
export const levelError = (lengthMm: number, degrees: number): number => lengthMm * Math.tan((degrees * Math.PI) / 180)

/** How the soap lets go of this mould. */
export function releaseSentence({ mould: { lining, form, cavities, taperMm } }: Plan): Words {
  const leans = taperMm > 0 ? fact('preparation.leans-release') : ''
  return together(
    [LETS_GO[lining] ?? bare(form, cavities), leans].filter(one => one !== ''),
    ' ',
  )
}

const LETS_GO: Partial<Record<Plan['mould']['lining'], Words>> = {
  paper: fact('preparation.paper-release'),
  parchment: fact('preparation.parchment-release'),
  film: fact('preparation.film-release'),
  carton: fact('preparation.carton-release'),
  silicone: fact('preparation.silicone-liner-release'),
}

const bare = (form: Plan['mould']['form'], cavities: number): Words =>
  form !== 'box' && cavities > 1
    ? fact('preparation.bare-cavities-hold-on')
    : fact('preparation.bare-silicone-or-plastic')
