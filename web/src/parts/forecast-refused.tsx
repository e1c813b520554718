import { usePlan } from '../plan/context.tsx'
import { Say } from '../ui/say.tsx'

/** Says why nothing can be worked out, where an oil is not on the shelf. */
export function ForecastRefused() {
  const result = usePlan(state => state.result)
  if (result.ok) return null
  return (
    <p role="alert" className="mb-4 border-l-4 border-rust pl-3 text-rust">
      <Say of={result.sentence} />
    </p>
  )
}
