import type { LayerFace } from '../../plan/index.ts'
import { seeded } from './random.ts'

const MOST_MODES = 16

/** Root mean square of the unevenness, mm, and its waves in cycles per 100 mm. */
const FACES: Readonly<Record<LayerFace, { rmsMm: number; from: number; to: number } | null>> = {
  straight: null,
  wavy: { rmsMm: 1.6, from: 0.3, to: 1.6 },
  rustic: { rmsMm: 2.2, from: 2, to: 9 },
  clouds: { rmsMm: 2, from: 2.5, to: 7 },
}

/**
 * Cosine waves of a layer's lower face: m, n and amplitude one after another. They have no mean over the mould, so they never
 * change a volume.
 *
 * @param mostRmsMm what batter of this trace keeps
 */
export function textureModes(face: LayerFace, L: number, W: number, mostRmsMm: number, seed: number): Float64Array {
  const wish = FACES[face]
  if (!wish) return new Float64Array(0)
  const random = seeded(seed)
  const found: { m: number; n: number; a: number }[] = []
  for (let m = 0; m <= (2 * L * wish.to) / 100; m += 1)
    for (let n = 0; n <= (2 * W * wish.to) / 100; n += 1) {
      const waves = Math.hypot(m / (2 * L), n / (2 * W)) * 100
      if (waves < wish.from || waves > wish.to || m + n === 0) continue
      found.push({ m, n, a: (2 * random() - 1) / Math.sqrt(waves / 3) })
    }
  const modes = found.sort((a, b) => Math.abs(b.a) - Math.abs(a.a)).slice(0, MOST_MODES)
  const square = modes.reduce((sum, { m, n, a }) => sum + (a * a) / (m === 0 || n === 0 ? 2 : 4), 0)
  const scale = square > 0 ? Math.min(wish.rmsMm, mostRmsMm) / Math.sqrt(square) : 0
  return Float64Array.from(modes.flatMap(({ m, n, a }) => [m, n, a * scale]))
}
