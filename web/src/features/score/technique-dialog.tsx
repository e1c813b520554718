import { TECHNIQUES, acrossView, designOf, levelView } from '@ostler/core'
import type { Plan, Technique } from '@ostler/core'
import { useMemo } from 'react'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { useCupHex } from '../../plan/colour-view.ts'
import { Ask } from '../../ui/ask.tsx'
import { useToast } from '../../ui/toast.tsx'
import { FaceCanvas } from '../faces/face-canvas.tsx'

/** From above where that shows it: the top is the point of these. */
const FROM_ABOVE = new Set(['feather-top', 'combed', 'eights'])
const PICTURE_PX = 150

/** Starts for a score: every technique with this batch's cups and mould. */
export function TechniqueDialog({ onClose }: { onClose: () => void }) {
  const batch = useBatch()
  const plan = usePlan(state => state.plan)
  const toast = useToast()
  const take = (technique: Technique) => {
    const { score, moves } = technique.make(plan)
    const result = batch.edit({
      kind: 'many',
      edits: [
        { kind: 'set', path: ['score'], value: score },
        { kind: 'set', path: ['moves'], value: moves },
      ],
    })
    if (!result.ok) return toast(result.sentence)
    onClose()
    toast(`${technique.name}: the score is new, cups and mould are as they were.`, {
      text: 'Undo',
      run: () => batch.undo(),
    })
  }
  return (
    <Ask open wide title="Start from a technique" onClose={onClose}>
      <ul className="grid grid-cols-3 gap-3 max-[700px]:grid-cols-2">
        {TECHNIQUES.map(technique => (
          <li key={technique.id}>
            <button
              className="flex h-full w-full flex-col gap-1 border border-line p-2 text-left hover:bg-chosen disabled:opacity-50"
              disabled={plan.cups.length < technique.cups}
              onClick={() => take(technique)}
            >
              <TechniquePicture technique={technique} plan={plan} />
              <strong className="leading-tight">{technique.name}</strong>
              <span className="text-[13px] leading-tight text-soft">
                {plan.cups.length < technique.cups ? `needs ${technique.cups} cups` : technique.sentence}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </Ask>
  )
}

function TechniquePicture({ technique, plan }: { technique: Technique; plan: Plan }) {
  const hexOf = useCupHex()
  const design = useMemo(() => designOf({ ...plan, ...technique.make(plan) }, []), [plan, technique])
  const isAbove = FROM_ABOVE.has(technique.id) || (design.program.radiusMm > 0 && technique.id === 'rings')
  const view = isAbove
    ? levelView(design.program, 0.99, PICTURE_PX * 1.4)
    : acrossView(design.program, technique.id === 'spoon-plunge' ? 0.417 : 0.46, PICTURE_PX)
  return (
    <FaceCanvas
      program={design.program}
      view={{ ...view, width: Math.round(view.width) }}
      hexes={[...design.cups.map(hexOf), ...design.pencils.map(() => '#333333')]}
      label={technique.name}
      className="h-28 w-full object-contain"
    />
  )
}
