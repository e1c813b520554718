import { COMPILED } from './compiled.ts'
import * as plain from './heat.ts'
import { roomFor } from './memory.ts'

/** The step of heat, conversion and gel, with the numbers that it works on. */
export interface Kernel extends Readonly<typeof plain> {
  /** Room for so many numbers; gives them all. What was given before is not to be used any more. */
  roomFor: (count: number) => Float64Array
  /** Whose numbers stand in it now; null: nobody's yet. */
  holds: object | null
}

/** As it stands, for where nothing compiled may run. */
export const plainKernel = (): Kernel => ({ ...plain, roomFor, holds: null })

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
  let numbers = new Float64Array(memory.buffer)
  const roomInMemory = (count: number) => {
    const missing = count * BYTES - memory.buffer.byteLength
    if (missing > 0) memory.grow(Math.ceil(missing / PAGE))
    if (numbers.buffer !== memory.buffer) numbers = new Float64Array(memory.buffer)
    return numbers
  }
  return { ...step, roomFor: roomInMemory, holds: null }
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
/** The one that all blocks share. */
export const kernel = (): Kernel => (usual ??= usualKernel())

export * as fields from './fields.ts'
