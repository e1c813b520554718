import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { IntlMessageFormat } from 'intl-messageformat'
import { describe, expect, test } from 'vitest'
import * as core from '@ostler/core'
import { wordsOfFields } from '@ostler/core/schema'
import { ROOT } from '../lib/paths.mjs'
import { refusalsIn, saidIn, sourcesIn, wordsOfTables } from '../lib/sentences.mjs'

const ID = /^[a-z]+\.[a-z0-9-]+$/
/** A text with nothing to read in it but its values. */
const isOnlyValues = text => !/\p{L}/u.test(text.replace(/\{[^}]*\}/g, ''))

/** What a message is made of beside values: text, and the count itself. */
const [LITERAL, POUND] = [0, 7]

/** Names of the values that a message wants, in all its branches. */
function namesIn(elements, names = new Set()) {
  for (const element of elements) {
    if (element.type !== LITERAL && element.type !== POUND) names.add(element.value)
    for (const branch of Object.values(element.options ?? {})) namesIn(branch.value, names)
  }
  return names
}

const wanted = message =>
  [...namesIn(new IntlMessageFormat(message, 'en', undefined, { ignoreTag: true }).getAst())].sort()
const same = (a, b) => JSON.stringify(a) === JSON.stringify(b)

const { messages } = core.ENGLISH
const said = ['web/src', 'server/src', 'core/src'].flatMap(sourcesIn).flatMap(saidIn)
const sentences = said.filter(one => typeof one.text === 'string' && !isOnlyValues(one.text))

describe('English', () => {
  const facts = sentences.filter(one => ID.test(one.text))

  test('has a sentence for every fact', () => {
    expect(facts.length).toBeGreaterThan(500)
    expect(facts.filter(one => !(one.text in messages)).map(one => `${one.file}: ${one.text}`)).toEqual([])
  })

  test('has no sentence that nothing says', () => {
    const ids = new Set(facts.map(one => one.text))
    expect(Object.keys(messages).filter(id => !ids.has(id))).toEqual([])
  })

  test('is given the values that each of its sentences wants, and no others', () => {
    const wrong = sentences.flatMap(({ text, names, file, isDate }) => {
      if (names === null || isDate) return []
      const needs = wanted(messages[text] ?? text)
      return same([...names].sort(), needs)
        ? []
        : [`${file}: “${text}” is given ${names.join()}; it wants ${needs.join()}`]
    })
    expect(wrong).toEqual([])
  })
})

describe.each(['de'])('the language %s', language => {
  const own = JSON.parse(readFileSync(join(ROOT, `core/languages/${language}.json`), 'utf8'))
  const dates = new Set(sentences.filter(one => one.isDate).map(one => one.text))
  const needed = new Set([
    ...Object.keys(messages),
    ...sentences.map(one => one.text),
    ...sourcesIn('server/src').flatMap(refusalsIn),
    ...wordsOfFields(),
    ...wordsOfTables(core),
  ])

  test('lacks no sentence', () => {
    expect(needed.size).toBeGreaterThan(6000)
    expect([...needed].filter(id => /\p{L}/u.test(id) && !(id in own))).toEqual([])
  })

  test('has none that nothing says', () => {
    expect(Object.keys(own).filter(id => !needed.has(id))).toEqual([])
  })

  test('uses the values of the English ones, all of them', () => {
    const wrong = Object.entries(own).flatMap(([id, text]) => {
      if (dates.has(id)) return []
      const [english, other] = [wanted(messages[id] ?? id), wanted(text)]
      return same(english, other) ? [] : [`“${text}” has ${other.join()}; English has ${english.join()}`]
    })
    expect(wrong).toEqual([])
  })
})
