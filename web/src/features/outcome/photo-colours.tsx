import { baseOf, daysBetween, deltaE, findById, gelOf, hexOfCup, labOfHex, mixed, together } from '@ostler/core'
import type { Colorant, Cup, Forecast, OwnSwatch, Plan, RecordEntry, Shelf } from '@ostler/core'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { photoAddress, saveItem, shelfQuery } from '../../api/client.ts'
import { ColourSampler } from '../../parts/colour-sampler.tsx'
import type { ReadColour } from '../../parts/colour-sampler.tsx'
import { useColourView } from '../../plan/colour-view.ts'
import { useBatch, useForecast, usePlan } from '../../plan/context.tsx'
import { Ask } from '../../ui/ask.tsx'
import { Choice } from '../../ui/choice.tsx'
import { Say } from '../../ui/say.tsx'
import { useAct } from '../../ui/use-act.ts'
import type { OpenRecord } from '../../parts/use-record.ts'
import { fixed, t, todayHere } from '../../words/index.ts'

interface Props {
  record: OpenRecord
  entry: RecordEntry
  onClose: () => void
}

async function pictureOf(photo: string): Promise<ImageBitmap> {
  const response = await fetch(photoAddress(photo, 'large'))
  if (!response.ok) throw new Error(t('The photograph cannot be had just now.'))
  return createImageBitmap(await response.blob())
}

/** Colours of the bars read off a photograph, beside what was forecast of each cup. */
export function PhotoColours({ record, entry, onClose }: Props) {
  const { data: picture, error } = useQuery({
    queryKey: ['photo', entry.photo],
    queryFn: () => pictureOf(entry.photo!),
    staleTime: Infinity,
    gcTime: 0,
  })
  const plan = usePlan(one => one.plan)
  const { shelf } = useBatch()
  const [id, setId] = useState(plan.cups[0]!.id)
  const cup = plan.cups.find(one => one.id === id) ?? plan.cups[0]!
  const { pouredAt } = plan.rest
  const days = pouredAt === '' ? 0 : Math.max(0, daysBetween(pouredAt, entry.on))
  const gel = (useColourView().gelled ?? gelOf(plan)) === 'yes' ? 1 : 0
  const plainHex = mixed(baseOf(plan, shelf), [], { days, gel }).hex
  return (
    <Ask open wide title={t('Colours of the photograph')} onClose={onClose}>
      <div className="mb-3 flex flex-wrap items-end gap-4">
        <Choice<string>
          label={t('The colour is of')}
          value={cup.id}
          options={plan.cups.map(one => ({ value: one.id, text: one.name }))}
          onValue={setId}
        />
        <p className="max-w-100 text-[14px] text-soft">
          {t(
            'Mark it on the bar, and mark what its colour is known of: plain soap of this batch, a grey card or a white one in the same light.',
          )}
        </p>
      </div>
      {error && <p className="text-rust">{error.message}</p>}
      {picture && (
        <ColourSampler picture={picture} plainHex={plainHex}>
          {(result, thumbnail) => <ReadOf {...{ record, result, thumbnail, cup, days, gel }} />}
        </ColourSampler>
      )}
    </Ask>
  )
}

interface ReadProps {
  record: OpenRecord
  result: ReadColour
  thumbnail: () => string
  cup: Cup
  days: number
  gel: number
}

/** From here on an eye sees the difference side by side; and everybody does. */
const SEEN = { hardly: 3, plain: 8 } as const
const offWords = (off: number): string =>
  off < SEEN.hardly ? t('hardly to be seen') : off < SEEN.plain ? t('to be seen side by side') : t('plain to see')

/** The colour that was read beside the one that was forecast; kept as a note, or as a swatch of the colorant. */
const readWords = (hex: string, forecastHex: string | null): string =>
  forecastHex === null
    ? t('{hex} read, nothing forecast.', { hex })
    : t('{hex} read, {forecastHex} forecast.', { hex, forecastHex })

function ReadOf({ record, result, thumbnail, cup, days, gel }: ReadProps) {
  const plan = usePlan(one => one.plan)
  const view = useColourView()
  const forecast = useForecast()
  const client = useQueryClient()
  const { data } = useQuery(shelfQuery)
  const [kept, setKept] = useState<readonly string[]>([])
  const act = useAct()
  if (!result.ok)
    return (
      <p role="status" className="mt-3 text-rust">
        <Say of={result.sentence} />
      </p>
    )
  const forecastHex = forecast ? hexOfCup(plan, forecast.colours, cup.id, view) : null
  const off = forecastHex === null ? null : deltaE(labOfHex(result.hex), labOfHex(forecastHex))
  const swatch = data
    ? swatchOf(plan, data.shelf, realDoses(forecast, plan, cup), cup, { days, gel, hex: result.hex })
    : null
  const keep = (word: string) => setKept(all => [...all, `${word} ${cup.id} ${result.hex}`])
  const isKept = (word: string) => kept.includes(`${word} ${cup.id} ${result.hex}`)
  const note = () => {
    const told = off === null ? '' : t(', forecast {forecastHex}, ΔE {off}', { forecastHex, off: fixed(off, 1) })
    record.note({
      kind: 'note',
      text: t('Colour of {cup} on day {days}: {hex}{told}', { cup: cup.name, days, hex: result.hex, told }),
    })
    keep('note')
  }
  const take = () =>
    act.run(async () => {
      const { colorant } = swatch!
      const ids = new Set(colorant.swatches.map(one => one.id))
      let n = colorant.swatches.length + 1
      while (ids.has(`swatch-${n}`)) n += 1
      const own: OwnSwatch = { ...swatch!.swatch, id: `swatch-${n}`, picture: thumbnail() }
      const revision = data!.revisions.colorants[colorant.id] ?? 1
      const changed: Colorant = { ...colorant, swatches: [...colorant.swatches, own] }
      await saveItem('colorants', changed, revision)
      await client.invalidateQueries({ queryKey: shelfQuery.queryKey })
      keep('swatch')
    })
  return (
    <div className="mt-3 flex flex-wrap items-center gap-3">
      <span className="inline-flex h-12 w-28 border border-ink" aria-hidden>
        <span className="flex-1" style={{ background: result.hex }} />
        {forecastHex !== null && <span className="flex-1" style={{ background: forecastHex }} />}
      </span>
      <p role="status" className="min-w-60 flex-1">
        {off !== null && <strong>{t('ΔE {off}, {off2}.', { off: fixed(off, 1), off2: offWords(off) })} </strong>}
        <Say of={together([readWords(result.hex, forecastHex), result.sentence])} />
      </p>
      <button type="button" className="button min-h-10" disabled={isKept('note')} onClick={note}>
        {isKept('note') ? t('✓ noted') : t('Note it')}
      </button>
      {swatch && (
        <button
          type="button"
          className="button button-main min-h-10"
          disabled={act.busy || isKept('swatch')}
          onClick={() => void take()}
        >
          {isKept('swatch')
            ? t('✓ a swatch')
            : t('Take it as a swatch of {colorant}', { colorant: swatch.colorant.name })}
        </button>
      )}
      {act.sentence !== '' && (
        <p role="alert" className="w-full text-rust">
          {act.sentence}
        </p>
      )}
    </div>
  )
}

/** Doses of a cup's colorants as they are weighed, g per kg of batter. */
const realDoses = (forecast: Forecast | null, plan: Plan, cup: Cup): ReadonlyMap<string, number> =>
  new Map(
    forecast?.portions.cups[plan.cups.indexOf(cup)]?.colours.map(one => [one.colorant, one.doseGPerKg] as const) ?? [],
  )

/** The colour as a trial of its colorant, where the cup holds one, with white beside it or without; null of mixtures. */
function swatchOf(
  plan: Plan,
  shelf: Shelf,
  doses: ReadonlyMap<string, number>,
  cup: Cup,
  seen: { days: number; gel: number; hex: string },
): { colorant: Colorant; swatch: Omit<OwnSwatch, 'id' | 'picture'> } | null {
  const known = cup.colorants.flatMap(part => {
    const colorant = findById(shelf.colorants, part.colorant)
    return colorant ? [{ part, colorant }] : []
  })
  const whites = known.filter(one => one.colorant.spectrum === 'titanium')
  const tints = known.filter(one => one.colorant.spectrum !== 'titanium')
  const [tint] = tints.length > 0 ? tints : whites
  if (!tint || tints.length > 1 || whites.length > 1 || plan.potColorants.length > 0) return null
  const doseOf = ({ part }: (typeof known)[number]) => doses.get(part.colorant) ?? part.doseGPerKg
  const { carotene, chlorophyll, brown, scatter } = baseOf(plan, shelf)
  return {
    colorant: tint.colorant,
    swatch: {
      ...{ date: todayHere(), doseGPerKg: doseOf(tint), medium: tint.part.medium },
      ...{ whiteGPerKg: tints.length > 0 ? (whites[0] ? doseOf(whites[0]) : 0) : 0, ...seen },
      ...{ carotene, chlorophyll, brown, scatter, faults: [], note: `${plan.name}, ${cup.name}`.slice(0, 200) },
    },
  }
}
