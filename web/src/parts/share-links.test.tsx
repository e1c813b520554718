import { starterPlan } from '@ostler/core'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, describe, expect, test, vi } from 'vitest'
import { SOMEBODY, answering, refusal } from '../api/test/answering.ts'
import { opened } from '../plan/test/opened.tsx'
import { ShareLinks } from './share-links.tsx'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

let count = 0
function show(what: 'sheet' | 'record' | 'design', routes: (at: string) => Record<string, unknown>) {
  const id = `share-${(count += 1)}`
  const at = `/batches/${id}/shares`
  const sent = answering({ 'GET /session': SOMEBODY, [`GET ${at}`]: [], ...routes(at) })
  opened(starterPlan('Fen'), <ShareLinks what={what} />, { asks: true, id })
  fireEvent.click(screen.getByRole('button', { name: /Share/ }))
  return sent
}
const make = () => fireEvent.click(screen.getByRole('button', { name: 'Make a link' }))

describe('a link to somebody outside', () => {
  test('shows no scent and no note unless it is chosen, and stands there once it is made', async () => {
    const sent = show('record', at => ({ [`POST ${at}`]: { token: 'abc' } }))
    expect(screen.getByText(/Costs, lots, sales, places, who saw what and for whom it is made stay here/)).toBeTruthy()
    make()
    expect(await screen.findByText(`${location.origin}/shared/abc`)).toBeTruthy()
    expect(sent[0]!.body).toEqual({ what: 'record', withScents: false, withNotes: false })
    fireEvent.click(screen.getByRole('checkbox', { name: 'with what was noted in own words' }))
    make()
    await waitFor(() => expect(sent).toHaveLength(2))
    expect(sent[1]!.body).toEqual({ what: 'record', withScents: false, withNotes: true })
  })

  test('to the pour sheet warns that the recipe is on it; to the design has nothing to choose', () => {
    show('sheet', () => ({}))
    expect(screen.getByText(/The recipe is on the sheet/)).toBeTruthy()
    expect(screen.getAllByRole('checkbox')).toHaveLength(1)
    cleanup()
    show('design', () => ({}))
    expect(screen.queryByRole('checkbox')).toBeNull()
  })

  test('stands with who made it and when, and ends; what is refused is told', async () => {
    const one = { id: 's1', what: 'sheet', withScents: true, withNotes: false, madeBy: 'Ines' }
    const sent = show('sheet', at => ({
      [`GET ${at}`]: [{ ...one, at: '2026-03-02T10:00:00.000Z' }],
      [`DELETE ${at}/s1`]: refusal(503, 'Not now.'),
    }))
    const line = (await screen.findByText(/Ines, 2 March 2026/)).closest('li')!
    expect(line.textContent).toContain('with scents')
    expect(line.textContent).not.toContain('with notes')
    fireEvent.click(screen.getByRole('button', { name: 'End it' }))
    expect((await screen.findByRole('alert')).textContent).toBe('Not now.')
    expect(sent.map(({ method }) => method)).toEqual(['DELETE'])
  })
})
