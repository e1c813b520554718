import type { Words } from '@ostler/core'
import { useState } from 'react'
import { Say } from './say.tsx'
import { t } from '../words/index.ts'

/** JSON as it is; what is none is nothing. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}

interface Props {
  mostBytes: number
  tooLarge: string
  /** Takes what is in the file; gives why it cannot, or nothing. */
  onValue: (value: unknown) => Words | Promise<Words>
}

/** Opens a file of JSON; why it cannot be taken is said beside it. */
export function OpenJson({ mostBytes, tooLarge, onValue }: Props) {
  const [sentence, setSentence] = useState<Words>('')
  const open = async (file: File | undefined) => {
    setSentence('')
    if (!file) return
    setSentence(file.size > mostBytes ? tooLarge : await onValue(parsed(await file.text())))
  }
  return (
    <>
      <label className="quiet flex min-h-11 cursor-pointer items-center">
        {t('Open a file')}
        <input
          type="file"
          accept="application/json,.json"
          className="sr-only"
          onChange={event => {
            void open(event.target.files?.[0])
            event.target.value = ''
          }}
        />
      </label>
      {sentence !== '' && (
        <span role="alert" className="text-rust">
          <Say of={sentence} />
        </span>
      )}
    </>
  )
}
