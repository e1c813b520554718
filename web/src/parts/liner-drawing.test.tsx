import { linersOf, starterPlan } from '@ostler/core'
import type { Liner, Plan } from '@ostler/core'
import { cleanup, screen } from '@testing-library/react'
import { afterEach, expect, test } from 'vitest'
import { opened } from '../plan/test/opened.tsx'
import { LinerDrawing } from './liner-drawing.tsx'

afterEach(cleanup)

const start = starterPlan('Lined')
const lined: Plan = {
  ...start,
  mould: {
    ...start.mould,
    ...{ form: 'box', cavities: 1, taperMm: 0, lining: 'paper' },
    ...{ innerLengthMm: 240, innerWidthMm: 80, innerHeightMm: 70 },
  },
  preparation: { ...start.preparation, linerWay: 'strips', overhangMm: 30, linerLayers: 1 },
}
const linerOf = (plan: Plan): Liner => {
  const [liner] = linersOf(plan)
  if (!liner) throw new Error('the mould is lined')
  return liner
}
const folds = () =>
  [...document.querySelectorAll('svg line')].map(line =>
    ['x1', 'x2', 'y1', 'y2'].map(at => Number(line.getAttribute(at))),
  )

test('two strips: walls, floor and overhang add up, and each fold is where a wall meets the floor or the rim', () => {
  const liner = linerOf(lined)
  opened(lined, <LinerDrawing liner={liner} />)
  const [along, across] = liner.sheets
  // 30 over the rim, 70 of wall, the floor, 70 of wall, 30 over the rim.
  expect([along!.widthMm, along!.heightMm]).toEqual([440, 80])
  expect([across!.widthMm, across!.heightMm]).toEqual([280, 240])
  expect(along!.foldsX).toEqual([30, 100, 340, 410])
  const label = screen.getByRole('img').getAttribute('aria-label')!
  expect(label).toContain('440 mm × 80 mm')
  expect(label).toContain('280 mm × 240 mm')
  for (const x of along!.foldsX) expect(folds()).toContainEqual([x, x, 0, 80])
  expect(screen.getAllByText('340 mm')).toHaveLength(1)
})

test('printed to a scale one sheet’s millimetres are the paper’s', () => {
  const liner = linerOf(lined)
  opened(lined, <LinerDrawing liner={liner} scale={4} />)
  const svg = screen.getByRole('img')
  const [, , width] = svg.getAttribute('viewBox')!.split(' ').map(Number)
  expect(svg.style.width).toBe(`${width! / 4}mm`)
})

test('in inches for a workshop that measures so', () => {
  const liner = linerOf({ ...lined, mould: { ...lined.mould, innerLengthMm: 254, innerWidthMm: 101.6 } })
  opened(lined, <LinerDrawing liner={liner} />)
  const sheets = [...document.querySelectorAll('svg rect')].map(one => Number(one.getAttribute('width')))
  expect(sheets).toEqual(liner.sheets.map(({ widthMm }) => widthMm))
})
