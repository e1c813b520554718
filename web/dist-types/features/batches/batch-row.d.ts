import type { BatchAnswer, Shelf } from '@ostler/core'
interface Props {
  batch: BatchAnswer
  shelf: Shelf | undefined
  onDuplicate: (batch: BatchAnswer) => void
  onDelete: (batch: BatchAnswer) => void
}
export declare function BatchRow({ batch, shelf, onDuplicate, onDelete }: Props): import('react').JSX.Element
export {}
