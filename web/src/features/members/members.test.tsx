import { starterPlan } from '@ostler/core'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { afterEach, describe, expect, test, vi } from 'vitest'
import { SOMEBODY, answering, refusal } from '../../api/test/answering.ts'
import { opened } from '../../plan/test/opened.tsx'
import { AccountPage } from './account-page.tsx'
import { MembersPage } from './members-page.tsx'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const show = (page: React.ReactNode) => opened(starterPlan('Any'), page, { asks: true })
const member = (id: string, name: string, isYou: boolean) => ({
  ...{ id, name, signInName: name.toLowerCase(), role: 'maker', seenAt: '2026-11-02T09:00:00.000Z', isYou },
})
const READ = {
  'GET /session': SOMEBODY,
  'GET /members': { members: [member('a', 'Ines', true), member('b', 'Odo', false)], invitations: [] },
  'GET /members/deeds': [],
  'GET /members/backup': { isMadeHere: false, madeAt: null, bytes: null, isOld: false },
}

describe('members', () => {
  test('nobody removes themselves; another is removed only when asked twice', async () => {
    const sent = answering({ ...READ, 'DELETE /members/b': undefined })
    show(<MembersPage />)
    fireEvent.click(await screen.findByRole('button', { name: 'Remove Odo' }))
    expect(sent).toEqual([])
    expect(screen.queryByRole('button', { name: 'Remove Ines' })).toBeNull()
    fireEvent.click(screen.getByRole('button', { name: 'Remove Odo for good' }))
    await waitFor(() => expect(sent).toMatchObject([{ method: 'DELETE', path: '/members/b' }]))
  })

  test('what may not be is told, and the role stands as it was', async () => {
    answering({ ...READ, 'PUT /members/a': refusal(409, 'A workshop keeps an owner.') })
    show(<MembersPage />)
    const role = await screen.findByLabelText<HTMLSelectElement>('What Ines may do')
    fireEvent.change(role, { target: { value: 'looker' } })
    expect((await screen.findAllByText(/A workshop keeps an owner/)).length).toBeGreaterThan(0)
    await waitFor(() => expect(role.value).toBe('maker'))
  })

  test('an invitation is a link for the role that was chosen, shown once', async () => {
    const sent = answering({ ...READ, 'POST /members/invitations': { token: 'come-and-see' } })
    show(<MembersPage />)
    fireEvent.change(await screen.findByLabelText('as'), { target: { value: 'looker' } })
    fireEvent.click(screen.getByRole('button', { name: 'Make a link' }))
    expect(await screen.findByText(/\/come-in\/come-and-see$/)).toBeTruthy()
    expect(sent[0]!.body).toEqual({ role: 'looker' })
  })

  test('a workshop’s file says what came of it, part by part, and what was left out and why', async () => {
    const counts = { shelf: [2, 270], recipes: [0, 3], designs: [1, 0], trials: [0, 0], runs: [4, 0], photos: [9, 0] }
    const refused = [{ name: 'Bad oil', sentence: 'It cannot be read.' }]
    const sent = answering({ ...READ, 'POST /everything.zip': { ...counts, batches: [12, 1], refused } })
    show(<MembersPage />)
    const file = new File(['zip'], 'reed-bank.zip', { type: 'application/zip' })
    fireEvent.change(await screen.findByLabelText('File of a workshop to take in'), { target: { files: [file] } })
    const row = await screen.findByRole('row', { name: /^Batches/ })
    expect(
      within(row)
        .getAllByRole('cell')
        .map(cell => cell.textContent),
    ).toEqual(['Batches', '12', '1'])
    expect(screen.getByRole('list', { name: 'Not taken in' }).textContent).toBe('Bad oil: It cannot be read.')
    expect(sent[0]!.body).toBe(file)
  })
})

describe('one’s own account', () => {
  const type = (label: string, text: string) =>
    fireEvent.change(screen.getByLabelText(label), { target: { value: text } })

  test('a new password that is too short, or whose old one is wrong, is told beside its field', async () => {
    const wrong = refusal(400, 'That is not your password.', 'old')
    const sent = answering({ ...READ, 'GET /account/sessions': [], 'PUT /account/password': wrong })
    show(<AccountPage />)
    await screen.findByRole('heading', { name: 'Ines' })
    type('The one that you have now', 'otters')
    type('The new one, at least 10 letters', 'short')
    fireEvent.click(screen.getByRole('button', { name: 'Change it' }))
    expect(await screen.findByText(/10/, { selector: '[role=alert], .text-rust' })).toBeTruthy()
    expect(sent).toEqual([])
    type('The new one, at least 10 letters', 'two otters and a kettle')
    fireEvent.click(screen.getByRole('button', { name: 'Change it' }))
    expect(await screen.findByText('That is not your password.')).toBeTruthy()
    expect(screen.getByLabelText<HTMLInputElement>('The new one, at least 10 letters').value).toBe(
      'two otters and a kettle',
    )
  })

  test('leaving asks for the password, and says why it may not be', async () => {
    const sent = answering({
      ...{ ...READ, 'GET /account/sessions': [] },
      'POST /account/leave': refusal(409, 'The last owner cannot leave.'),
    })
    show(<AccountPage />)
    fireEvent.click(await screen.findByRole('button', { name: 'Leave it …' }))
    type('Your password', 'two otters')
    fireEvent.click(screen.getAllByRole('button', { name: 'Leave it' })[0]!)
    expect(await screen.findByText('The last owner cannot leave.')).toBeTruthy()
    expect(sent[0]!.body).toEqual({ password: 'two otters' })
  })
})
