/**
 * Constants of the heat model from the pour on; the reaction's own stand where cups that have set find them too. H handbook,
 * F fitted to what makers report, E engineering estimate.
 */

/** Extra heat of reducing sugar, J/kg (E). */
export const SUGAR_J_PER_KG = 9e5
/** How much quicker it is in gel (F). */
export const GEL_QUICKENS = 0.8
/** Latent heat of the gel transition, J/kg (E), and how fast it comes, s (E). */
export const GEL_J_PER_KG = 6000
export const GEL_TAU_S = 480
/** Width of the transition in K, and the conversion that it needs, with its width (E). */
export const GEL_WIDTH_K = 1.5
export const GEL_NEEDS = 0.35
export const GEL_NEEDS_WIDTH = 0.04
/** Once gelled it stays clear down to so much lower (E). */
export const GEL_HYSTERESIS_K = 8
/** Milk and sugar brown from here on (E). */
export const BROWNS_FROM_C = 45
/** Conductivity of oil and of lye solution, W/(m·K) (H), and what soap and gel add (E). */
export const K_OIL = 0.168
export const K_LYE = 0.58
export const K_SOAP = 0.05
export const K_GEL = 0.02
/** Heat capacity rises with warmth, 1/K (E). */
export const CP_SLOPE = 0.001
/** Things stand near walls and each other: losses against those of the open, ± 15 % (E). */
export const LOSSES = 0.9
export const ZERO_C = 273.15
