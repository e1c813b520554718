/** Everything about the chosen layer and the cup that it comes from. */
export declare function Inspector({
  pourId,
  onClose,
}: {
  pourId: string
  onClose: () => void
}): import('react').JSX.Element | null
