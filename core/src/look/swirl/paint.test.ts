import { expect, test } from 'vitest'
import { paintedPixels } from './paint.ts'

test('pure colours as they are, mixes between them, nothing outside the soap', () => {
  const picture = {
    ...{ width: 3, height: 1, first: Uint8Array.of(0, 1, 255) },
    ...{ second: Uint8Array.of(0, 0, 0), light: null, share: Uint8Array.of(255, 128, 255) },
  }
  const data = paintedPixels(picture, ['#ff0000', '#0000ff'])
  expect([...data.slice(0, 4)]).toEqual([255, 0, 0, 255])
  expect(data[4]).toBeGreaterThan(150)
  expect(data[6]).toBeGreaterThan(150)
  expect(data[11]).toBe(0)
})
