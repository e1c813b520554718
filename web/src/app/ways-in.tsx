import { useEffect, useRef } from 'react'
import { useLocation } from 'react-router'
import { t } from '../words/index.ts'

/** Puts the keyboard's focus on a place of the page, so that the next Tab goes on from there. */
export function focusOn(selector: string): void {
  const place = document.querySelector<HTMLElement>(selector)
  if (!place) return
  if (!place.hasAttribute('tabindex')) place.setAttribute('tabindex', '-1')
  place.focus({ preventScroll: false })
}

const SKIP =
  'sr-only focus:not-sr-only focus:fixed focus:top-1 focus:left-1 focus:z-50 focus:rounded focus:border focus:border-ink focus:bg-paper focus:px-4 focus:py-2 focus:font-semibold'

/** First in the order of the keyboard: past what stands on every page, and on Score straight to the biggest risk. */
export function SkipLinks() {
  const { pathname } = useLocation()
  return (
    <div className="print:hidden">
      <button className={SKIP} onClick={() => focusOn('main')}>
        {t('Skip to the page')}
      </button>
      {pathname.endsWith('/score') && (
        <button className={SKIP} onClick={() => focusOn('[data-place="risk"]')}>
          {t('Skip to the biggest risk and Best plan')}
        </button>
      )}
    </div>
  )
}

/** After a change of page the focus is on the new one, not lost with what was clicked. */
export function useFocusOnArrival(): void {
  const { pathname } = useLocation()
  const before = useRef(pathname)
  useEffect(() => {
    if (before.current === pathname) return
    before.current = pathname
    // The page may still be loading: it is looked for until it is there.
    let tries = 0
    const timer = setInterval(() => {
      tries += 1
      const main = document.querySelector('main')
      if (!main && tries < 60) return
      clearInterval(timer)
      // Somebody who is typing already is let be.
      if (main && (document.activeElement === null || document.activeElement === document.body || isLeft()))
        focusOn('main')
    }, 50)
    return () => clearInterval(timer)
  }, [pathname])
}

/** The focus stands on a way to a page, which has done its work. */
const isLeft = (): boolean => document.activeElement?.closest('nav, [role="menu"]') !== null

const TITLES: readonly (readonly [RegExp, string])[] = [
  [/^\/batches\/?$/, t('Batches')],
  [/^\/designs/, t('Designs')],
  [/^\/shelf/, t('Shelf')],
  [/^\/recipes/, t('Recipes')],
  [/^\/glossary/, t('Words of the craft')],
  [/^\/lessons/, t('Lessons')],
  [/^\/trials/, t('Trials')],
  [/^\/members/, t('Members')],
  [/^\/bin/, t('Bin')],
  [/^\/account/, t('Your account')],
]

/** Each place of the workshop has its own title; a batch's pages set theirs. */
export function usePlaceTitle(): void {
  const { pathname } = useLocation()
  useEffect(() => {
    const title = TITLES.find(([at]) => at.test(pathname))?.[1]
    if (title) document.title = t('{title} – Ostler', { title })
  }, [pathname])
}
