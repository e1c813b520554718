import type { ReactNode } from 'react'
interface Note {
  id: number
  sentence: string
  action?: {
    text: string
    run: () => void
  }
}
/** Shows a sentence for a while, with at most one thing to do about it. */
export declare const useToast: () => (sentence: string, action?: Note['action']) => void
export declare function ToastPlace({ children }: { children: ReactNode }): import('react').JSX.Element
export {}
