import { SAFETY_TICKS, SAFETY_WORDS, safetyKey } from '@ostler/core'
import { useSafetyTicked, useTicks } from '../../parts/ticks.ts'
import { Check } from '../../ui/check.tsx'
import { SAFETY } from '../../ui/safety.ts'
import { useSay } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

/** Cautions to be ticked before the lye; folded away once they are, and one tap from being read again. */
export function SafetyList() {
  const ticks = useTicks()
  const say = useSay()
  const all = useSafetyTicked()
  return (
    <details open={!all} className="mb-5 border-2 border-ink p-3">
      <summary className="font-title text-lg font-semibold">
        {t('Safety, before the lye is opened')}{' '}
        {all && (
          <span className="font-sans text-[15px] font-normal text-soft">{t('· ticked; open to read again')}</span>
        )}
      </summary>
      <ul className="mt-2 grid grid-cols-2 gap-x-8 gap-y-1 max-[900px]:grid-cols-1">
        {SAFETY_TICKS.map(item => (
          <li key={item}>
            <Check
              className="min-h-11"
              label={
                <span>
                  <strong className="block">{say(SAFETY_WORDS[item].big)}</strong>
                  <span className="text-[13px] text-soft">{say(SAFETY_WORDS[item].more)}</span>
                </span>
              }
              checked={ticks.isDone(safetyKey(item))}
              onChange={done => ticks.set(safetyKey(item), done)}
            />
          </li>
        ))}
      </ul>
      <ul
        aria-label={t('Rules')}
        className="mt-3 grid list-disc grid-cols-2 gap-x-8 gap-y-1 pl-5 max-[900px]:grid-cols-1"
      >
        {SAFETY.map(line => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <p className="mt-2 text-[13px] text-soft">
        {t(
          'Swallowed: rinse the mouth, do not cause vomiting, call for help. Breathed in: fresh air. Suppliers’ safety data sheets and local emergency numbers come first; keep them beside the bench.',
        )}
      </p>
    </details>
  )
}
