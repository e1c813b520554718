import { Popover } from 'radix-ui'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { entryAt } from './glossary.ts'
import { t } from '../words/index.ts'

/** A word that opens to what it means, where it stands. */
export function Term({ at, children }: { at: string; children?: ReactNode }) {
  const entry = entryAt(at)
  if (!entry) return <>{children}</>
  return (
    <Popover.Root>
      <Popover.Trigger
        type="button"
        className="term text-left underline decoration-dotted decoration-1 underline-offset-3 hover:text-ink"
        aria-label={t('{what}: what does that mean?', {
          what: typeof children === 'string' ? children : entry.word,
        })}
      >
        {children ?? entry.word}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={4}
          collisionPadding={8}
          className="z-50 w-80 max-w-[94vw] rounded border border-ink bg-paper p-3 text-left text-[15px] text-ink"
        >
          <p className="font-semibold first-letter:uppercase">{entry.word}</p>
          <p>{entry.says}</p>
          <Link to={`/glossary/${entry.at}`} className="mt-1 inline-block text-[13px] underline">
            {t('all words')}
          </Link>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
