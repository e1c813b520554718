import { DndContext, KeyboardSensor, PointerSensor, closestCenter, useSensor, useSensors } from '@dnd-kit/core'
import type { DragEndEvent } from '@dnd-kit/core'
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { MOVE_TOOLS, POUR_WAYS, freshId, layerHeights, showMass, showMinutes, startingMove } from '@ostler/core'
import type { Edit, Move, MoveTool, PourForecast } from '@ostler/core'
import { AlignVerticalDistributeCenter, GripVertical, Plus, Repeat, Shapes, Waves } from 'lucide-react'
import { Fragment, useState } from 'react'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { useCupHex } from '../../plan/colour-view.ts'
import { AddChoice } from '../../ui/add-choice.tsx'
import { QuantityField } from '../../ui/quantity.tsx'
import { Swatch } from '../../ui/swatch.tsx'
import { useToast } from '../../ui/toast.tsx'
import { newCup } from './new-cup.ts'
import { RepeatDialog } from './repeat-dialog.tsx'
import { ScentStrip } from './scent-strip.tsx'
import { TechniqueDialog } from './technique-dialog.tsx'

interface Props {
  chosen: string | null
  onChoose: (pour: string | null) => void
}

/** The ordered pours, first at the top: what the hands do. */
export function ScoreList({ chosen, onChoose }: Props) {
  const batch = useBatch()
  const plan = usePlan(state => state.plan)
  const forecast = useForecast()
  const habits = useHabits()
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  const dropped = ({ active, over }: DragEndEvent) => {
    const to = plan.score.findIndex(pour => pour.id === over?.id)
    if (over && active.id !== over.id) batch.edit({ kind: 'move-pour', pour: String(active.id), to })
  }
  return (
    <section aria-labelledby="score" className="flex min-h-0 flex-col border-r border-line max-[900px]:border-r-0">
      <header className="flex items-baseline justify-between px-5 pt-2 pb-1 max-[900px]:px-3">
        <h2 id="score" className="text-lg">
          Score
        </h2>
        <span className="text-[13px] text-soft">
          {plan.cups.length} {plan.cups.length === 1 ? 'cup' : 'cups'} · {plan.score.length}{' '}
          {plan.score.length === 1 ? 'layer' : 'layers'} ·{' '}
          {forecast ? showMass(forecast.portions.potG, habits, 1) : '–'}
        </span>
      </header>
      <ScentStrip />
      <div className="min-h-0 flex-1 overflow-y-auto">
        <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
          <SortableContext items={plan.score.map(pour => pour.id)} strategy={verticalListSortingStrategy}>
            <ol>
              {plan.score.map((pour, i) => (
                <Fragment key={pour.id}>
                  <Row
                    index={i}
                    pour={pour.id}
                    pourForecast={forecast?.lanes.pours[i] ?? null}
                    massG={forecast?.portions.layers[i]?.massG ?? null}
                    chosen={chosen === pour.id}
                    onChoose={onChoose}
                  />
                  {plan.moves
                    .filter(move => move.after === pour.id)
                    .map(move => (
                      <MoveRow key={move.id} move={move} chosen={chosen === move.id} onChoose={onChoose} />
                    ))}
                </Fragment>
              ))}
            </ol>
          </SortableContext>
        </DndContext>
        <AddLayer onAdded={onChoose} chosen={chosen} />
      </div>
    </section>
  )
}

/** A tool between two pours. */
function MoveRow({ move, chosen, onChoose }: { move: Move; chosen: boolean; onChoose: Props['onChoose'] }) {
  const name = MOVE_TOOLS[move.tool]
  return (
    <li className={`border-b border-line ${chosen ? 'bg-chosen shadow-[inset_4px_0_0_var(--ink)]' : ''}`}>
      <button
        className="flex min-h-8 w-full items-center gap-2 pl-10 text-left text-[14px]"
        aria-pressed={chosen}
        onClick={() => onChoose(chosen ? null : move.id)}
      >
        <Waves size={15} aria-hidden />
        <span className={move.off ? 'text-soft line-through' : ''}>{name}</span>
        <span className="text-[13px] text-soft">{move.off ? 'left out' : `× ${move.count}`}</span>
      </button>
    </li>
  )
}

interface RowProps {
  index: number
  pour: string
  pourForecast: PourForecast | null
  massG: number | null
  chosen: boolean
  onChoose: (pour: string | null) => void
}

const FAULTS = { thick: 'too thick', thin: 'too thin', 'not-carried': 'breaks through' }

function when(pour: PourForecast): string {
  const bad = pour.chance < 0.6 && pour.fault ? ` · ${FAULTS[pour.fault]}` : ''
  return `at ${showMinutes(pour.startMin)}${bad}`
}

function Row({ index, pour, pourForecast, massG, chosen, onChoose }: RowProps) {
  const batch = useBatch()
  const habits = useHabits()
  const plan = usePlan(state => state.plan)
  const hexOf = useCupHex()
  const [sentence, setSentence] = useState<string | null>(null)
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
          aria-label={`Move layer ${index + 1}, ${cup?.name}`}
        >
          <GripVertical size={16} aria-hidden />
        </button>
        <button
          className="flex min-w-0 flex-1 items-center gap-2.5 py-0.5 text-left"
          aria-pressed={chosen}
          onClick={() => onChoose(chosen ? null : pour)}
        >
          <span className="w-4 text-right text-soft">{index + 1}</span>
          <Swatch hex={hexOf(step.cup)} />
          <span className="min-w-0">
            <span className="block truncate leading-tight font-semibold">{cup?.name}</span>
            <span className={`block truncate text-[13px] leading-tight ${bad ? 'text-rust' : 'text-soft'}`}>
              {massG !== null && showMass(massG, habits, 1)} {pourForecast && when(pourForecast)}
              {step.shape.way !== 'layer' && ` · ${POUR_WAYS[step.shape.way]}`}
            </span>
          </span>
        </button>
        <QuantityField
          bare
          label={`Height of layer ${index + 1}, ${cup?.name}`}
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
          {sentence}
        </p>
      )}
    </li>
  )
}

function AddLayer({ onAdded, chosen }: { onAdded: (id: string) => void; chosen: string | null }) {
  const [techniques, setTechniques] = useState(false)
  const batch = useBatch()
  const plan = usePlan(state => state.plan)
  const toast = useToast()
  const [repeats, setRepeats] = useState(false)
  const chosenAt = plan.score.findIndex(pour => pour.id === chosen)
  const at = chosenAt >= 0 ? chosenAt + 1 : plan.score.length
  const add = (edits: Edit[], cup: string) => {
    const id = freshId('pour', plan.score)
    const result = batch.edit({ kind: 'many', edits: [...edits, { kind: 'add-pour', cup, at, id }] })
    if (result.ok) onAdded(id)
    else toast(result.sentence)
  }
  const addMove = (tool: string) => {
    const id = freshId('move', plan.moves)
    const after = plan.score.some(pour => pour.id === chosen) ? chosen! : plan.score.at(-1)!.id
    const move = startingMove(id, after, tool as MoveTool)
    const result = batch.edit({ kind: 'set', path: ['moves'], value: [...plan.moves, move] })
    if (result.ok) onAdded(id)
    else toast(result.sentence)
  }
  const fromNewCup = () => {
    const cup = newCup(plan, batch.shelf)
    add([{ kind: 'add-cup', cup }], cup.id)
  }
  return (
    <div className="flex flex-wrap gap-1 px-4 py-1.5">
      <button className="quiet text-ink" onClick={fromNewCup}>
        <Plus size={16} aria-hidden /> layer from a new cup
      </button>
      <button
        className="quiet text-ink"
        onClick={() => add([], plan.score[at - 1]!.cup)}
        title="Choose another cup for it afterwards"
      >
        <Plus size={16} aria-hidden /> from the same cup
      </button>
      <AddChoice
        what="a tool"
        options={(Object.entries(MOVE_TOOLS) as [MoveTool, string][]).map(([id, name]) => ({ id, name }))}
        onAdd={addMove}
      />
      <button className="quiet text-ink" onClick={() => setTechniques(true)}>
        <Shapes size={16} aria-hidden /> technique …
      </button>
      <button className="quiet text-ink" onClick={() => setRepeats(true)}>
        <Repeat size={16} aria-hidden /> repeat …
      </button>
      {repeats && <RepeatDialog onClose={() => setRepeats(false)} />}
      {techniques && <TechniqueDialog onClose={() => setTechniques(false)} />}
      <button
        className="quiet ml-auto"
        onClick={() => batch.edit({ kind: 'even-layers' })}
        aria-label="Make all layers the same height"
        title="Same height"
      >
        <AlignVerticalDistributeCenter size={17} aria-hidden />
      </button>
    </div>
  )
}
