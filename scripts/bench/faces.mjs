import { once } from 'node:events'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { Worker } from 'node:worker_threads'
import { median, tell, timed } from '../lib/measure.mjs'
import { ROOT } from '../lib/paths.mjs'

/** As many workers as the page has on two cores. */
const FACE_WORKERS = 2

/** A pool of threads that draw bands of rows, as the page's workers do. */
async function facePool(program) {
  const workers = Array.from(
    { length: FACE_WORKERS },
    () => new Worker(join(ROOT, 'scripts', 'lib', 'face-worker.mjs'), { workerData: { program } }),
  )
  await Promise.all(workers.map(worker => once(worker, 'message')))
  const draw = async (view, fineness) => {
    const rows = fineness === 'preview' ? 40 : 64
    let next = 0
    await Promise.all(
      workers.map(async worker => {
        while (next < view.height) {
          const from = next
          next = Math.min(view.height, from + rows)
          worker.postMessage({ view, from, to: next, fineness })
          await once(worker, 'message')
        }
      }),
    )
  }
  return { draw, close: () => Promise.all(workers.map(worker => worker.terminate())) }
}

/** A face of a hanger swirl (twelve strokes): while it is dragged, and finely for a picture. */
export default async function faces() {
  const { acrossView, designOf, readPlanText, renderRows } = await import('@ostler/core')
  const { plan } = readPlanText(readFileSync(join(ROOT, 'examples', 'heron-reach.json'), 'utf8'))
  const moves = [{ ...plan.moves[0], count: 4 }]
  const { program } = designOf(
    { ...plan, moves },
    plan.score.map(() => 2),
  )
  const viewAt = (i, width) => acrossView(program, 0.2 + 0.005 * (i % 100), width)
  const pool = await facePool(program)
  await timed(10, i => pool.draw(viewAt(i, 400), 'preview'))
  tell('face.preview400x12.median_ms', median(await timed(40, i => pool.draw(viewAt(i, 400), 'preview'))), 'ms')
  await timed(2, i => pool.draw(viewAt(i, 1600), 'final'))
  const final = median(await timed(9, i => pool.draw(viewAt(i, 1600), 'final')))
  tell('face.final1600.median_ms', final, 'ms')
  await pool.close()
  const { width, height } = viewAt(0, 1600)
  const strokes = program.ops.filter(op => op.kind === 'twist').length / 2
  const every = median(
    await timed(3, i => void renderRows(program, viewAt(i, 800), 0, viewAt(i, 800).height, 'every-pixel')),
  )
  tell('face.ns_per_px_move', (every * 4 * 1e6) / (width * height * strokes), 'ns')
  const from = new Uint8Array(width * height * 3)
  const to = new Uint8Array(from.length)
  tell('face.ratio_to_memcpy', final / median(await timed(20, () => to.set(from))), '1')
}
