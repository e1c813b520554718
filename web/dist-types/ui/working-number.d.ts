import type { Working } from '@ostler/core'
/** A large number that opens to the way it came about. */
export declare function WorkingNumber({
  label,
  text,
  working,
}: {
  label: string
  text: string
  working?: Working
}): import('react').JSX.Element
