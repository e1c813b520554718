import { MOVE_TOOLS, TOPPINGS, freshId, startingEmbed, startingMove, startingTopping } from '@ostler/core'
import type { Edit, MoveTool, ToppingKind } from '@ostler/core'
import { AlignVerticalDistributeCenter, Plus, Repeat, Shapes } from 'lucide-react'
import { useState } from 'react'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { AddChoice } from '../../ui/add-choice.tsx'
import { useToast } from '../../ui/toast.tsx'
import { DesignDialog } from './design-dialog.tsx'
import { newCup } from '../../parts/new-cup.ts'
import { RepeatDialog } from './repeat-dialog.tsx'
import { t } from '../../words/index.ts'
import { inWords } from '../../ui/options.ts'

/** Puts steps after the one that is chosen, or at the end. */
function useAdds(chosen: string | null, onAdded: (id: string) => void) {
  const batch = useBatch()
  const plan = usePlan(state => state.plan)
  const toast = useToast()
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
    const move = startingMove(id, after(), tool as MoveTool)
    const result = batch.edit({ kind: 'set', path: ['moves'], value: [...plan.moves, move] })
    if (result.ok) onAdded(id)
    else toast(result.sentence)
  }
  const after = () => (plan.score.some(pour => pour.id === chosen) ? chosen! : plan.score.at(-1)!.id)
  const addPiece = (what: string) => {
    const { embeds, toppings } = plan.finish
    const isEmbed = what === 'embed'
    const id = isEmbed ? freshId('embed', embeds) : freshId('topping', toppings)
    const result = batch.edit({
      kind: 'set',
      path: ['finish', isEmbed ? 'embeds' : 'toppings'],
      value: isEmbed
        ? [...embeds, startingEmbed(id, after())]
        : [...toppings, startingTopping(id, what as ToppingKind)],
    })
    if (result.ok) onAdded(id)
    else toast(result.sentence)
  }
  const fromNewCup = () => {
    const cup = newCup(plan, batch.shelf)
    add([{ kind: 'add-cup', cup }], cup.id)
  }
  return { addLayer: () => add([], plan.score[at - 1]!.cup), addMove, addPiece, fromNewCup }
}

/** What can be put into the score, after what is chosen or at its end. */
export function AddSteps({ onAdded, chosen }: { onAdded: (id: string) => void; chosen: string | null }) {
  const [techniques, setTechniques] = useState(false)
  const batch = useBatch()
  const [repeats, setRepeats] = useState(false)
  const { addLayer, addMove, addPiece, fromNewCup } = useAdds(chosen, onAdded)
  return (
    <div className="flex flex-wrap gap-1 px-4 py-1.5">
      <button className="quiet text-ink" onClick={fromNewCup}>
        <Plus size={16} aria-hidden /> {t('layer from a new cup')}
      </button>
      <button className="quiet text-ink" onClick={addLayer} title={t('Choose another cup for it afterwards')}>
        <Plus size={16} aria-hidden /> {t('from the same cup')}
      </button>
      <AddChoice
        what={t('a tool')}
        options={inWords<MoveTool>(MOVE_TOOLS).map(([id, name]) => ({ id, name }))}
        onAdd={addMove}
      />
      <AddChoice
        what={t('a piece or topping')}
        options={[
          { id: 'embed', name: t('embed: ready-made soap') },
          ...inWords<ToppingKind>(TOPPINGS).map(([id, name]) => ({ id, name })),
        ]}
        onAdd={addPiece}
      />
      <button className="quiet text-ink" onClick={() => setTechniques(true)}>
        <Shapes size={16} aria-hidden /> {t('design …')}
      </button>
      <button className="quiet text-ink" onClick={() => setRepeats(true)}>
        <Repeat size={16} aria-hidden /> {t('repeat …')}
      </button>
      {repeats && <RepeatDialog onClose={() => setRepeats(false)} />}
      {techniques && <DesignDialog onClose={() => setTechniques(false)} />}
      <button
        className="quiet ml-auto"
        onClick={() => batch.edit({ kind: 'even-layers' })}
        aria-label={t('Make all layers the same height')}
        title={t('Same height')}
      >
        <AlignVerticalDistributeCenter size={17} aria-hidden />
      </button>
    </div>
  )
}
