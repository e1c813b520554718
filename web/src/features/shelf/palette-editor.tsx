import { MAX_PALETTE } from '@ostler/core'
import type { Palette, PaletteColour, Shelf, Words } from '@ostler/core'
import { Plus, Trash2 } from 'lucide-react'
import { Say } from '../../ui/say.tsx'
import { t, tidy } from '../../words/index.ts'

interface Props {
  palette: Palette
  shelf: Shelf
  onColours: (colours: PaletteColour[]) => void
  problem: Words | undefined
}

/** The colours of a palette, and how each was made if that is known. */
export function PaletteEditor({ palette, shelf, onColours, problem }: Props) {
  const { colours } = palette
  const set = (i: number, change: Partial<PaletteColour>) =>
    onColours(colours.map((one, j) => (j === i ? { ...one, ...change } : one)))
  const made = (colour: PaletteColour) =>
    colour.doses
      .map(dose => {
        const name = shelf.colorants.find(one => one.id === dose.colorant)?.name ?? dose.colorant
        return t('{name} {doseGPerKg} g/kg', { name, doseGPerKg: tidy(dose.doseGPerKg, 2) })
      })
      .join(' + ')
  return (
    <section aria-label={t('Colours of the palette')} className="border-t border-line pt-2">
      <h3 className="font-title font-semibold">{t('{colours} colours', { colours: colours.length })}</h3>
      <ul className="max-h-120 overflow-y-auto">
        {colours.map((colour, i) => (
          <li key={i} className="flex items-center gap-2 border-b border-line py-1">
            <input
              type="color"
              aria-label={t('Colour {i}', { i: i + 1 })}
              className="h-9 w-14 cursor-pointer"
              value={colour.hex}
              onChange={event => set(i, { hex: event.target.value.toLowerCase() })}
            />
            <span className="flex-1">
              <input
                aria-label={t('Name of colour {i}', { i: i + 1 })}
                className="field w-full"
                maxLength={60}
                value={colour.name}
                onChange={event => set(i, { name: event.target.value })}
              />
              {colour.doses.length > 0 && <span className="block text-[13px] text-soft">{made(colour)}</span>}
            </span>
            <button
              type="button"
              className="quiet"
              aria-label={t('Remove colour {i}', { i: i + 1 })}
              onClick={() => onColours(colours.filter((_, j) => j !== i))}
            >
              <Trash2 size={15} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      {problem && (
        <p role="alert" className="text-[13px] text-rust">
          <Say of={problem} />
        </p>
      )}
      {colours.length < MAX_PALETTE && (
        <button
          type="button"
          className="quiet mt-1"
          onClick={() => onColours([...colours, { name: '', hex: colours.at(-1)?.hex ?? '#b0663f', doses: [] }])}
        >
          <Plus size={16} aria-hidden /> {t('Add a colour')}
        </button>
      )}
    </section>
  )
}
