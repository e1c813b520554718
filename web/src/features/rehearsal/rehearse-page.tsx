import { BEGINNINGS, LEVELS_OF_SURPRISE, SURPRISE_KEYS, fitsPlan, followingOf, surpriseOf } from '@ostler/core'
import type { Beginning, LevelOfSurprise, RehearsalSetting, RehearsalSummary } from '@ostler/core'
import { useMutation, useQuery } from '@tanstack/react-query'
import { format } from 'date-fns'
import { Play, Trash2 } from 'lucide-react'
import Papa from 'papaparse'
import { useMemo, useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { beginRehearsal, deleteRehearsal, rehearsalsQuery } from '../../api/client.ts'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { useBatch, useForecast, usePlan } from '../../plan/context.tsx'
import { freshUuid } from '../../plan/fresh-uuid.ts'
import { saveFile } from '../../ui/save-file.ts'

const LEVEL_SAYS: Readonly<Record<Wanted, string>> = {
  none: 'A batter much as the forecast has it. For the first time, and to learn the order of work.',
  few: 'Two small things come in between: a spill, a weak blender, the door.',
  chosen: 'What you want to practise, or want a class to meet.',
  'bad-day': 'One thing that spoils most batches, and two small ones. For those who want to be ready.',
}
const MOST_SEED = 9999

type Wanted = LevelOfSurprise | 'chosen'
type Chosen = NonNullable<RehearsalSetting['surprises']>[number]

const WORDS: Readonly<Record<Wanted, string>> = {
  none: LEVELS_OF_SURPRISE.none.word,
  few: LEVELS_OF_SURPRISE.few.word,
  'bad-day': LEVELS_OF_SURPRISE['bad-day'].word,
  chosen: 'chosen here',
}
const SIZES = [
  [0, 'mild'],
  [0.5, 'middling'],
  [1, 'harsh'],
] as const

const drawnSeed = () => 1 + Math.floor(Math.random() * MOST_SEED)

/** What a number that was typed is, as a seed; null: it is none. */
const seedOf = (text: string): number | null => (/^\d{1,9}$/.test(text.trim()) ? Number(text.trim()) : null)

/** The pour practised before it is real. */
export function RehearsePage() {
  const { id = '' } = useParams()
  const navigate = useNavigate()
  const forecast = useForecast()
  const [level, setLevel] = useState<Wanted>('none')
  const [chosen, setChosen] = useState<readonly Chosen[]>([])
  const [begins, setBegins] = useState<Beginning>('lye')
  const [number, setNumber] = useState(() => String(drawnSeed()))
  const seed = seedOf(number)
  const begin = useMutation({
    mutationFn: () =>
      beginRehearsal(id, freshUuid(), {
        ...{ seed: seed ?? 0, begins, level: level === 'chosen' ? 'few' : level },
        ...(level === 'chosen' && { surprises: [...chosen] }),
      }),
    onSuccess: one => navigate(`/rehearsals/${one.id}`),
  })
  return (
    <main className="mx-auto w-full max-w-180 flex-1 p-5 max-[900px]:p-3">
      <h1 className="text-2xl">Rehearse it</h1>
      <p className="mt-1 text-soft">
        The Bench with a batter that only exists here: it thickens, seizes and spills as a real one may. No lye, no
        stock, nothing that later forecasts learn from.
      </p>
      <ForecastRefused />
      <LevelChoice value={level} onValue={setLevel} />
      {level === 'chosen' && forecast && <Script value={chosen} onValue={setChosen} />}
      <BeginningChoice value={begins} onValue={setBegins} />
      <SeedField value={number} seed={seed} onValue={setNumber} />
      {forecast && (
        <button
          className="button button-main mt-4 min-h-16 px-8 text-xl"
          disabled={begin.isPending || seed === null}
          onClick={() => begin.mutate()}
        >
          <Play size={22} aria-hidden /> Begin
        </button>
      )}
      {begin.error && (
        <p role="alert" className="mt-2 text-rust">
          {begin.error.message}
        </p>
      )}
      <Earlier batch={id} />
    </main>
  )
}

interface ChoiceProps<T> {
  value: T
  onValue: (value: T) => void
}

function LevelChoice({ value, onValue }: ChoiceProps<Wanted>) {
  return (
    <fieldset className="mt-4">
      <legend className="text-lg">What comes in between</legend>
      <div className="mt-1 grid gap-2">
        {(Object.keys(WORDS) as Wanted[]).map(key => (
          <label key={key} className="flex min-h-12 cursor-pointer items-baseline gap-3 border border-line px-3 py-2">
            <input type="radio" name="level" checked={value === key} onChange={() => onValue(key)} />
            <span>
              <strong className="block text-lg first-letter:uppercase">{WORDS[key]}</strong>
              {LEVEL_SAYS[key]}
            </span>
          </label>
        ))}
      </div>
    </fieldset>
  )
}

/** Surprises that this plan can meet, each chosen with how bad it is. */
function Script({ value, onValue }: ChoiceProps<readonly Chosen[]>) {
  const plan = usePlan(state => state.plan)
  const { shelf } = useBatch()
  const following = useMemo(() => followingOf(plan, shelf), [plan, shelf])
  const isFull = value.length >= MOST_CHOSEN
  return (
    <fieldset className="mt-3">
      <legend className="text-lg">
        Surprises ({value.length} of at most {MOST_CHOSEN})
      </legend>
      <ul className="columns-2 gap-8 max-[700px]:columns-1">
        {SURPRISE_KEYS.filter(key => fitsPlan(surpriseOf(key), following)).map(key => {
          const mine = value.find(one => one.key === key)
          const others = value.filter(one => one.key !== key)
          return (
            <li key={key} className="flex min-h-11 break-inside-avoid items-center gap-2">
              <label className="flex flex-1 cursor-pointer items-center gap-2">
                <input
                  type="checkbox"
                  checked={mine !== undefined}
                  disabled={!mine && isFull}
                  onChange={event => onValue(event.target.checked ? [...others, { key, size: 0.5 }] : others)}
                />
                {surpriseOf(key).title}
              </label>
              {mine && surpriseOf(key).size[0] !== surpriseOf(key).size[1] && (
                <select
                  className="field"
                  aria-label={`How bad: ${surpriseOf(key).title}`}
                  value={mine.size}
                  onChange={event => onValue([...others, { key, size: Number(event.target.value) }])}
                >
                  {SIZES.map(([size, word]) => (
                    <option key={word} value={size}>
                      {word}
                    </option>
                  ))}
                </select>
              )}
            </li>
          )
        })}
      </ul>
    </fieldset>
  )
}

function BeginningChoice({ value, onValue }: ChoiceProps<Beginning>) {
  return (
    <fieldset className="mt-4">
      <legend className="text-lg">It begins</legend>
      {Object.entries(BEGINNINGS).map(([key, text]) => (
        <label key={key} className="mr-6 inline-flex min-h-11 cursor-pointer items-center gap-2">
          <input type="radio" name="begins" checked={value === key} onChange={() => onValue(key as Beginning)} />
          {text}
        </label>
      ))}
    </fieldset>
  )
}

/** @param seed what was typed, as a number; null: it is none */
function SeedField({ value, seed, onValue }: ChoiceProps<string> & { seed: number | null }) {
  return (
    <div className="mt-3">
      <label className="block text-lg" htmlFor="seed">
        Number of the batter
      </label>
      <input
        id="seed"
        className="field mt-1 w-32"
        inputMode="numeric"
        value={value}
        aria-invalid={seed === null}
        aria-describedby="seed-says"
        onChange={event => onValue(event.target.value)}
      />
      <button className="quiet ml-2" onClick={() => onValue(String(drawnSeed()))}>
        another
      </button>
      <p id="seed-says" className={seed === null ? 'text-rust' : 'text-soft'}>
        {seed === null
          ? 'A whole number of up to nine digits.'
          : 'The same number is the same batter, with the same luck: a class can pour it side by side.'}
      </p>
    </div>
  )
}

const MOST_CHOSEN = 8

/** What was to come in between, in words. */
const wordOf = ({ level, surprises }: RehearsalSetting): string =>
  surprises
    ? surprises.map(({ key }) => surpriseOf(key).title.toLowerCase()).join(', ') || 'nothing chosen'
    : LEVELS_OF_SURPRISE[level].word

/** Results of a class, or of one's own tries, as a table file. */
function saveResults(all: readonly RehearsalSummary[]): void {
  const rows = all.map(({ openedAt, person, setting, score }) => [
    format(new Date(openedAt), 'yyyy-MM-dd HH:mm'),
    ...[person, setting.seed, wordOf(setting), score ?? ''],
  ])
  const table = [['begun', 'by', 'number', 'came in between', 'points of 100'], ...rows]
  saveFile('rehearsals.csv', Papa.unparse(table, { escapeFormulae: true, newline: '\r\n' }), 'text/csv')
}

/** Rehearsals of this batch so far. */
function Earlier({ batch }: { batch: string }) {
  const all = useQuery({ ...rehearsalsQuery(batch), staleTime: 0 })
  const remove = useMutation({ mutationFn: deleteRehearsal, onSettled: () => void all.refetch() })
  return (
    <>
      <div className="mt-8 flex items-center gap-4">
        <h2 className="text-lg">Rehearsals so far</h2>
        {all.data && all.data.length > 0 && (
          <button className="quiet min-h-10" onClick={() => saveResults(all.data)}>
            Results as CSV
          </button>
        )}
      </div>
      {all.error && <p className="text-rust">{all.error.message}</p>}
      {remove.error && (
        <p role="alert" className="text-rust">
          {remove.error.message}
        </p>
      )}
      {all.data?.length === 0 && <p className="text-soft">None yet.</p>}
      <ul>
        {all.data?.map(one => (
          <Row key={one.id} rehearsal={one} onDelete={() => remove.mutate(one.id)} />
        ))}
      </ul>
    </>
  )
}

function Row({ rehearsal, onDelete }: { rehearsal: RehearsalSummary; onDelete: () => void }) {
  const { id, openedAt, setting, score, person } = rehearsal
  const name = format(new Date(openedAt), 'd MMMM yyyy, HH:mm')
  return (
    <li className="flex flex-wrap items-center gap-x-6 border-b border-line py-2">
      <Link to={`/rehearsals/${id}`} className="min-h-10 content-center text-lg font-semibold underline">
        {name}
      </Link>
      <span>
        number {setting.seed}, {wordOf(setting)}
      </span>
      <span className="text-soft">{person}</span>
      <span>{score === null ? 'goes on' : `${score} of 100`}</span>
      <Link className="quiet ml-auto" to={`/rehearsals/${id}/watch`}>
        watch it
      </Link>
      <Link className="quiet" to={`/rehearsals/${id}/came`}>
        what came of it
      </Link>
      <button className="quiet min-h-10 min-w-10" aria-label={`Delete the rehearsal of ${name}`} onClick={onDelete}>
        <Trash2 size={18} aria-hidden />
      </button>
    </li>
  )
}
