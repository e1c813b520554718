import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { clock, dated, fixed } from './index.ts'
import { decimalMark, marked } from './marks.ts'
import { keepTellingSettings, languageHere, tellingSettings } from './settings.ts'

beforeEach(() => localStorage.clear())
afterEach(() => vi.unstubAllGlobals())

const OPEN = { language: '', decimal: '', hours: '', week: '' } as const

describe('how this browser is told things', () => {
  test('goes by what was chosen at once, and by the browser again when that is taken back', () => {
    expect(tellingSettings()).toEqual(OPEN)
    const home = decimalMark()
    keepTellingSettings({ ...OPEN, decimal: 'comma' })
    expect(decimalMark()).toBe('comma')
    expect(marked('1.5')).toBe('1,5')
    expect(fixed(1.25, 1)).toMatch(/^1,[23]$/)
    keepTellingSettings({ ...OPEN, decimal: 'point' })
    expect(fixed(1.5, 1)).toBe('1.5')
    keepTellingSettings(OPEN)
    expect(decimalMark()).toBe(home)
  })

  test('takes over what another window has chosen', () => {
    keepTellingSettings({ ...OPEN, hours: '24' })
    expect(clock('14:30')).toBe('14:30')
    // Another window writes to the same place.
    localStorage.setItem('ostler.told', JSON.stringify({ hours: '12' }))
    expect(clock('14:30')).toBe('2:30 PM')
    expect(dated(new Date(2026, 2, 4, 9, 5), 'd MMM, HH:mm')).toBe('4 Mar, 9:05 AM')
  })

  test('is open where what was kept is damaged, or cannot be read', () => {
    localStorage.setItem('ostler.told', '{"decimal":')
    expect(tellingSettings()).toEqual(OPEN)
    localStorage.setItem('ostler.told', '{"hours":"12"}')
    expect(tellingSettings()).toEqual({ ...OPEN, hours: '12' })
  })

  test('in the language that was chosen, else in the first of the browser’s that there is', () => {
    vi.stubGlobal('navigator', { languages: ['fr-FR', 'de-AT', 'en-GB'] })
    expect(languageHere()).toBe('de')
    keepTellingSettings({ ...OPEN, language: 'en' })
    expect(languageHere()).toBe('en')
    keepTellingSettings(OPEN)
    vi.stubGlobal('navigator', { languages: ['fr-FR'] })
    expect(languageHere()).toBe('en')
  })

  test('an hour that is none stays as it is', () => {
    expect(clock('soon')).toBe('soon')
    expect(clock('')).toBe('')
  })
})
