import { IMPERIAL, METRIC } from '@ostler/core'
import type { SessionAnswer, UnitHabits } from '@ostler/core'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import {
  BookOpen,
  GraduationCap,
  Keyboard,
  ListChecks,
  Moon,
  Search,
  Sun,
  Trash2,
  UserRound,
  Users,
} from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { useState } from 'react'
import type { ReactNode } from 'react'
import { Link, useLocation } from 'react-router'
import { saveHabits, sessionQuery, signOut } from '../api/client.ts'
import { lastingStore, readText, writeText } from '../kept/storage.ts'
import { KeysDialog } from './keys-dialog.tsx'
import { useToast } from '../ui/toast.tsx'
import { rich, t } from '../words/index.ts'

const LIGHT_KEY = 'ostler.light'

const storedLight = () => (readText(lastingStore(), LIGHT_KEY) === 'dim' ? 'dim' : 'day')
document.documentElement.dataset['light'] = storedLight()

function useLight(): [string, () => void] {
  const [light, setLight] = useState(storedLight)
  const toggle = () => {
    const next = light === 'dim' ? 'day' : 'dim'
    writeText(lastingStore(), LIGHT_KEY, next)
    document.documentElement.dataset['light'] = next
    setLight(next)
  }
  return [light, toggle]
}

const ITEM = 'flex cursor-pointer items-center gap-2 rounded px-3 py-1.5 outline-none data-highlighted:bg-chosen'

const PAGES = [
  { to: '/glossary', Icon: BookOpen, text: t('Words of the craft') },
  { to: '/lessons', Icon: GraduationCap, text: t('Lessons: rehearse the pour') },
  { to: '/craft', Icon: ListChecks, text: t('Lye, air, cleaning up') },
  { to: '/faults', Icon: Search, text: t('When something looks wrong') },
  { to: '/bin', Icon: Trash2, text: t('Bin') },
] as const

/** Pages to read in, from the menu. */
const Pages = () =>
  PAGES.map(({ to, Icon, text }) => (
    <DropdownMenu.Item key={to} className={ITEM} asChild>
      <Link to={to}>
        <Icon size={16} aria-hidden /> {text}
      </Link>
    </DropdownMenu.Item>
  ))

/** Pages of the member, and of the workshop where the member is an owner. */
const Own = ({ session: data }: { session: SessionAnswer | undefined }) => (
  <>
    <DropdownMenu.Item className={ITEM} asChild>
      <Link to="/account">
        <UserRound size={16} aria-hidden /> {t('{member}: language, password', { member: data?.member?.name })}
      </Link>
    </DropdownMenu.Item>
    {data?.member?.role === 'owner' && (
      <DropdownMenu.Item className={ITEM} asChild>
        <Link to="/members">
          <Users size={16} aria-hidden /> {t('Members')}
        </Link>
      </DropdownMenu.Item>
    )}
  </>
)

/** Said on every page to whoever may look and no more. */
const LooksOnly = ({ session: data }: { session: SessionAnswer | undefined }) =>
  data?.member?.role === 'looker' ? (
    <p role="note" className="shrink-0 bg-chosen px-5 py-1 text-center print:hidden">
      {t('You look at {workshop}: nothing that you change is kept.', { workshop: data.workshop?.name })}
    </p>
  ) : null

/** Name of the house on the left, what the page puts in the middle, the member's menu on the right. */
export function TopBar({ children }: { children?: ReactNode }) {
  const { data } = useQuery(sessionQuery)
  const client = useQueryClient()
  const toast = useToast()
  const [light, toggleLight] = useLight()
  const [keys, setKeys] = useState(false)
  const isBatch = useLocation().pathname.startsWith('/batches/')
  const habits = data?.workshop?.habits ?? METRIC

  const keep = async (next: UnitHabits) => {
    try {
      await saveHabits(next)
      await client.invalidateQueries(sessionQuery)
    } catch (error) {
      toast((error as Error).message)
    }
  }
  const leave = async () => {
    await signOut().catch((error: Error) => toast(error.message))
    client.clear()
    await client.invalidateQueries(sessionQuery)
    location.assign('/')
  }

  return (
    <>
      <LooksOnly session={data} />
      <header className="flex min-h-12 items-center gap-x-6 gap-y-1 border-b border-line px-5 max-[900px]:flex-wrap max-[900px]:px-3 print:hidden">
        <Link to="/batches" className="font-title text-xl font-bold">
          {t('Ostler')}
        </Link>
        {children}
        <DropdownMenu.Root>
          <DropdownMenu.Trigger
            className={`quiet ml-auto ${isBatch ? 'max-[900px]:order-3' : 'max-[900px]:order-1'}`}
            aria-label={t('Workshop and settings')}
          >
            <UserRound size={18} aria-hidden />
            <span
              className={children && isBatch ? 'sr-only' : 'max-w-44 truncate whitespace-nowrap max-[900px]:sr-only'}
            >
              {data?.workshop?.name}
            </span>
          </DropdownMenu.Trigger>
          <DropdownMenu.Portal>
            <DropdownMenu.Content
              align="end"
              sideOffset={4}
              className="z-30 w-64 rounded border border-ink bg-paper p-1.5"
            >
              <DropdownMenu.Label className="px-3 py-1 text-[13px] text-soft">{t('Units')}</DropdownMenu.Label>
              <DropdownMenu.Item className={ITEM} onSelect={() => void keep(METRIC)}>
                {rich('{mass} g, °C, mm', { mass: <span className="w-4">{habits.mass === 'g' ? '✓' : ''}</span> })}
              </DropdownMenu.Item>
              <DropdownMenu.Item className={ITEM} onSelect={() => void keep(IMPERIAL)}>
                {rich('{mass} oz, °F, in', { mass: <span className="w-4">{habits.mass === 'oz' ? '✓' : ''}</span> })}
              </DropdownMenu.Item>
              <DropdownMenu.Separator className="my-1 h-px bg-line" />
              <DropdownMenu.Item className={ITEM} onSelect={toggleLight}>
                {light === 'dim' ? <Sun size={16} aria-hidden /> : <Moon size={16} aria-hidden />}
                {light === 'dim' ? t('Daylight screen') : t('Dim screen for the bench')}
              </DropdownMenu.Item>
              <Pages />
              <DropdownMenu.Item className={ITEM} onSelect={() => setKeys(true)}>
                <Keyboard size={16} aria-hidden /> {t('Keys')}
              </DropdownMenu.Item>
              <DropdownMenu.Separator className="my-1 h-px bg-line" />
              <DropdownMenu.Label className="px-3 py-1 text-[13px] text-soft">
                {data?.workshop?.name}
              </DropdownMenu.Label>
              <Own session={data} />
              <DropdownMenu.Item className={ITEM} onSelect={() => void leave()}>
                {t('Sign out {member}', { member: data?.member?.name })}
              </DropdownMenu.Item>
            </DropdownMenu.Content>
          </DropdownMenu.Portal>
        </DropdownMenu.Root>
        <KeysDialog open={keys} onClose={() => setKeys(false)} />
      </header>
    </>
  )
}
