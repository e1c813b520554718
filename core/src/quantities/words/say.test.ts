import { describe, expect, test } from 'vitest'
import {
  celsius,
  choiceOf,
  clauses,
  fact,
  grams,
  inARow,
  keepingZeros,
  kilograms,
  listOf,
  millimetres,
  opening,
  plain,
  share,
  together,
  warmerBy,
} from '../facts/index.ts'
import { IMPERIAL, METRIC } from '../units/index.ts'
import { ENGLISH, said, say } from './index.ts'

const own = (message: string, values?: Parameters<typeof fact>[1]) => fact(message, values)

describe('a quantity in a sentence', () => {
  test.each([
    [grams(12.34, 1), '12.3 g', '0.435 oz'],
    [grams(340, 0), '340 g', '11.99 oz'],
    [kilograms(2.5), '2.5 kg', '5.5 lb'],
    [celsius(40, 0), '40 °C', '104 °F'],
    [warmerBy(10, 0), '10 °C', '18 °F'],
    [millimetres(25.4, 1), '25.4 mm', '1 in'],
    [share(0.055, 1), '5.5 %', '5.5 %'],
    [plain(2, 1), '2', '2'],
    [keepingZeros(plain(2, 1)), '2.0', '2.0'],
  ])('%j is %s, or %s', (measure, metric, imperial) => {
    expect(say(own('{it}', { it: measure }))).toBe(metric)
    expect(say(own('{it}', { it: measure }), IMPERIAL)).toBe(imperial)
  })

  test('one that never changes stands in the sentence itself; a range names its unit once', () => {
    const sentence = own('From [5 to 200 mm]; [25 mm] is usual, [−5 to 120 °C], [3 K] more, 7 g per kg.')
    expect(say(sentence)).toBe('From 5 to 200 mm; 25 mm is usual, −5 to 120 °C, 3 °C more, 7 g per kg.')
    expect(say(sentence, IMPERIAL)).toBe('From 0.2 to 7.87 in; 0.98 in is usual, 23 to 248 °F, 5 °F more, 7 g per kg.')
  })

  test('what somebody typed is no quantity: it stays as it is', () => {
    expect(say('My [5 g] cup', IMPERIAL)).toBe('My [5 g] cup')
    expect(say(own('{name} is empty', { name: '{brace} [5 g] 30 °C' }), IMPERIAL)).toBe('{brace} [5 g] 30 °C is empty')
  })
})

describe('several in a row', () => {
  test.each([
    [listOf(['a', 'b', 'c']), 'a, b and c'],
    [listOf(['a']), 'a'],
    [listOf([]), ''],
    [choiceOf(['a', 'b', 'c']), 'a, b or c'],
    [inARow(['a', 'b']), 'a and b'],
    [together(['One.', '', 'Two.']), 'One. Two.'],
    [together(['a', grams(2)], ', '), 'a, 2 g'],
    [clauses(['less water.', 'hot.']), 'less water; hot'],
    [opening(['cover it', 'look in']), 'Cover it, look in'],
  ])('%j: %s', (value, words) => expect(say(value)).toBe(words))
})

test('facts are said wherever they stand in a result; names and numbers stay', () => {
  const result = { name: 'Loaf', notices: [{ weight: 'hint', sentence: own('{g} left', { g: grams(3) }) }], n: 2 }
  expect(said(result)).toEqual({ name: 'Loaf', notices: [{ weight: 'hint', sentence: '3 g left' }], n: 2 })
})

test('a language is a list of messages: what it lacks is said in English, a field’s sentence is its own id', () => {
  const german = {
    language: 'de',
    messages: {
      'weighing.add': '{amount} zugeben.',
      'Superfat is from 0 to 25 %; 3 to 8 % is usual.': 'Die Überfettung ist 0 bis 25 %; üblich sind 3 bis 8 %.',
    },
  }
  expect(say(fact('weighing.add', { amount: grams(3, 2) }), METRIC, german)).toBe('3 g zugeben.')
  expect(say(fact('Superfat is from 0 to 25 %; 3 to 8 % is usual.'), METRIC, german)).toMatch(/Überfettung/)
  expect(say(listOf(['a', 'b']), METRIC, german)).toBe('a und b')
  expect(say(fact('weighing.small-accept'), METRIC, german)).toBe(ENGLISH.messages['weighing.small-accept'])
})

test('a message whose value is missing throws: half a sentence is never shown', () => {
  expect(() => say(fact('weighing.add'))).toThrow(/amount/)
})
