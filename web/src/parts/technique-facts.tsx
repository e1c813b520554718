import { LEVELS, LOOKS, TECHNIQUES, techniqueCard } from '@ostler/core'
import type { Plan, Shelf, Technique, TechniqueCard } from '@ostler/core'
import { useEffect, useState } from 'react'
import { useSay } from '../ui/say.tsx'
import { rich, t } from '../words/index.ts'

/** Cards of all techniques with a plan's recipe, scent and mould, worked out one after the other so that the page stays quick. */
export function useTechniqueCards(plan: Plan, shelf: Shelf | undefined): ReadonlyMap<string, TechniqueCard | null> {
  const [cards, setCards] = useState<{ of: Plan; done: ReadonlyMap<string, TechniqueCard | null> }>()
  useEffect(() => {
    if (!shelf) return
    const done = new Map<string, TechniqueCard | null>()
    let timer: ReturnType<typeof setTimeout>
    const next = (i: number): void => {
      const technique = TECHNIQUES[i]
      if (!technique) return
      done.set(technique.id, techniqueCard(technique, plan, shelf))
      setCards({ of: plan, done: new Map(done) })
      timer = setTimeout(() => next(i + 1), 0)
    }
    timer = setTimeout(() => next(0), 0)
    return () => clearTimeout(timer)
  }, [plan, shelf])
  return cards?.of === plan ? cards.done : NONE
}
const NONE: ReadonlyMap<string, TechniqueCard | null> = new Map()

const look = (level: number): string =>
  t(LOOKS.reduce((best, one) => (Math.abs(one.level - level) < Math.abs(best.level - level) ? one : best)).word)

export const SEEN_WORDS: Readonly<Record<Technique['seen'], string>> = {
  across: t('cut across'),
  top: t('shows on the top'),
  along: t('cut along'),
}

/** What a technique asks for, in three short lines. */
export function TechniqueFacts({ card }: { card: TechniqueCard }) {
  const say = useSay()
  const { levels, cups, minutes, chance, tools, seen, planB, level } = card
  const [from, to] = levels.map(look) as [string, string]
  return (
    <span className="text-[13px] leading-tight">
      <span className="block">
        {t('{from} · {cups} {cups, plural, one {cup} other {cups}} · {minutes} min · {seen}', {
          from: from === to ? from : t('{from} to {to}', { from, to }),
          cups,
          minutes: Math.round(minutes),
          seen: SEEN_WORDS[seen],
        })}
      </span>
      {tools.length > 0 && (
        <span className="block">
          {tools
            .map(({ what, count, isHere }) => `${isHere ? '' : '△ '}${count > 1 ? `${count} × ` : ''}${say(what)}`)
            .join(', ')}
        </span>
      )}
      <span className="block">
        {rich('{level}, every pour in {chance} of 10', {
          level: <strong>{t(LEVELS[level.level])}</strong>,
          chance: Math.round(chance * 10),
        })}
        {planB !== '' && <span className="text-soft">{t('; plan B: {planB}', { planB })}</span>}
      </span>
    </span>
  )
}
