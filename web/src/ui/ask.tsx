import { Dialog } from 'radix-ui'
import type { ReactNode } from 'react'

interface Props {
  open: boolean
  title: string
  children: ReactNode
  /** Missing: the question must be answered. */
  onClose?: () => void
  wide?: boolean
}

/** A question or a report that stands in front of the page. */
export function Ask({ open, title, children, onClose, wide = false }: Props) {
  return (
    <Dialog.Root open={open} onOpenChange={next => !next && onClose?.()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          onEscapeKeyDown={event => !onClose && event.preventDefault()}
          onInteractOutside={event => !onClose && event.preventDefault()}
          className={`fixed top-1/2 left-1/2 z-50 max-h-[90vh] w-[92vw] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded border border-ink bg-paper p-6 ${wide ? 'max-w-180' : 'max-w-120'}`}
        >
          <Dialog.Title className="mb-3 text-xl">{title}</Dialog.Title>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
