import { LESSONS, starterPlan } from '@ostler/core'
import type { RehearsalSummary } from '@ostler/core'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { useLocation } from 'react-router'
import { afterEach, describe, expect, test, vi } from 'vitest'
import { SOMEBODY, answering, refusal } from '../../api/test/answering.ts'
import { opened } from '../../plan/test/opened.tsx'
import { saveFile } from '../../ui/save-file.ts'
import { Earlier } from './earlier.tsx'
import { LessonsPage } from './lessons-page.tsx'

vi.mock('../../ui/save-file.ts', () => ({ saveFile: vi.fn() }))

const Here = () => <output>{useLocation().pathname}</output>

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

describe('lessons', () => {
  const show = (routes: Record<string, unknown>) => {
    const sent = answering({ 'GET /session': SOMEBODY, ...routes })
    opened(
      starterPlan('Any'),
      <>
        <LessonsPage />
        <Here />
      </>,
      { asks: true, at: '/lessons' },
    )
    return sent
  }
  const progress = (tries: number, passed: boolean) => [{ lesson: LESSONS[0]!.key, tries, passed }]

  test('stand in their order, with what was tried and passed; the first that is not passed is the one to begin', async () => {
    show({ 'GET /lessons': progress(2, true) })
    await screen.findByText('passed')
    const lines = screen.getAllByRole('listitem')
    expect(lines.map(line => within(line).getByRole('heading').textContent)).toEqual(LESSONS.map(({ title }) => title))
    expect(lines[0]!.textContent).toContain('tried 2 times')
    expect(lines[1]!.textContent).not.toContain('tried')
    const main = (line: HTMLElement) => within(line).getByRole('button').className.includes('button-main')
    expect(lines.map(main).indexOf(true)).toBe(1)
    expect(lines.filter(main)).toHaveLength(1)
  })

  test('one that was tried but not passed is still the next', async () => {
    show({ 'GET /lessons': progress(1, false) })
    await screen.findByText(/tried once/)
    expect(screen.getByRole('button', { name: `Again: ${LESSONS[0]!.title}` }).className).toContain('button-main')
  })

  test('begun it leads to its rehearsal; what is refused is told where one stands', async () => {
    let isUp = false
    const sent = show({
      'GET /lessons': [],
      [`POST /lessons/${LESSONS[0]!.key}`]: () => (isUp ? { id: 'r9' } : refusal(503, 'Not now.')),
    })
    const begin = await screen.findByRole('button', { name: `Begin: ${LESSONS[0]!.title}` })
    fireEvent.click(begin)
    expect((await screen.findByRole('alert')).textContent).toBe('Not now.')
    isUp = true
    fireEvent.click(begin)
    await waitFor(() => expect(screen.getByRole('status').textContent).toBe('/rehearsals/r9'))
    expect(sent).toHaveLength(2)
  })
})

describe('rehearsals so far', () => {
  const one = (id: string, about: Partial<RehearsalSummary> = {}): RehearsalSummary => ({
    ...{ id, batch: 'b', lesson: '', openedAt: '2026-03-02T10:00:00.000Z', person: 'Ines', isShared: false },
    ...{ setting: { seed: 7, level: 'none', begins: 'lye' }, score: 81, answeredRight: null },
    ...about,
  })
  const show = (all: unknown, routes: Record<string, unknown> = {}) => {
    const again = vi.fn()
    const sent = answering({ 'GET /session': SOMEBODY, 'GET /batches/b/rehearsals': all, ...routes })
    opened(starterPlan('Any'), <Earlier batch="b" onAgain={again} />, { asks: true })
    return { again, sent }
  }

  test('say points, or that it goes on, and how many questions were answered rightly', async () => {
    const questions = [{ ask: 'When?', answers: ['now', 'then'], right: 0, at: { kind: 'held' } as never }]
    show([
      one('a'),
      one('b', { score: null }),
      one('c', { setting: { seed: 1, level: 'none', begins: 'lye', questions }, answeredRight: 1 }),
    ])
    const lines = (await screen.findAllByRole('listitem')).map(line => line.textContent)
    expect(lines[0]).toContain('81 of 100')
    expect(lines[1]).toContain('goes on')
    expect(lines[2]).toContain('1 of 1 answered rightly')
  })

  test('the same again takes over its number and what came in between', async () => {
    const { again } = show([one('a')])
    fireEvent.click(await screen.findByRole('button', { name: 'the same again' }))
    expect(again).toHaveBeenCalledWith({ seed: 7, level: 'none', begins: 'lye' })
  })

  test('a link for a class is shown once and ended; a refusal is told', async () => {
    let isShared = false
    const { sent } = show(() => [one('a', { isShared })], {
      'POST /rehearsals/a/link': () => ((isShared = true), { token: 'abc' }),
      'DELETE /rehearsals/a/link': refusal(503, 'Not now.'),
    })
    fireEvent.click(await screen.findByRole('button', { name: 'a link for a class' }))
    expect(await screen.findByLabelText('Link for a class')).toHaveProperty('value', `${location.origin}/watch/abc`)
    fireEvent.click(screen.getByRole('button', { name: 'end the link' }))
    expect((await screen.findByRole('alert')).textContent).toBe('Not now.')
    expect(sent.map(({ method }) => method)).toEqual(['POST', 'DELETE'])
  })

  test('results are had as a table in which nothing is a formula', async () => {
    show([one('a', { person: '=cmd()' })])
    fireEvent.click(await screen.findByRole('button', { name: 'Results as CSV' }))
    const [name, text] = vi.mocked(saveFile).mock.calls.at(-1)!
    expect(name).toBe('rehearsals.csv')
    const [head, row] = (text as string).split('\r\n')
    expect(head).toContain('points of 100')
    expect(row).toContain("'=cmd()")
    expect(row!.split(',')).toHaveLength(head!.split(',').length)
  })

  test('none yet is said, and there is nothing to save', async () => {
    show([])
    expect(await screen.findByText('None yet.')).toBeTruthy()
    expect(screen.queryByRole('button', { name: 'Results as CSV' })).toBeNull()
  })
})
