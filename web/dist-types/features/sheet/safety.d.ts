/** Cautions of the craft for lye, hot batter, powders and scent, to be ticked before anything is weighed. */
export declare const SAFETY: readonly string[]
