import { useSortable } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { FAULTS, POUR_WAYS, layerHeights, showMass, showMinutes } from '@ostler/core'
import type { PourForecast, Words } from '@ostler/core'
import { GripVertical } from 'lucide-react'
import { useState } from 'react'
import { useBatch, useHabits, usePlan } from '../../plan/context.tsx'
import { useCupHex } from '../../plan/colour-view.ts'
import { QuantityField } from '../../ui/quantity.tsx'
import { Swatch } from '../../ui/swatch.tsx'
import type { Pick } from './picking.ts'
import { Say } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

interface RowProps {
  index: number
  pour: string
  pourForecast: PourForecast | null
  massG: number | null
  chosen: boolean
  onPick: Pick
}

function when(pour: PourForecast): string {
  const bad = pour.chance < 0.6 && pour.fault ? ` · ${t(FAULTS[pour.fault])}` : ''
  return t('at {startMin}{bad}', { startMin: showMinutes(pour.startMin), bad })
}

export function PourRow({ index, pour, pourForecast, massG, chosen, onPick }: RowProps) {
  const batch = useBatch()
  const habits = useHabits()
  const plan = usePlan(state => state.plan)
  const hexOf = useCupHex()
  const [sentence, setSentence] = useState<Words | null>(null)
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id: pour,
  })
  const step = plan.score[index]!
  const cup = plan.cups.find(one => one.id === step.cup)
  const bad = pourForecast !== null && pourForecast.chance < 0.6
  const setHeight = (heightMm: number) => batch.edit({ kind: 'set-layer-height', pour, heightMm }, `height ${pour}`)

  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`relative border-b border-line ${chosen ? 'bg-chosen shadow-[inset_4px_0_0_var(--ink)]' : ''} ${isDragging ? 'z-10 bg-paper outline outline-ink' : ''}`}
    >
      <div className="flex items-center gap-2 py-0.5 pr-5 pl-1.5 max-[900px]:pr-3">
        <button
          ref={setActivatorNodeRef}
          {...attributes}
          {...listeners}
          className="quiet min-w-6 touch-none px-0"
          aria-label={t('Move layer {index}, {cup}', { index: index + 1, cup: cup?.name })}
        >
          <GripVertical size={16} aria-hidden />
        </button>
        <button
          className="flex min-w-0 flex-1 items-center gap-2.5 py-0.5 text-left"
          aria-pressed={chosen}
          data-row={pour}
          onClick={event => onPick(pour, event.shiftKey ? 'range' : event.ctrlKey || event.metaKey ? 'add' : 'one')}
        >
          <span className="w-4 text-right text-soft">{index + 1}</span>
          <Swatch hex={hexOf(step.cup)} />
          <span className="min-w-0">
            <span className="block truncate leading-tight font-semibold">{cup?.name}</span>
            <span className={`block truncate text-[13px] leading-tight ${bad ? 'text-rust' : 'text-soft'}`}>
              {massG !== null && showMass(massG, habits, 1)} {pourForecast && when(pourForecast)}
              {step.together !== 'no' && t(' · with the one above in the list')}
              {step.shape.way !== 'layer' && ` · ${t(POUR_WAYS[step.shape.way])}`}
            </span>
          </span>
        </button>
        <QuantityField
          bare
          label={t('Height of layer {index}, {cup}', { index: index + 1, cup: cup?.name })}
          kind="length"
          width={62}
          habits={habits}
          value={layerHeights(plan)[index]!}
          onValue={setHeight}
          other={{ kind: 'share', unit: '%', onValue: share => setHeight(share * plan.mould.fillMm) }}
          onSentence={setSentence}
        />
      </div>
      {sentence && (
        <p aria-hidden className="px-5 pb-1.5 text-[13px] text-rust">
          <Say of={sentence} />
        </p>
      )}
    </li>
  )
}
