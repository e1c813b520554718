import type { ReactNode } from 'react'
/** Name of the house on the left, what the page puts in the middle, the member's menu on the right. */
export declare function TopBar({ children }: { children?: ReactNode }): import('react').JSX.Element
