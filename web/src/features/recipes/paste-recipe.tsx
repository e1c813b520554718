import { pastedLines } from '@ostler/core'
import type { PastedAs, PastedLine, Shelf } from '@ostler/core'
import { ClipboardPaste, FileSpreadsheet } from 'lucide-react'
import { useState } from 'react'
import { textOfFile } from './sheet-text.ts'
import { t, tidy } from '../../words/index.ts'

const AS: Readonly<Record<Exclude<PastedAs, 'oil'>, string>> = {
  lye: t('lye (NaOH)'),
  water: 'water',
  potash: t('KOH: not taken here'),
  nothing: t('left out'),
}

/** What is taken over: weights in g. */
export interface TakenRecipe {
  oils: { oil: string; massG: number }[]
  lyeG: number | null
  waterG: number | null
}

/** Of oils in percent so much is taken as the whole, g. */
const WHOLE_G = 1000

/** Lines as they were matched, as a recipe; of an oil that stands there twice the weights add up. */
export function takenFrom(lines: readonly PastedLine[]): TakenRecipe {
  const grams = ({ amount, isShare }: PastedLine): number => (amount ?? 0) * (isShare ? WHOLE_G : 1)
  const oils = new Map<string, number>()
  for (const line of lines)
    if (line.as === 'oil' && line.oil !== '') oils.set(line.oil, (oils.get(line.oil) ?? 0) + grams(line))
  const of = (as: PastedAs): number | null => {
    const line = lines.find(one => one.as === as && one.amount !== null && !one.isShare)
    return line ? line.amount : null
  }
  return {
    oils: [...oils].map(([oil, massG]) => ({ oil, massG })),
    ...{ lyeG: of('lye'), waterG: of('water') },
  }
}

interface Props {
  shelf: Shelf
  onTake: (recipe: TakenRecipe) => void
}

/** A recipe as text or out of a sheet: every line is shown with what it seems to be, and every doubt. */
export function PasteRecipe({ shelf, onTake }: Props) {
  const [text, setText] = useState('')
  const [lines, setLines] = useState<PastedLine[]>([])
  const [sentence, setSentence] = useState('')
  const read = (next: string) => {
    setText(next)
    setLines(pastedLines(next, shelf))
    setSentence('')
  }
  const open = async (file: File | undefined) => {
    if (!file) return
    const found = await textOfFile(file)
    if (found.ok) read(found.text)
    else setSentence(found.sentence)
  }
  const set = (i: number, value: string) =>
    setLines(
      lines.map((line, j) => {
        if (j !== i) return line
        const as = value in AS ? (value as PastedAs) : 'oil'
        return { ...line, as, oil: as === 'oil' ? value : '', isDoubtful: false }
      }),
    )
  const doubts = lines.filter(({ isDoubtful }) => isDoubtful).length
  return (
    <details className="mb-4">
      <summary className="min-h-10 cursor-pointer content-center font-semibold">
        <ClipboardPaste size={16} aria-hidden className="mr-1 inline" /> {t('Paste it, or open it from a file')}
      </summary>
      <textarea
        aria-label={t('The recipe, as text or cells')}
        className="field mt-2 min-h-28 w-full font-mono"
        placeholder={t('Olive oil 400 g\nCoconut oil 250 g\nLye 92 g\nWater 210 g')}
        value={text}
        onChange={event => read(event.target.value)}
        onDragOver={event => event.preventDefault()}
        onDrop={event => {
          if (event.dataTransfer.files.length === 0) return
          event.preventDefault()
          void open(event.dataTransfer.files[0])
        }}
      />
      <OpenFile onFile={file => void open(file)} />
      {sentence !== '' && (
        <p role="alert" className="text-rust">
          {sentence}
        </p>
      )}
      {lines.length > 0 && (
        <>
          <table className="mt-2 w-full max-w-180 text-left">
            <tbody>
              {lines.map((line, i) => (
                <Row key={i} line={line} shelf={shelf} onAs={value => set(i, value)} />
              ))}
            </tbody>
          </table>
          <p className="mt-2 flex flex-wrap items-center gap-4">
            <button
              className="button button-main min-h-11"
              disabled={!lines.some(({ as }) => as === 'oil')}
              onClick={() => onTake(takenFrom(lines))}
            >
              {t('Take these lines')}
            </button>
            <span role="status" className={doubts > 0 ? 'text-rust' : 'text-soft'}>
              {doubts > 0
                ? t('△ {doubts} of {lines} lines are guesses: look at them.', { doubts, lines: lines.length })
                : t('Every line was known.')}
            </span>
          </p>
        </>
      )}
    </details>
  )
}

function Row({ line, shelf, onAs }: { line: PastedLine; shelf: Shelf; onAs: (value: string) => void }) {
  const { text, as, oil, amount, isShare, isDoubtful } = line
  return (
    <tr className="border-b border-line">
      <td className="py-1 pr-3">
        {isDoubtful && <span className="text-rust">△ </span>}
        {text}
      </td>
      <td className="pr-3 text-right whitespace-nowrap">
        {amount === null ? '–' : isShare ? `${tidy(100 * amount, 1)} %` : `${tidy(amount, 1)} g`}
      </td>
      <td>
        <select
          aria-label={t('What “{text}” is', { text })}
          className="field min-h-9 max-w-64"
          value={as === 'oil' ? oil : as}
          onChange={event => onAs(event.target.value)}
        >
          {Object.entries(AS).map(([key, name]) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
          {shelf.oils
            .filter(one => !one.archived)
            .map(one => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
        </select>
      </td>
    </tr>
  )
}

const OpenFile = ({ onFile }: { onFile: (file: File | undefined) => void }) => (
  <label className="quiet mt-1 inline-flex min-h-10 cursor-pointer items-center">
    <FileSpreadsheet size={16} aria-hidden /> {t('Open a file: text, CSV or .xlsx')}
    <input
      type="file"
      accept=".txt,.csv,.tsv,.xlsx,text/plain,text/csv"
      className="sr-only"
      onChange={event => onFile(event.target.files?.[0])}
    />
  </label>
)
