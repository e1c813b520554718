import { describe, expect, test } from 'vitest'
import { fact } from '../../quantities/facts/index.ts'
import { said } from '../../quantities/words/index.ts'
import { opened } from './index.ts'
import type { Kind, Loose } from './index.ts'

const says = {
  ...{ noObject: fact('No object.'), otherFormat: fact('Another format.'), tooDeep: fact('Too deep.') },
  newer: (version: number) => fact('Version {version} is newer.', { version }),
}
const tea: Kind<Loose> = {
  ...{ format: 'tea', version: 3, says },
  steps: {
    1: one => ({ ...one, version: 2, leaves: one['leaf'] }),
    2: two => ({ ...two, version: 3, cups: (two['leaves'] as string[]).length }),
  },
  read: three =>
    three['cups'] === 0
      ? { ok: false, problems: [{ path: 'cups', value: 0, sentence: fact('No cups.') }] }
      : { ok: true, value: three },
}
const sentence = (value: unknown) => {
  const read = opened(tea, value)
  return read.ok ? null : said(read.problems.map(one => one.sentence))
}

describe('what is kept', () => {
  test('is brought up one version at a time, and says from which', () => {
    const first = { format: 'tea', version: 1, leaf: ['a', 'b'] }
    expect(opened(tea, first)).toMatchObject({ ok: true, from: 1, value: { version: 3, leaf: ['a', 'b'], cups: 2 } })
    expect(first).toEqual({ format: 'tea', version: 1, leaf: ['a', 'b'] })
    expect(opened(tea, { format: 'tea', version: 3, cups: 4 })).toMatchObject({ ok: true, from: 3 })
  })

  test.each([
    ['no object', [], 'No object.'],
    ['null', null, 'No object.'],
    ['another format', { format: 'coffee', version: 1 }, 'Another format.'],
    ['a newer one', { format: 'tea', version: 4, cups: 1 }, 'Version 4 is newer.'],
    ['one that is wrong', { format: 'tea', version: 3, cups: 0 }, 'No cups.'],
    ['names of objects', JSON.parse('{"format":"tea","version":3,"__proto__":{}}'), 'Too deep.'],
  ])('%s is refused with a sentence', (_, value: unknown, words) => expect(sentence(value)).toEqual([words]))

  test('a step that cannot make anything of it, or leads nowhere, is told and not thrown', () => {
    expect(sentence({ format: 'tea', version: 2 })).toEqual([expect.stringContaining('kept in version 2')])
    const round = { ...tea, steps: { 1: (one: Loose) => one } }
    expect(opened(round, { format: 'tea', version: 1 }).ok).toBe(false)
  })
})
