import type { Forecast, Plan, UnitHabits } from '@ostler/core'
import type { ReactNode } from 'react'

export interface Parts {
  plan: Plan
  forecast: Forecast
  habits: UnitHabits
}

export const Tick = () => <span aria-hidden className="mt-0.5 inline-block size-3.5 shrink-0 border border-ink" />

/** A part of the sheet; a long one may run over a page's end, between its lines. */
export const Section = ({
  title,
  children,
  isLong = false,
}: {
  title: string
  children: ReactNode
  isLong?: boolean
}) => (
  <section className={`mb-5 print:mb-3 ${isLong ? '' : 'break-inside-avoid'}`}>
    <h2 className="mb-1.5 break-after-avoid border-b-2 border-ink text-lg">{title}</h2>
    {children}
  </section>
)

export const CELL = 'py-1 pr-2 print:py-0.5'
export const NUMBER = 'py-1 pr-2 print:py-0.5 text-right text-lg font-semibold whitespace-nowrap max-[600px]:text-base'
