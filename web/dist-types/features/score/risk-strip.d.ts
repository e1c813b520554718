/** The biggest risk in a sentence, and the change that helps most. */
export declare function RiskStrip({
  onChoose,
}: {
  onChoose: (pour: string | null) => void
}): import('react').JSX.Element | null
