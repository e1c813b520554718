import type { FieldPath } from '../document/fields/index.ts'
import type { OilPart } from '../recipe/index.ts'
import type { Plan } from './document.ts'
import type { Move, Pour } from './score-part.ts'
import type { Cup } from './cup-part.ts'

/** A change to a plan. Small plain values: the same ones serve undo, remedies and tests. */
export type Edit =
  | { kind: 'set'; path: FieldPath; value: unknown }
  | { kind: 'many'; edits: readonly Edit[] }
  | { kind: 'add-oil'; oil: OilPart }
  | { kind: 'remove-oil'; oil: string }
  /** Makes the oils 100 %: only those that are free change, in their ratio; `keep` counts as locked. */
  | { kind: 'fit-oils'; keep?: string }
  /** Sets an oil's share while the free ones make up for it. */
  | { kind: 'set-oil-share'; oil: string; share: number }
  | { kind: 'add-cup'; cup: Cup }
  | { kind: 'remove-cup'; cup: string }
  | { kind: 'add-pour'; cup: string; at: number; id: string }
  | { kind: 'remove-pour'; pour: string }
  | { kind: 'move-pour'; pour: string; to: number }
  /** The layer takes or gives height; the one above it (below, for the top one) makes up for it. */
  | { kind: 'set-layer-height'; pour: string; heightMm: number }
  /** Moves the boundary above layer `below` (0 = the bottom one) to `atMm` from the mould's floor. */
  | { kind: 'move-boundary'; below: number; atMm: number }
  | { kind: 'even-layers' }
  /** One colour in each cavity: the pours share the cavities out in their order. */
  | { kind: 'one-colour-each' }
  /** Another mould; cavities that it lacks are forgotten. */
  | { kind: 'set-mould'; mould: Plan['mould'] }
  /** Pours a run of steps again and again: each keeps its amount, divided among its turns. Tools follow every turn. */
  | { kind: 'repeat-pours'; from: number; to: number; times: number }
  | { kind: 'remove-pours'; pours: readonly string[] }
  /** Moves several pours together, in their order, so that the first of them is at `to` among the rest. */
  | { kind: 'move-pours'; pours: readonly string[]; to: number }
  /** Part of it now, the rest as a pour of its own right after; `id` names the rest. */
  | { kind: 'split-pour'; pour: string; id: string }
  /** Takes pours out of the score for now: the others fill the mould. */
  | { kind: 'set-aside'; pours: readonly string[] }
  | { kind: 'put-back'; index: number }
  /** Puts copies of pours and their tools after a place; cups that the plan lacks are named by what they are like. */
  | { kind: 'paste-pours'; at: number; pours: readonly Pour[]; moves: readonly Move[] }
  /** The first score and plan B change places. */
  | { kind: 'swap-plans' }
  /** Gives a cup another share of the soap; the rest changes by the maker's rule. */
  | { kind: 'set-cup-share'; cup: string; share: number }
  /** Doses a cup's colorant; on a ladder of tints the other steps, which are the same batter, follow. */
  | { kind: 'set-dose'; cup: string; colorant: string; doseGPerKg: number }
