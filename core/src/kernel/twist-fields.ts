/** Where the numbers of a turn stand, one after another. Lengths in mm, angles as area angles where the region is not round. */

/** In which plane: over y and z, x and y, x and z. */
export const PLANE: i32 = 0
/** Whether its region is squarish, and whether it carries a line along. */
export const SQUARISH: i32 = 1
export const JET: i32 = 2
/** Which slices it moves: all, those above a depth, those within a window; and three numbers of that. */
export const SLICE: i32 = 3
export const SLICE_NUMBERS: i32 = 4
/** Whether its centre wanders along the third axis: how far each way, over which length, from where on. */
export const WANDERS: i32 = 7
export const WANDER_NUMBERS: i32 = 8
/** Centre; axes over its halves, the long one first; and times them. */
export const CENTRE_A: i32 = 12
export const CENTRE_B: i32 = 13
export const LONG_A: i32 = 14
export const LONG_B: i32 = 15
export const SHORT_A: i32 = 16
export const SHORT_B: i32 = 17
export const BY_LONG_A: i32 = 18
export const BY_LONG_B: i32 = 19
export const BY_SHORT_A: i32 = 20
export const BY_SHORT_B: i32 = 21
export const ANGLE: i32 = 22
/** Where a jet is strongest, and one over how narrow. */
export const RING: i32 = 23
export const PER_CORE: i32 = 24
/** Where it was last asked for along the third axis; its centre and how strongly it turns there. */
export const LAST: i32 = 25
export const LAST_A: i32 = 26
export const LAST_B: i32 = 27
export const LAST_FACTOR: i32 = 28
export const TURN_ROOM: i32 = 30
