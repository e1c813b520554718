import { Link } from 'react-router'
import { useRunState } from '../../run/context.tsx'
import { useRehearsal } from '../../rehearsal/context.tsx'
import { t } from '../../words/index.ts'

const BIG = 'button min-h-16 px-6 text-xl'

/** A rehearsal that has ended. */
export function RehearsalOver() {
  const rehearsal = useRehearsal()
  const { state } = useRunState()
  if (!rehearsal) return null
  return (
    <section aria-label={t('Now')} className="flex-1 px-6 py-4 max-[760px]:px-4">
      <p className="font-title text-[clamp(2.25rem,5vw,4rem)] leading-tight font-semibold">
        {state.closed === 'moulded' ? t('In the mould') : t('Given up')}
      </p>
      <p className="mt-2 max-w-160 text-xl">{t('It was a rehearsal: no stock is gone, no plan has changed.')}</p>
      <div className="mt-5 flex flex-wrap gap-4">
        <Link className={`${BIG} button-main`} to={`/rehearsals/${rehearsal.id}/came`}>
          {t('What came of it')}
        </Link>
        <Link className={BIG} to={rehearsal.lesson ? '/lessons' : `/batches/${rehearsal.batch}/rehearse`}>
          {rehearsal.lesson ? t('To the lessons') : t('Another rehearsal')}
        </Link>
      </div>
    </section>
  )
}
