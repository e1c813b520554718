import {
  contrastFor,
  fittedRest,
  forecast,
  gelAlong,
  aboutOf,
  makeItSo,
  middleSlice,
  readRest,
  readyC,
  restHistory,
  restRunInputOf,
  restNumbers,
  restOutlook,
  say,
} from '@ostler/core'
import type {
  ContrastWay,
  CurvePoint,
  Frame,
  GelWish,
  Plan,
  Refit,
  RestNumbers,
  RestOutlook,
  RestSaid,
  RestSearch,
  Shelf,
} from '@ostler/core'
import { expose, transfer } from 'comlink'

/** A rest as the page shows it; fields of cells go row by row from the floor, from the middle (or axis) outwards. */
export interface RestLook extends RestSaid {
  grid: 'coarse' | 'fine'
  nx: number
  ny: number
  isRound: boolean
  /** What the readings say; null without any. */
  refit: Refit | null
  /** Null until many runs have been worked through. */
  numbers: RestNumbers | null
  curve: CurvePoint[]
  frames: Frame[]
  /** How warm each cell was at its warmest while it could gel, °C: what gels cooler than that has gelled. */
  readyC: Float32Array
}

/** What comes after a look: from the middle of the mould to its end, the share of each slice that gels. */
export interface RestMore {
  along: number[]
}

/** A look, what comes after it, or how far the fine one is. */
export type Told = RestLook | RestMore | number

function inputsOf(plan: Plan, shelf: Shelf) {
  const made = forecast(plan, shelf)
  if (!made.ok) throw new Error(say(made.sentence))
  return { plan, shelf, portions: made.forecast.portions, lanes: made.forecast.lanes }
}

const FRAME_S = 600
const breath = () => new Promise(resolve => setTimeout(resolve))
/** Points of the curve that a page can show. */
const CURVE_EVERY = 2

/**
 * A coarse answer at once, then the fine one with its frames; tells of each, and how far the fine one is. Loaves and slabs are
 * then worked through along their length.
 */
async function look(plan: Plan, shelf: Shelf, told: (look: Told) => void): Promise<void> {
  const inputs = inputsOf(plan, shelf)
  const { refit, fitted } = fittedRest(inputs)
  const run = async (grid: RestLook['grid'], numbers: RestNumbers | null): Promise<RestLook> => {
    const input = fitted(restRunInputOf(inputs, grid, grid === 'fine' ? FRAME_S : 0))
    const steps = restHistory(input)
    let step = steps.next()
    for (let count = 1; !step.done; count += 1) {
      if (grid === 'fine' && count % 40 === 0) {
        told(step.value)
        await breath()
      }
      step = steps.next()
    }
    const history = step.value
    return {
      ...readRest(inputs, history, numbers),
      ...{ grid, nx: input.block.nx, ny: input.block.ny, isRound: input.block.isRound, numbers, refit },
      curve: history.curve.filter((_, i) => i % CURVE_EVERY === 0),
      frames: history.frames,
      readyC: middleSlice(readyC(history.block), input.block),
    }
  }
  told(await run('coarse', null))
  await breath()
  const numbers = restNumbers(fitted(restRunInputOf(inputs, 'quick')), aboutOf(inputs))
  const fine = await run('fine', numbers)
  const buffers = fine.frames.flatMap(frame => [frame.tempC.buffer, frame.converted.buffer, frame.gelled.buffer])
  told(transfer(fine, buffers))
  await breath()
  if (fine.isRound || plan.mould.cavities > 1) return
  const along = gelAlong(fitted(restRunInputOf(inputs, 'whole')))
  for (let count = 1; ; count += 1) {
    const step = along.next()
    if (step.done) return told({ along: step.value })
    if (count % 10 === 0) await breath()
  }
}

/** A changed plan as its rest needs it; null where it cannot be forecast. */
const workOn = (shelf: Shelf) => (plan: Plan) => {
  try {
    return inputsOf(plan, shelf)
  } catch {
    return null
  }
}

/** Looks for the simplest change that makes it so, telling of every step. */
async function search(
  plan: Plan,
  shelf: Shelf,
  wish: Exclude<GelWish, 'any'>,
  told: (state: RestSearch) => void,
): Promise<void> {
  for (const state of makeItSo(inputsOf(plan, shelf), wish, workOn(shelf))) {
    told(state)
    await breath()
  }
}

/** The least change that makes one cup gel and the others not. */
function contrast(plan: Plan, shelf: Shelf, cupIndex: number): ContrastWay | null {
  return contrastFor(plan, shelf, cupIndex, workOn(shelf))
}

/** What a page says of a rest in words and numbers, without its pictures: the same that the page of the rest says. */
function said(plan: Plan, shelf: Shelf): RestWords {
  const { tasks, result, ash, numbers } = restOutlook(inputsOf(plan, shelf))
  return { tasks, result, ash, numbers }
}

export type RestWords = Pick<RestOutlook, 'tasks' | 'result' | 'ash' | 'numbers'>

const doorway = { look, search, contrast, said }
export type RestWorker = typeof doorway

expose(doorway)
