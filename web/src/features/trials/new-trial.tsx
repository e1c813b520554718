import {
  READING_WAYS,
  TRIAL_KINDS,
  drawnUp,
  evenDoses,
  pigmentOfColorant,
  STANDARD_BASE,
  trialOutlook,
  MAX_SAMPLES,
} from '@ostler/core'
import type { Colorant, ReadingWay, Shelf, Trial, TrialKind, TrialQuestion } from '@ostler/core'
import { useMutation, useQuery } from '@tanstack/react-query'
import { Plus } from 'lucide-react'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { addTrial, shelfQuery } from '../../api/client.ts'
import { freshUuid } from '../../plan/fresh-uuid.ts'
import { ShowsAtAll } from './shows-at-all.tsx'

interface Wish {
  name: string
  asked: string
  kind: TrialKind
  colorants: readonly string[]
  /** Of a ladder: how many doses, up to which, g/kg; empty: the usual most. */
  count: number
  most: string
  blanks: number
  isBesideWhite: boolean
  sampleG: number
  stepG: number
  way: ReadingWay
}

const START: Wish = {
  ...{ name: '', asked: '', kind: 'ladder', colorants: [], count: 5, most: '', blanks: 2 },
  ...{ isBesideWhite: true, sampleG: 40, stepG: 0.01, way: 'photo' },
}
const BESIDE_WHITE_GPERKG = 4
const MATTERS = 2.5
const SEEDS = 10_000
const CURED = { days: 42, gel: 0 }
/** Doses are rounded to so many digits that matter. */
const DIGITS = 2

const numberIn = (text: string): number => Number(text.trim().replace(',', '.'))

/** Levels that a wish means; empty: something is missing still. */
function levelsOf({ kind, colorants, count, most }: Wish, shelf: Shelf): TrialQuestion['levels'] {
  const items = colorants.flatMap(id => shelf.colorants.find(one => one.id === id) ?? [])
  if (kind === 'colours') return items.map(({ id, referenceDoseGPerKg: gPerKg }) => ({ colorant: id, gPerKg }))
  const [item] = items
  const to = most.trim() === '' ? item?.usualMaxGPerKg : numberIn(most)
  if (!item || !to || !(to > 0)) return []
  const { doses } = evenDoses(pigmentOfColorant(item).pigment, STANDARD_BASE, CURED, to, count)
  return doses.map(dose => ({ colorant: item.id, gPerKg: Math.max(0.01, Number(dose.toPrecision(DIGITS))) }))
}

function questionOf(wish: Wish, shelf: Shelf, seed: number): TrialQuestion | null {
  const levels = levelsOf(wish, shelf)
  if (levels.length < 2) return null
  const { kind, asked, blanks, isBesideWhite, sampleG, stepG, way } = wish
  const whiteGPerKg = kind === 'ladder' && isBesideWhite ? BESIDE_WHITE_GPERKG : 0
  return { ...{ kind, asked, levels, blanks, whiteGPerKg, sampleG, stepG, way, seed }, matters: MATTERS }
}

/** Why a trial cannot be drawn up yet; empty: it can. */
function lacks({ name, kind, colorants, most }: Wish, question: TrialQuestion | null): string {
  if (colorants.length === 0) return kind === 'ladder' ? 'Choose the colorant.' : 'Choose what is compared.'
  if (kind === 'colours' && colorants.length < 2) return 'Choose two colorants at least.'
  if (most.trim() !== '' && !(numberIn(most) > 0 && numberIn(most) <= 300))
    return 'The highest dose is above 0 and at most 300 g per kg.'
  if (!question) return 'Two doses at least.'
  if (drawnUp(question).length > MAX_SAMPLES)
    return `These are ${drawnUp(question).length} samples; a batch has at most ${MAX_SAMPLES} cups. Compare fewer.`
  return name.trim() === '' ? 'Give it a name.' : ''
}

/** A question first; the samples follow from it. */
export function NewTrial() {
  const shelf = useQuery(shelfQuery).data?.shelf
  const navigate = useNavigate()
  const [wish, setWish] = useState<Wish>(START)
  const [seed] = useState(() => 1 + Math.floor(Math.random() * SEEDS))
  const question = shelf ? questionOf(wish, shelf, seed) : null
  const lacking = lacks(wish, question)
  const begin = useMutation({
    mutationFn: () => addTrial(freshUuid(), trialOf(wish, question!)),
    onSuccess: one => navigate(`/trials/${one.id}`),
  })
  if (!shelf) return null
  const set = (change: Partial<Wish>) => setWish({ ...wish, ...change })
  return (
    <section aria-labelledby="new-trial" className="mt-8">
      <h2 id="new-trial" className="text-xl">
        A new trial
      </h2>
      <form
        className="mt-2 grid gap-3"
        onSubmit={event => {
          event.preventDefault()
          if (lacking === '') begin.mutate()
        }}
      >
        <fieldset className="flex flex-wrap gap-x-6">
          <legend className="text-[13px] text-soft">What is asked</legend>
          {Object.entries(TRIAL_KINDS).map(([kind, text]) => (
            <label key={kind} className="flex min-h-11 cursor-pointer items-center gap-2">
              <input
                type="radio"
                name="kind"
                checked={wish.kind === kind}
                onChange={() =>
                  set({ kind: kind as TrialKind, colorants: wish.colorants.slice(0, kind === 'ladder' ? 1 : 8) })
                }
              />
              {text}
            </label>
          ))}
        </fieldset>
        <Colorants wish={wish} colorants={shelf.colorants} onValue={colorants => set({ colorants })} />
        {wish.kind === 'ladder' && <Doses wish={wish} onValue={set} levels={question?.levels ?? []} />}
        <Samples wish={wish} onValue={set} />
        <div className="flex flex-wrap gap-4">
          <label className="flex min-w-60 flex-1 flex-col text-[13px] text-soft">
            name of the trial
            <input
              className="field min-h-11 text-ink"
              maxLength={80}
              value={wish.name}
              onChange={event => set({ name: event.target.value })}
            />
          </label>
          <label className="flex min-w-60 flex-[2] flex-col text-[13px] text-soft">
            in your own words (may be left empty)
            <input
              className="field min-h-11 text-ink"
              maxLength={300}
              value={wish.asked}
              onChange={event => set({ asked: event.target.value })}
            />
          </label>
        </div>
        {question && <ShowsAtAll outlook={trialOutlook({ question, samples: drawnUp(question) })} />}
        <div className="flex flex-wrap items-center gap-4">
          <button className="button button-main min-h-12 px-6 text-lg" disabled={lacking !== '' || begin.isPending}>
            <Plus size={20} aria-hidden /> Draw it up
          </button>
          <span role="status" className="text-rust">
            {lacking || begin.error?.message}
          </span>
        </div>
      </form>
    </section>
  )
}

function trialOf({ name }: Wish, question: TrialQuestion): Trial {
  const { carotene, chlorophyll, brown, scatter } = STANDARD_BASE
  return {
    ...{ format: 'ostler-trial', version: 1, name: name.trim(), question, samples: drawnUp(question) },
    ...{ base: { carotene, chlorophyll, brown, scatter, gel: 0 }, pouredOn: '', readings: [], takenOn: '' },
  }
}

interface ColorantsProps {
  wish: Wish
  colorants: readonly Colorant[]
  onValue: (colorants: readonly string[]) => void
}

function Colorants({ wish, colorants, onValue }: ColorantsProps) {
  const usable = colorants.filter(({ archived, spectrum }) => !archived && spectrum !== 'clear')
  if (wish.kind === 'ladder')
    return (
      <label className="flex max-w-100 flex-col text-[13px] text-soft">
        the colorant
        <select
          className="field min-h-11 text-ink"
          value={wish.colorants[0] ?? ''}
          onChange={event => onValue([event.target.value])}
        >
          <option value="">choose …</option>
          {usable.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
    )
  return (
    <fieldset>
      <legend className="text-[13px] text-soft">compared, each at its reference dose</legend>
      <ul className="grid max-h-72 grid-cols-3 gap-x-6 overflow-y-auto border border-line p-2 max-[900px]:grid-cols-2 max-[600px]:grid-cols-1">
        {usable.map(({ id, name, soapHex }) => (
          <li key={id}>
            <label className="flex min-h-9 cursor-pointer items-center gap-2">
              <input
                type="checkbox"
                checked={wish.colorants.includes(id)}
                disabled={!wish.colorants.includes(id) && wish.colorants.length >= 8}
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

interface FieldsProps {
  wish: Wish
  onValue: (change: Partial<Wish>) => void
}

function Doses({ wish, onValue, levels }: FieldsProps & { levels: TrialQuestion['levels'] }) {
  return (
    <div className="flex flex-wrap items-end gap-4">
      <label className="flex flex-col text-[13px] text-soft">
        doses
        <select
          className="field min-h-11 text-ink"
          value={wish.count}
          onChange={event => onValue({ count: Number(event.target.value) })}
        >
          {[3, 4, 5, 6, 7].map(count => (
            <option key={count}>{count}</option>
          ))}
        </select>
      </label>
      <label className="flex flex-col text-[13px] text-soft">
        the highest, g per kg
        <input
          className="field min-h-11 w-32 text-ink"
          inputMode="decimal"
          placeholder="usual most"
          value={wish.most}
          onChange={event => onValue({ most: event.target.value })}
        />
      </label>
      <label className="flex min-h-11 cursor-pointer items-center gap-2">
        <input
          type="checkbox"
          checked={wish.isBesideWhite}
          onChange={event => onValue({ isBesideWhite: event.target.checked })}
        />
        one more beside white: it tells how much the colorant covers
      </label>
      {levels.length > 0 && (
        <p className="basis-full">{levels.map(({ gPerKg }) => gPerKg).join(', ')} g per kg: even steps to the eye.</p>
      )}
    </div>
  )
}

function Samples({ wish, onValue }: FieldsProps) {
  return (
    <div className="flex flex-wrap items-end gap-4">
      <label className="flex flex-col text-[13px] text-soft">
        with nothing in them
        <select
          className="field min-h-11 text-ink"
          value={wish.blanks}
          onChange={event => onValue({ blanks: Number(event.target.value) })}
        >
          {[2, 3, 4].map(count => (
            <option key={count}>{count}</option>
          ))}
        </select>
      </label>
      <label className="flex flex-col text-[13px] text-soft">
        a sample, g
        <select
          className="field min-h-11 text-ink"
          value={wish.sampleG}
          onChange={event => onValue({ sampleG: Number(event.target.value) })}
        >
          {[25, 40, 60, 100, 150].map(g => (
            <option key={g}>{g}</option>
          ))}
        </select>
      </label>
      <label className="flex flex-col text-[13px] text-soft">
        the scale shows steps of, g
        <select
          className="field min-h-11 text-ink"
          value={wish.stepG}
          onChange={event => onValue({ stepG: Number(event.target.value) })}
        >
          {[0.01, 0.05, 0.1, 1].map(g => (
            <option key={g}>{g}</option>
          ))}
        </select>
      </label>
      <label className="flex flex-col text-[13px] text-soft">
        colours are read
        <select
          className="field min-h-11 text-ink"
          value={wish.way}
          onChange={event => onValue({ way: event.target.value as ReadingWay })}
        >
          {Object.entries(READING_WAYS).map(([way, text]) => (
            <option key={way} value={way}>
              {text}
            </option>
          ))}
        </select>
      </label>
    </div>
  )
}
