import type { ReactNode } from 'react'
interface Props {
  open: boolean
  title: string
  children: ReactNode
  /** Missing: the question must be answered. */
  onClose?: () => void
  wide?: boolean
}
/** A question or a report that stands in front of the page. */
export declare function Ask({ open, title, children, onClose, wide }: Props): import('react').JSX.Element
export {}
