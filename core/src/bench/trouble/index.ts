import { AMOUNTS } from './amounts.ts'
import { MOULD_AND_ACCIDENTS } from './mould-and-accidents.ts'
import { POT_AND_CUPS } from './pot-and-cups.ts'
import type { Trouble, TroubleKind } from './way-out.ts'

/** What can go wrong while a batch is made, where it shows, and the ways out in the order in which they are tried. */
export const TROUBLE_GROUPS: readonly { title: string; kinds: readonly TroubleKind[] }[] = [
  { title: 'The batter', kinds: Object.keys(POT_AND_CUPS) as (keyof typeof POT_AND_CUPS)[] },
  { title: 'Forgotten, or a wrong amount', kinds: Object.keys(AMOUNTS) as (keyof typeof AMOUNTS)[] },
  {
    title: 'At the mould, and accidents',
    kinds: Object.keys(MOULD_AND_ACCIDENTS) as (keyof typeof MOULD_AND_ACCIDENTS)[],
  },
]

export const TROUBLES: Readonly<Record<TroubleKind, Trouble>> = { ...POT_AND_CUPS, ...AMOUNTS, ...MOULD_AND_ACCIDENTS }

export { openWays } from './way-out.ts'
export type { OpenWay, Pinch, TroubleKind } from './way-out.ts'
export { pinchOf } from './pinch.ts'
