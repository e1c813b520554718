import { activeOf, doubtOf, eventOf } from '@ostler/core'
import type { BenchEvent, BenchStep, Body, Doubt, Words } from '@ostler/core'
import { useCallback, useRef, useState } from 'react'
import { connectedNow, tookWeight } from '../../instruments/connected.ts'
import type { Told } from './use-outlook.ts'
import { useRun, useRunState } from '../../run/context.tsx'
import { useRehearsal } from '../../rehearsal/context.tsx'
import { say, t } from '../../words/index.ts'

/** A wet glove or a pedal that bounces presses twice: the second press within so long is none, ms. */
const TWICE_MS = 350

export type Panel = 'seen' | 'measured' | 'hold' | 'trouble' | 'log' | 'lanes' | 'instruments'
export type About = Pick<BenchEvent, 'kind'> & Partial<BenchEvent>

/** Something that may not be done as things stand, and what would be written down to do it all the same. */
export interface Held {
  about: About
  sentence: Words
  waiver: string | null
}

/** A number that does not fit what is known: what it may have been is asked once. */
export interface Doubted {
  about: About
  doubt: Doubt
}

export interface BenchDeeds {
  panel: Panel | null
  held: Held | null
  doubted: Doubted | null
  /** Notes what was doubted, as it is or as it was meant. */
  settle: (about: About) => void
  /** Said of what was done last. */
  told: Words
  open: (panel: Panel | null) => void
  /** Asks what the trace of this cup looks like. */
  lookAt: (cup: string) => void
  /** The cup that is to be looked at; null: whichever is poured next. */
  looksAt: string | null
  /** Notes it, unless something stands in the way. */
  attempt: (about: About) => void
  /** The next deed as it was planned. */
  done: () => void
  /** In a rehearsal: batter runs, or a blender is on, as long as a key is held. False: this deed is not done so. */
  press: () => boolean
  /** @param isPointer a click follows it, which is no deed of its own */
  release: (isPointer?: boolean) => void
  undo: () => void
  /** Takes plan B, where it was not taken. */
  planB: () => void
  /** Goes on in spite of what stands in the way: that is written down. */
  goOn: () => void
  letBe: () => void
}

/** What a connected instrument says of a step that is measured: the event, or why there is none yet; null without an instrument. */
function measuredNow(step: BenchStep): About | string | null {
  const kind = step.kind === 'weigh' || step.kind === 'draw' ? 'mass' : step.kind === 'temp' ? 'temperature' : null
  const connected = kind && connectedNow()[kind]
  if (!connected) return null
  const { reading, instrument } = connected
  if (reading?.value == null || !reading.isStable)
    return kind === 'mass' ? t('The scale has not come to rest yet.') : t('The thermometer has not come to rest yet.')
  if (connected.taken !== null)
    return t('The scale still shows what was taken last: tare it, or put something else on.')
  const about = { amount: Math.round(reading.value * 1000) / 1000, source: instrument.source }
  if (step.kind === 'weigh') return { kind: 'weighed', item: step.item!, ...about }
  if (step.kind === 'draw') return { kind: 'drawn', cup: step.cup!, ...about }
  return { kind: 'temp', body: step.item as Body, ...about }
}

interface Doing {
  attempt: (about: About) => void
  setTold: (words: Words) => void
  ask: (panel: Panel) => void
}

/** The next deed, done as it was planned; in a rehearsal it takes its time, or is done as long as a key is held. */
function useDone({ attempt, setTold, ask }: Doing): Pick<BenchDeeds, 'done' | 'press' | 'release'> {
  const run = useRun()
  const rehearsal = useRehearsal()
  const { state, next } = useRunState()
  const lastDone = useRef(-TWICE_MS)
  const done = () => {
    const step = next[0]?.step
    if (!step || performance.now() - lastDone.current < TWICE_MS) return
    lastDone.current = performance.now()
    const measured = measuredNow(step)
    if (typeof measured === 'string') return setTold(measured)
    const about = measured ?? eventOf(step, state)
    if (rehearsal?.takesTime(step) && (about === null || run.verdict(about).kind !== 'refused'))
      return rehearsal.begin(step, about)
    if (about) return attempt(about)
    ask(step.kind === 'hold' ? 'hold' : 'measured')
  }
  const press = () => {
    const step = next[0]?.step
    if (!rehearsal || !step || !rehearsal.isHeld(step)) return false
    const about = eventOf(step, state)
    if (about && run.verdict(about).kind === 'refused') attempt(about)
    else rehearsal.press(step)
    return true
  }
  const release = (isPointer = false) => {
    if (!rehearsal?.getMore().held) return
    if (isPointer) lastDone.current = performance.now()
    rehearsal.release()
  }
  return { done, press, release }
}

/** What can be done at the bench. */
export function useBench({ outlook, before }: Told): BenchDeeds {
  const run = useRun()
  const { state } = useRunState()
  const [panel, setPanel] = useState<Panel | null>(null)
  const [held, setHeld] = useState<Held | null>(null)
  const [doubted, setDoubted] = useState<Doubted | null>(null)
  const [told, setTold] = useState<Words>('')
  const [looksAt, setLooksAt] = useState<string | null>(null)

  const note = useCallback(
    (about: About) => {
      const verdict = run.verdict(about)
      setPanel(null)
      if (verdict.kind === 'refused') return setHeld({ about, sentence: verdict.sentence, waiver: verdict.waiver })
      run.note(about)
      if (about.amount !== undefined && about.source !== undefined) tookWeight(about.amount)
      setHeld(null)
      setTold(verdict.kind === 'warned' ? verdict.sentence : '')
    },
    [run],
  )
  const attempt = (about: About) => {
    const doubt = doubtOf(activeOf(run.following, state), state, about, outlook, before)
    if (!doubt) return note(about)
    setPanel(null)
    setDoubted({ about, doubt })
  }
  const settle = useCallback(
    (about: About) => {
      setDoubted(null)
      note(about)
    },
    [note],
  )
  const { done, press, release } = useDone({ attempt, setTold, ask: setPanel })
  const undo = () => {
    const last = run.last()
    if (!last) return setTold(t('Nothing was noted on this device yet.'))
    run.note({ kind: 'undo', of: last.key })
    setHeld(null)
    setDoubted(null)
    setTold(t('Taken back.'))
  }
  const planB = () => {
    if (!state.planB) attempt({ kind: 'plan-b', how: 'take' })
  }
  const goOn = () => {
    if (!held?.waiver) return
    run.note({ kind: 'waive', how: held.waiver, text: say(held.sentence) })
    note(held.about)
  }
  const open = (next: Panel | null) => {
    setLooksAt(null)
    setPanel(next)
  }
  const lookAt = (cup: string) => {
    setLooksAt(cup)
    setPanel('seen')
  }
  return {
    ...{ doubted, settle },
    ...{
      panel,
      held,
      told,
      open,
      lookAt,
      looksAt,
      attempt,
      done,
      press,
      release,
      undo,
      planB,
      goOn,
      letBe: () => setHeld(null),
    },
  }
}
