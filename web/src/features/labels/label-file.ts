import type { Labelling, LabelSheet } from '@ostler/core'
import { labelPlaces } from '@ostler/core'
import fontkit from '@pdf-lib/fontkit'
import bold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url'
import boldMore from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-700-normal.woff?url'
import plain from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url'
import plainMore from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-400-normal.woff?url'
import { PDFDocument, rgb } from 'pdf-lib'
import type { PDFFont, PDFPage } from 'pdf-lib'
import { create } from 'qrcode'
import type { LabelLayout, Measure } from './layout.ts'

/** Labels as a PDF file, with the letters in it. */

/** The same letters with and without marks on them: a text takes from each what it has. */
interface Face {
  fonts: readonly PDFFont[]
  has: readonly ReadonlySet<number>[]
}

export interface Letters {
  plain: Face
  bold: Face
  document: PDFDocument
}

const bytes = async (url: string): Promise<ArrayBuffer> => (await fetch(url)).arrayBuffer()

/** A document with the letters in it. @throws when they cannot be had */
export async function withLetters(): Promise<Letters> {
  const document = await PDFDocument.create()
  document.registerFontkit(fontkit)
  const face = async (...urls: string[]): Promise<Face> => {
    const fonts = await Promise.all(urls.map(async url => document.embedFont(await bytes(url), { subset: true })))
    return { fonts, has: fonts.map(font => new Set(font.getCharacterSet())) }
  }
  return { document, plain: await face(plain, plainMore), bold: await face(bold, boldMore) }
}

const OTHERWISE = '?'

/** A text in pieces, each with the font that has its letters; a letter that none has is a question mark. */
function pieces({ fonts, has }: Face, text: string): { font: PDFFont; text: string }[] {
  const list: { font: PDFFont; text: string }[] = []
  for (const letter of text.normalize('NFC')) {
    const at = has.findIndex(known => known.has(letter.codePointAt(0)!))
    const [font, shown] = at < 0 ? [fonts[0]!, OTHERWISE] : [fonts[at]!, letter]
    const last = list.at(-1)
    if (last?.font === font) last.text += shown
    else list.push({ font, text: shown })
  }
  return list
}

/** Letters of a text that no font has. */
export const lettersLacking = ({ plain: { has } }: Letters, text: string): string[] => [
  ...new Set([...text.normalize('NFC')].filter(letter => !has.some(known => known.has(letter.codePointAt(0)!)))),
]

const PT_PER_MM = 72 / 25.4
const INK = rgb(0, 0, 0)

export const measureWith =
  (letters: Letters): Measure =>
  (text, sizePt, isBold) =>
    pieces(isBold ? letters.bold : letters.plain, text).reduce(
      (sum, piece) => sum + piece.font.widthOfTextAtSize(piece.text, sizePt),
      0,
    ) / PT_PER_MM

export interface Code {
  size: number
  isDark: (row: number, column: number) => boolean
}

/** An address as a code that a phone reads. */
export function codeOf(address: string): Code {
  const { modules } = create(address, { errorCorrectionLevel: 'M' })
  return { size: modules.size, isDark: (row, column) => modules.get(row, column) === 1 }
}

interface Sheet {
  sheet: LabelSheet
  labelling: Labelling
  count: number
  layout: LabelLayout
  code: Code
  title: string
}

function drawLabel(page: PDFPage, letters: Letters, at: { xMm: number; yMm: number }, { sheet, layout, code }: Sheet) {
  const x = (mm: number) => (at.xMm + mm) * PT_PER_MM
  const y = (mm: number) => (sheet.heightMm - at.yMm - mm) * PT_PER_MM
  for (const run of layout.runs) {
    let left = x(run.xMm)
    for (const { font, text } of pieces(run.isBold ? letters.bold : letters.plain, run.text)) {
      page.drawText(text, { x: left, y: y(run.yMm), size: run.sizePt, font, color: INK })
      left += font.widthOfTextAtSize(text, run.sizePt)
    }
  }
  if (!layout.code) return
  const each = layout.code.sizeMm / code.size
  for (let row = 0; row < code.size; row += 1)
    for (let column = 0; column < code.size; column += 1)
      if (code.isDark(row, column))
        page.drawRectangle({
          ...{ x: x(layout.code.xMm + column * each), y: y(layout.code.yMm + (row + 1) * each) },
          ...{ width: each * PT_PER_MM, height: each * PT_PER_MM, color: INK },
        })
}

/** All labels on their sheets. */
export async function labelFile(letters: Letters, made: Sheet): Promise<Uint8Array> {
  const { sheet, labelling, count, title } = made
  const { document } = letters
  while (document.getPageCount() > 0) document.removePage(0)
  document.setTitle(title)
  for (const places of labelPlaces(sheet, count, labelling)) {
    const page = document.addPage([sheet.widthMm * PT_PER_MM, sheet.heightMm * PT_PER_MM])
    for (const place of places) drawLabel(page, letters, place, made)
  }
  return document.save()
}
