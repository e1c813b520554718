import { starterPlan } from '@ostler/core'
import { cleanup, fireEvent, screen, within } from '@testing-library/react'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { SOMEBODY, answering } from '../../api/test/answering.ts'
import { opened } from '../../plan/test/opened.tsx'
import { GLOSSARY, entryAt } from '../../ui/glossary.ts'
import { CraftPage } from '../craft/craft-page.tsx'
import { GlossaryPage } from './glossary-page.tsx'

beforeEach(() => void answering({ 'GET /session': SOMEBODY }))
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

test('a word is found by its letters and by what is said of it; nothing found says what was looked for', () => {
  opened(starterPlan('Any'), <GlossaryPage />, { asks: true })
  expect(screen.getAllByRole('term')).toHaveLength(GLOSSARY.length)
  const find = (text: string) => fireEvent.change(screen.getByRole('searchbox'), { target: { value: text } })
  find('  TRACE ')
  const words = screen.getAllByRole('term').map(term => term.textContent)
  expect(words.length).toBeGreaterThan(0)
  expect(words.length).toBeLessThan(GLOSSARY.length)
  expect(words).toContain(entryAt('trace')!.word)
  find('qqq')
  expect(screen.getByText('No word and no sentence has “qqq” in it.')).toBeTruthy()
})

test('every word that another one points to is there', () => {
  for (const { word, see = [] } of GLOSSARY)
    for (const other of see) expect(entryAt(other), `${word}: ${other}`).toBeTruthy()
  expect(new Set(GLOSSARY.map(({ at }) => at)).size).toBe(GLOSSARY.length)
})

test('lye is explained before anything else, with what comes before it, and every card says what to do', () => {
  opened(starterPlan('Any'), <CraftPage />, { asks: true })
  const cards = within(screen.getByRole('main')).getAllByRole('region')
  expect(cards.length).toBeGreaterThan(5)
  for (const card of cards) expect(within(card).getAllByRole('listitem').length).toBeGreaterThan(0)
  expect(screen.getByText(/Suppliers’ documents, local rules and licensed practice come first/)).toBeTruthy()
})
