/** The numbers that the kernel works on: the memory of the compiled kernel itself. In place of `memory.ts` there. */
export function get(at: i32): f64 {
  return load<f64>((<usize>at) << 3)
}

export function set(at: i32, value: f64): void {
  store<f64>((<usize>at) << 3, value)
}

export function whole(x: f64): i32 {
  return <i32>x
}
