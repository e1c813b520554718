import { describe, expect, test } from 'vitest'
import { noted, untilHeld } from '../bench/test/runs.ts'
import { rehearse } from './agent.ts'
import { undone } from './kept.ts'
import { gelLeft } from './gel-ways.ts'
import { LESSONS, choosesRest, followingOfLesson, lessonOf, lessonSays, rehearsedIn } from './lessons.ts'

const T0 = 1000

const started = (key: string) => {
  const lesson = lessonOf(key)!
  const following = followingOfLesson(lesson)
  const rehearsed = rehearsedIn(following, lesson.key, lesson.setting)
  return { lesson, following, rehearsed }
}

describe('lessons', () => {
  test.each(LESSONS.map(({ key }) => key))(
    '%s: begins with a hint, is not passed at once, and is said without numbers',
    key => {
      const { lesson, rehearsed } = started(key)
      const says = lessonSays(lesson, rehearsed, undone(), 0)
      expect(says.hint.length).toBeGreaterThan(20)
      expect(says.isPassed).toBe(false)
      expect(lesson.minutes).toBeLessThan(10)
      for (const { says: hint } of lesson.hints) expect(hint).not.toMatch(/trace \d/)
    },
  )

  test.each(['layers', 'quick-scent', 'moving'])('%s can be poured by perfect hands', key => {
    const { lesson, rehearsed } = started(key)
    const { events, endsAt } = rehearse(rehearsed, 'perfect')
    const { goals } = lessonSays(lesson, rehearsed, { events, slips: [] }, endsAt)
    expect(goals.at(-1)).toMatchObject({ isMet: true })
  })

  test('an emulsion that was called sound at once is not passed, one that was looked at is', () => {
    const { lesson, following, rehearsed } = started('emulsion')
    const hasty = untilHeld(following, T0, 20)
    expect(lessonSays(lesson, rehearsed, { events: hasty, slips: [] }, T0 + 60).isPassed).toBe(false)
    const looked = [
      ...hasty.slice(0, -1),
      noted('hold', T0 + 40, { how: 'breaks' }),
      ...[noted('blend-on', T0 + 50), noted('blend-off', T0 + 70), noted('hold', T0 + 90, { how: 'holds' })],
    ]
    expect(lessonSays(lesson, rehearsed, { events: looked, slips: [] }, T0 + 95).isPassed).toBe(true)
  })

  test('lye that was called clear with a crust in it, or opened too early, is a slip', () => {
    const { lesson, rehearsed } = started('safety')
    const events = [
      ...['safety:gear', 'safety:air', 'safety:alone', 'safety:rinse'].map((item, i) => noted('tick', i + 1, { item })),
      noted('lye-mixed', 60),
      noted('lye-clear', 260, { how: 'yes' }),
    ]
    expect(lessonSays(lesson, rehearsed, { events, slips: [] }, 270).isPassed).toBe(true)
    const slips = [{ r: 5, text: 'Not before the safety list is ticked.' }]
    expect(lessonSays(lesson, rehearsed, { events, slips }, 270).isPassed).toBe(false)
  })

  test('cups filled by weight pass, a cup too full does not', () => {
    const { lesson, following, rehearsed } = started('splitting')
    const fill = (times: number) => [
      ...untilHeld(following, T0),
      ...following.input.cups.map(({ cup }, i) =>
        noted('drawn', T0 + 80 + 10 * i, { cup: cup.id, amount: following.fills[i]!.drawG * (i === 0 ? times : 1) }),
      ),
    ]
    expect(lessonSays(lesson, rehearsed, { events: fill(1.02), slips: [] }, T0 + 200).isPassed).toBe(true)
    expect(lessonSays(lesson, rehearsed, { events: fill(1.2), slips: [] }, T0 + 200).isPassed).toBe(false)
  })

  test('on the bench a ring is likely, wrapped it gels through, in the cold nowhere', () => {
    const { lesson, following, rehearsed } = started('gel')
    const [cold, bench, wrapped] = ['cold', 'bench', 'wrapped'].map(way => gelLeft(following.plan, way))
    expect(bench!.partial).toBeGreaterThan(0.4)
    expect(wrapped!.full).toBeGreaterThan(bench!.full)
    expect(cold!.none).toBeGreaterThan(bench!.none)
    for (const gel of [cold!, bench!, wrapped!]) expect(gel.none + gel.partial + gel.full).toBeCloseTo(1, 6)
    const { events, endsAt } = rehearse(rehearsed, 'perfect')
    const says = (way: string, gel: typeof cold) => {
      const chosen = [...events, noted('note', endsAt, choosesRest(way))]
      return lessonSays(lesson, rehearsed, { events: chosen, slips: [] }, endsAt, gel)
    }
    expect(says('bench', bench).isPassed).toBe(false)
    expect(says('wrapped', wrapped).isPassed).toBe(true)
    expect(says('wrapped', undefined).isPassed).toBe(false)
  })
})
