import {
  aboutOf,
  contrastFor,
  cupGels,
  forecast,
  gelAlong,
  makeItSo,
  middleSlice,
  readyC,
  refitted,
  restChances,
  restHistory,
  restJobOf,
  restNotices,
  restResult,
  restSentence,
  restTasks,
  sweetOf,
  withRefit,
} from '@ostler/core'
import type {
  ContrastWay,
  CupGel,
  CurvePoint,
  Frame,
  GelWish,
  Notice,
  Plan,
  Refit,
  RestChances,
  RestJob,
  RestResult,
  RestSearch,
  RestTask,
  Shelf,
} from '@ostler/core'
import { expose, transfer } from 'comlink'

/** A rest as the page shows it; fields of cells go row by row from the floor, from the middle (or axis) outwards. */
export interface RestLook {
  grid: 'coarse' | 'fine'
  nx: number
  ny: number
  isRound: boolean
  result: RestResult
  /** What the readings say; null without any. */
  refit: Refit | null
  /** Null until many runs have been worked through. */
  chances: RestChances | null
  sentence: { sentence: string; reason: string }
  notices: Notice[]
  tasks: RestTask[]
  cups: CupGel[]
  /** Water in the batter, share of its mass. */
  waterShare: number
  curve: CurvePoint[]
  frames: Frame[]
  /** How warm each cell was at its warmest while it could gel, °C: what gels cooler than that has gelled. */
  readyC: Float32Array
}

function inputsOf(plan: Plan, shelf: Shelf) {
  const made = forecast(plan, shelf)
  if (!made.ok) throw new Error(made.sentence)
  return { plan, shelf, portions: made.forecast.portions, lanes: made.forecast.lanes }
}

const FRAME_S = 600
const breath = () => new Promise(resolve => setTimeout(resolve))
/** Points of the curve that a page can show. */
const CURVE_EVERY = 2

/** From the middle of a mould to its end, the share of each slice that gels. */
export interface Along {
  along: number[]
}

/**
 * A coarse answer at once, then the fine one with its frames; tells of each, and how far the fine one is. Loaves and slabs are
 * then worked through along their length.
 */
async function look(plan: Plan, shelf: Shelf, told: (look: RestLook | number | Along) => void): Promise<void> {
  const inputs = inputsOf(plan, shelf)
  const refit = refitted(restJobOf(inputs, 'coarse'), plan.rest.readings)
  const fitted = (job: RestJob) => (refit ? withRefit(job, refit) : job)
  const run = async (grid: RestLook['grid'], chances: RestChances | null): Promise<RestLook> => {
    const job = fitted(restJobOf(inputs, grid, grid === 'fine' ? FRAME_S : 0))
    const steps = restHistory(job)
    let count = 0
    for (;;) {
      const step = steps.next()
      if (!step.done) {
        count += 1
        if (grid === 'fine' && count % 40 === 0) {
          told(step.value)
          await breath()
        }
        continue
      }
      const history = step.value
      const result = restResult(history, aboutOf(inputs, job.block.materials))
      return {
        ...{ grid, nx: job.block.nx, ny: job.block.ny, isRound: job.block.isRound, result, chances, refit },
        sentence: restSentence(result, chances, sweetOf(plan, shelf)),
        cups: cupGels(inputs, history.block),
        notices: restNotices(plan, result),
        tasks: restTasks(plan, result),
        waterShare: job.block.materials[0]!.water,
        curve: history.curve.filter((_, i) => i % CURVE_EVERY === 0),
        frames: history.frames,
        readyC: middleSlice(readyC(history.block), job.block),
      }
    }
  }
  told(await run('coarse', null))
  await breath()
  const fine = await run('fine', restChances(fitted(restJobOf(inputs, 'coarse'))))
  const buffers = fine.frames.flatMap(frame => [frame.tempC.buffer, frame.converted.buffer, frame.gelled.buffer])
  told(transfer(fine, buffers))
  if (fine.isRound || plan.mould.cavities > 1) return
  const steps = gelAlong(fitted(restJobOf(inputs, 'whole')))
  for (let count = 1; ; count += 1) {
    const step = steps.next()
    if (step.done) return told({ along: step.value })
    if (count % 10 === 0) await breath()
  }
}

/** Looks for the simplest change that makes it so, telling of every step. */
async function search(
  plan: Plan,
  shelf: Shelf,
  wish: Exclude<GelWish, 'any'>,
  told: (state: RestSearch) => void,
): Promise<void> {
  for (const state of makeItSo(inputsOf(plan, shelf), wish)) {
    told(state)
    await breath()
  }
}

/** The least change that makes one cup gel and the others not. */
function contrast(plan: Plan, shelf: Shelf, cupIndex: number): ContrastWay | null {
  return contrastFor(plan, shelf, cupIndex, tried => {
    try {
      return inputsOf(tried, shelf)
    } catch {
      return null
    }
  })
}

const doorway = { look, search, contrast }
export type RestWorker = typeof doorway

expose(doorway)
