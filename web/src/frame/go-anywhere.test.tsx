import { starterPlan } from '@ostler/core'
import { cleanup, fireEvent, screen } from '@testing-library/react'
import { useLocation } from 'react-router'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { SOMEBODY, answering } from '../api/test/answering.ts'
import { opened } from '../plan/test/opened.tsx'
import { GoAnywhere } from './go-anywhere.tsx'

const Here = () => <output>{useLocation().pathname}</output>

beforeEach(() => {
  // What the list of choices asks of a browser, and the test's page has not.
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe() {}
      unobserve() {}
      disconnect() {}
    },
  )
  Element.prototype.scrollIntoView = () => undefined
  answering({
    'GET /session': SOMEBODY,
    'GET /batches': { batches: [{ id: 'b1', name: 'Heron reeds' }], next: null },
  })
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const show = (at: string) =>
  opened(
    starterPlan('Any'),
    <>
      <GoAnywhere />
      <Here />
    </>,
    { asks: true, at },
  )
const press = () => fireEvent.keyDown(window, { key: 'k', ctrlKey: true })
const type = (text: string) => fireEvent.change(screen.getByRole('combobox'), { target: { value: text } })
const first = () => screen.getAllByRole('option')[0]!.textContent

test('it opens and closes by the keyboard, and other keys leave it alone', () => {
  show('/batches')
  fireEvent.keyDown(window, { key: 'k' })
  fireEvent.keyDown(window, { key: 'k', ctrlKey: true, shiftKey: true })
  expect(screen.queryByRole('dialog')).toBeNull()
  press()
  expect(screen.getByRole('dialog')).toBeTruthy()
  press()
  expect(screen.queryByRole('dialog')).toBeNull()
})

test('a few letters of each word find a batch, and Enter goes there', async () => {
  show('/shelf')
  press()
  await screen.findByText('Heron reeds')
  type('ree hero')
  expect(first()).toContain('Heron reeds')
  fireEvent.keyDown(screen.getByRole('combobox'), { key: 'Enter' })
  expect(screen.getByRole('status').textContent).toBe('/batches/b1/score')
  expect(screen.queryByRole('dialog')).toBeNull()
})

test('in a batch its own pages come first; outside there are none', () => {
  show('/batches/b7/score')
  press()
  type('weigh')
  fireEvent.click(screen.getAllByRole('option')[0]!)
  expect(screen.getByRole('status').textContent).toBe('/batches/b7/weigh')
  cleanup()
  show('/shelf')
  press()
  type('run sheet')
  expect(screen.getByText('Nothing is called that.')).toBeTruthy()
})
