import { EMBED_FORMS, MOVE_TOOLS, TOPPINGS, at } from '@ostler/core'
import type { Aside, Embed, Move, Topping } from '@ostler/core'
import { Gem, RotateCcw, Sparkles, Trash2, Waves } from 'lucide-react'
import type { ReactNode } from 'react'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { useCupHex } from '../../plan/colour-view.ts'
import { useTold } from '../../parts/plan-field.tsx'
import { Swatch } from '../../ui/swatch.tsx'
import type { Pick } from './picking.ts'
import { t } from '../../words/index.ts'

interface SmallProps {
  id: string
  chosen: boolean
  onPick: Pick
  icon: ReactNode
  name: string
  detail: string
  isOff?: boolean
}

/** A step that is not a pour: smaller, and under the pour that it follows. */
const SmallRow = ({ id, chosen, onPick, icon, name, detail, isOff = false }: SmallProps) => (
  <li className={`border-b border-line ${chosen ? 'bg-chosen shadow-[inset_4px_0_0_var(--ink)]' : ''}`}>
    <button
      className="flex min-h-8 w-full items-center gap-2 pl-10 text-left text-[14px]"
      aria-pressed={chosen}
      onClick={() => onPick(id, 'one')}
    >
      {icon}
      <span className={`truncate ${isOff ? 'text-soft line-through' : ''}`}>{name}</span>
      <span className="shrink-0 text-[13px] text-soft">{isOff ? t('left out') : detail}</span>
    </button>
  </li>
)

interface Props<T> {
  item: T
  chosen: boolean
  onPick: Pick
}

/** A tool between two pours. */
export const MoveRow = ({ item, chosen, onPick }: Props<Move>) => (
  <SmallRow
    {...{ chosen, onPick }}
    id={item.id}
    icon={<Waves size={15} aria-hidden className="shrink-0" />}
    name={t(MOVE_TOOLS[item.tool])}
    detail={item.pattern === 'drawn' && ['skewer', 'stick'].includes(item.tool) ? 'drawn' : `× ${item.count}`}
    isOff={item.off}
  />
)

export const EmbedRow = ({ item, chosen, onPick }: Props<Embed>) => (
  <SmallRow
    {...{ chosen, onPick }}
    id={item.id}
    icon={<Gem size={15} aria-hidden className="shrink-0" />}
    name={item.name}
    detail={t(EMBED_FORMS[item.form])}
  />
)

export const ToppingRow = ({ item, chosen, onPick }: Props<Topping>) => (
  <SmallRow
    {...{ chosen, onPick }}
    id={item.id}
    icon={<Sparkles size={15} aria-hidden className="shrink-0" />}
    name={item.name}
    detail={t('{kind}, {perBar} a bar', { kind: t(TOPPINGS[item.kind]), perBar: item.perBar })}
  />
)

/** A pour that is out of the score for now. */
export function AsideRow({ item, index }: { item: Aside; index: number }) {
  const batch = useBatch()
  const told = useTold()
  const cup = usePlan(state => state.plan.cups.find(one => one.id === item.pour.cup))
  const aside = usePlan(state => state.plan.aside)
  const hexOf = useCupHex()
  return (
    <li className="flex min-h-8 items-center gap-2 border-b border-line pr-3 pl-10 text-[14px] text-soft">
      <Swatch hex={hexOf(item.pour.cup)} />
      <span className="truncate line-through">{cup?.name}</span>
      <span className="text-[13px]">{t('set aside')}</span>
      <button
        className="quiet ml-auto"
        aria-label={t('Put {cup} back', { cup: cup?.name ?? t('it') })}
        title={t('Put back')}
        onClick={() => told(batch.edit({ kind: 'put-back', index }))}
      >
        <RotateCcw size={15} aria-hidden />
      </button>
      <button
        className="quiet"
        aria-label={t('Discard {cup}', { cup: cup?.name ?? t('it') })}
        title={t('Discard')}
        onClick={() =>
          told(batch.edit({ kind: 'set', path: at(plan => plan.aside), value: aside.filter((_, i) => i !== index) }))
        }
      >
        <Trash2 size={15} aria-hidden />
      </button>
    </li>
  )
}
