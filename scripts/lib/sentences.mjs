import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { parseSync } from 'oxc-parser'
import { ROOT } from './paths.mjs'

/** Sentences that stand in the code, for the catalogue of every language. */

/** Calls whose first argument is a sentence or an id of one; `dated` has the pattern of a date second. */
const SAYS = { t: 0, rich: 0, fact: 0, dated: 1, datedNow: 0 }

const isSource = file => /\.tsx?$/.test(file) && !/\.test\.|(^|\/)test\/|quantities\/words\/|(^|\/)demo\//.test(file)

export function sourcesIn(folder) {
  const files = readdirSync(join(ROOT, folder), { recursive: true })
    .filter(isSource)
    .map(file => join(folder, file))
  for (const file of files) tablesIn(treeOf(file))
  return files
}

const treeOf = file => parseSync(file, readFileSync(join(ROOT, file), 'utf8'), { astType: 'ts' }).program

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

/** Texts of tables by the table's name, whatever file it stands in. */
const tables = new Map()
function tablesIn(tree) {
  walk(tree, node => {
    const init = node.type === 'VariableDeclarator' && /^[A-Z]/.test(node.id.name ?? '') ? unwrapped(node.init) : null
    if (init?.type !== 'ObjectExpression') return
    const texts = init.properties.flatMap(one => literalsOf(one.value))
    tables.set(node.id.name, [...(tables.get(node.id.name) ?? []), ...texts])
  })
}

const unwrapped = node => (/^TS(As|Satisfies)Expression$/.test(node?.type ?? '') ? unwrapped(node.expression) : node)

/** What is taken out of a table by a key that is known only later may be any of its texts. */
function tabledBy(node) {
  let root = node
  while (root?.type === 'MemberExpression') root = root.object
  return node?.type === 'MemberExpression' && root.type === 'Identifier' ? (tables.get(root.name) ?? []) : []
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
    const texts =
      node.callee.name === 'dated' && of?.type === 'Identifier'
        ? [patterns.get(of.name)]
        : [...literalsOf(of), ...tabledBy(of)]
    const isDate = node.callee.name.startsWith('dated')
    for (const text of texts) found.push({ text, names: isDate ? [] : namesOf(node.arguments[1]), file, isDate })
  })
  return found
}

/** Variables of the surroundings are for whoever runs a server, in English. */
const FOR_A_TERMINAL = /[A-Z]+_[A-Z]+/
const SENTENCE = /\p{L} \p{L}.*[.?!]$/u

/** Whole sentences in the server's files: what it refuses with. */
export function refusalsIn(file) {
  const found = []
  walk(treeOf(file), node => {
    if (
      node.type === 'Literal' &&
      typeof node.value === 'string' &&
      SENTENCE.test(node.value) &&
      !FOR_A_TERMINAL.test(node.value)
    )
      found.push(node.value)
  })
  return found
}

const IDLIKE = /^[a-z0-9]+(-[a-z0-9]+)+$|^[a-z]+[A-Z]|^#|^[A-Z0-9_]+$|^image\//
/** Keys under which a table keeps what is no word for a reader. */
const NO_WORDS = new Set(
  'id kind key at group cause sign parent reads days levels form field path seen basis of stage dir gate'.split(' '),
)
/** Keys whose value is a word for a reader even if it is a single small one. */
const WORDS = new Set('says word words name title text yes no some strong where unit good one many'.split(' '))

/** Words in the tables that the core gives out: whatever is told of a key. */
export function wordsOfTables(core) {
  const found = new Set()
  const look = (value, key, depth) => {
    if (typeof value === 'string') {
      const isWord = depth === 1 || WORDS.has(key) || /\p{L} \p{L}|^\p{Lu}\p{Ll}/u.test(value)
      if (isWord && /\p{L}{2}/u.test(value) && !IDLIKE.test(value) && !NO_WORDS.has(key)) found.add(value)
    } else if (value instanceof Map || Array.isArray(value)) value.forEach(one => look(one, key, depth + 1))
    else if (value && typeof value === 'object' && !('fact' in value))
      for (const [name, one] of Object.entries(value)) look(one, name, depth + 1)
  }
  for (const [name, value] of Object.entries(core)) if (TABLE.test(name) && !NO_TABLES.has(name)) look(value, name, 0)
  return [...found]
}
const TABLE = /^[A-Z][A-Z_0-9]+$/
/** Values to start from, English itself, and what is only for a terminal. */
const NO_TABLES = new Set(['ENGLISH', 'POLICIES', 'RUN'])
