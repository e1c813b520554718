import type { Remedy } from '@ostler/core'
import { ChevronUp, X } from 'lucide-react'
import { Popover } from 'radix-ui'
import { useState } from 'react'
import type { ReactNode } from 'react'
import { useBatch, useForecast, usePlan, useRisk } from '../../plan/context.tsx'
import { useToast } from '../../ui/toast.tsx'
import { useFreeLyeStop } from '../../parts/free-lye.tsx'
import { BestPlanDialog } from './best-plan-dialog.tsx'
import { WorthDialog } from './worth-dialog.tsx'
import { lastingStore, readJson, writeJson } from '../../kept/storage.ts'
import { useSay } from '../../ui/say.tsx'
import { showChance, t } from '../../words/index.ts'

const keyOf = (batch: string) => `ostler.dismissed.${batch}`

function stored(batch: string): string[] {
  return readJson<string[]>(lastingStore(), keyOf(batch)) ?? []
}

/** Advice that was dismissed for this batch stays away. */
function useDismissed(batch: string): [string[], (id: string) => void] {
  const [ids, setIds] = useState(() => stored(batch))
  const dismiss = (id: string) => {
    const next = [...ids, id]
    setIds(next)
    // Without storage it stays away until the page is opened again.
    writeJson(lastingStore(), keyOf(batch), next)
  }
  return [ids, dismiss]
}

/** The biggest risk in a sentence, and the change that helps most. */
export function RiskStrip({ onChoose }: { onChoose: (pour: string | null) => void }) {
  const batch = useBatch()
  const say = useSay()
  const toast = useToast()
  const id = usePlan(state => state.id)
  const remedies = usePlan(state => state.remedies)
  const forecast = useForecast()
  const risk = useRisk()
  const [dismissed, dismiss] = useDismissed(id)
  const [searches, setSearches] = useState(false)
  const [tests, setTests] = useState(false)
  const isStopped = useFreeLyeStop(forecast?.freeLye)
  if (!forecast || !risk) return null
  const offered = (remedies ?? []).filter(remedy => !dismissed.includes(remedy.id))
  const [best, ...more] = offered

  const apply = (remedy: Remedy) => {
    const result = batch.edit(remedy.edit)
    // What was pressed is gone with the advice: the keyboard stays with the strip.
    document.querySelector<HTMLElement>('[data-place="risk"] button')?.focus()
    if (result.ok)
      toast(t('{sentence}: done.', { sentence: say(remedy.sentence) }), { text: t('Undo'), run: () => batch.undo() })
    else toast(result.sentence)
  }
  return (
    <section
      aria-label={t('Biggest risk')}
      data-place="risk"
      className="flex min-h-12 flex-wrap items-center gap-x-5 gap-y-2 bg-[#22201c] px-5 py-2 text-[#f6f4ef] max-[900px]:flex-wrap max-[900px]:px-3"
    >
      {isStopped && (
        <Alarm>{t('{sentence} It has to be answered on Batter.', { sentence: say(forecast.freeLye.sentence) })}</Alarm>
      )}
      {risk.safety && <Alarm>{say(risk.safety)}</Alarm>}
      <p className="min-w-0 flex-1 leading-snug max-[900px]:basis-full" aria-live="polite">
        <button className="text-left font-semibold hover:underline" onClick={() => onChoose(risk.pour)}>
          {risk.state === 'trouble' && <span aria-hidden>▲ </span>}
          {say(risk.sentence)}
        </button>{' '}
        <span className="text-[#cfc9bd]">{say(risk.reason)}</span>
      </p>
      {risk.chance < 0.95 && (
        <button
          onClick={() => setSearches(true)}
          className="min-h-8 rounded px-2 whitespace-nowrap underline underline-offset-4"
        >
          {t('Best plan …')}
        </button>
      )}
      <button
        onClick={() => setTests(true)}
        className="min-h-8 rounded px-2 whitespace-nowrap underline underline-offset-4"
      >
        {t('Try it small …')}
      </button>
      {searches && <BestPlanDialog onClose={() => setSearches(false)} />}
      {tests && <WorthDialog onClose={() => setTests(false)} />}
      {best && (
        <div className="flex items-center gap-3 max-[900px]:w-full max-[900px]:flex-wrap">
          <RemedyText remedy={best} />
          <ApplyButton onClick={() => apply(best)} />
          <DismissButton remedy={best} onDismiss={dismiss} />
        </div>
      )}
      {more.length > 0 && <MoreAdvice remedies={more} onApply={apply} onDismiss={dismiss} />}
    </section>
  )
}

const Alarm = ({ children }: { children: ReactNode }) => (
  <p role="alert" className="w-full font-semibold">
    <span aria-hidden>▲ </span>
    {children}
  </p>
)

interface MoreProps {
  remedies: readonly Remedy[]
  onApply: (remedy: Remedy) => void
  onDismiss: (id: string) => void
}

/** What else would help, opened over the strip. */
const MoreAdvice = ({ remedies, onApply, onDismiss }: MoreProps) => (
  <Popover.Root>
    <Popover.Trigger className="inline-flex min-h-8 items-center gap-1 rounded px-2 text-[13px] whitespace-nowrap underline underline-offset-4">
      {t('{more} more', { more: remedies.length })} <ChevronUp size={15} aria-hidden />
    </Popover.Trigger>
    <Popover.Portal>
      <Popover.Content
        side="top"
        align="end"
        sideOffset={8}
        collisionPadding={12}
        className="z-30 flex max-w-[94vw] flex-col gap-3 rounded border border-[#6b665d] bg-[#22201c] p-4 text-[#f6f4ef]"
      >
        {remedies.map(remedy => (
          <div key={remedy.id} className="flex items-center justify-end gap-3">
            <RemedyText remedy={remedy} />
            <Popover.Close asChild>
              <ApplyButton onClick={() => onApply(remedy)} />
            </Popover.Close>
            <DismissButton remedy={remedy} onDismiss={onDismiss} />
          </div>
        ))}
      </Popover.Content>
    </Popover.Portal>
  </Popover.Root>
)

function RemedyText({ remedy }: { remedy: Remedy }) {
  const say = useSay()
  return (
    <p className="max-w-80 text-right leading-snug max-[900px]:text-left">
      {say(remedy.sentence)}:{' '}
      <span className="whitespace-nowrap">
        {showChance(remedy.before)} → <strong>{showChance(remedy.after)}</strong>
      </span>
    </p>
  )
}

const ApplyButton = ({ onClick }: { onClick: () => void }) => (
  <button
    onClick={onClick}
    className="min-h-8 rounded border border-[#f6f4ef] px-4 font-semibold hover:bg-[#f6f4ef] hover:text-[#22201c]"
  >
    {t('Apply')}
  </button>
)

const DismissButton = ({ remedy, onDismiss }: { remedy: Remedy; onDismiss: (id: string) => void }) => {
  const say = useSay()
  return (
    <button
      aria-label={t('Do not advise this again: {sentence}', { sentence: say(remedy.sentence) })}
      title={t('Do not advise this again for this batch')}
      className="grid size-8 place-items-center rounded hover:bg-[#4a463e]"
      onClick={() => onDismiss(remedy.id)}
    >
      <X size={16} aria-hidden />
    </button>
  )
}
