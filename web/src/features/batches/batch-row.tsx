import { findById, forecast, readPlan, showMass } from '@ostler/core'
import type { BatchAnswer, Forecast, Shelf } from '@ostler/core'
import { formatDistanceToNow } from 'date-fns'
import { Copy, Download, Trash2 } from 'lucide-react'
import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import { useHabits } from '../../plan/context.tsx'
import { FacePicture } from '../../drawing/face-picture.tsx'
import { STATE_WORDS } from '../../ui/state-words.ts'
import { downloadPlan } from '../../parts/plan-file.ts'
import { Say } from '../../ui/say.tsx'

interface Props {
  batch: BatchAnswer
  shelf: Shelf | undefined
  onDuplicate: (batch: BatchAnswer) => void
  onDelete: (batch: BatchAnswer) => void
}

/** Forecasts a row once the list stands on screen, so that a long list is not held up. */
function useLaterForecast(batch: BatchAnswer, shelf: Shelf | undefined): Forecast | null {
  const [result, setResult] = useState<Forecast | null>(null)
  useEffect(() => {
    if (!shelf) return
    const timer = setTimeout(() => {
      const made = forecast(batch.plan, shelf)
      setResult(made.ok ? made.forecast : null)
    })
    return () => clearTimeout(timer)
  }, [batch, shelf])
  return result
}

export function BatchRow({ batch, shelf, onDuplicate, onDelete }: Props) {
  const habits = useHabits()
  const result = useLaterForecast(batch, shelf)
  const { plan } = batch
  const first = plan.scent?.parts[0]?.scent
  const scent =
    result?.recipe.scent?.name ?? (first ? (findById(shelf?.scents ?? [], first)?.name ?? first) : 'unscented')
  const exported = () => {
    const read = readPlan(plan)
    if (read.ok) downloadPlan(read.plan)
  }
  return (
    <li className="grid grid-cols-[96px_1fr_auto_auto] items-center gap-5 border-b border-line py-3 max-[900px]:grid-cols-[64px_1fr_auto] max-[900px]:gap-3">
      <Link
        to={`/batches/${batch.id}/score`}
        tabIndex={-1}
        aria-hidden
        className="grid place-items-center rounded bg-booth p-2"
      >
        <FacePicture
          plan={plan}
          colours={result?.colours ?? null}
          {...(result && { pours: result.lanes.pours })}
          height={64}
        />
      </Link>
      <div className="min-w-0">
        <Link to={`/batches/${batch.id}/score`} className="font-title text-xl font-semibold hover:underline">
          {batch.name}
        </Link>
        <p className="text-soft">
          {plan.score.length} layers · {result ? showMass(result.portions.potG, habits, 1) : '…'} · <Say of={scent} />
        </p>
        <p className="text-[13px] text-soft">
          changed {formatDistanceToNow(new Date(batch.updatedAt), { addSuffix: true })}
        </p>
      </div>
      <p className="w-56 text-right text-[15px] max-[900px]:col-span-3 max-[900px]:row-start-2 max-[900px]:w-auto max-[900px]:text-left">
        {result && (
          <span className={result.risk.state === 'trouble' ? 'font-semibold text-rust' : ''}>
            {STATE_WORDS[result.risk.state]}
          </span>
        )}
      </p>
      <div className="flex">
        <button
          className="quiet"
          aria-label={`Duplicate ${batch.name}`}
          title="Duplicate"
          onClick={() => onDuplicate(batch)}
        >
          <Copy size={17} aria-hidden />
        </button>
        <button className="quiet" aria-label={`Export ${batch.name}`} title="Export" onClick={exported}>
          <Download size={17} aria-hidden />
        </button>
        <button className="quiet" aria-label={`Delete ${batch.name}`} title="Delete" onClick={() => onDelete(batch)}>
          <Trash2 size={17} aria-hidden />
        </button>
      </div>
    </li>
  )
}
