/** How trace is told at the bench: by a word for how it looks, or by how long the mark of a drip stays. */

export interface TraceLook {
  level: number
  /** On its key. */
  word: string
  /** What is seen. */
  shows: string
  /** Standard error of a level told so, in levels. */
  error: number
}

/** From thinnest to stiffest. Levels of the trace scale; errors are engineering estimates of one look by eye. */
export const LOOKS: readonly TraceLook[] = [
  { level: 0.85, word: 'oil still shows', shows: 'a film or streaks of oil', error: 0.25 },
  { level: 1.1, word: 'just together', shows: 'ivory, runs like milk, no mark', error: 0.25 },
  { level: 1.45, word: 'thin cream', shows: 'a drip sinks at once', error: 0.25 },
  { level: 1.8, word: 'pouring cream', shows: 'a drip leaves a dot for a second or two', error: 0.25 },
  { level: 2.25, word: 'lines', shows: 'a drip leaves a line for some seconds', error: 0.25 },
  { level: 2.75, word: 'thin custard', shows: 'a line stays, ribbons fold', error: 0.25 },
  { level: 3.2, word: 'pudding', shows: 'trails stay, it folds from the jug', error: 0.25 },
  { level: 3.7, word: 'thick pudding', shows: 'it slides from the spoon and heaps a little', error: 0.25 },
  { level: 4.25, word: 'frosting', shows: 'it stands in peaks', error: 0.3 },
  { level: 4.9, word: 'stiff', shows: 'it keeps the cup’s shape', error: 0.35 },
]

/** A mark that stays longer than this says only that it is thicker, s. */
const LONGEST_MARK_S = 30
const SHORTEST_MARK_S = 0.5

/**
 * Level by the drip test: stirred for 5 s, a drip falls from 5 cm, and its mark is gone after so long. Engineering estimate after the
 * words of the trace scale; error 0.15.
 *
 * @param seconds until the mark was gone; longer than 30 s counts as 30
 */
export const dripLevel = (seconds: number): number =>
  1.6 + 0.36 * Math.log(Math.min(LONGEST_MARK_S, Math.max(SHORTEST_MARK_S, seconds)))
