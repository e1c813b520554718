import { useFollowed } from '../../run/context.tsx'
import { looksOf } from '../../parts/look-word.ts'
import { PeakDrawing, TraceDrawing } from '../../parts/trace-drawing.tsx'
import { t } from '../../words/index.ts'

/** A key for everything that batter can look like, drawn and in words. */
export function LookKeys({ onLevel }: { onLevel: (level: number) => void }) {
  const { plan } = useFollowed()
  const Drawing = plan.whipped ? PeakDrawing : TraceDrawing
  return (
    <ul className="mt-1 grid grid-cols-[repeat(auto-fill,minmax(170px,1fr))] gap-2">
      {looksOf(plan.whipped !== null).map(look => (
        <li key={look.word}>
          <button
            className="flex h-full min-h-18 w-full items-center gap-3 border border-ink px-3 py-1.5 text-left hover:bg-chosen"
            onClick={() => onLevel(look.level)}
          >
            <Drawing level={look.level} />
            <span className="leading-tight">
              <strong className="block text-lg">{t(look.word)}</strong>
              <span className="text-[13px] text-soft">{t(look.shows)}</span>
            </span>
          </button>
        </li>
      ))}
    </ul>
  )
}
