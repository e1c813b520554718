import type { Words } from '@ostler/core'
import { Toast } from 'radix-ui'
import { createContext, useCallback, useContext, useState } from 'react'
import type { ReactNode } from 'react'
import { Say } from './say.tsx'
import { t } from '../words/index.ts'

interface Note {
  id: number
  sentence: Words
  action?: { text: string; run: () => void }
}

const ToastContext = createContext<(sentence: Words, action?: Note['action']) => void>(() => undefined)

/** Shows a sentence for a while, with at most one thing to do about it. */
export const useToast = () => useContext(ToastContext)

const SHOWN_MS = 8000

export function ToastPlace({ children }: { children: ReactNode }) {
  const [notes, setNotes] = useState<Note[]>([])
  const show = useCallback((sentence: Words, action?: Note['action']) => {
    const id = Date.now() + Math.random()
    setNotes(all => [...all.slice(-2), action ? { id, sentence, action } : { id, sentence }])
  }, [])
  const drop = useCallback((id: number) => setNotes(all => all.filter(note => note.id !== id)), [])
  return (
    <ToastContext.Provider value={show}>
      <Toast.Provider duration={SHOWN_MS} swipeDirection="right">
        {children}
        {notes.map(note => (
          <Toast.Root
            key={note.id}
            onOpenChange={open => !open && drop(note.id)}
            className="flex items-center gap-4 rounded border border-ink bg-ink px-4 py-2.5 text-paper"
          >
            <Toast.Description>
              <Say of={note.sentence} />
            </Toast.Description>
            {note.action && (
              <Toast.Action
                altText={note.action.text}
                onClick={note.action.run}
                className="font-semibold underline underline-offset-4"
              >
                {note.action.text}
              </Toast.Action>
            )}
          </Toast.Root>
        ))}
        <Toast.Viewport
          label={t('What was just done ({hotkey})', { hotkey: '{hotkey}' })}
          className="fixed bottom-16 left-1/2 z-50 flex w-max max-w-[94vw] -translate-x-1/2 flex-col gap-2 print:hidden"
        />
      </Toast.Provider>
    </ToastContext.Provider>
  )
}
