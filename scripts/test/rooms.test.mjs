import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, relative } from 'node:path'
import { afterAll, describe, expect, test } from 'vitest'
import { ROOT } from '../lib/paths.mjs'
import { betweenPages, filesOf, reduced, ringsOf, roomsOf } from '../lib/rooms.mjs'

describe.each(['core/src', 'server/src', 'web/src'])('%s', folder => {
  const root = join(ROOT, folder)

  test('has no ring of files and none of folders, types included', () => {
    expect(ringsOf(filesOf(root)).map(ring => ring.map(file => relative(root, file)))).toEqual([])
    expect(ringsOf(roomsOf(root))).toEqual([])
  })

  test('has no page that uses another', () => {
    expect(betweenPages(roomsOf(root))).toEqual([])
  })
})

describe('a folder made up for it', () => {
  const root = mkdtempSync(join(tmpdir(), 'rooms-'))
  afterAll(() => rmSync(root, { recursive: true }))
  const put = (path, text) => {
    mkdirSync(join(root, path, '..'), { recursive: true })
    writeFileSync(join(root, path), text)
  }
  put('a/one.ts', "import type { B } from '../b/two.ts'\nexport type A = B")
  put('b/two.ts', "import { c } from '../c/three.ts'\nexport type B = typeof c")
  put('c/three.ts', "import type { A } from '../a/one.ts'\nexport const c: A | 1 = 1")
  put('features/x/page.tsx', "import '../y/page.tsx'\nimport { other } from '../y/page.tsx'\nexport const page = other")
  put('features/y/page.tsx', 'export const other = 1')

  test('rings are found through types as well, and pages that use each other', () => {
    expect(ringsOf(roomsOf(root))).toEqual([['a', 'b', 'c']])
    expect(ringsOf(filesOf(root))).toHaveLength(1)
    expect(betweenPages(roomsOf(root))).toEqual(['features/x → features/y'])
  })

  test('an arrow that a longer way says as well is left out', () => {
    const rooms = new Map([
      ['a', new Set(['b', 'c'])],
      ['b', new Set(['c'])],
      ['c', new Set()],
    ])
    expect([...reduced(rooms).get('a')]).toEqual(['b'])
  })
})
