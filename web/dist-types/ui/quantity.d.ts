import type { EditResult, QuantityKind, UnitHabits } from '@ostler/core'
import type { ReactNode } from 'react'
interface Props {
  label: string
  value: number
  kind: QuantityKind
  habits: UnitHabits
  /** Takes the value in the unit inside; a refusal's sentence is shown beside the field. */
  onValue: (value: number) => EditResult
  /** Shows the label to screen readers only. */
  bare?: boolean
  decimals?: number
  width?: number
  hint?: ReactNode
  /** A second kind that may be typed, e.g. a share where a length is shown; told apart by its unit. */
  other?: {
    kind: QuantityKind
    unit: string
    onValue: (value: number) => EditResult
  }
  /** Told of the field's sentence, to show it elsewhere. */
  onSentence?: (sentence: string | null) => void
}
/**
 * A number with its unit. What is typed acts as soon as it makes sense; what does not is kept, with a sentence, until it is
 * mended or Escape takes it back. Arrow up and down step.
 */
export declare function QuantityField(props: Props): import('react').JSX.Element
export {}
