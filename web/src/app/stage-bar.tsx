import { Check, ChevronDown } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { memo } from 'react'
import { Link, NavLink, useLocation } from 'react-router'
import { Lagging, useForecast, usePlan, useRisk } from '../plan/context.tsx'
import { useNotedState } from '../run/noted.tsx'
import { STAGES, placeOf } from './stages.ts'
import type { Standing } from './stages.ts'
import { t } from '../words/index.ts'

/** The stages of the work, each saying in a word how it stands; at a desk, beside the name of the batch. */
export const StageLinks = memo(() => (
  <Lagging>
    <LinksAndWords />
  </Lagging>
))

function useStanding(): Standing {
  return {
    plan: usePlan(state => state.plan),
    forecast: useForecast(),
    risk: useRisk(),
    noted: useNotedState()?.state ?? null,
  }
}

function LinksAndWords() {
  const { stage: now } = placeOf(useLocation().pathname)
  const standing = useStanding()
  return (
    <nav aria-label={t('Stages')} className="flex self-stretch max-[900px]:hidden">
      {STAGES.map(stage => (
        <Link
          key={stage.name}
          to={stage.pages[0]!.path}
          aria-current={stage === now ? 'true' : undefined}
          className={`flex min-w-25 flex-col justify-center border-y-3 border-transparent px-3 leading-tight ${stage === now ? 'border-b-ink font-semibold' : 'text-soft hover:text-ink'}`}
        >
          {stage.name}
          <span className="sr-only">, </span>
          <span className="text-[13px] font-normal whitespace-nowrap">{stage.word(standing)}</span>
        </Link>
      ))}
    </nav>
  )
}

/** The pages of the stage that one is in; on a phone with the stages as a menu in front of them. */
export const PageLinks = memo(() => {
  const { stage: now } = placeOf(useLocation().pathname)
  return (
    <div className="flex min-h-9 items-stretch gap-1 border-b border-line px-4 max-[900px]:min-h-11 max-[900px]:px-1 print:hidden">
      <Lagging>
        <StageMenu />
      </Lagging>
      <nav
        aria-label={t('Pages of {now}', { now: now.name })}
        className="flex min-w-0 gap-1 max-[900px]:overflow-x-auto"
      >
        {now.pages.map(({ path, name }) => (
          <NavLink
            key={path}
            to={path}
            className={({ isActive }) =>
              `flex items-center border-b-3 px-3 whitespace-nowrap ${isActive ? 'border-ink font-semibold' : 'border-transparent text-soft hover:text-ink'}`
            }
          >
            {name}
          </NavLink>
        ))}
      </nav>
    </div>
  )
})

function StageMenu() {
  const { stage: now } = placeOf(useLocation().pathname)
  const standing = useStanding()
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="quiet shrink-0 self-center font-semibold text-ink min-[901px]:hidden">
        {now.name} <ChevronDown size={16} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          sideOffset={4}
          className="z-40 w-64 rounded border border-ink bg-paper p-1.5"
        >
          {STAGES.map(stage => (
            <DropdownMenu.Item key={stage.name} asChild>
              <Link
                to={stage.pages[0]!.path}
                className="flex min-h-11 items-center gap-2 rounded px-3 outline-none data-highlighted:bg-chosen"
              >
                <span className="w-4">{stage === now && <Check size={16} aria-hidden />}</span>
                <span className="flex-1 font-semibold">{stage.name}</span>
                <span className="text-[13px] text-soft">{stage.word(standing)}</span>
              </Link>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
