import { useEffect, useState } from 'react'
import type { RefObject } from 'react'

/** So far beyond the edge of the screen counts as nearly on it. */
const MARGIN = '300px'

/**
 * Whether an element is on the screen, or nearly; once it was, it stays so. Where it is not asked, or a browser cannot tell, it always is.
 */
export function useNear(ref: RefObject<HTMLElement | null>, isAsked: boolean): boolean {
  const [near, setNear] = useState(!isAsked || typeof IntersectionObserver === 'undefined')
  useEffect(() => {
    if (near || !ref.current) return
    const observer = new IntersectionObserver(
      entries => {
        if (entries.some(entry => entry.isIntersecting)) setNear(true)
      },
      { rootMargin: MARGIN },
    )
    observer.observe(ref.current)
    return () => observer.disconnect()
  }, [near, ref])
  return near
}
