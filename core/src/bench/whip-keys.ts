/** Ticks of a whipped batch. */

/** Ticks of its own, for the one bowl or for a batter of its own. */
const named = (key: string, cup: string | undefined): string => (cup === undefined ? key : `${key}:${cup}`)
export const creamKey = (cup?: string): string => named('whip:cream', cup)
export const trickleKey = (cup?: string): string => named('whip:trickle', cup)
/** The tick as the whisk is switched on to cream. */
export const creamingKey = (cup?: string): string => named('whip:creaming', cup)
