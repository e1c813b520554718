import {
  MAX_SWATCHES,
  MEDIA,
  STANDARD_BASE,
  SWATCH_FAULTS,
  baseOf,
  colourOfSwatch,
  deltaE,
  labOfHex,
  mixed,
  pigmentOfColorant,
  starterPlan,
} from '@ostler/core'
import type { BaseTint, Colorant, Medium, OwnSwatch, Shelf, SwatchFault, Words } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { Camera, Plus, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { recipesQuery } from '../../api/client.ts'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { NumberCell } from '../../ui/number-cell.tsx'
import { PhotoDialog } from './photo-dialog.tsx'
import { Say } from '../../ui/say.tsx'
import { rich, t, tidy, todayHere } from '../../words/index.ts'
import { inWords } from '../../ui/options.ts'

interface Props {
  colorant: Colorant
  shelf: Shelf
  onSwatches: (swatches: OwnSwatch[]) => void
  problem: Words | undefined
}

/** Trials of a colorant in the workshop's own soap: they re-fit it and narrow its forecast. */
export function SwatchesEditor({ colorant, shelf, onSwatches, problem }: Props) {
  const { swatches } = colorant
  const set = (i: number, change: Partial<OwnSwatch>) =>
    onSwatches(swatches.map((one, j) => (j === i ? { ...one, ...change } : one)))
  const add = () => {
    let n = swatches.length + 1
    while (swatches.some(one => one.id === `swatch-${n}`)) n += 1
    onSwatches([
      ...swatches,
      {
        id: `swatch-${n}`,
        date: todayHere(),
        doseGPerKg: colorant.referenceDoseGPerKg,
        medium: colorant.medium,
        whiteGPerKg: 0,
        days: 42,
        gel: 0,
        hex: colorant.soapHex,
        carotene: STANDARD_BASE.carotene,
        chlorophyll: STANDARD_BASE.chlorophyll,
        brown: STANDARD_BASE.brown,
        scatter: STANDARD_BASE.scatter,
        faults: [],
        note: '',
        picture: '',
      },
    ])
  }
  return (
    <section aria-label={t('Own swatches')} className="border-t border-line pt-2">
      <h3 className="font-title font-semibold">{t('Own swatches')}</h3>
      <Fitted colorant={colorant} />
      <ul>
        {swatches.map((swatch, i) => (
          <Row
            key={swatch.id}
            number={i + 1}
            swatch={swatch}
            colorant={colorant}
            shelf={shelf}
            onSet={change => set(i, change)}
            onRemove={() => onSwatches(swatches.filter((_, j) => j !== i))}
          />
        ))}
      </ul>
      {problem && (
        <p role="alert" className="text-[13px] text-rust">
          <Say of={problem} />
        </p>
      )}
      {swatches.length < MAX_SWATCHES ? (
        <button type="button" className="quiet mt-1" onClick={add}>
          <Plus size={16} aria-hidden /> {t('Add a swatch')}
        </button>
      ) : (
        <p className="text-[13px] text-soft">{t('At most {what} swatches are kept.', { what: MAX_SWATCHES })}</p>
      )}
    </section>
  )
}

const BASES = { estimate: t('an estimate'), 'own swatch': t('one swatch of yours'), fitted: t('your swatches') }

/** The colour at the reference dose as the shelf has it, and as the swatches make it. */
function Fitted({ colorant }: { colorant: Colorant }) {
  const known = pigmentOfColorant(colorant)
  const start = pigmentOfColorant({ ...colorant, swatches: [] })
  const at = (one: typeof known) =>
    mixed(STANDARD_BASE, [{ pigment: one.pigment, gPerKg: colorant.referenceDoseGPerKg }], { days: 42, gel: 0 }).hex
  return (
    <div className="my-1.5 flex items-center gap-3 text-[13px]">
      <span className="inline-flex h-9 w-28 border border-ink" aria-hidden>
        {known.fit && <span className="flex-1" style={{ background: at(start) }} />}
        <span className="flex-1" style={{ background: at(known) }} />
      </span>
      <span className="text-soft">
        {t('{fit}Forecasts rest on {basis}: ± ΔE {lowDeltaE} to {highDeltaE}.{swatches}', {
          fit: known.fit ? t('as the shelf has it, and as fitted. ') : '',
          basis: BASES[known.basis],
          lowDeltaE: known.lowDeltaE,
          highDeltaE: known.highDeltaE,
          swatches: colorant.swatches.length === 0 && t(' One swatch narrows it, two fit it.'),
        })}
      </span>
    </div>
  )
}

interface RowProps {
  number: number
  swatch: OwnSwatch
  colorant: Colorant
  shelf: Shelf
  onSet: (change: Partial<OwnSwatch>) => void
  onRemove: () => void
}

/** How near the fit comes to a swatch, and why it may not count. */
const fitWords = (swatch: OwnSwatch, colorant: Colorant): string =>
  t('The fit comes within ΔE {off} of it.{doseGPerKg}{shiftDays}', {
    off: tidy(deltaE(labOfHex(swatch.hex), colourOfSwatch(colorant, swatch).lab), 1),
    doseGPerKg: swatch.doseGPerKg <= 0 && t(' Without a dose it does not count.'),
    shiftDays:
      colorant.shiftDays > 0 &&
      swatch.days < 28 &&
      t(' Younger than four weeks: its colour still moves, so it does not count.'),
  })

function Row({ number, swatch, colorant, shelf, onSet, onRemove }: RowProps) {
  const [photo, setPhoto] = useState(false)
  const base = baseOfSwatch(swatch)
  const plainHex = mixed(base, [], { days: swatch.days, gel: swatch.gel }).hex
  const cell = (key: 'doseGPerKg' | 'whiteGPerKg' | 'days', label: string) => (
    <label className="flex flex-col text-[13px] text-soft">
      {label}
      <NumberCell
        label={t('{label}, swatch {numberIs}', { label, numberIs: number })}
        kind="plain"
        unit=""
        width={64}
        value={swatch[key]}
        onValue={value => onSet({ [key]: value })}
      />
    </label>
  )
  return (
    <li className="border-b border-line py-2">
      <div className="flex flex-wrap items-end gap-x-3 gap-y-1.5">
        {swatch.picture && <img src={swatch.picture} alt="" className="size-10 border border-ink object-cover" />}
        <input
          type="color"
          aria-label={t('Colour of swatch {numberIs}', { numberIs: number })}
          className="h-10 w-14 cursor-pointer"
          value={swatch.hex}
          onChange={event => onSet({ hex: event.target.value.toLowerCase() })}
        />
        <button type="button" className="button" onClick={() => setPhoto(true)}>
          <Camera size={16} aria-hidden /> {t('from a photograph')}
        </button>
        <button
          type="button"
          className="quiet ml-auto"
          aria-label={t('Remove swatch {numberIs}', { numberIs: number })}
          onClick={onRemove}
        >
          <Trash2 size={15} aria-hidden />
        </button>
      </div>
      <div className="mt-1.5 flex flex-wrap items-end gap-x-3 gap-y-1.5">
        {cell('doseGPerKg', t('g per kg'))}
        {cell('whiteGPerKg', t('white beside it'))}
        {cell('days', t('age, days'))}
        <Choice<Medium>
          label={t('Stirred into')}
          value={swatch.medium}
          options={Object.keys(MEDIA).map(medium => ({ value: medium as Medium, text: t(medium) }))}
          onValue={medium => onSet({ medium })}
        />
        <BaseChoice number={number} shelf={shelf} onBase={tint => onSet(tint)} />
        <span className="inline-flex items-center gap-1.5 text-[13px] text-soft">
          {rich('{span} its base, plain', {
            span: <span className="inline-block size-6 border border-ink" style={{ background: plainHex }} />,
          })}
        </span>
        <Check label={t('gelled')} checked={swatch.gel >= 0.5} onChange={on => onSet({ gel: on ? 1 : 0 })} />
      </div>
      <Faults {...{ swatch, onSet }} />
      <p className="text-[13px] text-soft">{fitWords(swatch, colorant)}</p>
      {photo && (
        <PhotoDialog
          plainHex={plainHex}
          onClose={() => setPhoto(false)}
          onColour={(hex, picture) => {
            onSet({ hex, picture })
            setPhoto(false)
          }}
        />
      )}
    </li>
  )
}

/** What is amiss with a swatch. */
const Faults = ({ swatch, onSet }: Pick<RowProps, 'swatch' | 'onSet'>) => (
  <div className="flex flex-wrap gap-x-4 text-[13px]">
    {inWords<SwatchFault>(SWATCH_FAULTS).map(([fault, text]) => (
      <Check
        key={fault}
        label={text}
        checked={swatch.faults.includes(fault)}
        onChange={on => onSet({ faults: on ? [...swatch.faults, fault] : swatch.faults.filter(one => one !== fault) })}
      />
    ))}
  </div>
)

const baseOfSwatch = ({ carotene, chlorophyll, brown, scatter }: OwnSwatch): BaseTint => ({
  ...STANDARD_BASE,
  carotene,
  chlorophyll,
  brown,
  scatter,
})

/** The base that a swatch lay in: one of the workshop's recipes, or a pale standard one. */
function BaseChoice({
  number,
  shelf,
  onBase,
}: {
  number: number
  shelf: Shelf
  onBase: (tint: Pick<BaseTint, 'carotene' | 'chlorophyll' | 'brown' | 'scatter'>) => void
}) {
  const { data } = useQuery(recipesQuery)
  const take = (id: string) => {
    const recipe = data?.find(one => one.id === id)?.recipe
    const { carotene, chlorophyll, brown, scatter } = recipe
      ? baseOf({ ...starterPlan(''), recipe }, shelf)
      : STANDARD_BASE
    const tidied = (value: number) => Number(value.toFixed(4))
    onBase({
      carotene: tidied(carotene),
      chlorophyll: tidied(chlorophyll),
      brown: tidied(brown),
      scatter: tidied(Math.min(1.5, Math.max(0.3, scatter))),
    })
  }
  return (
    <Choice
      label={t('Base of swatch {numberIs}', { numberIs: number })}
      value=""
      options={[
        { value: '', text: t('as set') },
        { value: 'standard', text: t('a pale standard base') },
        ...(data ?? []).map(one => ({ value: one.id, text: one.name })),
      ]}
      onValue={id => id !== '' && take(id)}
    />
  )
}
