interface Props {
  chosen: string | null
  onChoose: (pour: string | null) => void
}
/** The cross-section to scale, with a handle on every boundary between layers. */
export declare function FaceView({ chosen, onChoose }: Props): import('react').JSX.Element
export {}
