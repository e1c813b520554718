import { X } from 'lucide-react'
import { useState } from 'react'
import { useBatch, usePlan } from '../plan/context.tsx'
import { useTold } from './plan-field.tsx'
import { useDesignAdvice } from './use-advice.ts'
import { useCavityPlan, useDesign } from '../drawing/use-design.ts'
import { lastingStore, readJson, writeJson } from '../kept/storage.ts'
import { Say, useSay } from '../ui/say.tsx'
import { t } from '../words/index.ts'

const KEY = 'ostler-design-advice-dismissed'
const MOST = 3

function stored(): string[] {
  return readJson<string[]>(lastingStore(), KEY) ?? []
}

/** What had to be fitted or left out of the picture, and what the geometry says: at most three at a time. */
export function DesignSentences() {
  const batch = useBatch()
  const told = useTold()
  const say = useSay()
  const whole = usePlan(state => state.plan)
  const plan = useCavityPlan(whole)
  const design = useDesign()
  // Where cavities differ it speaks of one of them: what would help is for the whole plan, so it is not offered.
  const advice = useDesignAdvice(design, plan).map(one => (plan === whole ? one : { ...one, fix: null }))
  const [dismissed, setDismissed] = useState(stored)
  const nameOf = (id: string) => `${batch.get().id} ${id}`
  const dismiss = (id: string) => {
    const next = [...dismissed, nameOf(id)].slice(-400)
    setDismissed(next)
    // Without storage it stays away until the page is opened again.
    writeJson(lastingStore(), KEY, next)
  }
  const fitted = design.sentences.map(sentence => ({ id: say(sentence), sentence, fix: null }))
  const open = [...fitted, ...advice].filter(one => !dismissed.includes(nameOf(one.id)))
  if (open.length === 0) return null
  return (
    <ul aria-label={t('About the design')} className="flex flex-col gap-2 text-[13px]">
      {open.slice(0, MOST).map(({ id, sentence, fix }) => (
        <li key={id} className="flex items-start gap-1">
          <span className="flex-1 text-rust">
            △ {say(sentence)}{' '}
            {fix && (
              <button className="text-ink underline" onClick={() => told(batch.edit(fix.edit))}>
                <Say of={fix.text} />
              </button>
            )}
          </span>
          <button
            className="quiet -mt-1 min-h-6 min-w-6 px-0"
            aria-label={t('Dismiss: {sentence}', { sentence: say(sentence) })}
            onClick={() => dismiss(id)}
          >
            <X size={14} aria-hidden />
          </button>
        </li>
      ))}
      {open.length > MOST && <li className="text-soft">{t('and {open} more', { open: open.length - MOST })}</li>}
    </ul>
  )
}
