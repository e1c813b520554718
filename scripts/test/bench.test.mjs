import { existsSync, readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import * as core from '../../core/src/index.ts'
import { ROOT } from '../lib/paths.mjs'

/** Scripts that measure or print what core works out; nobody runs them all day, so they would go stale unseen. */
const scripts = ['scripts', 'scripts/bench', 'scripts/lib'].flatMap(folder =>
  readdirSync(join(ROOT, folder))
    .filter(name => name.endsWith('.mjs'))
    .map(name => [join(folder, name), readFileSync(join(ROOT, folder, name), 'utf8')]),
)

/** Names that a script takes of core: taken apart where it is imported, or read of it. */
function namesOf(text) {
  const apart = [...text.matchAll(/const \{([^}]*)\}\s*=\s*await import\('@ostler\/core'\)/g)].flatMap(found =>
    found[1].split(',').map(name => name.trim().split(':')[0].trim()),
  )
  const whole = /const core = await import\('@ostler\/core'\)/.test(text)
  const read = whole ? [...text.matchAll(/\bcore\.([A-Za-z_]+)/g)].map(found => found[1]) : []
  const passed = whole
    ? [...text.matchAll(/const \{([^}]*)\} = core$/gm)].flatMap(found => found[1].split(',').map(name => name.trim()))
    : []
  return [...apart, ...read, ...passed].filter(Boolean)
}

describe('what scripts take of core', () => {
  const taking = scripts.map(([path, text]) => [path, namesOf(text)]).filter(([, names]) => names.length > 0)

  test('is looked for in all of them', () => expect(taking.length).toBeGreaterThan(10))

  test.each(taking)('%s', (_, names) => {
    expect(names.filter(name => !(name in core))).toEqual([])
  })

  test('the kernels that are held against C are where they are looked for', () => {
    const text = readFileSync(join(ROOT, 'scripts/lib/native-heat.mjs'), 'utf8')
    const names = [...text.matchAll(/\[\s*\.\.\.\[([^\]]*)\][^\]]*\]\.map\(part\)/g)].flatMap(found =>
      found[0].match(/'[^']+'/g),
    )
    const files = names.map(name => join(ROOT, 'core/src/mould/rest', `${name.slice(1, -1)}.ts`))
    expect(files.length).toBeGreaterThan(4)
    expect(files.filter(file => !existsSync(file))).toEqual([])
  })
})
