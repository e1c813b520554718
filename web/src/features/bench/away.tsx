import { useRun } from '../../run/context.tsx'
import { showClock } from '../../ui/clock.ts'
import { useNow } from './bench-head.tsx'
import { t } from '../../words/index.ts'

/** Nobody is at the bench: since when, and one key for being back. */
export function Away({ since }: { since: number }) {
  const run = useRun()
  const now = useNow()
  return (
    <section aria-label={t('Away')} className="flex flex-wrap items-center gap-4 border-b-2 border-rust px-6 py-3">
      <p className="text-2xl font-semibold">{t('Away for {now}', { now: showClock(now - since) })}</p>
      <p className="text-lg text-soft">{t('Lye and batter stay out of reach of others; the cups go on thickening.')}</p>
      <button className="button button-main ml-auto min-h-16 px-6 text-xl" onClick={() => run.note({ kind: 'back' })}>
        {t('Back again')}
      </button>
    </section>
  )
}
