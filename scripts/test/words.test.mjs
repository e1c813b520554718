import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { IntlMessageFormat } from 'intl-messageformat'
import { parser } from 'typescript-eslint'
import { describe, expect, test } from 'vitest'
import { ENGLISH } from '@ostler/core'
import { ROOT } from '../lib/paths.mjs'

const FOLDER = join(ROOT, 'core/src')

const isSource = file => file.endsWith('.ts') && !file.includes('.test.') && !file.startsWith('quantities/words/')

/** Every call of `fact` with an id and the names of its values; null where they are not written out. */
function factsIn(file) {
  const found = []
  const walk = node => {
    if (typeof node?.type !== 'string') return
    if (node.type === 'CallExpression' && node.callee.name === 'fact') found.push(...callOf(node, file))
    for (const [key, value] of Object.entries(node)) {
      if (key === 'parent') continue
      if (Array.isArray(value)) value.forEach(walk)
      else if (value?.type) walk(value)
    }
  }
  walk(parser.parseForESLint(readFileSync(join(FOLDER, file), 'utf8'), { range: true }).ast)
  return found
}

const literalsOf = node =>
  node.type === 'Literal'
    ? [node.value]
    : node.type === 'ConditionalExpression'
      ? [...literalsOf(node.consequent), ...literalsOf(node.alternate)]
      : []

function callOf({ arguments: [id, values] }, file) {
  const isWrittenOut = values?.type === 'ObjectExpression' && values.properties.every(one => one.type === 'Property')
  const names = values === undefined ? [] : isWrittenOut ? values.properties.map(one => one.key.name) : null
  return literalsOf(id)
    .filter(one => ID.test(one))
    .map(one => ({ id: one, names, file }))
}

const ID = /^[a-z]+\.[a-z0-9-]+$/

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

describe('the catalogue', () => {
  const facts = readdirSync(FOLDER, { recursive: true }).filter(isSource).flatMap(factsIn)
  const { messages } = ENGLISH

  test('has a sentence for every fact, with the values that the fact brings', () => {
    expect(facts.length).toBeGreaterThan(500)
    const wrong = facts.flatMap(({ id, names, file }) => {
      if (!(id in messages)) return [`${file}: ${id} has no sentence`]
      const needs = wanted(messages[id])
      return names === null || JSON.stringify([...names].sort()) === JSON.stringify(needs)
        ? []
        : [`${file}: ${id} brings ${names.join(', ')}; its sentence wants ${needs.join(', ')}`]
    })
    expect(wrong).toEqual([])
  })

  test('has no sentence that nothing says', () => {
    const said = new Set(facts.map(one => one.id))
    expect(Object.keys(messages).filter(id => !said.has(id))).toEqual([])
  })
})
