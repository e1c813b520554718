import { cavityWords } from '@ostler/core'
import type { CavityKind, Plan } from '@ostler/core'
import { useCupHex } from '../../plan/colour-view.ts'
import { useSay } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

interface Props {
  plan: Plan
  kinds: readonly CavityKind[]
  /** The plan as the cavity sees it that is shown. */
  shown: Plan
  onChoose: (pour: string) => void
}

/** The cavities of a mould side by side, each in its colours; one is chosen to be looked at. */
export function CavityStrip({ plan, kinds, shown, onChoose }: Props) {
  const say = useSay()
  const hexOf = useCupHex()
  const inOrder = [...kinds].sort((a, b) => a.cavities[0]! - b.cavities[0]!)
  return (
    <div role="group" aria-label={t('Cavities')} className="flex gap-1 overflow-x-auto">
      {inOrder.map(kind => {
        const first = plan.score[kind.pours[0]!]!
        const isShown = shown.score[0]!.id === first.id && shown.score.length === kind.pours.length
        const names = kind.pours.map(i => plan.cups.find(cup => cup.id === plan.score[i]!.cup)?.name).join(', ')
        return (
          <button
            key={kind.cavities[0]}
            aria-pressed={isShown}
            aria-label={`${say(cavityWords(kind))}: ${names}`}
            title={names}
            onClick={() => onChoose(first.id)}
            className={`flex h-12 min-w-11 flex-col border bg-paper ${isShown ? 'border-2 border-ink' : 'border-line'}`}
          >
            <span className="flex min-h-0 w-full flex-1 flex-col-reverse">
              {kind.pours.map(i => (
                <span key={i} className="min-h-0 flex-1" style={{ background: hexOf(plan.score[i]!.cup) }} />
              ))}
            </span>
            <span className="px-1 text-[12px] leading-4">{kind.cavities.join(', ')}</span>
          </button>
        )
      })}
    </div>
  )
}
