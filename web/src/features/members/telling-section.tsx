import { useState } from 'react'
import { Choice } from '../../ui/choice.tsx'
import { Section } from '../../ui/section.tsx'
import { clock, dated, fixed, t } from '../../words/index.ts'
import { LANGUAGES, keepTellingSettings, tellingSettings } from '../../words/settings.ts'
import type { TellingSettings } from '../../words/settings.ts'

const SAMPLE = new Date(2026, 11, 24, 15, 30)

/** Language, numbers and dates of this browser. What is left open goes by the browser’s own. */
export function TellingSection() {
  const [settings, setSettings] = useState(tellingSettings)
  const keep = (change: Partial<TellingSettings>) => {
    const next = { ...settings, ...change }
    setSettings(next)
    keepTellingSettings(next)
    // Words stand in constants of many rooms: a page that is read anew has all of them.
    location.reload()
  }
  return (
    <Section title={t('Language, numbers and dates')}>
      <p className="text-soft">
        {t('For this browser. Here: {number}, {date}, {time}.', {
          number: `${fixed(1234.5, 1)} g`,
          date: dated(SAMPLE, 'EEE d MMM yyyy'),
          time: clock('15:30'),
        })}
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-x-6 gap-y-3">
        <Choice
          label={t('Language')}
          value={settings.language}
          options={[
            { value: '', text: t('as the browser') },
            ...Object.entries(LANGUAGES).map(([value, text]) => ({
              value: value as TellingSettings['language'],
              text,
            })),
          ]}
          onValue={language => keep({ language })}
        />
        <Choice
          label={t('Decimals')}
          value={settings.decimal}
          options={[
            { value: '', text: t('as the browser') },
            { value: 'point', text: '1.5' },
            { value: 'comma', text: '1,5' },
          ]}
          onValue={decimal => keep({ decimal })}
        />
        <Choice
          label={t('Clock')}
          value={settings.hours}
          options={[
            { value: '', text: t('as the browser') },
            { value: '24', text: '15:30' },
            { value: '12', text: '3:30 PM' },
          ]}
          onValue={hours => keep({ hours })}
        />
        <Choice
          label={t('The week begins on')}
          value={settings.week}
          options={[
            { value: '', text: t('as the browser') },
            { value: 'monday', text: t('Monday') },
            { value: 'sunday', text: t('Sunday') },
            { value: 'saturday', text: t('Saturday') },
          ]}
          onValue={week => keep({ week })}
        />
      </div>
    </Section>
  )
}
