import type { ReactNode } from 'react'
import { useFollowsPlan, useNoted } from '../run/noted.tsx'
import { t } from '../words/index.ts'

/** What can be ticked, weighed or read only once it is known what was before. */
export function NotedGate({ children }: { children: ReactNode }) {
  const { run, sentence } = useNoted()
  useFollowsPlan()
  if (run) return children
  return sentence === '' ? (
    <p className="text-soft">{t('Opening what was noted …')}</p>
  ) : (
    <p role="alert" className="text-rust">
      {t('What was noted of this batch cannot be opened: {sentence}', { sentence })}
    </p>
  )
}
