/** Spreads of ln of rate and of losses before anything was read (E). */
export const REST_PRIOR = { rate: 0.3, losses: 0.15 } as const
