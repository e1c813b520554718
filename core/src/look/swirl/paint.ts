import { OUTSIDE } from './render.ts'
import type { Picture } from './render.ts'

const LEVELS = 256
/** How much brighter or darker a slope is that faces the light or turns from it. */
const MOST_LIGHT = 0.3
/** Linear light of every byte of sRGB. */
const LINEAR = Float64Array.from({ length: LEVELS }, (_, byte) => {
  const c = byte / 255
  return c <= 0.04045 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4)
})
const toByte = (value: number): number =>
  Math.round(255 * (value <= 0.0031308 ? 12.92 * value : 1.055 * Math.pow(value, 1 / 2.4) - 0.055))
const rgb = (hex: string): [number, number, number] => [
  parseInt(hex.slice(1, 3), 16),
  parseInt(hex.slice(3, 5), 16),
  parseInt(hex.slice(5, 7), 16),
]

const MOST_KEPT = 400
const mixes = new Map<string, Uint8Array>()

/** Mixes of two colours by share of light: kept, since the faces of a batch are all of the same few pairs. */
function mixOf(one: string, other: string): Uint8Array {
  const key = `${one} ${other}`
  const known = mixes.get(key)
  if (known) return known
  const [a, b] = [rgb(one), rgb(other)]
  const table = new Uint8Array(LEVELS * 3)
  for (let share = 0; share < LEVELS; share += 1)
    for (let c = 0; c < 3; c += 1) {
      const t = share / (LEVELS - 1)
      table[share * 3 + c] = toByte(LINEAR[a[c]!]! * t + LINEAR[b[c]!]! * (1 - t))
    }
  if (mixes.size >= MOST_KEPT) mixes.clear()
  mixes.set(key, table)
  return table
}

/** The same by the numbers of a picture's colours. */
function mixer(hexes: readonly string[]): (first: number, second: number) => Uint8Array {
  const pairs = new Map<number, Uint8Array>()
  return (first, second) => {
    const key = first * LEVELS + second
    const known = pairs.get(key)
    if (known) return known
    const table = mixOf(hexes[first] ?? '#888888', hexes[second] ?? '#888888')
    pairs.set(key, table)
    return table
  }
}

/**
 * Colours a picture: four bytes a pixel, row by row, as a canvas takes them; outside the soap it stays see-through.
 *
 * @param hexes the colours by the picture's numbers
 */
export function paintedPixels(picture: Picture, hexes: readonly string[]): Uint8ClampedArray<ArrayBuffer> {
  const data = new Uint8ClampedArray(4 * picture.width * picture.height)
  const mix = mixer(hexes)
  const count = picture.width * picture.height
  for (let n = 0; n < count; n += 1) {
    const first = picture.first[n]!
    if (first === OUTSIDE) continue
    const table = mix(first, picture.second[n]!)
    const at = picture.share[n]! * 3
    const light = picture.light ? 1 + ((picture.light[n]! - 128) / 127) * MOST_LIGHT : 1
    data[4 * n] = table[at]! * light
    data[4 * n + 1] = table[at + 1]! * light
    data[4 * n + 2] = table[at + 2]! * light
    data[4 * n + 3] = 255
  }
  return data
}
