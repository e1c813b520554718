/** By Holm: the least p first, each against what is left of the false rate. @param family false differences over all of them */
export function holm(ps: readonly number[], family: number): boolean[] {
  const order = ps.map((_, i) => i).sort((a, b) => ps[a]! - ps[b]!)
  const found = new Array<boolean>(ps.length).fill(false)
  for (const [place, i] of order.entries()) {
    if (ps[i]! * (ps.length - place) >= family) break
    found[i] = true
  }
  return found
}
