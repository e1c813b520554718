import { expect, test } from 'vitest'
import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { GLOSSARY, entryAt } from './glossary.ts'

test('every word stands once, in order, with a sentence, and leans only on words that are there', () => {
  expect(new Set(GLOSSARY.map(one => one.at)).size).toBe(GLOSSARY.length)
  expect(GLOSSARY.length).toBeGreaterThanOrEqual(60)
  expect(GLOSSARY.map(one => one.at)).toEqual(GLOSSARY.map(one => one.at).sort())
  for (const { says, see = [], at } of GLOSSARY) {
    expect(says, at).toMatch(/^[A-Z0-9].*\.$/)
    for (const other of see) expect(entryAt(other), `${at} leans on ${other}`).toBeDefined()
  }
})

const ROOT = join(import.meta.dirname, '..')

test('every term that is opened on a page has its entry', () => {
  const files = readdirSync(ROOT, { recursive: true, encoding: 'utf8' }).filter(name => name.endsWith('.tsx'))
  const terms = files.flatMap(name =>
    [...readFileSync(join(ROOT, name), 'utf8').matchAll(/(?:<Term at=|\bterm=|\bterm: )["']([^"']+)["']/g)].map(
      found => found[1]!,
    ),
  )
  expect(terms.length).toBeGreaterThan(16)
  for (const at of terms) expect(entryAt(at), at).toBeDefined()
})
