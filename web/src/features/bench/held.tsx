import { useRun, useRunState } from '../../run/context.tsx'
import { Say } from '../../ui/say.tsx'
import type { Held as HeldDeed } from './use-bench.ts'
import { say, t } from '../../words/index.ts'

const BIG = 'button min-h-16 px-6 text-xl'

interface Props {
  held: HeldDeed
  onGoOn: () => void
  onLeave: () => void
}

/** Why something is not done, and the way to do it all the same where it is the maker's call. */
export function Held({ held, onGoOn, onLeave }: Props) {
  return (
    <section role="alertdialog" aria-label={t('Not yet')} className="flex-1 border-l-[16px] border-rust px-6 py-4">
      <p className="font-title text-[clamp(1.6rem,4.5vw,3.25rem)] leading-tight font-semibold">
        <Say of={held.sentence} />
      </p>
      <div className="mt-6 flex flex-wrap gap-4">
        <button autoFocus className={`${BIG} button-main`} onClick={onLeave}>
          {t('Not yet')}
        </button>
        {held.waiver !== null && (
          <button className={BIG} onClick={onGoOn}>
            {t('Go on all the same; it is written down')}
          </button>
        )}
      </div>
    </section>
  )
}

/** Something noted here or on another device cannot have been so as things stand: one sentence, two ways to put it right. */
export function ToClear() {
  const run = useRun()
  const { state } = useRunState()
  const [first] = state.toClear
  if (!first) return null
  return (
    <section aria-label={t('To clear up')} className="border-b-2 border-rust px-6 py-3">
      <p className="text-lg">
        <strong>{t('Noted, but not counted:')}</strong> <Say of={first.sentence} />
      </p>
      <div className="mt-2 flex flex-wrap gap-3">
        {first.waiver !== null && (
          <button
            className={BIG}
            onClick={() => {
              const { waiver, sentence, event } = first
              run.note({ kind: 'waive', how: waiver!, text: say(sentence), r: event.r })
            }}
          >
            {t('It was so')}
          </button>
        )}
        <button className={BIG} onClick={() => run.note({ kind: 'undo', of: first.key })}>
          {t('Take that back')}
        </button>
      </div>
    </section>
  )
}
