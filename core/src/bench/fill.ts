import type { RunInput } from '../batter/schedule/index.ts'
import type { Portions } from '../portions/index.ts'

/** What goes into a cup, g: batter from the pot first, then its colours with what they are mixed in, then its scent. */
export interface CupFill {
  /** From the pot, with the scent that is in there by then. */
  drawG: number
  colourG: number
  /** Scent and stabiliser that go into the cup itself. */
  scentG: number
  /** The same that is in what is drawn; into the cup where the pot was left without. */
  potScentG: number
}

/** What each cup is filled with: scent of the pot or of the oils is in what is drawn. */
export function fillsOf(input: RunInput, portions: Portions): CupFill[] {
  return portions.cups.map((portion, i) => {
    const moment = input.cups[i]!.scent?.moment
    const isIn = !input.ownBatters && (moment === 'pot' || moment === 'oils')
    const scentG = portion.scentG + portion.stabiliserG
    return {
      drawG: portion.batterG + (isIn ? scentG : 0),
      colourG: portion.colorantG + portion.mediumG,
      scentG: isIn ? 0 : scentG,
      potScentG: isIn && moment === 'pot' ? scentG : 0,
    }
  })
}
