import { useInfiniteQuery } from '@tanstack/react-query'
import { Command } from 'cmdk'
import { useEffect, useState } from 'react'
import { useLocation, useNavigate } from 'react-router'
import { ALL_BATCHES, batchesQuery } from '../api/client.ts'
import { GLOSSARY } from '../ui/glossary.ts'
import { PLACES } from './places.tsx'
import { t } from '../words/index.ts'

const MORE = [
  ['/lessons', t('Lessons: rehearse the pour')],
  ['/craft', t('Lye, air, cleaning up')],
  ['/faults', t('When something looks wrong')],
  ['/glossary', t('Words of the craft')],
  ['/bin', t('Bin')],
  ['/account', t('Password and sessions')],
  ['/members', t('Members')],
] as const

/** Pages of a batch, as they are asked for. */
const OF_BATCH = [
  ['batter', t('Recipe')],
  ['heat', t('Heat')],
  ['score', t('Score')],
  ['cups', t('Cups')],
  ['colour', t('Colour')],
  ['bars', t('Bars')],
  ['prepare', t('Run sheet')],
  ['weigh', t('Weigh')],
  ['sheet', t('Pour sheet')],
  ['rehearse', t('Rehearse')],
  ['bench', t('Bench: make it')],
  ['rest', t('Rest')],
  ['cut', t('Cut')],
  ['outcome', t('Outcome')],
  ['faults', t('Faults')],
  ['cost', t('Cost')],
  ['labels', t('Labels')],
  ['record', t('Whole record')],
  ['history', t('History')],
] as const

const ITEM = 'flex min-h-10 cursor-pointer items-center px-3 data-[selected=true]:bg-chosen'
const GROUP =
  '[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-[13px] [&_[cmdk-group-heading]]:text-soft'

/** Goes anywhere by a few letters: opened with Ctrl K. */
export function GoAnywhere() {
  const [isOpen, setOpen] = useState(false)
  useEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() !== 'k' || !(event.ctrlKey || event.metaKey) || event.altKey || event.shiftKey) return
      event.preventDefault()
      setOpen(now => !now)
    }
    addEventListener('keydown', pressed)
    return () => removeEventListener('keydown', pressed)
  }, [])
  return isOpen ? <Palette onClose={() => setOpen(false)} /> : null
}

/** Of a batch's address: nobody types it. */
const UUID = /[0-9a-f-]{36}/

/** Whether every word that was typed stands in a line; what begins with it comes first. */
function holds(line: string, typed: string): number {
  const text = line.toLowerCase().replace(UUID, '')
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
  return words.every(word => text.includes(word)) ? (text.startsWith(words[0] ?? '') ? 1 : 0.5) : 0
}

function Palette({ onClose }: { onClose: () => void }) {
  const navigate = useNavigate()
  const batch = /^\/batches\/([^/]+)/.exec(useLocation().pathname)?.[1]
  const { data } = useInfiniteQuery(batchesQuery(ALL_BATCHES))
  const go = (to: string) => {
    onClose()
    void navigate(to)
  }
  const line = (to: string, text: string, more = '') => (
    <Command.Item key={to} value={`${text} ${more} ${to}`} className={ITEM} onSelect={() => go(to)}>
      {text}
      {more && <span className="ml-3 text-[13px] text-soft">{more}</span>}
    </Command.Item>
  )
  return (
    <Command.Dialog
      open
      label={t('Go anywhere')}
      filter={holds}
      onOpenChange={open => !open && onClose()}
      overlayClassName="fixed inset-0 z-40 bg-ink/40"
      contentClassName="fixed top-[12vh] left-1/2 z-50 w-[min(36rem,94vw)] -translate-x-1/2 border border-ink bg-paper"
    >
      <Command.Input
        placeholder={t('a page, a batch, a word')}
        className="min-h-12 w-full border-b border-line bg-paper px-3 text-lg outline-none"
      />
      <Command.List className="max-h-[56vh] overflow-y-auto pb-2">
        <Command.Empty className="p-3 text-soft">{t('Nothing is called that.')}</Command.Empty>
        {batch && (
          <Command.Group heading={t('This batch')} className={GROUP}>
            {OF_BATCH.map(([path, text]) => line(`/batches/${batch}/${path}`, text))}
          </Command.Group>
        )}
        <Command.Group heading={t('Pages')} className={GROUP}>
          {[...PLACES, ...MORE].map(([to, text]) => line(to, text))}
        </Command.Group>
        <Command.Group heading={t('Batches')} className={GROUP}>
          {data?.pages.flatMap(page => page.batches).map(one => line(`/batches/${one.id}/score`, one.name, t('batch')))}
        </Command.Group>
        <Command.Group heading={t('Words')} className={GROUP}>
          {GLOSSARY.map(({ at, word }) => line(`/glossary/${at}`, word, t('word')))}
        </Command.Group>
      </Command.List>
    </Command.Dialog>
  )
}
