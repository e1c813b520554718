import type { Cup, Plan, Shelf } from '@ostler/core'
/** A cup with the first colorant on the shelf that no other cup uses, at its usual dose. */
export declare function newCup(plan: Plan, shelf: Shelf): Cup
