import { MEASURES, READING_WAYS, TRIAL_NUMBERS, kindOfTrial } from '@ostler/core'
import type { Additive, Colorant, ReadingWay, Scent, Shelf, TrialQuestion } from '@ostler/core'
import type { ReactNode } from 'react'
import type { Wish } from './wish.ts'
import { t } from '../../words/index.ts'
import { inWords } from '../../ui/options.ts'

export interface FieldsProps {
  wish: Wish
  onValue: (change: Partial<Wish>) => void
}

function Labelled({ says, children, wide = false }: { says: string; children: ReactNode; wide?: boolean }) {
  return (
    <label className={`flex flex-col text-[13px] text-soft ${wide ? 'min-w-60 flex-1' : ''}`}>
      {says}
      {children}
    </label>
  )
}

interface PickProps<T extends string | number> {
  says: string
  value: T
  options: readonly (readonly [T, string])[]
  onValue: (value: T) => void
}

/** One of a few. */
function Pick<T extends string | number>({ says, value, options, onValue }: PickProps<T>) {
  return (
    <Labelled says={says}>
      <select
        className="field min-h-11 text-ink"
        value={value}
        onChange={({ target }) => onValue(options.find(([one]) => String(one) === target.value)![0])}
      >
        {options.map(([one, text]) => (
          <option key={one} value={one}>
            {text}
          </option>
        ))}
      </select>
    </Labelled>
  )
}

const counts = (list: readonly number[]): (readonly [number, string])[] => list.map(n => [n, String(n)])
const named = (items: readonly (Colorant | Scent | Additive)[]): (readonly [string, string])[] => [
  ['', t('choose …')],
  ...items.filter(({ archived }) => !archived).map(({ id, name }) => [id, name] as const),
]

/** What is compared: by kind colorants, doses, numbers or ways. */
export function Compared({
  wish,
  onValue,
  shelf,
  levels,
}: FieldsProps & { shelf: Shelf; levels: TrialQuestion['levels'] }) {
  const { isScented, levels: are } = kindOfTrial(wish.kind)
  return (
    <>
      {isScented && <OfScent wish={wish} onValue={onValue} shelf={shelf} />}
      {(are === 'doses' || are === 'colorants') && (
        <Colorants wish={wish} colorants={shelf.colorants} onValue={colorants => onValue({ colorants })} />
      )}
      {are === 'doses' && <Doses wish={wish} onValue={onValue} levels={levels} />}
      {(are === 'ratios' || are === 'numbers') && <Amounts wish={wish} onValue={onValue} shelf={shelf} />}
      {are === 'words' && (
        <Labelled says={t('what is done otherwise, a line each')} wide>
          <textarea
            className="field min-h-20 text-ink"
            value={wish.ways}
            onChange={event => onValue({ ways: event.target.value })}
          />
        </Labelled>
      )}
    </>
  )
}

function OfScent({ wish, onValue, shelf }: FieldsProps & { shelf: Shelf }) {
  return (
    <div className="flex flex-wrap items-end gap-4">
      <Pick
        says={t('the scent')}
        value={wish.scent}
        options={named(shelf.scents)}
        onValue={scent => onValue({ scent })}
      />
      <Labelled says={t('of it, % of the oils')}>
        <input
          className="field min-h-11 w-28 text-ink"
          inputMode="decimal"
          value={wish.load}
          onChange={event => onValue({ load: event.target.value })}
        />
      </Labelled>
      <p className="basis-full text-soft">
        {t('Limits for skin: the supplier’s document says them. They hold for a sample too.')}
      </p>
    </div>
  )
}

function Amounts({ wish, onValue, shelf }: FieldsProps & { shelf: Shelf }) {
  const isRatio = wish.kind === 'stabiliser'
  const of = isRatio ? null : TRIAL_NUMBERS[wish.kind as keyof typeof TRIAL_NUMBERS]
  return (
    <div className="flex flex-wrap items-end gap-4">
      {wish.kind === 'hardener' && (
        <Pick
          says={t('the additive')}
          value={wish.additive}
          options={named(shelf.additives)}
          onValue={additive => onValue({ additive })}
        />
      )}
      <Labelled
        says={
          of
            ? t('{says}, {unit}: tried beside the usual', { says: t(of.says), unit: t(of.unit) })
            : t('g of stabiliser for a g of scent: one or more')
        }
      >
        <input
          className="field min-h-11 w-60 text-ink"
          placeholder={of ? `${of.usual} ${of.usual + 5}` : '0.5 1'}
          value={wish.amounts}
          onChange={event => onValue({ amounts: event.target.value })}
        />
      </Labelled>
    </div>
  )
}

const WHITES = new Set(['titanium', 'zinc', 'kaolin', 'pearl'])

/** Colorants to choose from; against browning whites come first. */
function offered({ kind }: Wish, colorants: readonly Colorant[]): Colorant[] {
  const usable = colorants.filter(({ archived, spectrum }) => !archived && spectrum !== 'clear')
  if (kind !== 'whites') return usable
  return [...usable].sort((a, b) => Number(WHITES.has(b.spectrum)) - Number(WHITES.has(a.spectrum)))
}

interface ColorantsProps {
  wish: Wish
  colorants: readonly Colorant[]
  onValue: (colorants: readonly string[]) => void
}

function Colorants({ wish, colorants, onValue }: ColorantsProps) {
  const usable = offered(wish, colorants)
  const { most } = kindOfTrial(wish.kind)
  if (kindOfTrial(wish.kind).levels === 'doses')
    return (
      <div className="max-w-100">
        <Pick
          says={t('the colorant')}
          value={wish.colorants[0] ?? ''}
          options={named(usable)}
          onValue={id => onValue([id])}
        />
      </div>
    )
  return (
    <fieldset>
      <legend className="text-[13px] text-soft">{t('compared, each at its reference dose')}</legend>
      <ul className="grid max-h-72 grid-cols-3 gap-x-6 overflow-y-auto border border-line p-2 max-[900px]:grid-cols-2 max-[600px]:grid-cols-1">
        {usable.map(({ id, name, soapHex }) => (
          <li key={id}>
            <label className="flex min-h-9 cursor-pointer items-center gap-2">
              <input
                type="checkbox"
                checked={wish.colorants.includes(id)}
                disabled={!wish.colorants.includes(id) && wish.colorants.length >= most}
                onChange={event =>
                  onValue(event.target.checked ? [...wish.colorants, id] : wish.colorants.filter(one => one !== id))
                }
              />
              <span aria-hidden className="size-4 shrink-0 border border-ink" style={{ background: soapHex }} />
              {name}
            </label>
          </li>
        ))}
      </ul>
    </fieldset>
  )
}

function Doses({ wish, onValue, levels }: FieldsProps & { levels: TrialQuestion['levels'] }) {
  const isEven = wish.kind !== 'ladder' || wish.spread === 'even'
  return (
    <div className="flex flex-wrap items-end gap-4">
      <Pick
        says={t('doses')}
        value={wish.count}
        options={counts([2, 3, 4, 5, 6, 7].filter(n => n <= kindOfTrial(wish.kind).most))}
        onValue={count => onValue({ count })}
      />
      {wish.kind === 'ladder' && (
        <Pick
          says={t('chosen')}
          value={wish.spread}
          options={[
            ['even', t('evenly, for the eye')],
            ['teaching', t('to teach the shelf most')],
          ]}
          onValue={spread => onValue({ spread })}
        />
      )}
      <Labelled says={t('the highest, g per kg')}>
        <input
          className="field min-h-11 w-32 text-ink"
          inputMode="decimal"
          placeholder={t('usual most')}
          value={wish.most}
          onChange={event => onValue({ most: event.target.value })}
        />
      </Labelled>
      {wish.kind === 'ladder' && wish.spread === 'even' && (
        <label className="flex min-h-11 cursor-pointer items-center gap-2">
          <input
            type="checkbox"
            checked={wish.isBesideWhite}
            onChange={event => onValue({ isBesideWhite: event.target.checked })}
          />
          {t('one more beside white: it tells how much the colorant covers')}
        </label>
      )}
      {levels.length > 0 && (
        <p className="basis-full">
          {t('{levels} g per kg: {isEven}', {
            levels: levels
              .map(({ gPerKg, whiteGPerKg }) => `${gPerKg}${whiteGPerKg ? t(' with white') : ''}`)
              .join(', '),
            isEven: isEven
              ? t('even steps to the eye.')
              : t('these leave least unknown; nothing between them shows where the curve is off.'),
          })}
        </p>
      )}
    </div>
  )
}

/** How many, how large, how they are weighed and read. */
export function Samples({ wish, onValue }: FieldsProps) {
  const { reads, levels, sampleG } = kindOfTrial(wish.kind)
  const isOnce = levels === 'doses' || levels === 'colorants'
  const sizes = [...new Set([25, 40, 60, 100, 150, sampleG])].sort((a, b) => a - b)
  return (
    <div className="flex flex-wrap items-end gap-4">
      {reads.length > 1 && (
        <Pick
          says={t('what is read')}
          value={wish.measure}
          options={reads.map(one => [
            one,
            one === 'colour' ? 'colour' : `${t(MEASURES[one].says)}, ${t(MEASURES[one].unit)}`,
          ])}
          onValue={measure => onValue({ measure })}
        />
      )}
      {wish.kind !== 'speed' && wish.kind !== 'fading' && (
        <Pick
          says={levels === 'words' || levels === 'numbers' ? t('made as usual') : t('with nothing in them')}
          value={wish.blanks}
          options={counts([1, 2, 3, 4])}
          onValue={blanks => onValue({ blanks })}
        />
      )}
      {!isOnce && (
        <Pick
          says={wish.kind === 'speed' ? t('pairs of cups') : t('each made')}
          value={wish.times}
          options={counts([1, 2, 3, 4])}
          onValue={times => onValue({ times })}
        />
      )}
      <Pick
        says={wish.kind === 'speed' ? t('a cup, g') : t('a sample, g')}
        value={wish.sampleG}
        options={counts(sizes)}
        onValue={value => onValue({ sampleG: value })}
      />
      <Pick
        says={t('the scale shows steps of, g')}
        value={wish.stepG}
        options={counts([0.01, 0.05, 0.1, 1])}
        onValue={stepG => onValue({ stepG })}
      />
      {wish.measure === 'colour' && (
        <Pick<ReadingWay>
          says={t('colours are read')}
          value={wish.way}
          options={inWords<ReadingWay>(READING_WAYS)}
          onValue={way => onValue({ way })}
        />
      )}
    </div>
  )
}
