import * as plain from './all.ts'
import { COMPILED } from './compiled.ts'
import { listOf } from './memory.ts'
import { Place } from './place.ts'

/** What is worked out most often, as functions over one long list of numbers: steps of heat and gel, turns of a swirl. */
export interface Kernel extends Readonly<typeof plain> {
  /** All numbers; to be asked for again after `roomFor`. */
  readonly numbers: () => Float64Array
  /** Room for so many numbers for good; gives where it begins. */
  readonly roomFor: (count: number) => number
  /** Where a block's numbers stand, and a swirl's: one for each pot that is poured from another. */
  readonly heat: Place
  readonly swirls: readonly Place[]
}

/** Numbers at the beginning that the compiled code keeps to itself. */
const OWN = 1024
/** A pot is poured from a pot at most so often. */
const DEPTHS = 3

function kernelOf(step: typeof plain, list: (count: number) => Float64Array): Kernel {
  let free = OWN
  let numbers = list(free)
  const roomFor = (count: number) => {
    const at = free
    free += count
    // Room for as much again: it grows seldom.
    if (numbers.length < free) numbers = list(2 * free)
    return at
  }
  return {
    ...step,
    numbers: () => numbers,
    roomFor,
    heat: new Place(),
    swirls: Array.from({ length: DEPTHS }, () => new Place()),
  }
}

/** As it stands, for where nothing compiled may run. */
export const plainKernel = (): Kernel => kernelOf(plain, listOf)

interface Memory {
  buffer: ArrayBuffer
  grow: (pages: number) => number
}

const PAGE = 65_536
const BYTES = 8

function compiledKernel(): Kernel {
  const code = Uint8Array.from(atob(COMPILED), letter => letter.charCodeAt(0))
  const { exports } = new WebAssembly.Instance(new WebAssembly.Module(code), {})
  const { memory, ...step } = exports as unknown as { memory: Memory } & typeof plain
  return kernelOf(step, count => {
    const missing = count * BYTES - memory.buffer.byteLength
    if (missing > 0) memory.grow(Math.ceil(missing / PAGE))
    return new Float64Array(memory.buffer)
  })
}

/** Compiled where that may be; a browser that allows nothing compiled gets the same numbers, only slower. */
function usualKernel(): Kernel {
  try {
    return compiledKernel()
  } catch {
    return plainKernel()
  }
}

let usual: Kernel | null = null
/** The one that all share. */
export const kernel = (): Kernel => (usual ??= usualKernel())

export { BROWNS_FROM_C, GEL_NEEDS, GEL_WIDTH_K, K_GEL, K_SOAP } from './heat-constants.ts'
export * as fields from './heat-fields.ts'
export * as turnFields from './twist-fields.ts'
