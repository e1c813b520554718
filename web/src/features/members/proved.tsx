import { useState } from 'react'
import { FormLine } from '../../ui/form-line.tsx'
import { t } from '../../words/index.ts'

/** What cannot be undone: it asks for the password once more. */
export function Proved({ says, onProved }: { says: string; onProved: (password: string) => Promise<unknown> }) {
  const [password, setPassword] = useState<string | null>(null)
  const [sentence, setSentence] = useState('')
  const [isBusy, setBusy] = useState(false)
  if (password === null)
    return (
      <button className="button mt-2 min-h-11" onClick={() => setPassword('')}>
        {says} …
      </button>
    )
  const send = async () => {
    setBusy(true)
    try {
      await onProved(password)
      setPassword(null)
      setSentence('')
    } catch (error) {
      setSentence((error as Error).message)
    } finally {
      setBusy(false)
    }
  }
  return (
    <form
      className="mt-2 flex max-w-108 flex-col gap-3"
      onSubmit={event => {
        event.preventDefault()
        void send()
      }}
    >
      <FormLine
        label={t('Your password')}
        type="password"
        autoComplete="current-password"
        autoFocus
        value={password}
        sentence={sentence || undefined}
        onChange={event => setPassword(event.target.value)}
      />
      <p className="flex gap-3">
        <button className="button button-main min-h-11" disabled={password === '' || isBusy}>
          {says}
        </button>
        <button type="button" className="button min-h-11" onClick={() => setPassword(null)}>
          {t('Leave it')}
        </button>
      </p>
    </form>
  )
}
