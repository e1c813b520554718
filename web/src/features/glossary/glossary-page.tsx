import { useEffect, useState } from 'react'
import { Link, useParams } from 'react-router'
import { Places } from '../../frame/places.tsx'
import { TopBar } from '../../frame/top-bar.tsx'
import { GLOSSARY, entryAt } from '../../ui/glossary.ts'
import type { Entry } from '../../ui/glossary.ts'
import { t } from '../../words/index.ts'

/** All words, in the order of the alphabet; the one of the address first in sight. */
export function GlossaryPage() {
  const { word = '' } = useParams()
  const [search, setSearch] = useState('')
  const wanted = search.trim().toLowerCase()
  const shown = GLOSSARY.filter(one => `${one.word} ${one.says}`.toLowerCase().includes(wanted))
  useEffect(() => {
    document.getElementById(word)?.scrollIntoView?.({ block: 'center' })
  }, [word])
  return (
    <>
      <TopBar>
        <Places />
      </TopBar>
      <main className="mx-auto w-full max-w-200 px-5 py-6 max-[900px]:px-3">
        <div className="mb-4 flex flex-wrap items-center gap-4">
          <h1 className="mr-auto text-3xl">{t('Words of the craft')}</h1>
          <label className="flex items-center gap-2">
            <span className="text-[13px] text-soft">{t('Find')}</span>
            <input
              type="search"
              className="field min-h-9 w-56"
              value={search}
              onChange={event => setSearch(event.target.value)}
            />
          </label>
        </div>
        {shown.length === 0 && (
          <p className="text-soft">{t('No word and no sentence has “{search}” in it.', { search })}</p>
        )}
        <dl>
          {shown.map(one => (
            <Word key={one.at} entry={one} isWanted={one.at === word} />
          ))}
        </dl>
      </main>
    </>
  )
}

function Word({ entry, isWanted }: { entry: Entry; isWanted: boolean }) {
  const { at, word, says, see = [] } = entry
  return (
    <div
      id={at}
      className={`grid grid-cols-[180px_minmax(0,1fr)] gap-x-6 border-b border-line py-2 max-[600px]:grid-cols-1 ${isWanted ? 'bg-chosen' : ''}`}
    >
      <dt className="font-semibold">{word}</dt>
      <dd>
        {says}
        {see.length > 0 && (
          <span className="block text-[13px] text-soft">
            {t('see')}{' '}
            {see.map((other, i) => (
              <span key={other}>
                {i > 0 && ', '}
                <Link to={`/glossary/${other}`} className="underline">
                  {entryAt(other)?.word}
                </Link>
              </span>
            ))}
          </span>
        )}
      </dd>
    </div>
  )
}
