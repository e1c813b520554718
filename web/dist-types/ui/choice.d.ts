interface Props<T extends string> {
  label: string
  value: T
  options: readonly {
    value: T
    text: string
  }[]
  onValue: (value: T) => void
  bare?: boolean
  className?: string
}
/** One of a few; the platform's own list, so that a phone shows its large one. */
export declare function Choice<T extends string>({
  label,
  value,
  options,
  onValue,
  bare,
  className,
}: Props<T>): import('react').JSX.Element
export {}
