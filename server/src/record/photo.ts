/** Photographs as they are kept: JPEG, with nothing in them but the picture. */

export interface Jpeg {
  data: Buffer
  width: number
  height: number
}

const MARKER = 0xff
const START = 0xd8
const SCAN = 0xda
/** Frame headers: all but those that define tables. */
const isFrame = (code: number): boolean => code >= 0xc0 && code <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(code)
/** Kept beside what the picture needs: its colours' profile and their transform. Place, camera, notes and previews go. */
const KEPT_APP = new Set([0xe0, 0xe2, 0xee])
const isMetadata = (code: number): boolean => (code >= 0xe0 && code <= 0xef && !KEPT_APP.has(code)) || code === 0xfe
/** Larger than this on a side nothing is kept, pixels. */
const LARGEST = 8192

/** The picture without what tells where and by what it was taken; null: it is no JPEG. */
export function cleanJpeg(bytes: Buffer): Jpeg | null {
  if (bytes.length < 4 || bytes[0] !== MARKER || bytes[1] !== START) return null
  const parts = [bytes.subarray(0, 2)]
  let [width, height] = [0, 0]
  for (let at = 2; at + 4 <= bytes.length;) {
    if (bytes[at] !== MARKER) return null
    const code = bytes[at + 1]!
    const end = at + 2 + bytes.readUInt16BE(at + 2)
    if (end > bytes.length) return null
    if (isFrame(code)) {
      if (end - at < 9) return null
      height = bytes.readUInt16BE(at + 5)
      width = bytes.readUInt16BE(at + 7)
    }
    if (code === SCAN) {
      if (width < 1 || height < 1 || width > LARGEST || height > LARGEST) return null
      parts.push(bytes.subarray(at))
      return { data: Buffer.concat(parts), width, height }
    }
    if (!isMetadata(code)) parts.push(bytes.subarray(at, end))
    at = end
  }
  return null
}
