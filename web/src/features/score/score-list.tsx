import { DndContext, KeyboardSensor, PointerSensor, closestCenter, useSensor, useSensors } from '@dnd-kit/core'
import type { DragEndEvent, DragOverEvent } from '@dnd-kit/core'
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { applyEdit, showMass } from '@ostler/core'
import type { Edit, Plan } from '@ostler/core'
import { Fragment, useRef } from 'react'
import type { KeyboardEvent, RefObject } from 'react'
import { useBatch, useForecast, useHabits, useLanes, usePlan } from '../../plan/context.tsx'
import { useCupHex } from '../../plan/colour-view.ts'
import { useTold } from '../../parts/plan-field.tsx'
import { useToast } from '../../ui/toast.tsx'
import { AddSteps } from './add-steps.tsx'
import { copiedPours, copyPours, pasteEdits } from './clipboard.ts'
import { AsideRow, EmbedRow, MoveRow, ToppingRow } from './other-rows.tsx'
import { pickedAfter } from './picking.ts'
import type { PickWay } from './picking.ts'
import { PlanBBanner } from './plan-b-panel.tsx'
import { PourRow } from './pour-row.tsx'
import { ScentStrip } from './scent-strip.tsx'
import { t } from '../../words/index.ts'

interface Props {
  picked: readonly string[]
  onPicked: (ids: string[]) => void
  /** Told what the plan would be while something is dragged. */
  onTried: (plan: Plan | null) => void
}

/** Where in the list something that is dragged would come to lie. */
function placeOf(data: Record<string, unknown> | undefined): string | undefined {
  const { index } = (data?.['sortable'] ?? {}) as { index?: number }
  return index === undefined ? undefined : t('Over place {place}.', { place: index + 1 })
}

/** What is said of a drag to whoever does not see it. */
const SPOKEN = {
  screenReaderInstructions: {
    draggable: t('Space picks a row up, arrows move it, space puts it down, Escape leaves it where it was.'),
  },
  announcements: {
    onDragStart: () => t('Picked up.'),
    onDragOver: ({ over }: DragOverEvent) => placeOf(over?.data.current),
    onDragEnd: () => t('Put down.'),
    onDragCancel: () => t('Left where it was.'),
  },
}

/** Where pours that move together come to lie, among those that stay, when one of them is put at another's place. */
function droppedAt(plan: Plan, goes: readonly string[], active: string, over: string): number {
  const ids = plan.score.map(pour => pour.id)
  const rest = ids.filter(id => !goes.includes(id))
  const isDown = ids.indexOf(over) > ids.indexOf(active)
  if (goes.includes(over)) return rest.filter(id => ids.indexOf(id) < ids.indexOf(goes[0]!)).length
  return rest.indexOf(over) + (isDown ? 1 : 0)
}

/** The ordered steps, first at the top: what the hands do. */
export function ScoreList({ picked, onPicked, onTried }: Props) {
  const batch = useBatch()
  const plan = usePlan(state => state.plan)
  const forecast = useForecast()
  const habits = useHabits()
  const told = useTold()
  const list = useRef<HTMLOListElement>(null)
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  const ids = plan.score.map(pour => pour.id)
  const pours = ids.filter(id => picked.includes(id))
  const pick = (id: string, way: PickWay) => onPicked(pickedAfter(picked, ids, id, way))

  const moving = ({ active, over }: DragEndEvent | DragOverEvent): Edit | null => {
    if (!over || active.id === over.id) return null
    const goes = pours.includes(String(active.id)) ? pours : [String(active.id)]
    return { kind: 'move-pours', pours: goes, to: droppedAt(plan, goes, String(active.id), String(over.id)) }
  }
  const over = (event: DragOverEvent) => {
    const edit = moving(event)
    const result = edit && applyEdit(plan, edit)
    onTried(result?.ok ? result.plan : null)
  }
  const dropped = (event: DragEndEvent) => {
    onTried(null)
    const edit = moving(event)
    if (edit) told(batch.edit(edit))
  }

  const keys = useScoreKeys({ plan, picked, pours, list, onPicked })

  return (
    <section aria-labelledby="score" className="flex min-h-0 flex-col border-r border-line max-[900px]:border-r-0">
      <header className="flex items-baseline justify-between px-5 pt-2 pb-1 max-[900px]:px-3">
        <h2 id="score" className="text-lg">
          {t('Score')}
        </h2>
        <span className="text-[13px] text-soft">
          {plan.cups.length} {plan.cups.length === 1 ? t('cup') : t('cups')} · {plan.score.length}{' '}
          {plan.score.length === 1 ? t('layer') : t('layers')} ·{' '}
          {forecast ? showMass(forecast.portions.potG, habits, 1) : '–'}
        </span>
      </header>
      <PlanBBanner />
      <ScentStrip />
      <div className="min-h-0 flex-1 overflow-y-auto">
        <DndContext
          sensors={sensors}
          collisionDetection={closestCenter}
          onDragOver={over}
          onDragEnd={dropped}
          onDragCancel={() => onTried(null)}
          accessibility={SPOKEN}
        >
          <SortableContext items={ids} strategy={verticalListSortingStrategy}>
            <ol ref={list} onKeyDown={keys}>
              <Rows picked={picked} onPick={pick} />
            </ol>
          </SortableContext>
        </DndContext>
        <AddSteps onAdded={id => onPicked([id])} chosen={pours.at(-1) ?? null} />
      </div>
    </section>
  )
}

interface KeysOf extends Pick<Props, 'picked' | 'onPicked'> {
  plan: Plan
  /** Layers among what is picked, in the order of the score. */
  pours: string[]
  list: RefObject<HTMLOListElement | null>
}

/** Picks, moves, copies, pastes and removes layers from the keyboard. */
function useScoreKeys({ plan, picked, pours, list, onPicked }: KeysOf): (event: KeyboardEvent) => void {
  const batch = useBatch()
  const hexOf = useCupHex()
  const told = useTold()
  const toast = useToast()
  const ids = plan.score.map(pour => pour.id)
  const copy = () => {
    const count = copyPours(plan, pours, hexOf)
    toast(
      count > 0
        ? t('{count} {count, plural, one {layer} other {layers}} copied: paste here or in another batch.', { count })
        : t('This browser keeps no copies.'),
    )
  }
  const paste = () => {
    const copied = copiedPours()
    if (!copied) return toast(t('Nothing was copied yet. Choose layers and copy them first.'))
    const last = pours.at(-1)
    const at = last ? ids.indexOf(last) + 1 : ids.length
    const result = batch.edit({ kind: 'many', edits: pasteEdits(copied, plan, at) })
    if (!result.ok) return toast(result.sentence)
    onPicked(result.plan.score.slice(at, at + copied.pours.length).map(pour => pour.id))
  }
  const shift = (by: 1 | -1) => {
    const first = ids.indexOf(pours[0]!)
    const before = ids.filter((id, i) => i < first && !pours.includes(id)).length
    told(batch.edit({ kind: 'move-pours', pours, to: Math.max(0, before + by) }, `shift ${pours.join()}`))
  }
  const go = (by: 1 | -1, isRange: boolean) => {
    const from = ids.indexOf(picked.at(-1) ?? '')
    const next = ids[from < 0 ? 0 : Math.min(ids.length - 1, Math.max(0, from + by))]
    if (!next) return
    if (isRange) onPicked(pickedAfter(picked, ids, next, 'range'))
    else onPicked([next])
    list.current?.querySelector<HTMLElement>(`[data-row="${next}"]`)?.focus()
  }
  return event => {
    if (!(event.target instanceof HTMLElement) || !event.target.dataset['row']) return
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key] as 1 | -1 | undefined
    const isCommand = event.ctrlKey || event.metaKey
    const done = ((): boolean => {
      if (by && event.altKey && pours.length > 0) return (shift(by), true)
      if (by && !isCommand) return (go(by, event.shiftKey), true)
      if (isCommand && event.key === 'a') return (onPicked(ids), true)
      if (isCommand && event.key === 'c' && pours.length > 0) return (copy(), true)
      if (isCommand && event.key === 'v') return (paste(), true)
      if (event.key === 'Delete' && pours.length > 0)
        return (told(batch.edit({ kind: 'remove-pours', pours })), onPicked([]), true)
      if (event.key === 'Escape' && picked.length > 0) return (onPicked([]), true)
      return false
    })()
    if (done) event.preventDefault()
  }
}

interface RowsProps {
  picked: readonly string[]
  onPick: (id: string, way: PickWay) => void
}

/** Every layer with the tools and embeds after it, what is set aside, and what is strewn on top. */
function Rows({ picked, onPick }: RowsProps) {
  const plan = usePlan(state => state.plan)
  const forecast = useForecast()
  const lanes = useLanes()
  const ids = plan.score.map(pour => pour.id)
  const chosen = picked.length === 1 ? picked[0]! : null
  return (
    <>
      {plan.score.map((pour, i) => (
        <Fragment key={pour.id}>
          {plan.aside.map((one, n) => one.at === i && <AsideRow key={`aside-${n}`} item={one} index={n} />)}
          <PourRow
            index={i}
            pour={pour.id}
            pourForecast={lanes?.pours[i] ?? null}
            massG={forecast?.portions.layers[i]?.massG ?? null}
            chosen={picked.includes(pour.id)}
            onPick={onPick}
          />
          {plan.moves
            .filter(move => move.after === pour.id)
            .map(move => (
              <MoveRow key={move.id} item={move} chosen={chosen === move.id} onPick={onPick} />
            ))}
          {plan.finish.embeds
            .filter(embed => embed.after === pour.id || (i === ids.length - 1 && !ids.includes(embed.after)))
            .map(embed => (
              <EmbedRow key={embed.id} item={embed} chosen={chosen === embed.id} onPick={onPick} />
            ))}
        </Fragment>
      ))}
      {plan.aside.map((one, n) => one.at >= ids.length && <AsideRow key={`aside-${n}`} item={one} index={n} />)}
      {plan.finish.toppings.map(topping => (
        <ToppingRow key={topping.id} item={topping} chosen={chosen === topping.id} onPick={onPick} />
      ))}
    </>
  )
}
