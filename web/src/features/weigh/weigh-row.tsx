import {
  lineWorking,
  massDecimals,
  massNumber,
  offWeight,
  readQuantity,
  showMass,
  showMassDown,
  at,
  resized,
} from '@ostler/core'
import type { Forecast, OffWeight, Plan, Shelf, WeighLine, Working, Words } from '@ostler/core'
import { Check as CheckIcon } from 'lucide-react'
import { useId, useState } from 'react'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { useNoted, useNotedState } from '../../run/noted.tsx'
import { WorkingNumber } from '../../ui/working-number.tsx'
import { useToast } from '../../ui/toast.tsx'
import { decimalMark, fixed, t } from '../../words/index.ts'
import { Say, useSay } from '../../ui/say.tsx'

interface Props {
  line: WeighLine
  isNext: boolean
  /** The safety list is not ticked yet. */
  isLocked: boolean
}

/** What stands in the way of a weight, and what would be written down to note it all the same. */
interface HeldWeight {
  massG: number
  sentence: Words
  waiver: string | null
}

/** What is typed as weighed: noted when the field is left, or told what is wrong with it and kept as typed. */
function useEntry(line: WeighLine, weighedG: number | null) {
  const { run } = useNoted()
  const habits = useHabits()
  const say = useSay()
  const [typed, setTyped] = useState<string | null>(null)
  const [sentence, setSentence] = useState<Words | null>(null)
  const [held, setHeld] = useState<HeldWeight | null>(null)

  const store = (massG: number | null) => {
    setHeld(null)
    if (massG === null) {
      run?.takeBack(event => event.kind === 'weighed' && event.item === line.key)
      return setTyped(null)
    }
    const verdict = run?.verdict({ kind: 'weighed', item: line.key, amount: massG })
    if (verdict?.kind === 'refused') return setHeld({ massG, sentence: verdict.sentence, waiver: verdict.waiver })
    run?.note({ kind: 'weighed', item: line.key, amount: massG })
    setTyped(null)
  }
  const goOn = () => {
    if (!held?.waiver) return
    run?.note({ kind: 'waive', how: held.waiver, text: say(held.sentence) })
    store(held.massG)
  }
  const leave = () => {
    if (typed === null) return
    if (typed.trim() === '') return store(null)
    const read = readQuantity(typed, 'mass', habits.mass, undefined, decimalMark())
    if (!read.ok) return setSentence(read.sentence)
    if (read.value !== weighedG) store(read.value)
    else setTyped(null)
  }
  const decimals = 10 ** -massDecimals(line.stepG, 'g')
  return {
    text: typed ?? (weighedG === null ? '' : massNumber(weighedG, habits, Math.min(line.stepG, decimals))),
    sentence: held?.sentence ?? sentence,
    canGoOn: held !== null && held.waiver !== null,
    goOn,
    store,
    leave,
    type: (text: string) => {
      setTyped(text)
      setSentence(null)
      setHeld(null)
    },
  }
}

/** One thing to weigh: the target large, what was weighed beside it, and the ways out when it is off. */
export function WeighRow({ line, isNext, isLocked }: Props) {
  const batch = useBatch()
  const habits = useHabits()
  const say = useSay()
  const id = useId()
  const plan = usePlan(state => state.plan)
  const forecast = useForecast()
  const portions = forecast?.portions
  const weighed = useNotedState()?.state.weighed[line.key]
  const entry = useEntry(line, weighed?.massG ?? null)
  const target =
    line.kind === 'lye' || line.kind === 'solution' || line.kind === 'scent'
      ? showMassDown(line.massG, habits, line.stepG)
      : showMass(line.massG, habits, line.stepG)
  const working = forecast ? workingFor(line, plan, forecast, batch.shelf) : undefined
  const off = weighed && portions ? offWeight(plan, portions, batch.shelf, line, weighed.massG) : null
  const isDone = weighed !== undefined
  return (
    <li aria-current={isNext ? 'step' : undefined} className={`border-b border-line ${isNext ? 'bg-chosen' : ''}`}>
      <div className="grid grid-cols-[52px_minmax(0,1fr)_auto_auto] items-center gap-x-4 px-2 py-2 max-[600px]:grid-cols-[48px_minmax(0,1fr)_auto]">
        <button
          className={`grid size-11 place-items-center rounded border-2 border-ink ${isDone ? 'bg-ink text-paper' : 'bg-paper'} disabled:border-line disabled:opacity-60`}
          aria-pressed={isDone}
          aria-label={t('{what} weighed as written', { what: say(line.what) })}
          disabled={isLocked}
          onClick={() => entry.store(isDone ? null : line.massG)}
        >
          {isDone && <CheckIcon size={24} aria-hidden />}
        </button>
        <div className="min-w-0">
          <p className="text-lg leading-snug font-semibold">
            <Say of={line.what} />
          </p>
          <p className="text-[13px] text-soft">
            {say(line.where)}
            {line.rounding && ` · ${say(line.rounding)}`}
          </p>
          {line.scaleSentence && (
            <p className={`text-[13px] ${line.scale === 'stop' ? 'font-semibold text-rust' : 'text-rust'}`}>
              {line.scale === 'stop' ? '▲ ' : '△ '}
              {say(line.scaleSentence)}
            </p>
          )}
        </div>
        <div className="text-right whitespace-nowrap">
          <WorkingNumber label="" name={say(line.what)} text={target} {...(working && { working })} />
        </div>
        <div className="max-[600px]:col-span-3 max-[600px]:mt-1 max-[600px]:flex max-[600px]:items-center max-[600px]:gap-2 max-[600px]:pl-16">
          <label htmlFor={id} className="text-[13px] text-soft">
            {t('weighed, {mass}', { mass: habits.mass })}
          </label>
          <input
            id={id}
            className="field block min-h-10 w-26 text-right text-lg"
            inputMode="decimal"
            autoComplete="off"
            disabled={isLocked}
            aria-label={t('{what}, weighed', { what: say(line.what) })}
            aria-invalid={entry.sentence !== null || undefined}
            value={entry.text}
            onChange={event => entry.type(event.target.value)}
            onBlur={entry.leave}
            onKeyDown={event => event.key === 'Enter' && entry.leave()}
          />
        </div>
      </div>
      {entry.sentence && (
        <p role="alert" className="px-2 pb-2 text-rust">
          <Say of={entry.sentence} />{' '}
          {entry.canGoOn && (
            <button className="quiet min-h-10" onClick={entry.goOn}>
              {t('It is so: write it down')}
            </button>
          )}
        </p>
      )}
      {off && weighed && <WaysOut line={line} off={off} weighedG={weighed.massG} onStore={entry.store} />}
    </li>
  )
}

/** Lye and water have their working in the forecast, the other lines one of their own. */
function workingFor(line: WeighLine, plan: Plan, forecast: Forecast, shelf: Shelf): Working | undefined {
  if (line.key === 'lye' || line.key === 'water') return forecast.workings[line.key]
  return lineWorking(line, plan, forecast.portions, shelf) ?? undefined
}

/** Take out, accept, or rescale: each with what it makes of the batch. */
function WaysOut({
  line,
  off,
  weighedG,
  onStore,
}: {
  line: WeighLine
  off: OffWeight
  weighedG: number
  onStore: (massG: number | null) => void
}) {
  const batch = useBatch()
  const say = useSay()
  const toast = useToast()
  const rescale = () => {
    const { plan } = batch.get()
    const size = resized(plan, batch.shelf, { by: 'ingredient', needG: line.exactG, haveG: weighedG })
    if (!size.ok) return toast(size.sentence)
    const result = batch.edit({ kind: 'set', path: at(plan => plan.mould.fillMm), value: size.fillMm })
    toast(result.ok ? t('The other weights have changed: lines weighed before now say what to add.') : result.sentence)
  }
  const keepDose = () => {
    const { cup, colorant, doseGPerKg } = off.dose!
    const result = batch.edit({ kind: 'set-dose', cup, colorant, doseGPerKg })
    toast(result.ok ? t('The plan has that dose now; colours and lanes follow.') : result.sentence)
  }
  const takesOut = off.isOver && off.canTakeOut
  return (
    <div
      className={`mx-2 mb-2 border-l-4 py-1 pl-3 ${off.verdict === 'fine' ? 'border-soft' : 'border-rust'}`}
      role={off.verdict === 'stop' ? 'alert' : 'status'}
    >
      <p className={off.verdict === 'stop' ? 'font-semibold text-rust' : ''}>
        {off.verdict === 'stop' && '▲ '}
        {say(off.sentence)}
      </p>
      <p className="text-soft">{say(off.wayOut)}</p>
      {(off.rescale !== null || takesOut || (off.dose && off.verdict !== 'stop')) && (
        <p className="mt-1 flex flex-wrap items-center gap-3">
          {off.rescale !== null && (
            <>
              <span className="text-soft">
                {t(
                  'Weigh everything else × {rescale}: the same soap, {rescale2, plural, one {less} other {more}} of it.',
                  { rescale: fixed(off.rescale, 3), rescale2: off.rescale },
                )}
              </span>
              <button className="button" onClick={rescale}>
                {t('Rescale the rest')}
              </button>
            </>
          )}
          {takesOut && (
            <button className="button" onClick={() => onStore(line.massG)}>
              {t('Taken out')}
            </button>
          )}
          {off.dose && off.verdict !== 'stop' && (
            <button className="button" onClick={keepDose}>
              {t('Keep it as the dose')}
            </button>
          )}
        </p>
      )}
    </div>
  )
}
