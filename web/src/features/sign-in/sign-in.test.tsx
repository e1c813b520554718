import { starterPlan } from '@ostler/core'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { NOBODY, answering, refusal } from '../../api/test/answering.ts'
import { Gate } from '../../app/gate.tsx'
import { opened } from '../../plan/test/opened.tsx'
import { SignInForm } from './sign-in-page.tsx'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } })
const gate = (session: unknown, routes: Record<string, unknown> = {}) => {
  const sent = answering({ 'GET /session': session, ...routes })
  opened(starterPlan('Any'), <Gate />, { asks: true })
  return sent
}
const LOCKED = { ...NOBODY, demo: null, needsSetUp: false, needsSetUpCode: false }

test('nothing is sent until both are typed; a refusal is told and keeps the name', async () => {
  const sent = gate(LOCKED, { 'POST /session': refusal(401, 'Name and password do not go together.') })
  fireEvent.click(await screen.findByRole('button', { name: 'Sign in' }))
  await waitFor(() => expect(screen.getByLabelText('Sign-in name').getAttribute('aria-invalid')).toBe('true'))
  expect(sent).toEqual([])
  type('Sign-in name', 'ines')
  type('Password', 'a long enough one')
  fireEvent.click(screen.getByRole('button', { name: 'Sign in' }))
  expect(await screen.findByText('Name and password do not go together.')).toBeTruthy()
  expect(screen.getByLabelText('Sign-in name')).toHaveProperty('value', 'ines')
  expect(sent.map(({ body }) => body)).toEqual([{ signInName: 'ines', password: 'a long enough one' }])
})

test('where a second step is asked for its field comes, and all three are sent', async () => {
  const done = vi.fn()
  let tries = 0
  const sent = answering({
    'POST /session': () => (tries++ === 0 ? refusal(401, 'The six digits are missing.', 'code') : undefined),
  })
  opened(starterPlan('Any'), <SignInForm demo={null} onDone={done} />)
  expect(screen.queryByLabelText('Six digits of your app')).toBeNull()
  type('Sign-in name', 'ines')
  type('Password', 'a long enough one')
  fireEvent.click(screen.getByRole('button', { name: 'Sign in' }))
  await screen.findByLabelText('Six digits of your app')
  type('Six digits of your app', '123456')
  fireEvent.click(screen.getByRole('button', { name: 'Sign in' }))
  await waitFor(() => expect(done).toHaveBeenCalledOnce())
  expect(sent.at(-1)!.body).toEqual({ signInName: 'ines', password: 'a long enough one', code: '123456' })
})

test('the demo is signed in to with two presses, and says that all in it is made up', async () => {
  const sent = gate(
    { ...LOCKED, demo: { signInName: 'demo', password: 'trace before colour' } },
    { 'POST /session': undefined },
  )
  fireEvent.click(await screen.findByRole('button', { name: 'Fill in the demo sign-in' }))
  expect(screen.getByText(/is made up/)).toBeTruthy()
  fireEvent.click(screen.getByRole('button', { name: 'Sign in' }))
  await waitFor(() => expect(sent).toHaveLength(1))
})

test('the first visit sets the workshop up; what the server refuses stands beside its own field', async () => {
  const sent = gate(
    { ...LOCKED, needsSetUp: true, needsSetUpCode: true },
    { 'POST /setup': refusal(403, 'The code is not the one on the terminal.', 'setUpCode') },
  )
  await screen.findByLabelText('Name of the workshop')
  fireEvent.click(screen.getByRole('button', { name: 'Set up' }))
  await waitFor(() => expect(screen.getByLabelText('Name of the workshop').getAttribute('aria-invalid')).toBe('true'))
  expect(sent).toEqual([])
  type('Name of the workshop', 'Reed Bank')
  for (const [label, value] of [
    [/your name/i, 'Ines'],
    [/sign-in name/i, 'ines'],
    [/password/i, 'a long enough one'],
    [/set-up code/i, 'wrong'],
  ] as const)
    fireEvent.change(screen.getByLabelText(label), { target: { value } })
  fireEvent.click(screen.getByRole('button', { name: 'Set up' }))
  expect(await screen.findByText('The code is not the one on the terminal.')).toBeTruthy()
  expect(screen.getByLabelText(/set-up code/i).getAttribute('aria-invalid')).toBe('true')
  expect(screen.getByLabelText('Name of the workshop')).toHaveProperty('value', 'Reed Bank')
})

test('a server that does not answer is told with a way to try again', async () => {
  let isUp = false
  gate(() => (isUp ? LOCKED : refusal(503, 'The database is being looked after.')))
  expect(await screen.findByText('The database is being looked after.')).toBeTruthy()
  isUp = true
  fireEvent.click(screen.getByRole('button', { name: 'Try again' }))
  expect(await screen.findByLabelText('Password')).toBeTruthy()
})
