import type { AlarmKind } from '@ostler/core'
import { useSyncExternalStore } from 'react'
import { lastingStore, readJson, writeJson } from '../../kept/storage.ts'

/** What is to be heard at the bench. Nothing is told by sound alone. */
export interface SoundChoice {
  /** Each deed is said aloud. */
  speech: boolean
  tones: boolean
}

const KEY = 'ostler-bench-sound'
let choice: SoundChoice | undefined
const listeners = new Set<() => void>()
const current = (): SoundChoice =>
  (choice ??= { speech: false, tones: true, ...readJson<Partial<SoundChoice>>(lastingStore(), KEY) })

export function setSound(part: Partial<SoundChoice>): void {
  choice = { ...current(), ...part }
  writeJson(lastingStore(), KEY, choice)
  for (const listener of listeners) listener()
}

export const useSound = (): SoundChoice =>
  useSyncExternalStore(listener => {
    listeners.add(listener)
    return () => listeners.delete(listener)
  }, current)

/** Says something with the browser's own voice; what is being said is broken off. */
export function speak(text: string): void {
  if (!('speechSynthesis' in window)) return
  speechSynthesis.cancel()
  speechSynthesis.speak(new SpeechSynthesisUtterance(text))
}

/** Hz and count of beeps: told apart with the eyes elsewhere. */
const TONES: Readonly<Record<AlarmKind, { hz: number; beeps: number }>> = {
  soon: { hz: 660, beeps: 1 },
  now: { hz: 990, beeps: 3 },
  late: { hz: 220, beeps: 2 },
}
const [BEEP_S, GAP_S] = [0.18, 0.12]
let context: AudioContext | undefined

export function sound(kind: AlarmKind): void {
  if (typeof AudioContext === 'undefined') return
  context ??= new AudioContext()
  const { hz, beeps } = TONES[kind]
  for (let n = 0; n < beeps; n += 1) {
    const from = context.currentTime + n * (BEEP_S + GAP_S)
    const [tone, volume] = [context.createOscillator(), context.createGain()]
    tone.frequency.value = hz
    volume.gain.setValueAtTime(0.25, from)
    volume.gain.exponentialRampToValueAtTime(0.001, from + BEEP_S)
    tone.connect(volume).connect(context.destination)
    tone.start(from)
    tone.stop(from + BEEP_S)
  }
}
