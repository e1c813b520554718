import { strToU8, zipSync } from 'fflate'
import { expect, test } from 'vitest'
import { isSpreadsheet, rowsOfSpreadsheet } from './spreadsheet.ts'

const XML = '<?xml version="1.0" encoding="UTF-8"?>'
const REL = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships'
const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main'

/** A small spreadsheet as spreadsheet programs write it, with a formula and its last value. */
function spreadsheet(): File {
  const text = (at: string, value: string) => `<c r="${at}" t="inlineStr"><is><t>${value}</t></is></c>`
  const rows = [
    `<row r="1">${text('A1', 'Oil')}${text('B1', 'Amount')}</row>`,
    `<row r="2">${text('A2', 'Olive oil')}<c r="B2"><v>400.5</v></c></row>`,
    `<row r="3">${text('A3', 'Coconut oil')}<c r="B3"><f>SUM(B2,-150.5)</f><v>250</v></c></row>`,
  ]
  const files = {
    '[Content_Types].xml': `${XML}<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/><Override PartName="/xl/worksheets/sheet1.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/></Types>`,
    '_rels/.rels': `${XML}<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="${REL}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    'xl/workbook.xml': `${XML}<workbook xmlns="${MAIN}" xmlns:r="${REL}"><sheets><sheet name="Recipe" sheetId="1" r:id="rId1"/></sheets></workbook>`,
    'xl/_rels/workbook.xml.rels': `${XML}<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="${REL}/worksheet" Target="worksheets/sheet1.xml"/></Relationships>`,
    'xl/worksheets/sheet1.xml': `${XML}<worksheet xmlns="${MAIN}"><sheetData>${rows.join('')}</sheetData></worksheet>`,
  }
  const packed = zipSync(Object.fromEntries(Object.entries(files).map(([name, content]) => [name, strToU8(content)])))
  return new File([new Uint8Array(packed)], 'Recipe.XLSX')
}

test('cells of a spreadsheet are read as they would be typed, formulas by their last values', async () => {
  expect(isSpreadsheet(spreadsheet())).toBe(true)
  expect(isSpreadsheet(new File([], 'recipe.csv'))).toBe(false)
  expect(await rowsOfSpreadsheet(spreadsheet())).toEqual([
    ['Oil', 'Amount'],
    ['Olive oil', '400.5'],
    ['Coconut oil', '250'],
  ])
  await expect(rowsOfSpreadsheet(new File(['no'], 'x.xlsx'))).rejects.toThrow('cannot be read')
})
