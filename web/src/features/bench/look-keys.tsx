import { LOOKS, WHIPPED_LOOKS } from '@ostler/core'
import type { Plan, TraceLook } from '@ostler/core'
import { useFollowed } from '../../run/context.tsx'
import { PeakDrawing, TraceDrawing } from '../../parts/trace-drawing.tsx'
import { t } from '../../words/index.ts'

const looksOf = ({ whipped }: Plan): readonly TraceLook[] => (whipped ? WHIPPED_LOOKS : LOOKS)

/** The word that comes nearest to a level: of a drip on batter, or of whipped batter on the whisk. */
export const lookWord = (level: number, plan: Plan): string =>
  t(
    looksOf(plan).reduce((near, look) => (Math.abs(look.level - level) < Math.abs(near.level - level) ? look : near))
      .word,
  )

/** A key for everything that batter can look like, drawn and in words. */
export function LookKeys({ onLevel }: { onLevel: (level: number) => void }) {
  const { plan } = useFollowed()
  const Drawing = plan.whipped ? PeakDrawing : TraceDrawing
  return (
    <ul className="mt-1 grid grid-cols-[repeat(auto-fill,minmax(170px,1fr))] gap-2">
      {looksOf(plan).map(look => (
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
