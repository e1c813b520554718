import type { EditResult } from '@ostler/core'
interface Props {
  label: string
  value: string
  onValue: (value: string) => EditResult
  bare?: boolean
  className?: string
}
/** A short text that is saved as it is typed; one that is refused stays, with a sentence. */
export declare function TextField({ label, value, onValue, bare, className }: Props): import('react').JSX.Element
export {}
