import type { ComponentProps } from 'react'
/** A labelled line of a form with its sentence below. */
export declare function FormLine({
  label,
  sentence,
  ...input
}: {
  label: string
  sentence?: string | undefined
} & ComponentProps<'input'>): import('react').JSX.Element
