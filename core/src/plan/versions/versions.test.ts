import { createHash } from 'node:crypto'
import { readFileSync, readdirSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { forecast } from '../../forecast/index.ts'
import { planSchema } from '../../schema/index.ts'
import { referenceShelf } from '../../shelf/index.ts'
import { PLAN_VERSION, readPlan } from '../index.ts'

const FOLDER = new URL('past/', import.meta.url)
const FILES = readdirSync(FOLDER)
const textOf = (file: string): string => readFileSync(new URL(file, FOLDER), 'utf8')

interface Any {
  name: string
  version: number
  recipe: { oils: { oil: string; share: number }[]; superfatShare: number }
  mould: { innerLengthMm: number; fillMm: number }
  cups: { id: string; name: string }[]
  score: { id: string; cup: string }[]
}

describe('plans written by every form that there has been', () => {
  test('one of each version is kept', () => {
    const versions = new Set(FILES.map(file => (JSON.parse(textOf(file)) as Any).version))
    expect([...versions].sort((a, b) => a - b)).toEqual(Array.from({ length: PLAN_VERSION }, (_, i) => i + 1))
  })

  test.each(FILES)('%s is read, keeps what it said, and can be forecast', file => {
    const written = JSON.parse(textOf(file)) as Any
    const result = readPlan(written)
    expect(result.ok ? [] : result.problems).toEqual([])
    if (!result.ok) return
    const { plan } = result
    expect(plan.name).toBe(written.name)
    expect(plan.recipe.oils.map(part => [part.oil, part.share])).toEqual(
      written.recipe.oils.map(part => [part.oil, part.share]),
    )
    expect(plan.recipe.superfatShare).toBe(written.recipe.superfatShare)
    expect(plan.mould).toMatchObject({ innerLengthMm: written.mould.innerLengthMm, fillMm: written.mould.fillMm })
    expect(plan.cups.map(cup => [cup.id, cup.name])).toEqual(written.cups.map(cup => [cup.id, cup.name]))
    expect(plan.score.map(pour => [pour.id, pour.cup])).toEqual(written.score.map(pour => [pour.id, pour.cup]))
    // Read again it is the same: nothing is filled in twice.
    const again = readPlan(JSON.parse(JSON.stringify(plan)))
    expect(again.ok && again.plan).toEqual(plan)
    expect(forecast(plan, referenceShelf()).ok).toBe(true)
  })
})

/**
 * The form of plans, by a hash of the published schema. When this fails the form has changed: plans that are kept were
 * written in the old one. Raise the version, add a step to the migrations, keep an example of it here, and only then
 * write down the new hash. Descriptions and the order of fields are left out of it.
 */
const FORMS: Readonly<Record<number, string>> = {
  9: 'd4e98b06235fae51630ba5d5e70fc7869593943157ca3942bb66aa468faee263',
  10: 'a426baa3bd3b484701fc304b20ee0e76e126ebf981a3d46bc178f06adcccd8a0',
  11: 'ecdbe362a3a80e5fa78b418a185aaf495a1709342896e637d4d6ddcf7fe16fde',
  12: '83112784933bca386498ad2e7e5781913e25f17a37caf483234d0bf1b750a726',
  13: 'c1a9bace65c03a643040c9ca0194d4e4d048b8b8e5be23c4bbe7923800e68410',
}

test('a change of the form is a new version', () => {
  const schema = planSchema() as { properties: { version: { const: number } } }
  const form = JSON.stringify(schema, (key, value: unknown) => {
    if (key === 'description' && typeof value === 'string') return undefined
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return value
    return Object.fromEntries(Object.entries(value).sort(([a], [b]) => a.localeCompare(b)))
  })
  expect(createHash('sha256').update(form).digest('hex')).toBe(FORMS[schema.properties.version.const])
})
