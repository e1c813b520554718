import { BEGINNINGS, LEVELS_OF_SURPRISE, followingOf, readSetting } from '@ostler/core'
import type { AskedQuestion, Beginning, LevelOfSurprise, RehearsalSetting, Words } from '@ostler/core'
import { useMutation } from '@tanstack/react-query'
import { Play } from 'lucide-react'
import { useMemo, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { beginRehearsal } from '../../api/client.ts'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { useBatch, useForecast, usePlan } from '../../plan/context.tsx'
import { freshUuid } from '../../plan/fresh-uuid.ts'
import { saveFile } from '../../ui/save-file.ts'
import { OpenJson } from '../../ui/open-json.tsx'
import { Earlier } from './earlier.tsx'
import { ChosenSurprises, ForAClass, questionLacks } from './script.tsx'
import type { Script } from './script.tsx'
import { t } from '../../words/index.ts'
import { inWords } from '../../ui/options.ts'

const LEVEL_SAYS: Readonly<Record<Wanted, string>> = {
  none: t('A batter much as the forecast has it. For the first time, and to learn the order of work.'),
  few: t('Two small things come in between: a spill, a weak blender, the door.'),
  chosen: t('What you want to practise, or want a class to meet.'),
  'bad-day': t('One thing that spoils most batches, and two small ones. For those who want to be ready.'),
}
const MOST_SEED = 9999

type Wanted = LevelOfSurprise | 'chosen'

const WORDS: Readonly<Record<Wanted, string>> = {
  none: t(LEVELS_OF_SURPRISE.none.word),
  few: t(LEVELS_OF_SURPRISE.few.word),
  'bad-day': t(LEVELS_OF_SURPRISE['bad-day'].word),
  chosen: t('chosen here'),
}
const drawnSeed = () => 1 + Math.floor(Math.random() * MOST_SEED)

/** What a number that was typed is, as a seed; null: it is none. */
const seedOf = (text: string): number | null => (/^\d{1,9}$/.test(text.trim()) ? Number(text.trim()) : null)

/** What is set up, as it is begun and kept. */
function settingOf(level: Wanted, script: Script, begins: Beginning, seed: number): RehearsalSetting {
  const { surprises = [], questions = [], locks } = script
  return {
    ...{ seed, begins, level: level === 'chosen' ? 'few' : level },
    ...(level === 'chosen' ? { surprises } : { deck: 2 }),
    ...(questions.length > 0 && { questions: questions.map(trimmed) }),
    ...(locks && { locks }),
  }
}

/** Without the answers that were left empty. */
function trimmed({ answers, right, ...rest }: AskedQuestion): AskedQuestion {
  const kept = answers.filter(answer => answer.trim() !== '')
  return { ...rest, answers: kept, right: Math.max(0, kept.indexOf(answers[right] ?? '')) }
}

/** The pour practised before it is real. */
export function RehearsePage() {
  const { id = '' } = useParams()
  const navigate = useNavigate()
  const forecast = useForecast()
  const [level, setLevel] = useState<Wanted>('none')
  const [script, setScript] = useState<Script>({})
  const [begins, setBegins] = useState<Beginning>('lye')
  const [number, setNumber] = useState(() => String(drawnSeed()))
  const seed = seedOf(number)
  const setting = settingOf(level, script, begins, seed ?? 0)
  const begin = useMutation({
    mutationFn: () => beginRehearsal(id, freshUuid(), setting),
    onSuccess: one => navigate(`/rehearsals/${one.id}`),
  })
  const takes = (like: RehearsalSetting) => {
    setLevel(like.surprises ? 'chosen' : like.level)
    setScript({
      ...(like.surprises && { surprises: like.surprises }),
      ...(like.questions && { questions: like.questions }),
      ...(like.locks && { locks: like.locks }),
    })
    setBegins(like.begins)
    setNumber(String(like.seed))
    scrollTo({ top: 0 })
  }
  const lacks = (script.questions ?? []).some(question => questionLacks(question) !== '')
  return (
    <main className="mx-auto w-full max-w-180 flex-1 p-5 max-[900px]:p-3">
      <h1 className="text-2xl">{t('Rehearse it')}</h1>
      <p className="mt-1 text-soft">
        {t(
          'The Bench with a batter that only exists here: it thickens, seizes and spills as a real one may. No lye, no stock, nothing that later forecasts learn from.',
        )}
      </p>
      <ForecastRefused />
      <LevelChoice value={level} onValue={setLevel} />
      {level === 'chosen' && forecast && (
        <Surprises value={script.surprises ?? []} onValue={surprises => setScript({ ...script, surprises })} />
      )}
      <BeginningChoice value={begins} onValue={setBegins} />
      <SeedField value={number} seed={seed} onValue={setNumber} />
      <ForAClass value={script} onValue={setScript} />
      <ScriptFile setting={setting} canSave={seed !== null && !lacks} onOpen={takes} />
      {forecast && (
        <button
          className="button button-main mt-4 min-h-16 px-8 text-xl"
          disabled={begin.isPending || seed === null || lacks}
          onClick={() => begin.mutate()}
        >
          <Play size={22} aria-hidden /> {t('Begin')}
        </button>
      )}
      {begin.error && (
        <p role="alert" className="mt-2 text-rust">
          {begin.error.message}
        </p>
      )}
      <Earlier batch={id} onAgain={takes} />
    </main>
  )
}

function Surprises(props: ChoiceProps<NonNullable<Script['surprises']>>) {
  const plan = usePlan(state => state.plan)
  const { shelf } = useBatch()
  const following = useMemo(() => followingOf(plan, shelf), [plan, shelf])
  return <ChosenSurprises value={props.value} onValue={value => props.onValue([...value])} following={following} />
}

const MOST_BYTES = 200_000

interface ScriptFileProps {
  setting: RehearsalSetting
  canSave: boolean
  onOpen: (setting: RehearsalSetting) => void
}

/** All of it as a file, for another batch or another workshop. */
function ScriptFile({ setting, canSave, onOpen }: ScriptFileProps) {
  const take = (value: unknown): Words => {
    const read = readSetting(value)
    if (read.ok) onOpen(read.value)
    return read.ok ? '' : (read.problems[0]?.sentence ?? '')
  }
  return (
    <p className="mt-3 flex flex-wrap items-center gap-x-6">
      <button
        className="quiet min-h-11"
        disabled={!canSave}
        onClick={() => saveFile('rehearsal.json', `${JSON.stringify(setting, null, 2)}\n`, 'application/json')}
      >
        {t('Save this as a file')}
      </button>
      <OpenJson mostBytes={MOST_BYTES} tooLarge={t('This file is too large for a script.')} onValue={take} />
    </p>
  )
}

interface ChoiceProps<T> {
  value: T
  onValue: (value: T) => void
}

function LevelChoice({ value, onValue }: ChoiceProps<Wanted>) {
  return (
    <fieldset className="mt-4">
      <legend className="text-lg">{t('What comes in between')}</legend>
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

function BeginningChoice({ value, onValue }: ChoiceProps<Beginning>) {
  return (
    <fieldset className="mt-4">
      <legend className="text-lg">{t('It begins')}</legend>
      {inWords(BEGINNINGS).map(([key, text]) => (
        <label key={key} className="mr-6 inline-flex min-h-11 cursor-pointer items-center gap-2">
          <input type="radio" name="begins" checked={value === key} onChange={() => onValue(key)} />
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
        {t('Number of the batter')}
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
        {t('another')}
      </button>
      <p id="seed-says" className={seed === null ? 'text-rust' : 'text-soft'}>
        {seed === null
          ? t('A whole number of up to nine digits.')
          : t('The same number is the same batter, with the same luck: a class can pour it side by side.')}
      </p>
    </div>
  )
}
