/** A whole batch whipped: hard fats creamed, cold lye trickled in, piped. Engineering estimates, fitted to one account. */

/** Creaming breaks the net of crystals: above heavy trace (12 Pa·s) stiffness grows by so much of what it would. */
const LN_HEAVY = Math.log(12)
const BROKEN = 0.35

export const WHISK_WARMS_K = 1.5
/** With less solid fat than this at work nothing holds air, share of the fat. */
export const HOLDS_AIR = 0.05

/** ln(viscosity) of batter that was creamed. */
export const whipStiffened = (lnEta: number): number =>
  lnEta > LN_HEAVY ? LN_HEAVY + BROKEN * (lnEta - LN_HEAVY) : lnEta
