import { Check } from '../../ui/check.tsx'
import { SAFETY } from '../../ui/safety.ts'
import { safetyKey, useSafetyTicked, useTicks } from '../../parts/ticks.ts'

/** Cautions to be ticked before the lye; folded away once they are, and one tap from being read again. */
export function SafetyList() {
  const ticks = useTicks()
  const all = useSafetyTicked()
  return (
    <details open={!all} className="mb-5 border-2 border-ink p-3">
      <summary className="font-title text-lg font-semibold">
        Safety, before the lye is opened{' '}
        {all && <span className="font-sans text-[15px] font-normal text-soft">· ticked; open to read again</span>}
      </summary>
      <ul className="mt-2 grid grid-cols-2 gap-x-8 gap-y-1 max-[900px]:grid-cols-1">
        {SAFETY.map((line, i) => (
          <li key={line}>
            <Check
              className="min-h-10"
              label={line}
              checked={ticks.isDone(safetyKey(i))}
              onChange={done => ticks.set(safetyKey(i), done)}
            />
          </li>
        ))}
      </ul>
      <p className="mt-2 text-[13px] text-soft">
        Swallowed: rinse the mouth, do not cause vomiting, call for help. Breathed in: fresh air. Suppliers’ safety data
        sheets and local emergency numbers come first; keep them beside the bench.
      </p>
    </details>
  )
}
