import { BODIES, inCup, readQuantity } from '@ostler/core'
import type { Body, Words } from '@ostler/core'
import { Delete } from 'lucide-react'
import { useEffect, useState } from 'react'
import { useHabits } from '../../plan/context.tsx'
import { useFollowed, useRunState } from '../../run/context.tsx'
import { decimalMark, t } from '../../words/index.ts'
import { Say, useSay } from '../../ui/say.tsx'
import { useConnected } from '../../instruments/connected.ts'
import { readingNumber } from '../../instruments/reading-number.ts'
import { Shown } from './shown.tsx'
import { BenchPanel, Chips } from './panel.tsx'
import type { About } from './use-bench.ts'
import { inWords } from '../../ui/options.ts'

interface Props {
  onNote: (about: About) => void
  onClose: () => void
}

interface Measurable {
  value: string
  text: string
  about: About
  kind: 'mass' | 'temperature'
}

/** Less than this is what sticks to a cup, g. */
const LEAST_G = 15

/** What can be measured just now: what the step asks for first, then temperatures, and the cups that hold something. */
function useMeasurable(): Measurable[] {
  const following = useFollowed()
  const { next, state } = useRunState()
  const say = useSay()
  const step = next[0]?.step
  const line = following.lines.find(one => one.key === step?.item)
  const cup = following.plan.cups.find(one => one.id === step?.cup)
  const weights: Measurable[] =
    step?.kind === 'weigh' && line
      ? [{ value: 'weight', text: say(line.what), about: { kind: 'weighed', item: line.key }, kind: 'mass' }]
      : step?.kind === 'draw' && cup
        ? [
            {
              value: 'weight',
              text: t('drawn into {cup}', { cup: cup.name }),
              about: { kind: 'drawn', cup: cup.id },
              kind: 'mass',
            },
          ]
        : step?.kind === 'pour' && cup
          ? [
              {
                value: 'weight',
                text: t('left in {cup} when poured', { cup: cup.name }),
                about: { kind: 'poured', pour: step.pour! },
                kind: 'mass',
              },
            ]
          : []
  const bodies = inWords<Body>(BODIES)
  const wanted = step?.kind === 'temp' ? step.item : 'pot'
  const temps = bodies
    .sort(([a], [b]) => Number(b === wanted) - Number(a === wanted))
    .map(([body, text]): Measurable => ({
      value: body,
      text,
      about: { kind: 'temp', body },
      kind: 'temperature' as const,
    }))
  const held = state.cups.filter(one => one.drawnG !== null && !one.isLost && inCup(one) > LEAST_G)
  const name = (id: string) => following.plan.cups.find(one => one.id === id)!.name
  const warmths = held.map(({ cup: id }): Measurable => ({
    ...{ value: `temp:${id}`, text: name(id), about: { kind: 'temp', cup: id } },
    kind: 'temperature',
  }))
  const holds = held.map(({ cup: id }): Measurable => ({
    ...{ value: `left:${id}`, text: t('{id} holds', { id: name(id) }), about: { kind: 'left', cup: id } },
    kind: 'mass',
  }))
  // Once lye and oils have met they are no more.
  const bodiesNow = state.lyeInAt === null ? temps : temps.filter(one => one.value === 'pot' || one.value === 'room')
  return [
    ...weights,
    ...holds,
    ...(state.splitAt === null ? bodiesNow : []),
    ...warmths,
    ...(state.splitAt === null ? [] : bodiesNow),
  ]
}

const MARK = { point: '.', comma: ',', unknown: '.' } as const
const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '0', ',', '⌫'] as const

/** A number on a large pad: a temperature, what the scale shows. Nothing has to be typed, a keypad does as well. */
export function MeasuredPanel({ onNote, onClose }: Props) {
  const habits = useHabits()
  const measurable = useMeasurable()
  const [what, setWhat] = useState(measurable[0]!.value)
  const [text, setText] = useState('')
  const [sentence, setSentence] = useState<Words>('')
  const chosen = measurable.find(one => one.value === what) ?? measurable[0]!
  const unit = chosen.kind === 'mass' ? habits.mass : `°${habits.temperature}`
  const connected = useConnected()[chosen.kind]
  const reading = connected?.reading?.isStable ? connected.reading : null
  // What was typed counts before what an instrument says.
  const shown = text !== '' ? text : reading ? readingNumber(reading, habits) : ''
  const press = (key: string) => {
    setSentence('')
    setText(now =>
      key === '⌫' ? now.slice(0, -1) : now.length < 9 ? now + (key === ',' ? MARK[decimalMark()] : key) : now,
    )
  }
  const take = () => {
    if (text === '' && reading?.value != null)
      return onNote({
        ...chosen.about,
        ...{ amount: Math.round(reading.value * 1000) / 1000, source: connected!.instrument.source },
      })
    const read = readQuantity(
      text,
      chosen.kind,
      chosen.kind === 'mass' ? habits.mass : habits.temperature,
      undefined,
      decimalMark(),
    )
    if (!read.ok) return setSentence(read.sentence)
    onNote({ ...chosen.about, amount: Math.round(read.value * 1000) / 1000, raw: `${text} ${unit}` })
  }
  useEffect(() => {
    const keys = (event: KeyboardEvent) => {
      const key = event.key === '.' || event.key === ',' ? ',' : event.key === 'Backspace' ? '⌫' : event.key
      const isPad = (KEYS as readonly string[]).includes(key)
      const onButton = event.target instanceof HTMLButtonElement
      if (!isPad && (event.key !== 'Enter' || onButton)) return
      event.preventDefault()
      event.stopPropagation()
      if (isPad) press(key)
      else take()
    }
    addEventListener('keydown', keys, true)
    return () => removeEventListener('keydown', keys, true)
  })
  return (
    <BenchPanel title={t('Measured')} onClose={onClose}>
      <What measurable={measurable} chosen={chosen} onValue={setWhat} />
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,320px)] gap-6 max-[760px]:grid-cols-1 max-[760px]:gap-2">
        <div>
          <p className="min-h-20 text-[clamp(2.5rem,9vw,6rem)] leading-none font-semibold" aria-live="polite">
            {shown || '–'} <span className="text-3xl font-normal text-soft">{unit}</span>
          </p>
          <Shown kind={chosen.kind} />
          {sentence !== '' && (
            <p role="alert" className="text-lg text-rust">
              <Say of={sentence} />
            </p>
          )}
          <button
            className="button button-main mt-2 min-h-16 w-full justify-center text-2xl"
            disabled={shown === ''}
            onClick={take}
          >
            {t('Note it')}
          </button>
        </div>
        <Pad onKey={press} />
      </div>
    </BenchPanel>
  )
}

const KINDS = { mass: t('On the scale'), temperature: t('How warm') } as const

/** What is measured: on the scale or with the thermometer, and of which; one row where there is only one kind. */
function What({
  measurable,
  chosen,
  onValue,
}: {
  measurable: readonly Measurable[]
  chosen: Measurable
  onValue: (value: string) => void
}) {
  const kinds = [...new Set(measurable.map(one => one.kind))]
  return (
    <>
      {kinds.length > 1 && (
        <Chips
          label={t('With what')}
          options={kinds.map(kind => ({ value: kind, text: KINDS[kind] }))}
          value={chosen.kind}
          onValue={kind => onValue(measurable.find(one => one.kind === kind)!.value)}
        />
      )}
      <Chips
        label={t('What')}
        options={measurable.filter(one => one.kind === chosen.kind)}
        value={chosen.value}
        onValue={onValue}
      />
    </>
  )
}

function Pad({ onKey }: { onKey: (key: string) => void }) {
  return (
    <div className="grid grid-cols-3 gap-2">
      {KEYS.map(key => (
        <button
          key={key}
          className="min-h-16 border border-ink text-2xl font-semibold hover:bg-chosen"
          aria-label={key === '⌫' ? t('Delete the last digit') : key}
          onClick={() => onKey(key)}
        >
          {key === '⌫' ? <Delete size={24} aria-hidden className="mx-auto" /> : key === ',' ? MARK[decimalMark()] : key}
        </button>
      ))}
    </div>
  )
}
