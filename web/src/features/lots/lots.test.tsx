import { portionsOf, referenceShelf, starterPlan } from '@ostler/core'
import type { Lot, LotTaking, LotUse } from '@ostler/core'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { afterEach, describe, expect, test, vi } from 'vitest'
import { SOMEBODY, answering } from '../../api/test/answering.ts'
import { opened } from '../../plan/test/opened.tsx'
import { LotsPage } from './lots-page.tsx'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const plan = starterPlan('Lots')
const lot = (id: string, left: number): Lot => ({ id, mark: `mark ${id}`, bought: 1000, left, cost: 5, useBy: '' })
const start = referenceShelf()
const oliveG = portionsOf(plan, start).oils.find(({ oil }) => oil === 'olive')!.massG
/** A shelf where olive oil alone is counted: in a lot with too little, and one with enough. */
const shelf = {
  ...start,
  oils: start.oils.map(oil => (oil.id === 'olive' ? { ...oil, lots: [lot('old', 100), lot('new', 900)] } : oil)),
}
function show(booked: LotUse[], put: unknown = []) {
  const sent = answering({ 'GET /session': SOMEBODY, 'GET /batches//lots': booked, 'PUT /batches//lots': put })
  opened(plan, <LotsPage />, { asks: true, shelf })
  return () => sent.map(({ body }) => body as { takes: LotTaking[]; evenIfShort: boolean })
}
const row = async () => within((await screen.findByRole('link', { name: 'Olive oil, refined' })).closest('tr')!)
const sumG = (takes: readonly LotTaking[]) => takes.reduce((sum, { massG }) => sum + massG, 0)

describe('which lots went in', () => {
  test('the open one is emptied first, the next gives the rest, and all of the oil is told', async () => {
    const sent = show([])
    expect((await row()).getAllByRole('combobox').map(one => (one as HTMLSelectElement).value)).toEqual(['old', 'new'])
    fireEvent.click(screen.getByRole('button', { name: 'Take it off the shelf' }))
    await waitFor(() => expect(sent()).toHaveLength(1))
    const { takes, evenIfShort } = sent()[0]!
    expect(evenIfShort).toBe(false)
    expect(takes[0]).toMatchObject({ kind: 'oils', item: 'olive', lot: 'old', massG: 100 })
    expect(sumG(takes)).toBeCloseTo(oliveG, 0)
  })

  test('what is in no lot is said; more than a lot holds too', async () => {
    show([])
    const olive = await row()
    const [first] = olive.getAllByRole('textbox') as [HTMLInputElement]
    const take = (text: string) => {
      fireEvent.change(first, { target: { value: text } })
      fireEvent.blur(first)
    }
    take('40')
    expect(olive.getByText(/60 g of it in no lot/)).toBeTruthy()
    take('250')
    expect(olive.getByText(/holds 100 g only/)).toBeTruthy()
    expect(olive.getByText(/more than went in/)).toBeTruthy()
  })

  test('where the count is less than was taken the maker says that the count was wrong', async () => {
    const short = [{ kind: 'oils', item: 'olive', lot: 'old', haveG: 60 }]
    let isAsked = false
    const sent = show([], () => {
      if (isAsked) return []
      isAsked = true
      return Response.json({ sentence: 'The shelf holds less.', short }, { status: 409 })
    })
    await row()
    fireEvent.click(screen.getByRole('button', { name: 'Take it off the shelf' }))
    expect(await screen.findByText('The shelf holds less.')).toBeTruthy()
    expect((await row()).getByText('△ it holds 60 g')).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: /The counts were wrong: empty that lot/ }))
    await waitFor(() => expect(sent().map(one => one.evenIfShort)).toEqual([false, true]))
  })

  test('what is booked is not taken twice, and can be put back on the count', async () => {
    const use: LotUse = { kind: 'oils', item: 'olive', lot: 'new', mark: 'mark new', massG: 300, takenG: 300 }
    const sent = show([use])
    await row()
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Take it so instead' }).disabled).toBe(true)
    fireEvent.click(screen.getByRole('button', { name: 'Put it all back on the count' }))
    await waitFor(() => expect(sent()).toEqual([{ takes: [], evenIfShort: false }]))
  })
})

test('a shelf that counts nothing says how to begin', async () => {
  answering({ 'GET /session': SOMEBODY, 'GET /batches//lots': [] })
  opened(plan, <LotsPage />, { asks: true })
  expect(await screen.findByText(/Of nothing in this batch is stock counted/)).toBeTruthy()
})
