import { MOVE_TOOLS, PATTERNS, showMinutes, at } from '@ostler/core'
import type { Move, MoveTool, Pattern } from '@ostler/core'
import { Trash2, X } from 'lucide-react'
import { useBatch, useLanes, usePlan } from '../../plan/context.tsx'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { options } from '../../ui/options.ts'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { PathPad } from './path-pad.tsx'
import { WorkshopWindow } from './window-fields.tsx'
import { rich, showChance, t, tidy } from '../../words/index.ts'

const COUNT_WORDS: Readonly<Record<MoveTool, string>> = {
  hanger: t('Loops'),
  skewer: t('Lines or turns'),
  stick: t('Lines or turns'),
  comb: t('Tines'),
  spoon: t('Plunges in a row'),
  spin: t('Jerks'),
  fold: t('Folds'),
  stir: t('Turns'),
  decant: t('Passes'),
}

/** A tool's own settings. */
export function MoveInspector({ move, onClose }: { move: Move; onClose: () => void }) {
  const batch = useBatch()
  const told = useTold()
  const plan = usePlan(state => state.plan)
  const index = plan.moves.findIndex(one => one.id === move.id)
  const path = (key: string) => ['moves', index, key]
  const set = (key: keyof Move, value: unknown) => told(batch.edit({ kind: 'set', path: path(key), value }))
  const hasPattern = move.tool === 'skewer' || move.tool === 'stick' || move.tool === 'comb'
  const isInMould = move.tool !== 'stir' && move.tool !== 'decant'
  const remove = () =>
    told(batch.edit({ kind: 'set', path: at(plan => plan.moves), value: plan.moves.filter(one => one.id !== move.id) }))
  if (index < 0) return null
  return (
    <section aria-label={t('Move: {tool}', { tool: t(MOVE_TOOLS[move.tool]) })} className="flex flex-col gap-3">
      <header className="flex items-center">
        <h2 className="text-lg first-letter:uppercase">{t(MOVE_TOOLS[move.tool])}</h2>
        <button className="quiet ml-auto" aria-label={t('Remove this move')} onClick={remove}>
          <Trash2 size={17} aria-hidden />
        </button>
        <button className="quiet" aria-label={t('Close')} onClick={onClose}>
          <X size={18} aria-hidden />
        </button>
      </header>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2">
        <Choice<MoveTool>
          label={t('Tool')}
          value={move.tool}
          options={options(MOVE_TOOLS)}
          onValue={value => set('tool', value)}
        />
        <Choice
          label={t('Done after')}
          value={move.after}
          options={plan.score.map((pour, i) => ({
            value: pour.id,
            text: `${i + 1}, ${plan.cups.find(cup => cup.id === pour.cup)?.name ?? ''}`,
          }))}
          onValue={value => set('after', value)}
        />
        {hasPattern && (
          <div className="col-span-2">
            <Choice<Pattern>
              label={t('Its path')}
              className="w-full"
              value={move.pattern}
              options={options(PATTERNS).filter(one => move.tool !== 'comb' || ['across', 'along'].includes(one.value))}
              onValue={value => set('pattern', value)}
            />
          </div>
        )}
        {!(hasPattern && move.pattern === 'drawn') && (
          <PlanField label={COUNT_WORDS[move.tool]} kind="plain" decimals={0} width={64} path={path('count')} />
        )}
        {isInMould && move.tool !== 'fold' && move.tool !== 'spin' && (
          <PlanField label={t('Depth, of the batter')} kind="share" decimals={0} width={64} path={path('depth')} />
        )}
        {move.tool !== 'decant' && (
          <PlanField label={t('Strength')} kind="share" decimals={0} width={64} path={path('strength')} />
        )}
        {(hasPattern || move.tool === 'spoon') && move.pattern !== 'drawn' && (
          <>
            <PlanField label={t('From, of the length')} kind="share" decimals={0} width={64} path={path('from')} />
            <PlanField label={t('To, of the length')} kind="share" decimals={0} width={64} path={path('to')} />
          </>
        )}
      </div>
      {hasPattern && move.pattern === 'drawn' && (
        <PathPad points={move.path} onPoints={points => set('path', points)} />
      )}
      <ToolFacts move={move} />
      <Check label={t('left out for now')} checked={move.off} onChange={value => set('off', value)} />
    </section>
  )
}

/** When the tool's turn comes, what it then goes through, and how likely that suits it. */
function ToolFacts({ move }: { move: Move }) {
  const tool = useLanes()?.tools.find(one => one.move === move.id)
  return (
    <div className="flex flex-col gap-1 border-t border-booth-deep pt-2 text-[14px]">
      {tool && (
        <p>
          {rich('At {startMin} the batter stands at {lowest} to {highest}: {chance}.', {
            startMin: showMinutes(tool.startMin),
            lowest: tidy(tool.lowest, 1),
            highest: tidy(tool.highest, 1),
            chance: <strong className={tool.chance < 0.6 ? 'text-rust' : ''}>{showChance(tool.chance)}</strong>,
          })}
        </p>
      )}
      <WorkshopWindow kind={`tool-${move.tool}`} />
    </div>
  )
}
