import { useEffect } from 'react'
import { connectedNow } from '../../instruments/connected.ts'
import type { BenchDeeds } from './use-bench.ts'

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.matches('input, textarea, select')
const isPressed = (target: EventTarget | null) => target instanceof HTMLElement && target.matches('button, a')

const DONE: readonly string[] = ['Enter', ' ', 'PageDown']

/** A keyboard, a numeric keypad or a pedal that turns pages is enough: one key for each of the deeds. */
export function useKeys(deeds: BenchDeeds): void {
  useEffect(() => {
    const keys = (event: KeyboardEvent) => {
      if (event.repeat || event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return
      const { panel, held, doubted } = deeds
      const pressed = {
        Enter: () => (held ? undefined : deeds.done()),
        ' ': () => (held ? undefined : deeds.done()),
        PageDown: () => (held ? undefined : deeds.done()),
        s: () => deeds.open('seen'),
        '/': () => deeds.open('seen'),
        m: () => deeds.open('measured'),
        '*': () => deeds.open('measured'),
        i: () => deeds.open('instruments'),
        '.': () => deeds.open('instruments'),
        l: () => deeds.open('lanes'),
        t: () => deeds.open('trouble'),
        '-': () => deeds.open('trouble'),
        b: () => (held ? undefined : deeds.planB()),
        '+': () => (held ? undefined : deeds.planB()),
        '0': () => connectedNow().mass?.instrument.tare?.(),
        u: deeds.undo,
        Backspace: deeds.undo,
        PageUp: deeds.undo,
        Escape: () => (held ? deeds.letBe() : deeds.open(null)),
      }[event.key]
      if (!pressed) return
      if (doubted && event.key !== 'u' && event.key !== 'Backspace') return
      // A panel has the keys to itself, but for the way out.
      if (panel !== null && event.key !== 'Escape') return
      if (isPressed(event.target) && (event.key === 'Enter' || event.key === ' ')) return
      event.preventDefault()
      if (DONE.includes(event.key) && !held && deeds.press()) return
      pressed()
    }
    const letGo = (event: KeyboardEvent) => {
      if (DONE.includes(event.key)) deeds.release()
    }
    addEventListener('keydown', keys)
    addEventListener('keyup', letGo)
    return () => {
      removeEventListener('keydown', keys)
      removeEventListener('keyup', letGo)
    }
  }, [deeds])
}
