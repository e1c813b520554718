import { barNumbers } from '@ostler/core'
import type { RecordEntry } from '@ostler/core'
import { useMemo, useState } from 'react'
import { usePlan } from '../plan/context.tsx'
import type { OpenRecord } from './use-record.ts'
import { t } from '../words/index.ts'

interface Props {
  entry: RecordEntry
  words: string
  record: OpenRecord
}

/** Where a sign was seen, bars and cups; and the keys to say so. Not said, it counts for all of them. */
export function SignWhere({ entry, words, record }: Props) {
  const [isOpen, setOpen] = useState(false)
  const plan = usePlan(one => one.plan)
  const named = (entry.cups ?? []).map(id => plan.cups.find(cup => cup.id === id)?.name ?? id)
  const said = [...(entry.bars?.length ? [t('bar {bars}', { bars: entry.bars.join(', ') })] : []), ...named]
  if (isOpen) return <Where {...{ entry, words, record }} onClose={() => setOpen(false)} />
  return (
    <button className="quiet min-h-9 basis-full justify-start px-0 text-[14px]" onClick={() => setOpen(true)}>
      {said.length > 0 ? t('in {said}', { said: said.join('; ') }) : t('which bars, which cups?')}
      <span className="sr-only"> {words}</span>
    </button>
  )
}

function Where({ entry, words, record, onClose }: Props & { onClose: () => void }) {
  const plan = usePlan(one => one.plan)
  const { cutCount } = record.state
  const bars = useMemo(() => barNumbers(plan, cutCount).map(String), [cutCount, plan])
  const [chosenBars, setBars] = useState<readonly string[]>(entry.bars ?? [])
  const [chosenCups, setCups] = useState<readonly string[]>(entry.cups ?? [])
  const keep = () => {
    const { sign = '', grade = 1 } = entry
    // In their own order, whatever was pressed first.
    const at = { bars: bars.filter(one => chosenBars.includes(one)), cups: [...chosenCups] }
    record.note({
      kind: 'sign',
      sign,
      grade,
      ...(at.bars.length > 0 && { bars: at.bars }),
      ...(at.cups.length > 0 && { cups: at.cups }),
    })
    onClose()
  }
  return (
    <div role="group" aria-label={t('Where: {words}', { words })} className="basis-full pb-1">
      <Keys label={t('bars')} options={bars.map(one => [one, one])} chosen={chosenBars} onChosen={setBars} />
      {plan.cups.length > 1 && (
        <Keys
          label={t('soap of')}
          options={plan.cups.map(cup => [cup.id, cup.name])}
          chosen={chosenCups}
          onChosen={setCups}
        />
      )}
      <div className="mt-1 flex gap-3">
        <button className="button min-h-9" onClick={keep}>
          {t('Keep where it is')}
        </button>
        <button className="quiet min-h-9" onClick={onClose}>
          {t('Leave it')}
        </button>
      </div>
    </div>
  )
}

interface KeysProps {
  label: string
  options: readonly (readonly [value: string, text: string])[]
  chosen: readonly string[]
  onChosen: (chosen: readonly string[]) => void
}

function Keys({ label, options, chosen, onChosen }: KeysProps) {
  const turn = (value: string) =>
    onChosen(chosen.includes(value) ? chosen.filter(one => one !== value) : [...chosen, value])
  return (
    <div className="mt-1 flex flex-wrap items-center gap-1">
      <span className="w-16 text-[14px] text-soft">{label}</span>
      {options.map(([value, text]) => (
        <button
          key={value}
          aria-pressed={chosen.includes(value)}
          aria-label={label === 'bars' ? t('bar {text}', { text }) : text}
          className="min-h-11 min-w-11 border border-ink px-2 aria-pressed:bg-ink aria-pressed:text-paper"
          onClick={() => turn(value)}
        >
          {text}
        </button>
      ))}
    </div>
  )
}
