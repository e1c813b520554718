/** What is read of samples beside colour: one number each, with how far it is off. Spreads are engineering estimates. */

export interface Measure {
  /** As it stands beside its field. */
  says: string
  unit: string
  from: number
  to: number
  step: number
  /** Of a ratio spreads and what matters are shares of the value; else in its unit. */
  isRatio: boolean
  /** Standard deviation of one reading, and between samples made alike (or of one person who feels). */
  readingSd: number
  makingSd: number
  /** From so much on a difference matters. */
  matters: number
}

export const MEASURES = {
  level: measure('trace', 'level 0 to 5', 0, 5, 0.1, { readingSd: 0.25, makingSd: 0.15, matters: 0.25 }),
  depth: ratio('needle goes in', 'mm', 0, 100, { readingSd: 0.08, makingSd: 0.05, matters: 0.1 }),
  hours: ratio('out of its mould after', 'hours', 0.5, 500, { readingSd: 0.1, makingSd: 0.05, matters: 0.1 }),
  ash: measure('ash', '0 none to 4 white all over', 0, 4, 1, { readingSd: 0.4, makingSd: 0.4, matters: 1 }),
  edge: measure('edge of the layers', '0 mixed to 4 sharp', 0, 4, 1, { readingSd: 0.4, makingSd: 0.4, matters: 1 }),
  shrink: measure('shrunk by', 'mm', 0, 20, 0.1, { readingSd: 0.2, makingSd: 0.15, matters: 0.5 }),
  feel: measure('feels', '1 to 9, not knowing which', 1, 9, 1, { readingSd: 0.9, makingSd: 1, matters: 1 }),
  lather: ratio('lather', 'ml', 1, 2000, { readingSd: 0.1, makingSd: 0.05, matters: 0.1 }),
  points: measure('points', '0 to 10', 0, 10, 1, { readingSd: 0.7, makingSd: 0.5, matters: 1 }),
} as const satisfies Readonly<Record<string, Measure>>
export type MeasureName = keyof typeof MEASURES

type Spreads = Pick<Measure, 'readingSd' | 'makingSd' | 'matters'>

function measure(says: string, unit: string, from: number, to: number, step: number, of: Spreads): Measure {
  return { says, unit, from, to, step, isRatio: false, ...of }
}

function ratio(says: string, unit: string, from: number, to: number, of: Spreads): Measure {
  return { says, unit, from, to, step: 0.1, isRatio: true, ...of }
}

/** Least that a ratio is taken of: a needle that does not go in at all. */
const LEAST = 0.1

/** A reading as it is reckoned with: of a ratio its ln. */
export const reckoned = ({ isRatio }: Measure, value: number): number =>
  isRatio ? Math.log(Math.max(LEAST, value)) : value
