import { readFileSync, readdirSync } from 'node:fs'
import { Ajv2020 } from 'ajv/dist/2020.js'
import { expect, test } from 'vitest'
import { readPlan, starterPlan } from '../plan/index.ts'
import { readTrial } from '../trial/index.ts'
import type { Trial } from '../trial/index.ts'
import { planSchema, trialSchema } from './index.ts'

const validate = new Ajv2020({ strict: false, formats: { uuid: true } }).compile(planSchema())
const EXAMPLES = new URL('../../../examples/', import.meta.url)

test.each(readdirSync(EXAMPLES))('the schema accepts %s', file => {
  expect(validate(JSON.parse(readFileSync(new URL(file, EXAMPLES), 'utf8')))).toBe(true)
})

/** Every place of a plan, with what else might stand there. */
function spoiltPlans(): unknown[] {
  const plan = {
    ...starterPlan('Trial'),
    scent: {
      parts: [{ scent: 'quiet-linen', share: 1 }],
      load: 0.02,
      basis: 'oils',
      moment: 'pot',
      how: 'hand',
      spread: 'cup',
      stabiliserRatio: 0,
      isPrivate: false,
    },
  }
  const wrong = [null, -1, 1e9, 'text', '', true, [], {}]
  const places: (string | number)[][] = []
  const walk = (node: unknown, path: (string | number)[]) => {
    if (path.length > 0) places.push(path)
    if (Array.isArray(node)) node.forEach((item, i) => walk(item, [...path, i]))
    else if (typeof node === 'object' && node !== null)
      for (const [key, value] of Object.entries(node)) walk(value, [...path, key])
  }
  walk(plan, [])
  return places.flatMap(path =>
    wrong.map(value => {
      const copy = structuredClone(plan) as Record<string | number, unknown>
      const last = path.at(-1)!
      const owner = path.slice(0, -1).reduce<Record<string | number, unknown>>((node, key) => node[key] as never, copy)
      owner[last] = value
      return copy
    }),
  )
}

test('what the schema refuses, reading refuses: they are made from the same classes', () => {
  const spoilt = spoiltPlans()
  expect(spoilt.length).toBeGreaterThan(300)
  const refusedBySchema = spoilt.filter(plan => !validate(plan))
  expect(refusedBySchema.length).toBeGreaterThan(200)
  for (const plan of refusedBySchema) expect(readPlan(plan).ok).toBe(false)
})

test('what reading accepts, the schema accepts', () => {
  for (const plan of spoiltPlans()) if (readPlan(plan).ok) expect(validate(plan)).toBe(true)
})

test('the schema of trials accepts the one that is kept beside it, and refuses what reading refuses', () => {
  const check = new Ajv2020({ strict: false, formats: { uuid: true } }).compile(trialSchema())
  const trial = JSON.parse(readFileSync(new URL('../../../trials/green-doses.json', import.meta.url), 'utf8')) as Trial
  expect(check(trial)).toBe(true)
  const wrong = [
    { ...trial, version: 2 },
    { ...trial, pouredOn: 'yesterday' },
    { ...trial, question: { ...trial.question, blanks: 0 } },
    { ...trial, samples: [{ ...trial.samples[0], label: 'green' }] },
    { ...trial, readings: [{ ...trial.readings[0], hex: 'green' }] },
  ]
  for (const one of wrong) expect([check(one), readTrial(one).ok]).toEqual([false, false])
})
