interface Props {
  chosen: string | null
  onChoose: (pour: string | null) => void
}
/** The ordered pours, first at the top: what the hands do. */
export declare function ScoreList({ chosen, onChoose }: Props): import('react').JSX.Element
export {}
