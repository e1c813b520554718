import { GONE_WAYS } from '@ostler/core'
import type { GoneWay } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { parseISO } from 'date-fns'
import { useId, useState } from 'react'
import type { ReactNode } from 'react'
import { rackPlanQuery } from '../../api/workshop.ts'
import { usePlan } from '../../plan/context.tsx'
import { options } from '../../ui/options.ts'
import { Choice } from '../../ui/choice.tsx'
import { clockNow } from '../../parts/use-record.ts'
import type { About, OpenRecord } from '../../parts/use-record.ts'
import { dated, t } from '../../words/index.ts'

const DAY = 'd MMM yyyy, HH:mm'
const shown = (on: string) => dated(parseISO(on), DAY)

/** How far it has come: out of the mould, cut, on its place, gone; each with its day, noted with one key. */
export function Course({ record }: { record: OpenRecord }) {
  const pouredAt = usePlan(state => state.plan.rest.pouredAt)
  const { unmouldedAt, cutAt, cutCount, place, turnedAt, goneCount } = record.state
  const left = cutCount === null ? null : Math.max(0, cutCount - goneCount)
  return (
    <ol
      aria-label={t('How far it has come')}
      className="mt-3 grid grid-cols-5 gap-4 max-[1100px]:grid-cols-2 max-[600px]:grid-cols-1"
    >
      <Step
        title={t('Poured')}
        done={pouredAt === '' ? null : shown(pouredAt.length > 10 ? pouredAt : `${pouredAt}T12:00`)}
      >
        <p className="text-[14px] text-soft">{t('Its day stands on the page Rest; the bench tells it.')}</p>
      </Step>
      <Step title={t('Out of the mould')} done={unmouldedAt === null ? null : shown(unmouldedAt)}>
        {unmouldedAt === null && (
          <Noting word={t('It is out')} onNote={on => record.note({ kind: 'unmoulded', on })} after={pouredAt} />
        )}
      </Step>
      <Step
        title={t('Cut')}
        done={cutAt === null ? null : `${shown(cutAt)}${cutCount === null ? '' : t(', {cutCount} bars', { cutCount })}`}
      >
        {cutAt === null && (
          <Noting
            word={t('It is cut')}
            counts={t('bars')}
            onNote={(on, count) => record.note(withCount({ kind: 'cut', on }, count))}
            after={pouredAt}
          />
        )}
      </Step>
      <Step
        title={t('On the rack')}
        done={
          place === ''
            ? null
            : `${place}${turnedAt === null ? '' : t(', turned {turnedAt}', { turnedAt: shown(turnedAt) })}`
        }
      >
        <Placing record={record} />
      </Step>
      <Step
        title={t('Gone')}
        done={
          goneCount === 0
            ? null
            : t('{goneCount} gone{left}', { goneCount, left: left === null ? '' : t(', {left} left', { left }) })
        }
      >
        <Leaving record={record} left={left} />
      </Step>
    </ol>
  )
}

const withCount = (about: About, count: number | null): About => (count === null ? about : { ...about, count })

function Step({ title, done, children }: { title: string; done: string | null; children: ReactNode }) {
  return (
    <li className="border-t-2 border-ink pt-2">
      <h2 className="text-lg">
        {done !== null && '✓ '}
        {title}
      </h2>
      <p className="min-h-6 font-semibold">{done ?? <span className="font-normal text-soft">{t('not yet')}</span>}</p>
      {children}
    </li>
  )
}

interface NotingProps {
  word: string
  counts?: string
  /** It cannot have been before this. */
  after: string
  onNote: (on: string, count: number | null) => void
}

/** A day that was, now unless it is said otherwise, and how many. */
function Noting({ word, counts, after, onNote }: NotingProps) {
  const [on, setOn] = useState('')
  const [count, setCount] = useState('')
  const [sentence, setSentence] = useState('')
  const id = useId()
  const note = () => {
    const at = on === '' ? clockNow() : on
    const bars = count.trim() === '' ? null : Number(count)
    if (after !== '' && at.slice(0, 10) < after.slice(0, 10)) return setSentence(t('That was before it was poured.'))
    if (at > clockNow()) return setSentence(t('That is still to come.'))
    if (bars !== null && !(Number.isInteger(bars) && bars >= 1 && bars <= 2000))
      return setSentence(t('A number of bars is a whole number from 1 to 2000.'))
    setSentence('')
    onNote(at, bars)
    setOn('')
    setCount('')
  }
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={submitted => {
        submitted.preventDefault()
        note()
      }}
    >
      {counts !== undefined && (
        <input
          aria-label={t('How many {counts}', { counts })}
          className="field min-h-9 w-20"
          inputMode="numeric"
          placeholder={counts}
          value={count}
          onChange={changed => setCount(changed.target.value)}
        />
      )}
      <input
        aria-label={t('When: {word}', { word })}
        type="datetime-local"
        className="field min-h-9 w-44"
        value={on}
        aria-invalid={sentence !== ''}
        aria-describedby={id}
        onChange={changed => setOn(changed.target.value)}
      />
      <button className="button min-h-9">{on === '' ? t('{word}, now', { word }) : word}</button>
      <p id={id} className="text-[14px] text-rust">
        {sentence}
      </p>
    </form>
  )
}

function Placing({ record }: { record: OpenRecord }) {
  const [text, setText] = useState('')
  const { data: rack } = useQuery(rackPlanQuery)
  const places = useId()
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={submitted => {
        submitted.preventDefault()
        record.note({ kind: 'placed', text: text.trim() })
        setText('')
      }}
    >
      <input
        aria-label={t('Place on the rack')}
        className="field min-h-9 w-36"
        maxLength={60}
        placeholder={t('rack 2, shelf 3')}
        list={places}
        value={text}
        onChange={changed => setText(changed.target.value)}
      />
      <datalist id={places}>
        {rack?.places.map(place => (
          <option key={place.name} value={place.name} />
        ))}
      </datalist>
      <button className="button min-h-9" disabled={text.trim() === ''}>
        {t('It lies there')}
      </button>
      <button type="button" className="button min-h-9" onClick={() => record.note({ kind: 'turned' })}>
        {t('Turned, now')}
      </button>
    </form>
  )
}

function Leaving({ record, left }: { record: OpenRecord; left: number | null }) {
  const [way, setWay] = useState<GoneWay>('sold')
  const [count, setCount] = useState('')
  const [sentence, setSentence] = useState('')
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={submitted => {
        submitted.preventDefault()
        const n = Number(count)
        if (!(Number.isInteger(n) && n >= 1 && n <= 2000))
          return setSentence(t('A number of bars is a whole number from 1 to 2000.'))
        if (left !== null && n > left) return setSentence(t('Only {left} are left.', { left }))
        setSentence('')
        record.note({ kind: 'gone', way, count: n })
        setCount('')
      }}
    >
      <input
        aria-label={t('How many are gone')}
        className="field min-h-9 w-20"
        inputMode="numeric"
        placeholder={t('bars')}
        value={count}
        onChange={changed => setCount(changed.target.value)}
      />
      <Choice<GoneWay> label={t('How they left')} value={way} options={options(GONE_WAYS)} onValue={setWay} />
      <button className="button min-h-9">{t('They are gone')}</button>
      <p role="alert" className="w-full text-[14px] text-rust">
        {sentence}
      </p>
    </form>
  )
}
