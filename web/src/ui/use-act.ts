import { useState } from 'react'

/** Something that is sent and may fail: one at a time, and what went wrong is told where it was asked for. */
export function useAct() {
  const [busy, setBusy] = useState(false)
  const [sentence, setSentence] = useState('')
  const run = async (act: () => Promise<void>): Promise<void> => {
    setBusy(true)
    setSentence('')
    try {
      await act()
    } catch (error) {
      setSentence((error as Error).message)
    } finally {
      setBusy(false)
    }
  }
  return { busy, sentence, run }
}
