/** The numbers that the kernel works on, one long list. `memory.compiled.ts` stands here where the kernel is compiled. */
let numbers = new Float64Array(0)

export function get(at: i32): f64 {
  return numbers[at]!
}

export function set(at: i32, value: f64): void {
  numbers[at] = value
}

/** Without its fraction. */
export function whole(x: f64): i32 {
  return x | 0
}

/** The same list with room for so many numbers. */
export function listOf(count: number): Float64Array {
  if (numbers.length < count) {
    const before = numbers
    numbers = new Float64Array(count)
    numbers.set(before)
  }
  return numbers
}
