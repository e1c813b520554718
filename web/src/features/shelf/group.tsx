import type { ReactNode } from 'react'
import { t } from '../../words/index.ts'

interface Props {
  group: string
  isOpen: boolean
  children: ReactNode
}

/** Fields of an item that belong together; the general ones stand open at the top. */
export const Group = ({ group, isOpen, children }: Props) =>
  group === 'General' ? (
    <div className="grid grid-cols-2 gap-x-4 gap-y-3">{children}</div>
  ) : (
    <details open={isOpen} className="border-t border-line pt-2">
      <summary className="font-title font-semibold">{t(group)}</summary>
      <div className="mt-2 grid grid-cols-2 gap-x-4 gap-y-3">{children}</div>
    </details>
  )
