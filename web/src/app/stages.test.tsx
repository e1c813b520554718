import { applyEdit, forecast, referenceShelf, starterPlan } from '@ostler/core'
import type { BenchState, Edit, Forecast, Plan } from '@ostler/core'
import { cleanup, screen } from '@testing-library/react'
import { afterEach, describe, expect, test } from 'vitest'
import { opened } from '../plan/test/opened.tsx'
import { PageLinks, StageLinks } from './stage-bar.tsx'
import { STAGES, placeOf } from './stages.ts'

afterEach(cleanup)

const start = starterPlan('Stages')
const after = (...edits: Edit[]): Plan => {
  const result = applyEdit(start, { kind: 'many', edits })
  if (!result.ok) throw new Error('the edit is refused')
  return result.plan
}
const made = (plan: Plan): Forecast => {
  const result = forecast(plan, referenceShelf())
  if (!result.ok) throw new Error('it cannot be forecast')
  return result.forecast
}
const wordOf = (name: string, plan: Plan, worked: Forecast | null = made(plan), noted: Partial<BenchState> = {}) =>
  STAGES.find(one => one.name === name)!.word({
    ...{ plan, forecast: worked, noted: noted as BenchState },
    risk: worked?.risk ?? null,
  })

describe('a stage says in a word how it stands', () => {
  test('batter: ready, free lye until it is answered, and an oil that is not on the shelf', () => {
    expect(wordOf('Batter', start)).toBe('ready')
    const bare = after({ kind: 'set', path: ['recipe', 'superfatShare'], value: 0 })
    expect(wordOf('Batter', bare)).toBe('▲ free lye')
    const answered = { ...bare, freeLye: { reason: 'For laundry.', superfatShare: 0 } }
    expect(wordOf('Batter', answered)).not.toBe('▲ free lye')
    expect(wordOf('Batter', start, null)).toBe('▲ oil missing')
  })

  test('score: what is likely, and that nothing can be said', () => {
    expect(wordOf('Score', start)).toMatch(/likely|tight|trouble/)
    expect(wordOf('Score', start, null)).toBe('–')
  })

  test('prepare: by what was ticked and weighed', () => {
    expect(wordOf('Prepare', start, null, {})).toBe('not begun')
    expect(wordOf('Prepare', start, null, { ticked: { gloves: 1 } })).toBe('begun')
    expect(wordOf('Prepare', start, null, { ticked: {}, weighed: { a: 1, b: 2 } as never })).toBe('2 weighed')
  })

  test('rest and record: by what was noted of the mould', () => {
    expect(wordOf('Rest', start)).toBe('not poured')
    const poured = { ...start, rest: { ...start.rest, pouredAt: '2026-03-02T10:00' } }
    expect(wordOf('Rest', poured)).toBe('poured')
    expect(wordOf('Record', poured)).toBe('what came of it')
    expect(wordOf('Record', start)).toBe('later')
  })
})

describe('where one is', () => {
  test('every page belongs to one stage, and its address leads back to it', () => {
    const paths = STAGES.flatMap(stage => stage.pages.map(page => page.path))
    expect(new Set(paths).size).toBe(paths.length)
    for (const stage of STAGES)
      for (const { path, name } of stage.pages) expect(placeOf(`/batches/b1/${path}`)).toEqual({ stage, path, name })
  })

  test('pages with a way in of their own count to their stage; what is unknown to Score', () => {
    expect(placeOf('/batches/b1/design')).toMatchObject({ name: 'Design sheet', stage: { name: 'Score' } })
    expect(placeOf('/batches/b1/nowhere').stage.name).toBe('Score')
  })

  test('its stage is marked, with its pages below', () => {
    opened(
      start,
      <>
        <StageLinks />
        <PageLinks />
      </>,
      { at: '/batches/b1/weigh' },
    )
    expect(screen.getByRole('link', { current: true }).textContent).toContain('Prepare')
    const pages = screen.getByRole('navigation', { name: 'Pages of Prepare' })
    expect([...pages.querySelectorAll('a')].map(one => one.textContent)).toEqual([
      'Run sheet',
      'Weigh',
      'Cards',
      'Sheet',
    ])
  })
})
