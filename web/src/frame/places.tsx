import { NavLink } from 'react-router'
import { t } from '../words/index.ts'

/** Places of the workshop, by their address. */
export const PLACES = [
  ['/today', t('Today')],
  ['/batches', t('Batches')],
  ['/rack', t('Rack')],
  ['/designs', t('Designs')],
  ['/trials', t('Trials')],
  ['/shelf', t('Shelf')],
  ['/recipes', t('Recipes')],
] as const

/** The workshop's own places, beside the name of the house. */
export const Places = () => (
  <nav
    aria-label={t('Places')}
    className="flex gap-1 self-stretch max-[900px]:min-h-10 max-[600px]:order-2 max-[600px]:w-full max-[600px]:flex-wrap max-[600px]:gap-0"
  >
    {PLACES.map(([path, text]) => (
      <NavLink
        key={path}
        to={path}
        className={({ isActive }) =>
          `flex items-center border-y-3 border-transparent px-3 max-[600px]:px-1.5 max-[600px]:text-[15px] max-[420px]:px-1 max-[420px]:text-[14px] ${isActive ? 'border-b-ink font-semibold' : 'text-soft hover:text-ink'}`
        }
      >
        {text}
      </NavLink>
    ))}
  </nav>
)
