import { existsSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { referenceShelf, starterPlan } from '@ostler/core'
import { expect, test } from 'vitest'
import type { Work } from '../src/work/work.ts'
import { workHere } from './harness.ts'

// A thread runs what is built; the tests build first.
const built = new URL('../dist/src/work/threads.js', import.meta.url)

test('a thread gives what would be worked out here, and answers null of what is no plan', async () => {
  expect(existsSync(fileURLToPath(built))).toBe(true)
  const { workInThread } = (await import(/* @vite-ignore */ built.href)) as { workInThread: (log: object) => Work }
  const work = workInThread({ error: console.error })
  const task = { plan: starterPlan('Lantern'), shelf: referenceShelf() }
  const look = (await work.look(task))!
  expect({ ...look, face: Buffer.from(look.face).toString('base64') }).toEqual({
    ...(await workHere.look(task))!,
    face: Buffer.from((await workHere.look(task))!.face).toString('base64'),
  })
  const asked = { ...task, batch: 'a', at: '2026-05-01T08:00:00.000Z' }
  expect(await work.evidence(asked)).toEqual(await workHere.evidence(asked))
  expect(await work.look({ ...task, plan: { format: 'other' } })).toBeNull()
})
