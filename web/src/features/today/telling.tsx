import { useState } from 'react'
import { canTell, startTelling, stopTelling, tellsDue } from '../../kept/due-notices.ts'
import { Section } from '../../ui/section.tsx'
import { t } from '../../words/index.ts'

/** Whether this browser tells by itself what has become due. */
export function Telling() {
  const [isOn, setOn] = useState(tellsDue)
  const [isRefused, setRefused] = useState(false)
  if (!canTell()) return null
  const start = async () => {
    const done = await startTelling()
    setOn(done)
    setRefused(!done)
  }
  return (
    <Section title={t('On this device')} className="mt-10">
      <p className="max-w-140 text-soft">
        {isOn
          ? t('What becomes due is told here by the browser, for as long as Ostler is open in it.')
          : t('The browser can tell what becomes due by itself, for as long as Ostler is open in it.')}
      </p>
      {isOn ? (
        <button
          className="button mt-2 min-h-9"
          onClick={() => {
            stopTelling()
            setOn(false)
          }}
        >
          {t('Stop telling me')}
        </button>
      ) : (
        <button className="button mt-2 min-h-9" onClick={() => void start()}>
          {t('Tell me here')}
        </button>
      )}
      {isRefused && (
        <p role="alert" className="text-rust">
          {t('The browser does not let Ostler tell. Its settings for this address say why.')}
        </p>
      )}
    </Section>
  )
}
