import { Parts, Text, Whole } from '../document/fields/index.ts'

/** Where bars cure: the places of a workshop, each with the bars that it holds. */

export class RackPlace {
  @Text(1, 40, 'A place has a name of 1 to 40 letters.')
  name!: string

  @Whole(1, 10_000, 'A place holds from 1 to 10,000 bars.', { says: 'Bars.' })
  holds!: number
}

const MOST_PLACES = 100

export class RackPlan {
  @Parts(() => RackPlace, 0, MOST_PLACES, `A rack has at most ${MOST_PLACES} places.`)
  places!: RackPlace[]

  @Whole(1, 90, 'Bars are turned every 1 to 90 days.', { says: 'Days between turns.' })
  turnDays!: number
}

/** Bars are turned once a week. Makers' habit. */
export const USUAL_RACK: RackPlan = { places: [], turnDays: 7 }

export interface PlaceUse {
  name: string
  /** Null: it is not in the plan of the rack. */
  holds: number | null
  bars: number
}

/** How full each place is; places that only batches name follow. */
export function placeUses({ places }: RackPlan, lying: readonly { place: string; bars: number | null }[]): PlaceUse[] {
  const bars = (name: string) => lying.filter(one => one.place === name).reduce((sum, one) => sum + (one.bars ?? 0), 0)
  const known = new Set(places.map(place => place.name))
  const others = [...new Set(lying.map(one => one.place))].filter(name => name !== '' && !known.has(name)).sort()
  return [
    ...places.map(({ name, holds }) => ({ name, holds, bars: bars(name) })),
    ...others.map(name => ({ name, holds: null, bars: bars(name) })),
  ]
}
