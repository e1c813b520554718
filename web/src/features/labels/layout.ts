/** What stands where on a label. Lengths in mm, letters in points. */

export interface LabelText {
  title: string
  ingredients: string
  /** Net mass and lot, dates, words of one's own, maker. */
  lines: readonly string[]
  withCode: boolean
}

export interface Run {
  text: string
  xMm: number
  /** Of the line that the letters stand on. */
  yMm: number
  sizePt: number
  isBold: boolean
}

export interface LabelLayout {
  runs: Run[]
  code: { xMm: number; yMm: number; sizeMm: number } | null
  bodyPt: number
  /** Some of it found no room at the smallest size. */
  isCut: boolean
}

/** Width of a text in mm. */
export type Measure = (text: string, sizePt: number, isBold: boolean) => number

const MM_PER_PT = 25.4 / 72
const LINE = 1.18
const PAD_MM = 3
const TITLE_PT = { most: 16, least: 8 } as const
const BODY_PT = { most: 10, least: 4.5, step: 0.25 } as const
/** From here down letters are smaller than 1.2 mm, which rules often ask for: half of the size is the height of an x. */
export const LEGIBLE_PT = 6.75
const CODE_MM = 19
const GAP_MM = 2

/** Lines no wider than a width; a word that is wider by itself is broken. */
export function wrapped(text: string, widthMm: number, width: (text: string) => number): string[] {
  const lines: string[] = []
  let line = ''
  for (const word of text.split(/\s+/).filter(Boolean)) {
    const longer = line === '' ? word : `${line} ${word}`
    if (width(longer) <= widthMm) {
      line = longer
      continue
    }
    if (line !== '') lines.push(line)
    let rest = word
    while (width(rest) > widthMm && rest.length > 1) {
      let n = rest.length - 1
      while (n > 1 && width(rest.slice(0, n)) > widthMm) n -= 1
      lines.push(rest.slice(0, n))
      rest = rest.slice(n)
    }
    line = rest
  }
  return line === '' ? lines : [...lines, line]
}

interface Box {
  widthMm: number
  heightMm: number
}

interface Attempt {
  runs: Run[]
  endMm: number
}

function body(text: LabelText, widthMm: number, topMm: number, sizePt: number, measure: Measure): Attempt {
  const stepMm = sizePt * MM_PER_PT * LINE
  const runs: Run[] = []
  let yMm = topMm
  for (const part of [text.ingredients, ...text.lines].filter(Boolean)) {
    for (const line of wrapped(part, widthMm, one => measure(one, sizePt, false))) {
      yMm += stepMm
      runs.push({ text: line, xMm: PAD_MM, yMm, sizePt, isBold: false })
    }
    yMm += stepMm * 0.25
  }
  return { runs, endMm: yMm }
}

/** The largest letters with which all of it fits. */
export function labelLayout(text: LabelText, { widthMm, heightMm }: Box, measure: Measure): LabelLayout {
  const codeMm = text.withCode ? Math.min(CODE_MM, heightMm - 2 * PAD_MM, widthMm / 3) : 0
  const innerMm = widthMm - 2 * PAD_MM - (codeMm > 0 ? codeMm + GAP_MM : 0)
  let titlePt: number = TITLE_PT.most
  while (titlePt > TITLE_PT.least && measure(text.title, titlePt, true) > innerMm) titlePt -= 0.5
  const runs: Run[] = []
  let topMm = PAD_MM
  for (const line of wrapped(text.title, innerMm, one => measure(one, titlePt, true))) {
    topMm += titlePt * MM_PER_PT
    runs.push({ text: line, xMm: PAD_MM, yMm: topMm, sizePt: titlePt, isBold: true })
    topMm += titlePt * MM_PER_PT * 0.2
  }
  const bottomMm = heightMm - PAD_MM
  let bodyPt: number = BODY_PT.most
  let made = body(text, innerMm, topMm, bodyPt, measure)
  while (made.endMm > bottomMm && bodyPt > BODY_PT.least) {
    bodyPt -= BODY_PT.step
    made = body(text, innerMm, topMm, bodyPt, measure)
  }
  const held = made.runs.filter(run => run.yMm <= bottomMm)
  return {
    runs: [...runs, ...held],
    code: codeMm > 0 ? { xMm: widthMm - PAD_MM - codeMm, yMm: PAD_MM, sizeMm: codeMm } : null,
    bodyPt,
    isCut: held.length < made.runs.length,
  }
}
