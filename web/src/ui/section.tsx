import { useId } from 'react'
import type { ReactNode } from 'react'

interface Props {
  title: string
  /** Stands beside the title. */
  aside?: ReactNode
  id?: string
  className?: string
  children: ReactNode
}

/** A part of a page under its title. */
export function Section({ title, aside, id, className = '', children }: Props) {
  const heading = useId()
  return (
    <section aria-labelledby={heading} id={id} className={`scroll-mt-4 ${className}`}>
      <div className="mb-2 flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h2 id={heading} className="text-xl">
          {title}
        </h2>
        {aside}
      </div>
      {children}
    </section>
  )
}
