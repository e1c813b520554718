import { IMPERIAL, fact, starterPlan } from '@ostler/core'
import type { CureDoubt, WeighIn } from '@ostler/core'
import { fireEvent, screen, within } from '@testing-library/react'
import { afterEach, describe, expect, test, vi } from 'vitest'
import { SOMEBODY, answering } from '../../api/test/answering.ts'
import { opened } from '../../plan/test/opened.tsx'
import { WeighIns } from './weigh-ins.tsx'

afterEach(() => {
  vi.unstubAllGlobals()
})

const start = starterPlan('Rack')
const weighIn = (about: Partial<WeighIn> = {}): WeighIn => ({
  ...{ day: 14, massG: 112, bar: '', count: 1, doubt: 'ask' },
  ...about,
})
const show = (weighIns: readonly WeighIn[] = [], doubts: readonly CureDoubt[] = []) =>
  opened({ ...start, rest: { ...start.rest, weighIns: [...weighIns] } }, <WeighIns freshG={120} doubts={doubts} />, {
    asks: true,
  })
const kept = (batch: ReturnType<typeof show>) => batch.get().plan.rest.weighIns
const set = (label: string, text: string) => {
  const field = screen.getByLabelText(label)
  fireEvent.change(field, { target: { value: text } })
  fireEvent.blur(field)
}
const note = () => fireEvent.click(screen.getByRole('button', { name: 'Note it' }))

describe('a weigh-in', () => {
  test('begins near what a bar of a week weighs, and stands by its day', () => {
    const batch = show([weighIn({ day: 30, massG: 101 })])
    expect(screen.getByLabelText<HTMLInputElement>('The bar weighs').value).toBe('114')
    set('Days after the pour', '9')
    set('The bar weighs', '110.5')
    note()
    expect(kept(batch)).toMatchObject([{ day: 9, massG: 110.5, count: 1, bar: '' }, { day: 30 }])
    expect(screen.getAllByRole('listitem').map(one => one.textContent)).toEqual([
      expect.stringMatching(/^day 9, bar a: 110\.5 g/),
      expect.stringMatching(/^day 30, bar a: 101(\.0)? g/),
    ])
  })

  test('of several bars together names none of them', () => {
    const batch = show()
    fireEvent.change(screen.getByLabelText('Which bar'), { target: { value: 'c' } })
    set('Bars together', '6')
    expect(screen.queryByLabelText('Which bar')).toBeNull()
    set('They weigh', '655')
    note()
    expect(kept(batch)).toMatchObject([{ massG: 655, count: 6, bar: '' }])
    expect(screen.getByRole('listitem').textContent).toContain('6 bars')
  })

  test('of a bar by its letter keeps to it', () => {
    const batch = show()
    fireEvent.change(screen.getByLabelText('Which bar'), { target: { value: 'c' } })
    note()
    expect(kept(batch)).toMatchObject([{ bar: 'c', count: 1 }])
    expect(screen.getByRole('listitem').textContent).toContain('bar c')
  })

  test('typed in ounces is kept in grams', async () => {
    answering({ 'GET /session': { ...SOMEBODY, workshop: { ...SOMEBODY.workshop, habits: IMPERIAL } } })
    const batch = show()
    await screen.findByText('oz')
    set('The bar weighs', '4')
    note()
    expect(kept(batch)[0]!.massG).toBeCloseTo(113.4, 1)
  })

  test('that cannot be is told, and nothing is noted', () => {
    const batch = show()
    set('Days after the pour', '4000')
    note()
    expect(screen.getByRole('alert').textContent).not.toBe('')
    expect(kept(batch)).toEqual([])
    set('Days after the pour', '40')
    note()
    expect(screen.queryByRole('alert')).toBeNull()
    expect(kept(batch)).toHaveLength(1)
  })

  test('taken away leaves the others; undo brings it back', () => {
    const all = [weighIn({ day: 7 }), weighIn({ day: 21, massG: 106 })]
    const batch = show(all)
    fireEvent.click(screen.getByRole('button', { name: 'Remove weigh-in 1' }))
    expect(kept(batch)).toEqual([all[1]])
    batch.undo()
    expect(kept(batch)).toEqual(all)
  })
})

describe('a weight that looks wrong', () => {
  const doubt = (offerG: number | null): CureDoubt => ({
    at: 1,
    question: fact('cure.ten-times-too-little', { massG: '11.2 g', about: '', what: '112 g' }),
    offerG,
  })
  const all = [weighIn({ day: 7, massG: 115 }), weighIn({ day: 21, massG: 11.2 })]
  const asked = (offerG: number | null) => {
    const batch = show(all, [doubt(offerG)])
    return { batch, alert: within(screen.getByRole('alert')) }
  }

  test('is asked about at its own line; what was meant is one press away', () => {
    const { batch, alert } = asked(112)
    expect(alert.getByText(/11\.2 g.*112 g/)).toBeTruthy()
    expect(screen.getByRole('alert').closest('li')!.textContent).toContain('day 21')
    fireEvent.click(alert.getByRole('button', { name: /^Yes, 112/ }))
    expect(kept(batch)).toMatchObject([{ massG: 115 }, { day: 21, massG: 112 }])
  })

  test('can be so, and is marked as said', () => {
    const { batch, alert } = asked(112)
    fireEvent.click(alert.getByRole('button', { name: 'It is so' }))
    expect(kept(batch)[1]).toMatchObject({ massG: 11.2, doubt: 'it-is-so' })
    expect(screen.getByText('said to be so')).toBeTruthy()
  })

  test('can be left out: it stays, struck through; where nothing is offered there is no yes', () => {
    const { batch, alert } = asked(null)
    expect(alert.queryByRole('button', { name: /^Yes/ })).toBeNull()
    fireEvent.click(alert.getByRole('button', { name: 'Leave it out' }))
    expect(kept(batch)[1]).toMatchObject({ massG: 11.2, doubt: 'leave-out' })
    expect(screen.getByText(/^day 21/).className).toContain('line-through')
  })
})
