import fontkit from '@pdf-lib/fontkit'
import { readFile } from 'node:fs/promises'
import { fileURLToPath } from 'node:url'
import { PDFDocument, rgb } from 'pdf-lib'
import type { PDFFont, PDFPage } from 'pdf-lib'

/** A4 pages that are written from top to bottom: headings, paragraphs and tables. Lengths in pt. */

const A4 = { width: 595.28, height: 841.89 } as const
const EDGE = 42
const SMALL = 9
const LINE = 1.35
const INK = rgb(0.13, 0.12, 0.1)
const SOFT = rgb(0.36, 0.34, 0.31)

const FACE = '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next'
const bytes = (name: string): Promise<Buffer> => readFile(fileURLToPath(import.meta.resolve(`${FACE}-${name}.woff`)))

/** The same letters with and without marks: a text takes from each what it has. */
interface Letters {
  fonts: readonly PDFFont[]
  has: readonly ReadonlySet<number>[]
}

const OTHERWISE = '?'

function pieces({ fonts, has }: Letters, text: string): { font: PDFFont; text: string }[] {
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

export class Pages {
  readonly #document: PDFDocument
  readonly #plain: Letters
  readonly #bold: Letters
  #page: PDFPage
  #y = A4.height - EDGE

  private constructor(document: PDFDocument, plain: Letters, bold: Letters) {
    this.#document = document
    this.#plain = plain
    this.#bold = bold
    this.#page = document.addPage([A4.width, A4.height])
  }

  /** An empty document with its letters in it. */
  static async open(title: string): Promise<Pages> {
    const document = await PDFDocument.create()
    document.setTitle(title)
    document.registerFontkit(fontkit)
    const letters = async (...names: string[]): Promise<Letters> => {
      const fonts = await Promise.all(names.map(async name => document.embedFont(await bytes(name), { subset: true })))
      return { fonts, has: fonts.map(font => new Set(font.getCharacterSet())) }
    }
    return new Pages(
      document,
      await letters('latin-400-normal', 'latin-ext-400-normal'),
      await letters('latin-700-normal', 'latin-ext-700-normal'),
    )
  }

  #room(height: number): void {
    if (this.#y - height >= EDGE) return
    this.#page = this.#document.addPage([A4.width, A4.height])
    this.#y = A4.height - EDGE
  }

  #width(letters: Letters, text: string, size: number): number {
    return pieces(letters, text).reduce((sum, one) => sum + one.font.widthOfTextAtSize(one.text, size), 0)
  }

  #draw(letters: Letters, text: string, x: number, y: number, size: number, color = INK): void {
    let at = x
    for (const one of pieces(letters, text)) {
      this.#page.drawText(one.text, { x: at, y, size, font: one.font, color })
      at += one.font.widthOfTextAtSize(one.text, size)
    }
  }

  /** A text in lines no wider than so. */
  #lines(letters: Letters, text: string, size: number, width: number): string[] {
    const lines: string[] = []
    for (const paragraph of text.split('\n')) {
      let line = ''
      for (const word of paragraph.split(' ')) {
        const longer = line === '' ? word : `${line} ${word}`
        if (line !== '' && this.#width(letters, longer, size) > width) {
          lines.push(line)
          line = word
        } else line = longer
      }
      lines.push(line)
    }
    return lines
  }

  title(text: string): void {
    this.text(text, { size: 20, bold: true })
  }

  heading(text: string): void {
    // Never alone at the foot of a page.
    this.#room(80)
    this.#y -= 8
    this.text(text, { size: 12.5, bold: true })
    const y = this.#y - 4
    this.#page.drawLine({ start: { x: EDGE, y }, end: { x: A4.width - EDGE, y }, thickness: 0.8, color: INK })
    this.#y -= 6
  }

  text(text: string, { size = 10, bold = false, soft = false } = {}): void {
    const letters = bold ? this.#bold : this.#plain
    for (const line of this.#lines(letters, text, size, A4.width - 2 * EDGE)) {
      this.#room(size * LINE)
      this.#y -= size * LINE
      this.#draw(letters, line, EDGE, this.#y, size, soft ? SOFT : INK)
    }
  }

  /** Rows with a box to tick: what it is, a note below it, and an amount at the right. */
  ticks(rows: readonly { what: string; note?: string; amount?: string }[]): void {
    const left = EDGE + 16
    const right = A4.width - EDGE
    for (const { what, note = '', amount = '' } of rows) {
      const amountWidth = this.#width(this.#bold, amount, 11)
      const lines = this.#lines(this.#plain, what, 10, right - left - amountWidth - 12)
      const notes = note === '' ? [] : this.#lines(this.#plain, note, SMALL, right - left - amountWidth - 12)
      this.#room(lines.length * 13.5 + notes.length * 11.5 + 4)
      const top = this.#y
      this.#page.drawRectangle({ x: EDGE, y: top - 11.5, width: 8, height: 8, borderWidth: 0.8, borderColor: INK })
      lines.forEach((line, i) => this.#draw(this.#plain, line, left, top - 11 - 13.5 * i, 10))
      this.#draw(this.#bold, amount, right - amountWidth, top - 11, 11)
      notes.forEach((line, i) =>
        this.#draw(this.#plain, line, left, top - 11 - 13.5 * lines.length - 11.5 * i, SMALL, SOFT),
      )
      this.#y = top - lines.length * 13.5 - notes.length * 11.5 - 3
      const y = this.#y + 1
      this.#page.drawLine({ start: { x: EDGE, y }, end: { x: right, y }, thickness: 0.3, color: SOFT })
    }
  }

  save(): Promise<Uint8Array> {
    return this.#document.save()
  }
}
