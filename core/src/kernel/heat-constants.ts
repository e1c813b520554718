/** Constants of heat and gel that every step asks for. F fitted to what makers report, E engineering estimate. */

/** How much quicker it is in gel (F). */
export const GEL_QUICKENS = 0.8
/** Width of the gel transition in K, and the conversion that it needs (E). */
export const GEL_WIDTH_K = 1.5
export const GEL_NEEDS = 0.35
/** Once gelled it stays clear down to so much lower (E). */
export const GEL_HYSTERESIS_K = 8
/** Milk and sugar brown from here on (E). */
export const BROWNS_FROM_C = 45
/** What soap and gel add to what fresh batter conducts, W/(m·K) (E). */
export const K_SOAP = 0.05
export const K_GEL = 0.02
