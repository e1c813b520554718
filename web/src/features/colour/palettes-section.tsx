import {
  MOST_PALETTE_BYTES,
  SHELF_KINDS,
  idFromName,
  newItem,
  readPalette,
  seenBy,
  writeGpl,
  writePaletteJson,
  at,
} from '@ostler/core'
import type { Forecast, Palette, PaletteColour, Plan, Words } from '@ostler/core'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { Download, ImageIcon, Upload } from 'lucide-react'
import { useRef, useState } from 'react'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { saveItem, shelfQuery } from '../../api/client.ts'
import { useBatch } from '../../plan/context.tsx'
import { useColourView } from '../../plan/colour-view.ts'
import { useTold } from '../../parts/plan-field.tsx'
import { saveFile } from '../../ui/save-file.ts'
import { Section } from '../../ui/section.tsx'
import { useToast } from '../../ui/toast.tsx'
import { coloursOfPicture } from '../../workers/colour.ts'
import { Say } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

interface Props {
  plan: Plan
  forecast: Forecast
  /** The cup that takes a colour as its wish. */
  index: number
}

const MOST_OF_PICTURE = 12

/** Palettes of the workshop: kept, used for wishes, taken from files and from pictures of one's own. */
export function PalettesSection({ plan, forecast, index }: Props) {
  const { data } = useQuery(shelfQuery)
  const saving = useNewPalette()
  const [sentence, setSentence] = useState<Words | null>(null)
  const palettes = (data?.shelf.palettes ?? []).filter(one => !one.archived)

  const turn = useRef(0)

  /** What a later file has to say is not wiped away by an earlier one that took longer. */
  const inTurn = async (act: () => Promise<Words | null>) => {
    turn.current += 1
    const mine = turn.current
    setSentence(null)
    const told = await act().catch((error: Error) => error.message)
    if (turn.current === mine) setSentence(told)
  }
  const fromPicture = async (chosen: File): Promise<Words | null> => {
    const found = await coloursOfPicture(chosen, MOST_OF_PICTURE)
    if (!found.ok) return found.sentence
    const colours = found.colours.map(({ hex, share }) => ({ name: `${Math.round(share * 100)} %`, hex, doses: [] }))
    return saving.save(bareName(chosen), colours)
  }
  const fromFile = async (chosen: File): Promise<Words | null> => {
    if (chosen.size > MOST_PALETTE_BYTES) return t('A palette is a small text file; this one is over 512 kB.')
    const read = readPalette(await chosen.text())
    if (!read.ok) return read.sentence
    const failed = await saving.save(read.name === 'Palette' ? bareName(chosen) : read.name, read.colours)
    return failed ?? (read.sentence || null)
  }
  const fromCups = async (): Promise<Words | null> => {
    const colours = plan.cups.map((cup, i): PaletteColour => ({
      name: cup.name,
      hex: forecast.colours.cups[i]!.stages.cured[forecast.colours.cups[i]!.gelled].hex,
      doses: forecast.portions.cups[i]!.colours.filter(part => part.doseGPerKg > 0).map(part => ({
        colorant: part.colorant,
        doseGPerKg: Number(part.doseGPerKg.toPrecision(4)),
      })),
    }))
    return saving.save(plan.name, colours)
  }
  return (
    <Section title={t('Palettes')}>
      <ul className="flex flex-col gap-2">
        {palettes.map(palette => (
          <PaletteRow key={palette.id} palette={palette} plan={plan} index={index} />
        ))}
      </ul>
      {palettes.length === 0 && (
        <p className="text-soft">{t('None yet: keep the colours of these cups, or take a file.')}</p>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        <button className="button" disabled={saving.busy} onClick={() => void inTurn(fromCups)}>
          {t('Keep these cups as a palette')}
        </button>
        <FileButton
          label={t('Palette file')}
          accept=".gpl,.json,.txt"
          onFile={chosen => void inTurn(() => fromFile(chosen))}
        >
          <Upload size={16} aria-hidden /> {t('From a palette file')}
        </FileButton>
        <FileButton label={t('Photograph')} accept="image/*" onFile={chosen => void inTurn(() => fromPicture(chosen))}>
          <ImageIcon size={16} aria-hidden /> {t('From a photograph')}
        </FileButton>
      </div>
      {sentence && (
        <p role="status" className="mt-1.5 text-rust">
          <Say of={sentence} />
        </p>
      )}
      <p className="mt-1 text-[13px] text-soft">
        {t('A press on a colour makes it the wish of {index}. Photographs stay in this browser.', {
          index: plan.cups[index]!.name,
        })}
      </p>
    </Section>
  )
}

interface FileButtonProps {
  label: string
  accept: string
  onFile: (chosen: File) => void
  children: ReactNode
}

/** Asks for a file; the same may be chosen again. */
function FileButton({ label, accept, onFile, children }: FileButtonProps) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <button className="button" onClick={() => input.current?.click()}>
        {children}
      </button>
      <input
        ref={input}
        type="file"
        hidden
        aria-label={label}
        accept={accept}
        onChange={event => {
          const [first] = event.target.files ?? []
          event.target.value = ''
          if (first) onFile(first)
        }}
      />
    </>
  )
}

const bareName = (file: File): string => file.name.replace(/\.[^.]*$/, '')

/** Puts a palette on the shelf; gives a sentence when that failed. */
function useNewPalette() {
  const client = useQueryClient()
  const toast = useToast()
  const { data } = useQuery(shelfQuery)
  const [busy, setBusy] = useState(false)
  const save = async (wanted: string, colours: readonly PaletteColour[]): Promise<Words | null> => {
    const palettes = data?.shelf.palettes ?? []
    const taken = (text: string) => palettes.some(one => one.name.toLowerCase() === text.toLowerCase())
    const base = wanted.trim().slice(0, 74) || t('Palette')
    const next = Array.from({ length: palettes.length + 1 }, (_, i) => `${base}, ${i + 2}`)
    const name = taken(base) ? next.find(text => !taken(text))! : base
    const id = idFromName(name, one => palettes.some(palette => palette.id === one))
    setBusy(true)
    try {
      await saveItem(
        'palettes',
        { ...newItem('palettes'), id, name, source: 'measured', colours: [...colours] } as Palette,
        0,
      )
      await client.invalidateQueries({ queryKey: shelfQuery.queryKey })
      toast(t('“{name}” is kept among the {many}.', { name, many: t(SHELF_KINDS.palettes.many) }))
      return null
    } catch (error) {
      return (error as Error).message
    } finally {
      setBusy(false)
    }
  }
  return { busy, save }
}

function PaletteRow({ palette, plan, index }: { palette: Palette; plan: Plan; index: number }) {
  const batch = useBatch()
  const told = useTold()
  const { sight } = useColourView()
  const wish = (hex: string) => told(batch.edit({ kind: 'set', path: at(plan => plan.cups[index]!.wish), value: hex }))
  const toAll = () =>
    told(
      batch.edit({
        kind: 'many',
        edits: plan.cups.flatMap((_, i) => {
          const colour = palette.colours[i]
          return colour ? [{ kind: 'set' as const, path: ['cups', i, 'wish'], value: colour.hex }] : []
        }),
      }),
    )
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <Link to={`/shelf/palettes/${palette.id}`} className="w-44 truncate font-semibold underline">
        {palette.name}
      </Link>
      <span className="flex max-h-24 flex-1 flex-wrap overflow-y-auto max-[600px]:basis-full">
        {palette.colours.map((colour, i) => (
          <button
            key={i}
            className="size-9 border border-black/20"
            style={{ background: seenBy(colour.hex, sight) }}
            title={`${colour.name} ${colour.hex}`}
            aria-label={t('Wish for {colour}', { colour: colour.name || colour.hex })}
            onClick={() => wish(colour.hex)}
          />
        ))}
      </span>
      <button className="quiet" onClick={toAll}>
        {t('all cups')}
      </button>
      <button
        className="quiet"
        aria-label={t('Export {palette} as plain palette text', { palette: palette.name })}
        onClick={() => saveFile(`${palette.id}.gpl`, writeGpl(palette.name, palette.colours), 'text/plain')}
      >
        <Download size={15} aria-hidden /> {'.gpl'}
      </button>
      <button
        className="quiet"
        aria-label={t('Export {palette} with doses', { palette: palette.name })}
        onClick={() =>
          saveFile(`${palette.id}.json`, writePaletteJson(palette.name, palette.colours), 'application/json')
        }
      >
        <Download size={15} aria-hidden /> {'.json'}
      </button>
    </li>
  )
}
