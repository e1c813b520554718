import { LEAST_WINDOW, USUAL_WINDOWS, WINDOW_KINDS, usualWindow, windowKindOf, windowOf, at } from '@ostler/core'
import type { OwnWindow, Window, WindowKind, Words } from '@ostler/core'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { saveWindows, shelfQuery } from '../../api/client.ts'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { Check } from '../../ui/check.tsx'
import { NumberCell } from '../../ui/number-cell.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { useToast } from '../../ui/toast.tsx'
import { Say } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

const range = ({ lo, hi }: Window) => t('{lo} to {hi}', { lo, hi })

/** The trace range of this pour: as its way needs, the workshop's for all such pours, or its own. */
export function WindowFields({ index }: { index: number }) {
  const batch = useBatch()
  const told = useTold()
  const own = usePlan(state => state.plan.score[index]!.window)
  const plan = usePlan(state => state.plan)
  const kind = windowKindOf(plan, index)
  const { lo, hi } = windowOf(plan, index, batch.shelf.windows)
  const set = (value: unknown) => told(batch.edit({ kind: 'set', path: at(plan => plan.score[index]!.window), value }))
  return (
    <div className="grid grid-cols-2 gap-x-3">
      <div className="col-span-2">
        <Check
          label={own ? t('window of its own') : t('window {range}, as its way needs', { range: range({ lo, hi }) })}
          checked={own !== null}
          onChange={on => set(on ? { lo, hi } : null)}
        />
      </div>
      {own && (
        <>
          <PlanField
            label={t('From trace')}
            kind="plain"
            decimals={1}
            width={64}
            path={at(plan => plan.score[index]!.window!.lo)}
          />
          <PlanField
            label={t('To trace')}
            kind="plain"
            decimals={1}
            width={64}
            path={at(plan => plan.score[index]!.window!.hi)}
          />
        </>
      )}
      <div className="col-span-2">
        <WorkshopWindow kind={kind} offered={own} />
      </div>
    </div>
  )
}

/** Shifts the window of a kind for the whole workshop, and keeps it. */
export function WorkshopWindow({ kind, offered = null }: { kind: WindowKind; offered?: Window | null }) {
  const batch = useBatch()
  const client = useQueryClient()
  const toast = useToast()
  const { windows } = batch.shelf
  const kept = windows.find(one => one.kind === kind)
  const now = usualWindow(kind, windows)
  const [typed, setTyped] = useState<Window | null>(null)
  const [sentence, setSentence] = useState<Words>('')
  const keep = async (to: Window | null) => {
    const others = windows.filter(one => one.kind !== kind)
    const next: OwnWindow[] = to ? [...others, { kind, lo: to.lo, hi: to.hi }] : others
    try {
      await saveWindows(next)
      batch.renewShelf({ windows: next })
      await client.invalidateQueries({ queryKey: shelfQuery.queryKey })
      setTyped(null)
      setSentence('')
      toast(
        to
          ? t('Kept for {kind}: {to}.', { kind: t(WINDOW_KINDS[kind]), to: range(to) })
          : t('Back to the usual {kind}.', { kind: range(USUAL_WINDOWS[kind]) }),
      )
    } catch (error) {
      setSentence((error as Error).message)
    }
  }
  const shown = typed ?? offered ?? now
  const isNarrow = shown.hi < shown.lo + LEAST_WINDOW - 1e-9
  const isNew = shown.lo !== now.lo || shown.hi !== now.hi
  return (
    <details className="text-[14px]">
      <summary className="cursor-pointer text-soft">
        {t('In this workshop, {kind}: {now}{kept}', {
          kind: t(WINDOW_KINDS[kind]),
          now: range(now),
          kept: kept ? t(', shifted') : '',
        })}
      </summary>
      <div className="mt-1 flex flex-wrap items-end gap-3">
        <label className="flex flex-col text-[13px] text-soft">
          {t('From trace')}
          <NumberCell
            label={t('From trace, {kind}', { kind: t(WINDOW_KINDS[kind]) })}
            kind="plain"
            unit=""
            value={shown.lo}
            onValue={lo => setTyped({ ...shown, lo })}
          />
        </label>
        <label className="flex flex-col text-[13px] text-soft">
          {t('To trace')}
          <NumberCell
            label={t('To trace, {kind}', { kind: t(WINDOW_KINDS[kind]) })}
            kind="plain"
            unit=""
            value={shown.hi}
            onValue={hi => setTyped({ ...shown, hi })}
          />
        </label>
        <button className="button" disabled={isNarrow || !isNew} onClick={() => void keep(shown)}>
          {t('Keep for all')}
        </button>
        {kept && (
          <button className="button" onClick={() => void keep(null)}>
            {t('As usual')}
          </button>
        )}
      </div>
      {(isNarrow || sentence) && (
        <p role="alert" className="mt-1 text-rust">
          <Say of={sentence || t('It ends at least {least} above where it starts.', { least: LEAST_WINDOW })} />
        </p>
      )}
    </details>
  )
}
