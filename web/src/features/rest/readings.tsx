import { MAX_REST_READINGS, showTemperature } from '@ostler/core'
import type { EditResult, RestReading, Words } from '@ostler/core'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import { useBatch, useHabits, usePlan } from '../../plan/context.tsx'
import { Choice } from '../../ui/choice.tsx'
import { NumberCell } from '../../ui/number-cell.tsx'
import { useTold } from '../../parts/plan-field.tsx'
import { QuantityField } from '../../ui/quantity.tsx'
import { Say } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

type Place = RestReading['at']
const PLACES: readonly { value: Place; text: string }[] = [
  { value: 'core', text: t('the core') },
  { value: 'side', text: t('the side') },
  { value: 'top', text: t('the top') },
]

/** Temperatures measured: laid over the curves, and learned from. */
export function Readings() {
  const batch = useBatch()
  const told = useTold()
  const readings = usePlan(state => state.plan.rest.readings)
  const [atMin, setAtMin] = useState(60)
  const [tempC, setTempC] = useState(45)
  const [at, setAt] = useState<Place>('core')
  const habits = useHabits()
  const read = (c: number): EditResult => {
    setTempC(c)
    return { ok: true, plan: batch.get().plan }
  }
  const [sentence, setSentence] = useState<Words>('')
  const set = (value: typeof readings) => batch.edit({ kind: 'set', path: ['rest', 'readings'], value })
  const add = () => {
    const result = set([...readings, { atMin, at, tempC }].sort((a, b) => a.atMin - b.atMin))
    setSentence(result.ok ? '' : result.sentence)
  }
  return (
    <details>
      <summary className="cursor-pointer text-[14px]">
        {t('Temperatures read{readings}', { readings: readings.length > 0 ? `: ${readings.length}` : '' })}
      </summary>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <label className="flex flex-col text-[13px] text-soft">
          {t('Minutes after the pour')}
          <NumberCell label={t('Minutes after the pour')} kind="plain" unit="" value={atMin} onValue={setAtMin} />
        </label>
        <QuantityField
          label={t('Reading')}
          kind="temperature"
          habits={habits}
          width={72}
          value={tempC}
          onValue={read}
        />
        <Choice label={t('of')} value={at} options={PLACES} onValue={setAt} />
        <button className="button" disabled={readings.length >= MAX_REST_READINGS} onClick={add}>
          {t('Add')}
        </button>
      </div>
      {sentence && (
        <p role="alert" className="text-rust">
          <Say of={sentence} />
        </p>
      )}
      <ul>
        {readings.map((reading, i) => (
          <li key={i} className="flex items-center gap-2 border-t border-line text-[14px]">
            {t('{atMin} min, {at}: {tempC}', {
              atMin: reading.atMin,
              at: reading.at,
              tempC: showTemperature(reading.tempC, habits),
            })}
            <button
              className="quiet ml-auto"
              aria-label={t('Remove reading {i}', { i: i + 1 })}
              onClick={() => told(set(readings.filter((_, n) => n !== i)))}
            >
              <Trash2 size={15} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
    </details>
  )
}
