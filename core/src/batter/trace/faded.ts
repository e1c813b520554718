/** What a step leaves of something that fades: each kind is asked for over and over with steps of one length. */
export const FADES = { blended: 0, cooling: 1, structure: 2, setting: 3, jump: 4, swelling: 5, restirred: 6 } as const

const asked = new Float64Array(Object.keys(FADES).length).fill(NaN)
const given = new Float64Array(asked.length)

/** e to the minus `x`, remembered for the last `x` of each kind: most steps of a run are as long as the one before. */
export function faded(kind: (typeof FADES)[keyof typeof FADES], x: number): number {
  if (asked[kind] === x) return given[kind]!
  asked[kind] = x
  return (given[kind] = Math.exp(-x))
}
