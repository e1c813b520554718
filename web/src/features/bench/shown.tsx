import type { InstrumentReading } from '@ostler/core'
import { useHabits } from '../../plan/context.tsx'
import { useConnected } from '../../instruments/connected.ts'
import { readingNumber } from '../../instruments/reading-number.ts'
import { t } from '../../words/index.ts'

/** What a connected instrument shows, and whether it has come to rest. */
export function Shown({ kind }: { kind: InstrumentReading['kind'] }) {
  const connected = useConnected()[kind]
  const habits = useHabits()
  if (!connected) return null
  const { reading, failure } = connected
  const unit = kind === 'mass' ? habits.mass : `°${habits.temperature}`
  const text =
    failure !== ''
      ? failure
      : reading === null
        ? t('waits for a reading …')
        : reading.state === 'over'
          ? t('▲ over what it can take')
          : reading.state === 'off'
            ? t('△ dark: tare wakes it, and its zero is lost')
            : `${readingNumber(reading, habits)} ${unit}`
  const isStable = failure === '' && reading?.isStable === true
  return (
    <p role="status" aria-label={kind === 'mass' ? t('On the scale') : t('Thermometer')} className="text-2xl">
      <span className="text-lg text-soft">{kind === 'mass' ? t('on the scale') : t('thermometer')}</span>{' '}
      <strong className={isStable ? '' : 'text-soft'}>{text}</strong>{' '}
      {reading?.state === 'shows' && (
        <span className="text-lg text-soft">
          {!isStable ? t('○ moving') : connected.taken !== null ? t('✓ taken') : t('● at rest')}
        </span>
      )}
    </p>
  )
}
