interface Props {
  chosen: string | null
  onChoose: (pour: string | null) => void
}
/** Time from left to right; each cup a lane of rising trace; each pour a gate it must pass. */
export declare function LanesView({ chosen, onChoose }: Props): import('react').JSX.Element | null
export {}
