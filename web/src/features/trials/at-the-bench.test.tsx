import { trialOfQuestion } from '@ostler/core'
import type { Trial, TrialQuestion } from '@ostler/core'
import { act, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { Looks } from './looks.tsx'
import { NumbersLook } from './numbers-look.tsx'
import { PairWatch, withNumbers } from './pair-watch.tsx'
import { numberWords } from './says-numbers.tsx'
import type { TrialChange } from './trial-change.ts'

const question = (kind: TrialQuestion['kind'], more: Partial<TrialQuestion> = {}): TrialQuestion => ({
  ...{ kind, asked: '', levels: [], blanks: 1, whiteGPerKg: 0, sampleG: 60, stepG: 0.01, matters: 2.5 },
  ...{ way: 'photo', seed: 3, ...more },
})
const pair = trialOfQuestion('Pair', question('speed', { scent: 'moss-cathedral', load: 0.03 }))
const heard = trialOfQuestion(
  'Heard',
  question('claim', { levels: [{ colorant: '', gPerKg: 0, way: 'with sugar' }], blanks: 2, times: 2 }),
)

/** Keeps what a page changes, as the server would. */
function keeper(start: Trial) {
  const kept = { trial: start }
  const onKeep = (change: TrialChange): Promise<void> => {
    kept.trial = change(kept.trial)
    return Promise.resolve()
  }
  return { kept, onKeep }
}

beforeEach(() => {
  localStorage.clear()
  vi.useFakeTimers({ now: new Date('2026-12-01T10:00:00Z') })
})
afterEach(() => vi.useRealTimers())

describe('two cups by the clock', () => {
  test('each look is kept with its minute; the clock goes on through a reload', () => {
    const { kept, onKeep } = keeper(pair)
    const page = () => <PairWatch trial={kept.trial} id="t1" isBusy={false} onKeep={onKeep} />
    const { unmount } = render(page())
    fireEvent.click(screen.getByRole('button', { name: 'The batter is divided' }))
    expect(screen.getByRole('timer').textContent).toBe('0:00')
    act(() => void vi.advanceTimersByTime(5 * 60_000))
    expect(screen.getByRole('timer').textContent).toBe('5:00')
    expect(screen.getByText('look at both at 8:00')).toBeTruthy()
    fireEvent.click(screen.getAllByRole('button', { name: /Stir, lift/ })[1]!)
    fireEvent.click(screen.getByRole('button', { name: /^lines/ }))
    expect(kept.trial.numbers).toMatchObject([{ what: 'level', value: 2.25, minutes: 5, by: '' }])
    unmount()
    vi.advanceTimersByTime(60_000)
    render(page())
    expect(screen.getByRole('timer').textContent).toBe('6:00')
    // A drip is timed instead of named: from its fall until its mark is gone.
    fireEvent.click(screen.getAllByRole('button', { name: /Stir, lift/ })[0]!)
    fireEvent.click(screen.getByRole('button', { name: /A drip falls/ }))
    act(() => void vi.advanceTimersByTime(3000))
    fireEvent.click(screen.getByRole('button', { name: 'Its mark is gone' }))
    const drip = kept.trial.numbers!.at(-1)!
    expect(drip).toMatchObject({ what: 'level', by: 'drip', sample: pair.samples[0]!.label })
    expect(drip.value).toBeGreaterThan(1.8)
    expect(drip.value).toBeLessThan(2.2)
    fireEvent.click(screen.getByRole('button', { name: 'That was all' }))
    expect(screen.getByRole('button', { name: 'The batter is divided' })).toBeTruthy()
  })

  test('a number that is sent twice is there once', () => {
    const one = { id: 'a', sample: 'K1', at: '', days: 0, minutes: 2, what: 'level' as const, value: 2, by: '' }
    expect(withNumbers(withNumbers(pair, [one]), [{ ...one, value: 3 }]).numbers).toEqual([{ ...one, value: 3 }])
  })
})

describe('numbers of a look', () => {
  const look = (start: Trial) => {
    const { kept, onKeep } = keeper(start)
    render(<NumbersLook trial={start} id="t2" days={2} isBusy={false} onKeep={onKeep} />)
    return kept
  }
  const field = (label: string) => screen.getByLabelText(`${label}: points`)

  test('beyond what can be are said beside their sample, and kept through a reload', async () => {
    const kept = look(heard)
    const [first, second] = heard.samples
    fireEvent.change(field(first!.label), { target: { value: '11' } })
    expect(screen.getByRole('status').textContent).toBe(`${first!.label}: points is from 0 to 10 (0 to 10).`)
    expect(screen.getByRole('button', { name: 'Keep these numbers' })).toHaveProperty('disabled', true)
    fireEvent.change(field(first!.label), { target: { value: '4,5' } })
    fireEvent.change(field(second!.label), { target: { value: '4' } })
    fireEvent.change(screen.getByLabelText('days since it was poured'), { target: { value: 'soon' } })
    expect(screen.getByRole('button', { name: 'Keep these numbers' })).toHaveProperty('disabled', true)
    fireEvent.change(screen.getByLabelText('days since it was poured'), { target: { value: '3' } })
    expect(localStorage.getItem('ostler.trial-numbers.t2')).toContain('4,5')
    await act(async () => {
      fireEvent.click(screen.getByRole('button', { name: 'Keep these numbers' }))
      await Promise.resolve()
    })
    expect(kept.trial.numbers).toMatchObject([
      { sample: first!.label, value: 4.5, days: 3, what: 'points' },
      { sample: second!.label, value: 4, days: 3 },
    ])
    expect(localStorage.getItem('ostler.trial-numbers.t2')).toBeNull()
  })
})

test('what may be said of a number never denies a difference without what would have been seen', () => {
  const of = (word: Parameters<typeof numberWords>[0]['word']) =>
    numberWords({ label: 'A', usual: 5, mean: 6, by: 1, low: -0.5, high: 2.5, p: 0.3, word, wouldSee: 2.8 }, false)
  expect(of('not told')).toBe('not told: this trial would have seen 2.8')
  expect(of('the same')).toBe('the same for this purpose: between −0.5 and +2.5')
  expect(of('different')).toBe('different: +1.0 (−0.5 to +2.5)')
  const ratio = { label: 'A', usual: 8, mean: 12, by: 1.5, low: 1.2, high: 1.9, p: 0.01, wouldSee: 1.4 }
  expect(numberWords({ ...ratio, word: 'different' }, true)).toBe('different: +50 % (+20 % to +90 %)')
  expect(numberWords({ ...ratio, word: 'not told' }, true)).toContain('would have seen +40 %')
})

test('what was poured the day before yesterday is two days old, in the morning and late in the evening', () => {
  const poured = { ...heard, pouredOn: '2026-11-29' }
  for (const now of ['2026-12-01T00:10:00', '2026-12-01T23:50:00']) {
    vi.setSystemTime(new Date(now))
    const { unmount } = render(
      <Looks trial={poured} id="t3" batch={null} isBusy={false} onKeep={() => Promise.resolve()} />,
    )
    fireEvent.click(screen.getByRole('button', { name: 'Look at them now' }))
    const fields = screen.getAllByLabelText<HTMLInputElement>('days since it was poured')
    expect(new Set(fields.map(({ value }) => value))).toEqual(new Set(['2']))
    unmount()
  }
})
