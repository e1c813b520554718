/** What a number measures; each is shown in the unit that the workshop likes. */
export type MeasureKind = 'g' | 'kg' | 'C' | 'K' | 'mm' | 'share' | 'number' | 'minutes' | 'chance' | 'gPerKg'

/** A quantity in its own unit, and how finely it is worth showing. */
export interface Measure {
  readonly is: MeasureKind
  readonly value: number
  /** Decimals in the unit given; absent: as many as the number has. */
  readonly decimals?: number
  /** Keeps its zeros: 2.50 rather than 2.5. */
  readonly keepsZeros?: true
}

const measure =
  (is: MeasureKind) =>
  (value: number, decimals?: number): Measure =>
    decimals === undefined ? { is, value } : { is, value, decimals }

export const grams = measure('g')
export const kilograms = measure('kg')
export const celsius = measure('C')
/** A difference of temperatures: 11 K are 20 °F, not 52. */
export const warmerBy = measure('K')
export const millimetres = measure('mm')
/** A number without a unit. */
export const plain = measure('number')
/** A part of a whole, 0 to 1, said as a percentage. */
export const share = measure('share')
/** A length of time to the nearest half minute. */
export const halfMinutes = (value: number): Measure => ({ is: 'minutes', value })
/** A chance, said no finer than a model knows it. */
export const chance = (value: number): Measure => ({ is: 'chance', value })

/** The same with its last zeros kept. */
export const keepingZeros = (of: Measure): Measure => ({ ...of, keepsZeros: true })

export const isMeasure = (value: unknown): value is Measure =>
  typeof value === 'object' && value !== null && 'is' in value
