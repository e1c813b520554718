import { findById, showMass, stockNeeds, substitutesFor } from '@ostler/core'
import type { Edit, Forecast, Plan, StockLine, SubstitutableKind } from '@ostler/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { useBatch, useHabits } from '../../plan/context.tsx'
import { Ask } from '../../ui/ask.tsx'
import { useTold } from '../../parts/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { Say, useSay } from '../../ui/say.tsx'
import { fixed, rich, t, todayHere } from '../../words/index.ts'

const isOver = ({ useBy }: StockLine): boolean => useBy !== null && useBy < todayHere()

/** What the plan takes from the shelf: what is missing first, as a list to shop by. */
export function StockSection({ plan, forecast }: { plan: Plan; forecast: Forecast }) {
  const say = useSay()
  const { shelf } = useBatch()
  const habits = useHabits()
  const [instead, setInstead] = useState<StockLine | null>(null)
  const amount = (g: number) => showMass(g, habits, g >= 50 ? 1 : 0.1)
  const lines = stockNeeds(plan, shelf, forecast.portions).filter(line => line.needG > 0)
  const missing = lines.filter(line => line.missingG > 0)
  const unknown = lines.filter(line => line.haveG === null)
  const cost = lines.reduce((sum, line) => sum + (line.cost ?? 0), 0)
  const soon = lines.filter(isOver)
  return (
    <Section
      title={t('Shopping list')}
      aside={
        cost > 0 && (
          <p className="text-soft">
            {rich('what is priced comes to {cost}', { cost: <strong className="text-ink">{fixed(cost, 2)}</strong> })}
          </p>
        )
      }
    >
      {missing.length === 0 ? (
        <p>{t('Nothing counted is short.')}</p>
      ) : (
        <ul>
          {missing.map(line => (
            <li
              key={line.kind + line.id}
              className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line py-1.5"
            >
              <span className="flex-1">
                <strong>
                  {rich('{line}: {missingG} more', { line: <Say of={line.name} />, missingG: amount(line.missingG) })}
                </strong>
                <span className="block text-[13px] text-soft">
                  {t('needs {needG}, {haveG} left{kind}', {
                    needG: amount(line.needG),
                    haveG: amount(line.haveG ?? 0),
                    kind: line.kind === 'scents' && t('; less scent is fine too, note the true load'),
                  })}
                </span>
              </span>
              {line.kind !== 'uncounted' && (
                <button className="button" onClick={() => setInstead(line)}>
                  {t('Take something else')}
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
      {soon.map(line => (
        <p key={line.id} className="mt-1 text-rust">
          {rich('△ {line}: a lot was to be used by {useBy}.', { line: <Say of={line.name} />, useBy: line.useBy })}
        </p>
      ))}
      {unknown.length > 0 && (
        <p className="mt-2 text-[13px] text-soft">
          {rich('Not counted, since no lot is kept of it: {unknown}. {link}', {
            unknown: unknown.map(line => `${say(line.name)} ${amount(line.needG)}`).join(', '),
            link: (
              <Link to="/shelf" className="underline">
                {t('To the shelf')}
              </Link>
            ),
          })}
        </p>
      )}
      <Ask
        open={instead !== null}
        title={t('Instead of {instead}', { instead: say(instead?.name ?? '') })}
        onClose={() => setInstead(null)}
        wide
      >
        {instead && <Instead line={instead} plan={plan} onDone={() => setInstead(null)} />}
      </Ask>
    </Section>
  )
}

/** The edit that puts one thing in the place of another. */
function replacing(plan: Plan, { kind, id }: StockLine, to: string): Edit | null {
  const at = <T,>(list: readonly T[], of: (item: T) => string | undefined) => list.findIndex(item => of(item) === id)
  const set = (path: (string | number)[]): Edit => ({ kind: 'set', path, value: to })
  const each = <T,>(list: readonly T[], of: (item: T) => string, path: (i: number) => (string | number)[]): Edit[] =>
    list.flatMap((item, i) => (of(item) === id ? [set(path(i))] : []))
  switch (kind) {
    case 'oils':
      return set(['recipe', 'oils', at(plan.recipe.oils, part => part.oil), 'oil'])
    case 'liquids':
      return set(['recipe', 'liquids', at(plan.recipe.liquids, part => part.liquid), 'liquid'])
    case 'additives':
      return set(['recipe', 'additives', at(plan.recipe.additives, part => part.additive), 'additive'])
    case 'scents': {
      const inBatch = each(
        plan.scent?.parts ?? [],
        part => part.scent,
        j => ['scent', 'parts', j, 'scent'],
      )
      const own = plan.cups.flatMap((cup, i) =>
        each(
          cup.ownScent?.parts ?? [],
          part => part.scent,
          j => ['cups', i, 'ownScent', 'parts', j, 'scent'],
        ),
      )
      return { kind: 'many', edits: [...inBatch, ...own] }
    }
    case 'colorants': {
      const inCups = plan.cups.flatMap((cup, i) =>
        each(
          cup.colorants,
          part => part.colorant,
          j => ['cups', i, 'colorants', j, 'colorant'],
        ),
      )
      const inPot = each(
        plan.potColorants,
        part => part.colorant,
        j => ['potColorants', j, 'colorant'],
      )
      return { kind: 'many', edits: [...inCups, ...inPot] }
    }
    default:
      return null
  }
}

function Instead({ line, plan, onDone }: { line: StockLine; plan: Plan; onDone: () => void }) {
  const say = useSay()
  const batch = useBatch()
  const told = useTold()
  const kind = line.kind as SubstitutableKind
  const list = substitutesFor(batch.shelf, kind, line.id)
  const take = (to: string) => {
    const edit = replacing(plan, line, to)
    if (!edit) return
    const result = batch.edit(edit)
    told(result)
    if (result.ok) onDone()
  }
  if (list.length === 0) return <p>{t('Nothing else of this kind is on the shelf.')}</p>
  return (
    <ul>
      {list.map(one => {
        const item = findById<{ id: string; lots: { left: number }[] }>(batch.shelf[kind], one.id)
        const left = item && item.lots.length > 0 ? item.lots.reduce((sum, lot) => sum + lot.left, 0) : null
        return (
          <li key={one.id} className="flex items-center gap-4 border-b border-line py-2">
            <span className="flex-1">
              <strong>{one.name}</strong>
              {left !== null && <span className="text-soft">{t(', {left} g left', { left: Math.round(left) })}</span>}
              <span className="block text-[13px] text-soft">{one.changes.map(one => say(one)).join(' · ')}</span>
            </span>
            <button className="button" onClick={() => take(one.id)}>
              {t('Take it')}
            </button>
          </li>
        )
      })}
    </ul>
  )
}
