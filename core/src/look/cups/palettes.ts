import { fact } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import { deltaE, hexOfLinear, labOfHex, linearOfHex, linearOfLab } from '../colour/index.ts'
import type { Lab, Linear } from '../colour/index.ts'
import { parseForm } from '../../document/checks/index.ts'
import { MAX_PALETTE, Palette } from '../../shelf/index.ts'
import type { PaletteColour } from '../../shelf/index.ts'

/** Colours read from a file, and a sentence where something was left out or is wrong. */
export type PaletteRead =
  | { ok: true; name: string; colours: PaletteColour[]; sentence: Words }
  | { ok: false; sentence: Words }

const GPL = 'GIMP Palette'
export const PALETTE_FORMAT = 'ostler-palette'
export const MOST_PALETTE_BYTES = 512 * 1024

const hexOf = (rgb: readonly number[]): string => `#${rgb.map(x => x.toString(16).padStart(2, '0')).join('')}`

function cut(name: string, colours: PaletteColour[]): PaletteRead {
  if (colours.length === 0) return { ok: false, sentence: fact('cups.no-colour-in-file') }
  const sentence =
    colours.length > MAX_PALETTE ? fact('cups.first-colours-taken', { count: colours.length, most: MAX_PALETTE }) : ''
  return { ok: true, name: name.slice(0, 80) || 'Palette', colours: colours.slice(0, MAX_PALETTE), sentence }
}

function readGpl(text: string): PaletteRead {
  const lines = text.split(/\r?\n/)
  const name = lines.find(line => /^name:/i.test(line))?.replace(/^name:\s*/i, '') ?? 'Palette'
  const colours = lines.flatMap((line): PaletteColour[] => {
    const found = /^\s*(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})(?:\s+(.*))?$/.exec(line)
    if (!found) return []
    const rgb = found.slice(1, 4).map(Number)
    return rgb.some(x => x > 255) ? [] : [{ name: (found[4] ?? '').trim().slice(0, 60), hex: hexOf(rgb), doses: [] }]
  })
  return cut(name.trim(), colours)
}

function readJson(text: string): PaletteRead {
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    return { ok: false, sentence: fact('cups.damaged-palette') }
  }
  const { format, name, colours } = (value ?? {}) as { format?: unknown; name?: unknown; colours?: unknown }
  if (format !== PALETTE_FORMAT || !Array.isArray(colours))
    return { ok: false, sentence: fact('cups.palette-format', { format: PALETTE_FORMAT }) }
  const kept = colours.slice(0, MAX_PALETTE)
  const parsed = parseForm(Palette, {
    id: 'palette',
    name: typeof name === 'string' && name ? name.slice(0, 80) : 'Palette',
    source: 'measured',
    note: '',
    tags: [],
    words: [],
    archived: false,
    lots: [],
    colours: kept,
  })
  if (!parsed.ok) return { ok: false, sentence: parsed.problems[0]!.sentence }
  const read = cut(parsed.value.name, [...parsed.value.colours])
  return read.ok && colours.length > MAX_PALETTE
    ? { ...read, sentence: fact('cups.first-colours-taken', { count: colours.length, most: MAX_PALETTE }) }
    : read
}

function readHexList(text: string): PaletteRead {
  const found = [...text.matchAll(/#([0-9a-f]{6}|[0-9a-f]{3})\b/gi)].map(([, hex]) => hex!.toLowerCase())
  const full = found.map(hex => `#${hex.length === 3 ? [...hex].map(c => c + c).join('') : hex}`)
  return cut(
    'Palette',
    full.map(hex => ({ name: '', hex, doses: [] })),
  )
}

/** Reads a palette from the text of a file: plain palette text (“R G B name” lines), Ostler's JSON, or any list of #rrggbb. */
export function readPalette(text: string): PaletteRead {
  const trimmed = text.replace(/^\uFEFF/, '').trimStart()
  if (trimmed.startsWith(GPL)) return readGpl(trimmed)
  return trimmed.startsWith('{') ? readJson(trimmed) : readHexList(trimmed)
}

/** The open text format that image programs read: a head, then “R G B name” on each line. */
export function writeGpl(name: string, colours: readonly PaletteColour[]): string {
  const line = ({ hex, name: text }: PaletteColour) =>
    `${[1, 3, 5].map(i => String(parseInt(hex.slice(i, i + 2), 16)).padStart(3)).join(' ')}\t${text || hex}`
  const plain = name.replace(/[\r\n]+/g, ' ')
  return `${GPL}\nName: ${plain}\nColumns: 8\n#\n${colours.map(line).join('\n')}\n`
}

/** The same with doses, as JSON. */
export const writePaletteJson = (name: string, colours: readonly PaletteColour[]): string =>
  `${JSON.stringify({ format: PALETTE_FORMAT, version: 1, name, colours }, null, 2)}\n`

/** Rounds of moving the middles. */
const ROUNDS = 12

/**
 * The main colours of a picture: k-means in CIELAB from spread-out starts, the largest first; groups that look alike are one.
 *
 * @param pixels red, green, blue, alpha from 0 to 255 for each pixel; see-through ones are left out
 * @param most how many colours at most, 1 to 24
 */
export function mainColours(pixels: Uint8ClampedArray, most: number): { hex: string; share: number }[] {
  const labs: Lab[] = []
  const count = Math.floor(pixels.length / 4)
  const stride = Math.max(1, Math.floor(count / 20_000))
  for (let i = 0; i < count; i += stride) {
    if (pixels[4 * i + 3]! < 128) continue
    labs.push(labOfHex(hexOf([pixels[4 * i]!, pixels[4 * i + 1]!, pixels[4 * i + 2]!])))
  }
  if (labs.length === 0) return []
  const far = (a: Lab, b: Lab) => (a.l - b.l) ** 2 + (a.a - b.a) ** 2 + (a.b - b.b) ** 2
  let middles: Lab[] = [labs[0]!]
  while (middles.length < most) {
    const farthest = labs.reduce(
      (best, lab) => {
        const gap = Math.min(...middles.map(middle => far(lab, middle)))
        return gap > best.gap ? { gap, lab } : best
      },
      { gap: 4, lab: null as Lab | null },
    )
    if (!farthest.lab) break
    middles.push(farthest.lab)
  }
  let counts: number[] = []
  for (let round = 0; round < ROUNDS; round += 1) {
    const sums = middles.map(() => ({ l: 0, a: 0, b: 0, n: 0 }))
    for (const lab of labs) {
      let near = 0
      for (let j = 1; j < middles.length; j += 1) if (far(lab, middles[j]!) < far(lab, middles[near]!)) near = j
      const sum = sums[near]!
      sum.l += lab.l
      sum.a += lab.a
      sum.b += lab.b
      sum.n += 1
    }
    counts = sums.map(sum => sum.n)
    middles = middles.map((middle, j) => {
      const { l, a, b, n } = sums[j]!
      return n > 0 ? { l: l / n, a: a / n, b: b / n } : middle
    })
  }
  const found = middles
    .map((lab, j) => ({ lab, share: counts[j]! / labs.length }))
    .filter(one => one.share > 0.003)
    .sort((a, b) => b.share - a.share)
  const kept: typeof found = []
  for (const one of found) {
    const like = kept.find(other => deltaE(other.lab, one.lab) < 3)
    if (like) like.share += one.share
    else kept.push({ ...one })
  }
  return kept.map(({ lab, share }) => ({ hex: hexOfLinear(linearOfLab(lab)), share }))
}

/** Median colour of a patch of a picture, linear, and how much of it was too bright, too dark or uneven. */
export interface Patch {
  linear: Linear
  /** Share of pixels that were clipped. */
  clipped: number
  /** Spread of the green channel, share of its median. */
  spread: number
  count: number
}

export function patchOf(pixels: Uint8ClampedArray): Patch {
  const channels: number[][] = [[], [], []]
  let clipped = 0
  const count = pixels.length / 4
  for (let i = 0; i < count; i += 1) {
    const linear = linearOfHex(hexOf([pixels[4 * i]!, pixels[4 * i + 1]!, pixels[4 * i + 2]!]))
    if (linear.some(x => x > 0.98) || linear.every(x => x < 0.005)) clipped += 1
    linear.forEach((x, c) => channels[c]!.push(x))
  }
  const sorted = channels.map(list => list.sort((a, b) => a - b))
  const at = (list: readonly number[], share: number) => list[Math.floor((list.length - 1) * share)] ?? 0
  const green = sorted[1]!
  const linear = sorted.map(list => at(list, 0.5)) as unknown as Linear
  const spread = linear[1] > 0 ? (at(green, 0.84) - at(green, 0.16)) / 2 / linear[1] : 0
  return { linear, clipped: count > 0 ? clipped / count : 0, spread, count }
}

const LEAST_PIXELS = 100
export type Corrected = { ok: true; hex: string; sentence: Words } | { ok: false; sentence: Words }

/**
 * A swatch's colour from a photograph, corrected by a patch of known colour in the same picture (the plain soap of the same
 * batch, or a grey card): each channel is scaled so that the control comes out right.
 */
export function correctedColour(swatch: Patch, control: Patch, knownHex: string): Corrected {
  if (Math.min(swatch.count, control.count) < LEAST_PIXELS)
    return { ok: false, sentence: fact('cups.larger-patch', { pixels: LEAST_PIXELS }) }
  if (Math.max(swatch.clipped, control.clipped) > 0.1) return { ok: false, sentence: fact('cups.patch-light') }
  const known = linearOfHex(knownHex)
  const gains = known.map((x, c) => x / Math.max(1e-6, control.linear[c]!))
  const [least, most] = [Math.min(...gains), Math.max(...gains)]
  if (least < 0.5 || most > 2 || most / least > 1.6)
    return {
      ok: false,
      sentence: fact('cups.control-off'),
    }
  const linear = swatch.linear.map((x, c) => Math.min(1, x * gains[c]!)) as unknown as Linear
  const uneven = Math.max(swatch.spread, control.spread) > 0.06
  return {
    ok: true,
    hex: hexOfLinear(linear),
    sentence: uneven ? fact('cups.patch-uneven') : '',
  }
}
