import { EMBED_FORMS, MATS, SIDES, TOPPINGS, at } from '@ostler/core'
import type { Embed, EmbedForm, MatTexture, Side, Topping, ToppingKind } from '@ostler/core'
import { Trash2, X } from 'lucide-react'
import type { ReactNode } from 'react'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { options } from '../../ui/options.ts'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { TextField } from '../../ui/text-field.tsx'
import { t } from '../../words/index.ts'

interface FrameProps {
  title: string
  onRemove: () => void
  onClose: () => void
  children: ReactNode
}

const Frame = ({ title, onRemove, onClose, children }: FrameProps) => (
  <section aria-label={title} className="flex flex-col gap-3">
    <header className="flex items-center">
      <h2 className="truncate text-lg">{title}</h2>
      <button className="quiet ml-auto" aria-label={t('Remove {title}', { title })} onClick={onRemove}>
        <Trash2 size={17} aria-hidden />
      </button>
      <button className="quiet" aria-label={t('Close')} onClick={onClose}>
        <X size={18} aria-hidden />
      </button>
    </header>
    {children}
  </section>
)

/** A colour of something ready-made: chosen by eye. */
const HexField = ({ value, onValue }: { value: string; onValue: (hex: string) => void }) => (
  <label className="flex flex-col gap-0.5 text-[13px] text-soft">
    {t('Colour')}
    <input
      type="color"
      className="field h-9 w-16 p-0.5"
      value={value}
      onChange={event => onValue(event.target.value)}
    />
  </label>
)

export function EmbedInspector({ embed, onClose }: { embed: Embed; onClose: () => void }) {
  const batch = useBatch()
  const told = useTold()
  const plan = usePlan(state => state.plan)
  const index = plan.finish.embeds.findIndex(one => one.id === embed.id)
  const path = (key: keyof Embed) => ['finish', 'embeds', index, key]
  const set = (key: keyof Embed, value: unknown, merge = '') =>
    told(batch.edit({ kind: 'set', path: path(key), value }, merge))
  const remove = () =>
    told(
      batch.edit({
        kind: 'set',
        path: at(plan => plan.finish.embeds),
        value: plan.finish.embeds.filter(one => one.id !== embed.id),
      }),
    )
  if (index < 0) return null
  const isPieces = embed.form === 'ball' || embed.lengthMm > 0
  return (
    <Frame title={embed.name} onRemove={remove} onClose={onClose}>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2">
        <TextField
          label={t('Name')}
          value={embed.name}
          onValue={value => batch.edit({ kind: 'set', path: path('name'), value }, 'embed name')}
        />
        <HexField value={embed.hex} onValue={value => set('hex', value, `hex ${embed.id}`)} />
        <Choice<EmbedForm>
          label={t('Form')}
          value={embed.form}
          options={options(EMBED_FORMS)}
          onValue={value => set('form', value)}
        />
        <Choice
          label={t('Set in after')}
          value={embed.after}
          options={plan.score.map((pour, i) => ({
            value: pour.id,
            text: `${i + 1}, ${plan.cups.find(cup => cup.id === pour.cup)?.name ?? ''}`,
          }))}
          onValue={value => set('after', value)}
        />
        <PlanField
          label={embed.form === 'bar' ? t('Width') : t('Diameter')}
          kind="length"
          width={64}
          path={path('widthMm')}
        />
        {embed.form === 'bar' && <PlanField label={t('Height')} kind="length" width={64} path={path('heightMm')} />}
        {embed.form !== 'ball' && (
          <PlanField label={t('Length (0: the whole)')} kind="length" width={64} path={path('lengthMm')} />
        )}
        <PlanField label={t('Across the mould')} kind="share" decimals={0} width={64} path={path('across')} />
        <PlanField label={t('Its middle, of the height')} kind="share" decimals={0} width={64} path={path('height')} />
        <PlanField label={t('From, of the length')} kind="share" decimals={0} width={64} path={path('from')} />
        <PlanField label={t('To, of the length')} kind="share" decimals={0} width={64} path={path('to')} />
        {isPieces && !embed.everyBar && (
          <PlanField label={t('Pieces')} kind="plain" decimals={0} width={64} path={path('count')} />
        )}
        <PlanField label={t('Density, g/ml')} kind="plain" decimals={2} width={64} path={path('densityGPerMl')} />
        <PlanField label={t('Cast so many days before')} kind="plain" decimals={0} width={64} path={path('castDays')} />
      </div>
      {isPieces && (
        <Check
          label={t('one in the middle of every bar')}
          checked={embed.everyBar}
          onChange={value => set('everyBar', value)}
        />
      )}
      <p className="text-[13px] text-soft">
        {t(
          'The cups hold that much less batter. Use soap that is not lye-heavy; scratch and wet each piece so that it holds. Best ones where a cut shows them, flawed ones deep inside.',
        )}
      </p>
    </Frame>
  )
}

export function ToppingInspector({ topping, onClose }: { topping: Topping; onClose: () => void }) {
  const batch = useBatch()
  const told = useTold()
  const toppings = usePlan(state => state.plan.finish.toppings)
  const index = toppings.findIndex(one => one.id === topping.id)
  const path = (key: keyof Topping) => ['finish', 'toppings', index, key]
  const set = (key: keyof Topping, value: unknown, merge = '') =>
    told(batch.edit({ kind: 'set', path: path(key), value }, merge))
  const remove = () =>
    told(
      batch.edit({
        kind: 'set',
        path: at(plan => plan.finish.toppings),
        value: toppings.filter(one => one.id !== topping.id),
      }),
    )
  if (index < 0) return null
  return (
    <Frame title={topping.name} onRemove={remove} onClose={onClose}>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2">
        <TextField
          label={t('Name')}
          value={topping.name}
          onValue={value => batch.edit({ kind: 'set', path: path('name'), value }, 'topping name')}
        />
        <HexField value={topping.hex} onValue={value => set('hex', value, `hex ${topping.id}`)} />
        <Choice<ToppingKind>
          label={t('Kind')}
          value={topping.kind}
          options={options(TOPPINGS)}
          onValue={value => set('kind', value)}
        />
        <PlanField label={t('Size of a piece')} kind="length" width={64} path={path('sizeMm')} />
        <PlanField label={t('Pieces for a bar')} kind="plain" decimals={0} width={64} path={path('perBar')} />
        <PlanField label={t('All of it')} kind="mass" width={64} path={path('massG')} />
      </div>
      <Choice<Side>
        label={t('Lies on')}
        value={topping.side}
        options={options(SIDES)}
        onValue={value => set('side', value)}
      />
      <Check
        label={t('set in the middle of every bar, clear of the blade')}
        checked={topping.onGrid}
        onChange={value => set('onGrid', value)}
      />
      {topping.onGrid && (
        <div className="flex flex-wrap items-end gap-x-4">
          <PlanField label={t('Clear of the blade by')} kind="length" width={64} path={path('clearMm')} />
          <Check label={t('a little uneven')} checked={topping.jitter} onChange={value => set('jitter', value)} />
        </div>
      )}
      {topping.kind === 'petals' && (
        <p className="text-[13px] text-soft">
          {t('Petals and other plants brown where they touch wet soap: set them on late.')}
        </p>
      )}
    </Frame>
  )
}

/** The mould's floor, and how the loaf is cut. */
export function UnderAndCut() {
  const batch = useBatch()
  const told = useTold()
  const { mat } = usePlan(state => state.plan.finish)
  const { onSide } = usePlan(state => state.plan.cutting)
  return (
    <details className="border-t border-booth-deep pt-2">
      <summary className="cursor-pointer font-semibold">{t('Floor of the mould, and cutting')}</summary>
      <div className="mt-2 grid grid-cols-2 gap-x-3 gap-y-2">
        <Choice<MatTexture>
          label={t('Mat on the floor')}
          value={mat.texture}
          options={options(MATS)}
          onValue={value => told(batch.edit({ kind: 'set', path: at(plan => plan.finish.mat.texture), value }))}
        />
        {mat.texture !== 'flat' && (
          <>
            <PlanField label={t('Its relief')} kind="length" width={64} path={at(plan => plan.finish.mat.depthMm)} />
            <PlanField label={t('Repeats every')} kind="length" width={64} path={at(plan => plan.finish.mat.pitchMm)} />
          </>
        )}
        <PlanField label={t('A bar is')} kind="length" width={64} path={at(plan => plan.cutting.barMm)} />
        <PlanField label={t('Trimmed off each end')} kind="length" width={64} path={at(plan => plan.cutting.trimMm)} />
        <PlanField label={t('Bars across')} kind="plain" decimals={0} width={64} path={at(plan => plan.cutting.rows)} />
      </div>
      <Check
        label={t('cut on its side')}
        checked={onSide}
        onChange={value => told(batch.edit({ kind: 'set', path: at(plan => plan.cutting.onSide), value }))}
      />
    </details>
  )
}
