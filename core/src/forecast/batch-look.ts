import { hexOfCup } from '../look/cups/index.ts'
import type { ColourForecast } from '../look/cups/index.ts'
import { cavityKinds, planOfCavity } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { findById } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { acrossView, designOf, paintedPixels, renderRows } from '../look/swirl/index.ts'
import { batterWater, cureForecast, cureKnown, restOutlook } from '../mould/index.ts'
import { aheadDays, aheadOf } from '../preparation/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { forecaster } from './forecast.ts'
import type { Forecast } from './forecast.ts'

/** A picture as a canvas takes it: four bytes a pixel, row by row. */
export interface Raster {
  width: number
  height: number
  data: Uint8ClampedArray<ArrayBuffer>
}

/** What a list shows of a batch, worked out once for each change of it. */
export interface BatchLook {
  potG: number
  state: Forecast['risk']['state']
  scent: Words
  picture: Raster
  course: BatchCourse
}

/** Rows of the whole picture, and what stays free between two faces, pixels. */
const HEIGHT = 128
const GAP = 2

const POWDER = '#444444'

/** The cut face of one kind of cavity. */
function faceOf(plan: Plan, shelf: Shelf, levels: readonly number[], colours: ColourForecast, height: number): Raster {
  const { program, cups, pencils, embedHexes } = designOf(plan, [...levels])
  const width = Math.max(1, Math.round((height * plan.mould.innerWidthMm) / plan.mould.fillMm))
  const view = acrossView(program, 0.4, width)
  const hexes = [
    ...cups.map(cup => hexOfCup(plan, colours, cup)),
    ...pencils.map(id => findById(shelf.colorants, id)?.hex ?? POWDER),
    ...embedHexes,
  ]
  const picture = renderRows(program, view, 0, view.height)
  return { width: view.width, height: view.height, data: paintedPixels(picture, hexes) }
}

/** Faces side by side, in rows. */
function sideBySide(faces: readonly Raster[], across: number): Raster {
  const rows = Array.from({ length: Math.ceil(faces.length / across) }, (_, i) =>
    faces.slice(i * across, (i + 1) * across),
  )
  const wide = (row: readonly Raster[]) => row.reduce((sum, face) => sum + face.width + GAP, -GAP)
  const high = (row: readonly Raster[]) => Math.max(...row.map(face => face.height))
  const width = Math.max(...rows.map(wide))
  const height = rows.reduce((sum, row) => sum + high(row) + GAP, -GAP)
  const data = new Uint8ClampedArray(4 * width * height)
  let top = 0
  for (const row of rows) {
    let left = 0
    for (const face of row) {
      for (let y = 0; y < face.height; y += 1)
        data.set(face.data.subarray(4 * y * face.width, 4 * (y + 1) * face.width), 4 * ((top + y) * width + left))
      left += face.width + GAP
    }
    top += high(row) + GAP
  }
  return { width, height, data }
}

function pictureOf(plan: Plan, shelf: Shelf, { lanes, colours }: Forecast): Raster {
  const level = (i: number) => (lanes.pours[i] ? (lanes.pours[i].startLevel + lanes.pours[i].endLevel) / 2 : 0)
  const kinds = [...cavityKinds(plan)].sort((a, b) => a.cavities[0]! - b.cavities[0]!)
  if (kinds.length < 2)
    return faceOf(
      plan,
      shelf,
      plan.score.map((_, i) => level(i)),
      colours,
      HEIGHT,
    )
  const rows = kinds.length > 8 ? 3 : kinds.length > 2 ? 2 : 1
  const faces = kinds.map(kind =>
    faceOf(planOfCavity(plan, kind), shelf, kind.pours.map(level), colours, Math.floor(HEIGHT / rows) - GAP),
  )
  return sideBySide(faces, Math.ceil(kinds.length / rows))
}

/** Hours and days of a batch after its pour, as far as its plan says. */
export interface BatchCourse {
  /** Hours until it comes out of its mould, once it is poured; null: not poured, or never. */
  unmouldH: number | null
  /** Days until its bars are ready, with the range of four cures in five. */
  readyDay: number
  readyRange: readonly [number, number]
  /** Bars, and what one weighs fresh and cured, g. */
  bars: number
  barG: number
  curedG: number
  /** Days that its preparation takes beforehand. */
  aheadDays: number
}

function courseOf(plan: Plan, shelf: Shelf, forecast: Forecast): BatchCourse {
  const { portions, lanes } = forecast
  const cure = cureForecast(plan, batterWater(plan, portions, shelf), { known: cureKnown(shelf.evidence) })
  const isPoured = plan.rest.pouredAt !== ''
  const rest = isPoured ? restOutlook({ plan, shelf, portions, lanes }) : null
  return {
    unmouldH: rest?.result.unmouldMin == null ? null : rest.result.unmouldMin / 60,
    readyDay: cure.readyDay,
    readyRange: cure.readyRange,
    bars: cure.bars.count,
    barG: cure.freshG,
    curedG: cure.curedG,
    aheadDays: aheadDays(aheadOf(plan, shelf, portions)),
  }
}

/**
 * A batch at a glance: its face, how much it is, whether there is time. Null where it cannot be forecast with this shelf.
 * A tenth of a second or so.
 */
export function batchLook(plan: Plan, shelf: Shelf): BatchLook | null {
  const result = forecaster()(plan, shelf)
  if (!result.ok) return null
  const { portions, recipe, sure } = result.forecast
  // By the runs that the batch's own page goes by: a list and a page that disagree are worth nothing.
  const { state } = sure.risk
  return {
    potG: portions.potG,
    state,
    scent: recipe.scent?.name ?? '',
    picture: pictureOf(plan, shelf, result.forecast),
    course: courseOf(plan, shelf, result.forecast),
  }
}
