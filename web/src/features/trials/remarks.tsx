import { SWATCH_FAULTS } from '@ostler/core'
import type { SwatchFault, TrialSample } from '@ostler/core'
import { t } from '../../words/index.ts'
import { inWords } from '../../ui/options.ts'

/** What else was seen of samples at a look: kept in the look's draft beside the colours, under names of its own. */
type Draft = Readonly<Record<string, string>>

// Not in the language of the page: what was noted is found again in another.
const faultKey = (label: string): string => `${label} faults`
const noteKey = (label: string): string => `${label} note`

/** Faults and note of a sample, as they stand in the draft. */
export const remarksOf = (draft: Draft, label: string): { faults: SwatchFault[]; note: string } => ({
  faults: (draft[faultKey(label)] ?? '').split(' ').filter((one): one is SwatchFault => one in SWATCH_FAULTS),
  note: (draft[noteKey(label)] ?? '').trim().slice(0, 200),
})

interface Props {
  samples: readonly TrialSample[]
  draft: Draft
  onDraft: (draft: Draft) => void
}

/** Faults to tick and a note for each sample; what clumped is left out of the curve. */
export function Remarks({ samples, draft, onDraft }: Props) {
  const toggled = (label: string, fault: SwatchFault): string => {
    const { faults } = remarksOf(draft, label)
    return (faults.includes(fault) ? faults.filter(one => one !== fault) : [...faults, fault]).join(' ')
  }
  return (
    <details className="mt-2">
      <summary className="min-h-9 cursor-pointer content-center">{t('Faults and notes')}</summary>
      <ul>
        {samples.map(({ label }) => (
          <li key={label} className="flex flex-wrap items-center gap-x-4 border-b border-line py-1">
            <strong className="w-12">{label}</strong>
            {inWords(SWATCH_FAULTS).map(([fault, text]) => (
              <label key={fault} className="flex min-h-9 cursor-pointer items-center gap-1.5">
                <input
                  type="checkbox"
                  aria-label={`${label}: ${text}`}
                  checked={remarksOf(draft, label).faults.includes(fault)}
                  onChange={() => onDraft({ ...draft, [faultKey(label)]: toggled(label, fault) })}
                />
                {text}
              </label>
            ))}
            <input
              aria-label={t('Note of {label}', { label })}
              className="field min-h-9 min-w-40 flex-1"
              maxLength={200}
              placeholder={t('a note')}
              value={draft[noteKey(label)] ?? ''}
              onChange={event => onDraft({ ...draft, [noteKey(label)]: event.target.value })}
            />
          </li>
        ))}
      </ul>
    </details>
  )
}
