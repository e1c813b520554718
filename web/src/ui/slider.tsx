import { Slider as Radix } from 'radix-ui'

interface Props {
  label: string
  value: number
  most: number
  step: number
  /** Where a mark stands, e.g. the usual most. */
  mark?: number
  onValue: (value: number) => void
}

/** A slider that wet fingers can hold: the thumb is 28 px. */
export const Slider = ({ label, value, most, step, mark, onValue }: Props) => (
  <Radix.Root
    className="relative flex h-9 w-full touch-none items-center select-none"
    value={[Math.min(value, most)]}
    min={0}
    max={most}
    step={step}
    onValueChange={([next]) => next !== undefined && onValue(next)}
  >
    <Radix.Track className="relative h-1.5 grow rounded bg-booth-deep">
      <Radix.Range className="absolute h-full rounded bg-ink" />
      {mark !== undefined && mark < most && (
        <span aria-hidden className="absolute -top-1.5 h-4.5 w-px bg-ink" style={{ left: `${(mark / most) * 100}%` }} />
      )}
    </Radix.Track>
    <Radix.Thumb
      aria-label={label}
      className="block size-7 rounded-full border-2 border-ink bg-paper focus-visible:outline-2"
    />
  </Radix.Root>
)
