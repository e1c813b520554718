import { describe, expect, test } from 'vitest'
import { deltaE, labOfHex } from '../../colour/index.ts'
import { MAX_PALETTE } from '../../../shelf/index.ts'
import { correctedColour, mainColours, patchOf, readPalette, writeGpl, writePaletteJson } from '../palettes.ts'
import { said } from '../../../quantities/words/index.ts'

const colours = [
  { name: 'water', hex: '#6f8fa8', doses: [{ colorant: 'ultramarine-blue', doseGPerKg: 2 }] },
  { name: 'mist', hex: '#dfe0d8', doses: [] },
]

describe('a palette file', () => {
  test('is read again as it was written, doses only in the own format', () => {
    const plain = readPalette(writeGpl('Weir\nhouse', colours))
    expect(said(plain)).toMatchObject({ ok: true, name: 'Weir house' })
    expect(plain.ok && plain.colours.map(one => [one.name, one.hex])).toEqual(colours.map(one => [one.name, one.hex]))
    expect(readPalette(writePaletteJson('Weir', colours))).toMatchObject({ ok: true, colours })
  })

  test('of hundreds of colours is cut, and says so', () => {
    const many = Array.from({ length: 700 }, (_, i) => ({ name: `c${i}`, hex: '#102030', doses: [] }))
    for (const text of [writeGpl('Many', many), writePaletteJson('Many', many)]) {
      const read = readPalette(text)
      expect(read.ok && read.colours.length).toBe(MAX_PALETTE)
      expect(said(read.sentence)).toContain('700 colours')
    }
  })

  test('that is none, is damaged or holds nothing gets a sentence', () => {
    expect(said(readPalette('{"format":'))).toMatchObject({
      ok: false,
      sentence: expect.stringContaining('damaged') as string,
    })
    expect(readPalette('{"format":"other","colours":[]}')).toMatchObject({ ok: false })
    expect(readPalette('{"format":"ostler-palette","colours":[{"hex":"red"}]}')).toMatchObject({ ok: false })
    expect(said(readPalette('hello'))).toMatchObject({ ok: false, sentence: 'There is no colour in this file.' })
    expect(readPalette('GIMP Palette\n300 0 0 no\n')).toMatchObject({ ok: false })
    expect(said(readPalette('a: #abc; b: #102030'))).toMatchObject({
      ok: true,
      colours: [{ hex: '#aabbcc' }, { hex: '#102030' }],
    })
  })
})

/** Pixels of colours, each so often. */
const pixels = (...parts: readonly (readonly [string, number])[]): Uint8ClampedArray =>
  Uint8ClampedArray.from(
    parts.flatMap(([hex, count]) =>
      Array.from({ length: count }, () => [1, 3, 5].map(i => parseInt(hex.slice(i, i + 2), 16)).concat(255)).flat(),
    ),
  )

describe('a photograph', () => {
  test('gives its main colours, the largest first', () => {
    const found = mainColours(pixels(['#335588', 600], ['#f0e8d0', 300], ['#803020', 100]), 6)
    expect(found.map(one => one.share)).toEqual([0.6, 0.3, 0.1])
    expect(deltaE(labOfHex(found[0]!.hex), labOfHex('#335588'))).toBeLessThan(1)
    expect(mainColours(new Uint8ClampedArray(40), 4)).toEqual([])
  })

  const cast = (hex: string) => {
    const [r, g, b] = [1, 3, 5].map(i => parseInt(hex.slice(i, i + 2), 16))
    return `#${[r!, Math.round(g! * 0.95), Math.round(b! * 0.88)].map(x => x.toString(16).padStart(2, '0')).join('')}`
  }

  test('is corrected by a control of known colour in it', () => {
    const control = patchOf(pixels([cast('#e8dcc0'), 400]))
    const swatch = patchOf(pixels([cast('#536bb5'), 400]))
    const found = correctedColour(swatch, control, '#e8dcc0')
    expect(found.ok && deltaE(labOfHex(found.hex), labOfHex('#536bb5'))).toBeLessThan(2.5)
    expect(deltaE(labOfHex(cast('#536bb5')), labOfHex('#536bb5'))).toBeGreaterThan(3)
  })

  test.each([
    ['too small a patch', pixels(['#808080', 20]), pixels(['#808080', 400]), 'larger patch'],
    ['a burnt-out patch', pixels(['#ffffff', 400]), pixels(['#808080', 400]), 'too bright or too dark'],
    [
      'a control that is something else',
      pixels(['#808080', 400]),
      pixels(['#303a90', 400]),
      'too far from its known colour',
    ],
  ])('%s is refused with a sentence', (_, swatch, control, words) => {
    const found = correctedColour(patchOf(swatch), patchOf(control), '#e8dcc0')
    expect(said(found)).toMatchObject({ ok: false, sentence: expect.stringContaining(words) as string })
  })
})
