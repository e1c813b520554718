import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { parser } from 'typescript-eslint'
import { ROOT } from './paths.mjs'

/** Sentences that stand in the code, for the catalogue of every language. */

/** Calls whose first argument is a sentence or an id of one; `dated` has the pattern of a date second. */
const SAYS = { t: 0, rich: 0, fact: 0, dated: 1 }

const isSource = file => /\.tsx?$/.test(file) && !/\.test\.|(^|\/)test\/|quantities\/words\//.test(file)

export const sourcesIn = folder =>
  readdirSync(join(ROOT, folder), { recursive: true })
    .filter(isSource)
    .map(file => join(folder, file))

const treeOf = file =>
  parser.parseForESLint(readFileSync(join(ROOT, file), 'utf8'), {
    range: true,
    ecmaFeatures: { jsx: file.endsWith('x') },
  }).ast

function walk(node, visit) {
  visit(node)
  for (const [key, value] of Object.entries(node)) {
    if (key === 'parent') continue
    if (Array.isArray(value)) value.forEach(one => one?.type && walk(one, visit))
    else if (value?.type) walk(value, visit)
  }
}

/** Texts that an expression may come to, where it is written out: both branches of a choice. */
export const literalsOf = node => {
  if (node?.type === 'Literal') return typeof node.value === 'string' ? [node.value] : []
  if (node?.type === 'ConditionalExpression') return [...literalsOf(node.consequent), ...literalsOf(node.alternate)]
  if (node?.type === 'LogicalExpression') return [...literalsOf(node.left), ...literalsOf(node.right)]
  return []
}

const namesOf = values =>
  values === undefined
    ? []
    : values.type === 'ObjectExpression' && values.properties.every(one => one.type === 'Property')
      ? values.properties.map(one => one.key.name)
      : null

/** Every sentence that a file says, with the names of its values; null where they are not written out. */
export function saidIn(file) {
  const found = []
  const patterns = new Map()
  walk(treeOf(file), node => {
    if (node.type === 'VariableDeclarator' && node.init?.type === 'Literal') patterns.set(node.id.name, node.init.value)
    if (node.type !== 'CallExpression' || !(node.callee.name in SAYS)) return
    const of = node.arguments[SAYS[node.callee.name]]
    const texts = node.callee.name === 'dated' && of?.type === 'Identifier' ? [patterns.get(of.name)] : literalsOf(of)
    const isDate = node.callee.name === 'dated'
    for (const text of texts) found.push({ text, names: isDate ? [] : namesOf(node.arguments[1]), file, isDate })
  })
  return found
}
