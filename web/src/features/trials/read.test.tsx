import { agesRead, readTrial, referenceShelf, starterPlan, trialSays } from '@ostler/core'
import type { Trial, TrialAnswer } from '@ostler/core'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import text from '../../../../trials/green-doses.json?raw'
import { SOMEBODY, answering, refusal } from '../../api/test/answering.ts'
import { opened } from '../../plan/test/opened.tsx'
import { AtAge } from './at-age.tsx'
import { Looks } from './looks.tsx'
import { TakeOn } from './take-on.tsx'
import type { TrialChange } from './trial-change.ts'
import { TrialsPage, standingOf } from './trials-page.tsx'

const file = readTrial(JSON.parse(text))
if (!file.ok) throw new Error('green-doses')
const { trial } = file
const shelf = referenceShelf()
const answer = (about: Partial<Trial> = {}, id = 't1'): TrialAnswer => ({
  id,
  revision: 1,
  batch: null,
  updatedAt: '2026-03-02T10:00:00.000Z',
  trial: { ...trial, ...about },
})

beforeEach(() => localStorage.clear())
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

describe('what was seen at an age', () => {
  const [age] = agesRead(trial)
  const show = (of: Trial = trial) => {
    const [now] = agesRead(of)
    opened(starterPlan('Any'), <AtAge trial={of} age={now ?? age!} shelf={shelf} />)
  }

  test('stands by dose, each against the one with nothing in it, with how far it may be off', () => {
    show()
    const list = screen.getAllByRole('list')
    const doses = within(list[0]!)
      .getAllByRole('listitem')
      .map(line => line.textContent.replace(line.querySelector('strong')!.textContent, ''))
      .map(said => Number(/([\d.]+) g\/kg/.exec(said)?.[1] ?? 0))
    expect(doses).toEqual([...doses].sort((a, b) => a - b))
    const said = within(list[1]!)
      .getAllByRole('listitem')
      .map(line => line.textContent)
    expect(said.length).toBeGreaterThan(3)
    for (const line of said) expect(line).toMatch(/against nothing: (different|probably|the same|not told)/)
    // Never that there is none without what could have been seen.
    for (const line of said)
      if (/not told/.test(line)) expect(line).toMatch(/would have seen a lightness of about [\d.]+/)
  })

  test('without one with nothing in it nothing is said of a look', () => {
    const blanks = new Set(trial.samples.filter(({ role }) => role === 'nothing').map(({ label }) => label))
    show({ ...trial, readings: trial.readings.filter(({ sample }) => !blanks.has(sample)) })
    expect(screen.getByText(/nothing can be said of this look/)).toBeTruthy()
  })

  test('two of one look are held against each other when that is asked, one against itself is not', () => {
    show()
    const labels = trial.samples.map(({ label }) => label).filter(label => age!.labs.has(label))
    const choose = (name: RegExp, label: string) =>
      fireEvent.change(screen.getByRole('combobox', { name }), { target: { value: label } })
    choose(/^Compared/, labels[0]!)
    choose(/^Against/, labels[0]!)
    expect(screen.getByRole('status').textContent).toBe('')
    choose(/^Compared/, labels.at(-1)!)
    expect(screen.getByRole('status').textContent).toMatch(/different|the same|not told/)
  })
})

describe('a look', () => {
  const look = () => {
    const kept = { trial: { ...trial, readings: [], pouredOn: '2026-03-01' } as Trial }
    const onKeep = (change: TrialChange) => {
      kept.trial = change(kept.trial)
      return Promise.resolve()
    }
    opened(starterPlan('Any'), <Looks trial={kept.trial} id="look" batch={null} isBusy={false} onKeep={onKeep} />)
    return kept
  }
  const [blank, , dosed] = trial.samples
  const colour = (label: string, hex: string) =>
    fireEvent.change(screen.getByLabelText(`Colour of ${label}`), { target: { value: hex } })
  const keep = () => screen.getByRole('button', { name: 'Keep this look' })

  test('wants one with nothing in it, a colour that is one, and an age; then it is kept whole', async () => {
    const kept = look()
    fireEvent.click(screen.getByRole('button', { name: 'Look at them now' }))
    colour(dosed!.label, '#88aa77')
    expect(screen.getByText(/one with nothing in it has to be among them/)).toBeTruthy()
    expect(keep()).toHaveProperty('disabled', true)
    colour(blank!.label, '#f3ecd9')
    expect(keep()).toHaveProperty('disabled', false)
    fireEvent.change(screen.getAllByLabelText('days since it was poured')[0]!, { target: { value: 'soon' } })
    expect(screen.getByText(/days are a number from 0 to 3650/)).toBeTruthy()
    expect(keep()).toHaveProperty('disabled', true)
    fireEvent.change(screen.getAllByLabelText('days since it was poured')[0]!, { target: { value: '1,5' } })
    fireEvent.click(screen.getByRole('checkbox', { name: `${dosed!.label}: specks` }))
    fireEvent.change(screen.getByLabelText(`Note of ${dosed!.label}`), { target: { value: ' at the rim ' } })
    fireEvent.click(keep())
    await waitFor(() => expect(kept.trial.readings).toHaveLength(2))
    expect(kept.trial.readings).toMatchObject([
      { sample: blank!.label, hex: '#f3ecd9', days: 1.5, faults: [], note: '' },
      { sample: dosed!.label, hex: '#88aa77', days: 1.5, faults: ['specks'], note: 'at the rim' },
    ])
  })

  test('that is not kept yet is there again after a reload, with its remarks', () => {
    look()
    fireEvent.click(screen.getByRole('button', { name: 'Look at them now' }))
    colour(dosed!.label, '#88aa77')
    fireEvent.click(screen.getByRole('checkbox', { name: `${dosed!.label}: specks` }))
    cleanup()
    look()
    expect(screen.getByLabelText(`Colour of ${dosed!.label}`)).toHaveProperty('value', '#88aa77')
    expect(screen.getByRole('checkbox', { name: `${dosed!.label}: specks` })).toHaveProperty('checked', true)
    fireEvent.click(screen.getByRole('button', { name: 'Leave it' }))
    expect(localStorage.getItem('ostler.trial-look.look')).toBeNull()
  })
})

describe('what was found goes to the shelf', () => {
  const says = trialSays(trial, 't1', shelf, null)
  const show = (about: Partial<Trial>, routes: Record<string, unknown> = {}) => {
    const kept = answer(about)
    const onKeep = vi.fn(() => Promise.resolve())
    const revisions = { oils: {}, liquids: {}, additives: {}, colorants: {}, scents: {}, moulds: {}, vessels: {} }
    const sent = answering({ 'GET /session': SOMEBODY, 'GET /shelf': { shelf, revisions, rules: {} }, ...routes })
    opened(starterPlan('Any'), <TakeOn kept={kept} says={says} onKeep={onKeep} />, { asks: true })
    return { sent, onKeep }
  }

  test('with one press, its swatches with it; a refusal is told and the trial stays untaken', async () => {
    let isUp = false
    const { sent, onKeep } = show(
      { takenOn: '' },
      { 'PUT /shelf/colorants/hydrated-green': () => (isUp ? { revision: 1 } : refusal(409, 'It was changed.')) },
    )
    const press = await screen.findByRole('button', { name: 'Let the shelf learn it' })
    await waitFor(() => expect(press).toHaveProperty('disabled', false))
    fireEvent.click(press)
    expect((await screen.findByRole('alert')).textContent).toBe('It was changed.')
    expect(onKeep).not.toHaveBeenCalled()
    isUp = true
    fireEvent.click(press)
    await waitFor(() => expect(onKeep).toHaveBeenCalledOnce())
    const before = shelf.colorants.find(({ id }) => id === 'hydrated-green')!.swatches.length
    const { item } = sent.at(-1)!.body as { item: { swatches: unknown[] } }
    expect(item.swatches.length).toBeGreaterThan(before)
  })

  test('says since when it is there', async () => {
    show({ takenOn: '2026-03-20' })
    expect(await screen.findByText('On the shelf since 20 March 2026: forecasts go by it.')).toBeTruthy()
    expect(screen.getByRole('button', { name: 'Take it back' })).toBeTruthy()
  })
})

describe('all trials', () => {
  test('say how far they are', () => {
    const fresh = { pouredOn: '', readings: [], takenOn: '' }
    expect(standingOf(answer(fresh))).toBe('drawn up, not made yet')
    expect(standingOf(answer({ ...fresh, pouredOn: '2026-03-01' }))).toBe('looked at next on 3 March 2026')
    expect(standingOf(answer({ ...fresh, takenOn: '2026-03-20' }))).toBe('the shelf has learned from it')
    const heard = { ...fresh, question: { ...trial.question, kind: 'claim' as const } }
    expect(standingOf(answer(heard))).toBe('heard; unproven')
  })

  test('one is deleted and had back', async () => {
    let isGone = false
    const sent = answering({
      ...{ 'GET /session': SOMEBODY, 'GET /shelf': refusal(503, 'Not now.') },
      'GET /trials': () => (isGone ? [] : [answer({ name: 'Greens' })]),
      'DELETE /trials/t1': () => void (isGone = true),
      'POST /trials/t1/restore': () => void (isGone = false),
    })
    opened(starterPlan('Any'), <TrialsPage />, { asks: true })
    fireEvent.click(await screen.findByRole('button', { name: 'Delete Greens' }))
    await waitFor(() => expect(screen.queryByRole('link', { name: 'Greens' })).toBeNull())
    fireEvent.click((await screen.findAllByRole('button', { name: 'Undo' }))[0]!)
    expect(await screen.findByRole('link', { name: 'Greens' })).toBeTruthy()
    expect(sent.map(({ method }) => method)).toEqual(['DELETE', 'POST'])
  })
})
