/**
 * Constants of the heat model from the pour on; those that every step asks for stand in the
 * kernel, the reaction's own where cups that have set find them too. H handbook,
 * F fitted to what makers report, E engineering estimate.
 */

/** Extra heat of reducing sugar, J/kg (E). */
export const SUGAR_J_PER_KG = 9e5
/** Latent heat of the gel transition, J/kg (E), and how fast it comes, s (E). */
export const GEL_J_PER_KG = 6000
export const GEL_TAU_S = 480
/** Width of the conversion that gelling needs (E). */
export const GEL_NEEDS_WIDTH = 0.04
/** Conductivity of oil and of lye solution, W/(m·K) (H). */
export const K_OIL = 0.168
export const K_LYE = 0.58
/** Heat capacity rises with warmth, 1/K (E). */
export const CP_SLOPE = 0.001
/** Things stand near walls and each other: losses against those of the open, ± 15 % (E). */
export const LOSSES = 0.9
export const ZERO_C = 273.15
