import { fact } from '@ostler/core'
import german from '@ostler/core/languages/de.json'
import { createElement, isValidElement } from 'react'
import { renderToStaticMarkup } from 'react-dom/server'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { clock, dated, daysLeftOfWeek } from './dates.ts'
import { speak } from './language.ts'
import { fixed, showChance, showShare, tidy } from './numbers.ts'
import { markedHere, say } from './say.ts'
import { keepTellingSettings, languageHere, tellingSettings } from './settings.ts'
import { known, lowered, rich, t } from './told.ts'
import { ENGLISH } from '@ostler/core'

const OPEN = { language: '', decimal: '', hours: '', week: '' } as const
afterEach(() => {
  localStorage.clear()
  speak(ENGLISH)
})

describe('sentences', () => {
  test('are said with their values; what is not there leaves its place empty', () => {
    expect(t('{name}, weight', { name: 'Ink' })).toBe('Ink, weight')
    expect(t('{a}{b}!', { a: 'x', b: false })).toBe('x!')
    expect(t('{n, plural, one {# bar} other {# bars}}', { n: 1 })).toBe('1 bar')
    expect(t('{n, plural, one {# bar} other {# bars}}', { n: 3 })).toBe('3 bars')
    expect(() => t('{a} and {b}', { a: 'x' })).toThrow(/b/)
  })

  test('have pieces of the page in them', () => {
    const made = rich('Read {this}, then {that}.', { this: createElement('b', null, 'one'), that: 2 })
    expect(renderToStaticMarkup(createElement('p', null, made))).toBe('<p>Read <b>one</b>, then 2.</p>')
    expect(isValidElement(rich('Nothing of it {here}', { here: 'here' }))).toBe(false)
  })
})

describe('another language', () => {
  beforeEach(() => speak({ language: 'de', messages: german }))

  test('says pages, facts and what a server sent', () => {
    keepTellingSettings({ ...OPEN, decimal: 'comma' })
    expect(t('Weigh')).toBe('Wiegen')
    expect(say(fact('rest.will-not-gel', { likely: fact('rest.most-likely'), sure: '' }))).toBe(
      'Sie wird höchstwahrscheinlich nicht gelen.',
    )
    expect(known('This code is not right. Is the clock of the other device right?')).toMatch(/^Dieser Code/)
    expect(known('A sentence that nobody wrote.')).toBe('A sentence that nobody wrote.')
    expect(showChance(0.62)).toBe('etwa 60 %')
  })

  test('keeps the names of people, cups and oils as they were typed, and nouns with their capitals', () => {
    expect(say('Weigh')).toBe('Weigh')
    expect(lowered('Öle')).toBe('Öle')
    speak(ENGLISH)
    expect(lowered('Oils')).toBe('oils')
  })

  test('fixed quantities are in the workshop’s units and marks', () => {
    keepTellingSettings({ ...OPEN, decimal: 'comma' })
    const inOunces = { mass: 'oz', temperature: 'F', length: 'in' } as const
    expect(say(fact('Eis'), inOunces)).toBe('Eis')
    expect(say(fact('An embed is from [2 to 200 mm] wide.'), { ...inOunces })).toBe(
      'Ein Einleger ist 0,08 bis 7,87 in breit.',
    )
  })
})

describe('numbers', () => {
  test.each([
    ['point', '1.5', '2.25', '12.5 %', '1.25 of it'],
    ['comma', '1,5', '2,25', '12,5 %', '1,25 of it'],
  ] as const)('with a %s', (decimal, one, two, share, inside) => {
    keepTellingSettings({ ...OPEN, decimal })
    expect(fixed(1.5, 1)).toBe(one)
    expect(tidy(2.25, 3)).toBe(two)
    expect(showShare(0.125)).toBe(share)
    expect(t('{n} of it', { n: 1.25 })).toBe(inside)
  })

  test('the same units give the same object, so that pages need not be drawn again', () => {
    const habits = { mass: 'g', temperature: 'C', length: 'mm' } as const
    expect(markedHere(habits)).toBe(markedHere(habits))
  })
})

describe('days and hours', () => {
  test('to twelve or to twenty-four', () => {
    keepTellingSettings({ ...OPEN, hours: '12' })
    expect(clock('15:30')).toBe('3:30 PM')
    expect(clock('00:05')).toBe('12:05 AM')
    expect(dated(new Date(2026, 11, 24, 9, 5), 'd MMM yyyy, HH:mm')).toBe('24 Dec 2026, 9:05 AM')
    keepTellingSettings({ ...OPEN, hours: '24' })
    expect(clock('15:30')).toBe('15:30')
    expect(clock('never')).toBe('never')
  })

  test.each([
    ['monday', 0],
    ['sunday', 6],
    ['saturday', 5],
  ] as const)('a week that begins on %s has %i days after a Sunday', (week, left) => {
    keepTellingSettings({ ...OPEN, week })
    expect(daysLeftOfWeek(new Date(2026, 10, 29))).toBe(left)
  })
})

describe('what is chosen', () => {
  test('holds before what the browser asks for; damaged, it is as if nothing was chosen', () => {
    expect(languageHere()).toBe('en')
    keepTellingSettings({ ...OPEN, language: 'de' })
    expect(languageHere()).toBe('de')
    localStorage.setItem('ostler.told', '{')
    expect(tellingSettings()).toEqual(OPEN)
  })
})
