import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { median, p95, tell, timed } from '../lib/measure.mjs'
import { ROOT } from '../lib/paths.mjs'

const LYE_IN_S = 1000
const MANY = 10_000

/** A run of twelve cups, filled, coloured and scented, as its events. */
function eventsOf({ fold, nextActions, eventOf }, following) {
  const events = []
  const note = (about, r) =>
    events.push({
      key: `bench:${events.length + 1}`,
      r,
      noted: r,
      at: '2026-11-30T10:00:00Z',
      source: 'hand',
      ...about,
    })
  for (let r = LYE_IN_S - 500; events.length < 200;) {
    const state = fold(following, events)
    const { step } = nextActions(following, state)[0]
    if (step.kind === 'pour') return events
    r += step.seconds
    if (step.kind === 'temp') note({ kind: 'temp', body: step.item, amount: 33 }, r)
    else if (step.kind === 'hold') note({ kind: 'hold', how: 'holds', amount: 15 }, r)
    else note(eventOf(step, state), r)
  }
  throw new Error('the run never came to its first pour')
}

/** What one entry at the bench costs: all that was noted folded, the next deed, and the minutes left of twelve cups. */
export default async function run() {
  const core = await import('@ostler/core')
  const { benchOutlook, fold, followingOf, nextActions, plainCup, readPlanText, referenceShelf } = core
  const { plan } = readPlanText(readFileSync(join(ROOT, 'examples', 'seven-fathoms.json'), 'utf8'))
  const cups = Array.from({ length: 12 }, (_, i) => ({
    ...plan.cups[i % plan.cups.length],
    ...(i >= plan.cups.length && plainCup(`more-${i}`, `More ${i}`)),
  }))
  const score = cups.map((cup, i) => ({ ...plan.score[0], id: `pour-${i + 1}`, cup: cup.id, share: 1 / 12 }))
  const following = followingOf({ ...plan, cups, score, ladders: [], moves: [], planB: null }, referenceShelf())
  const events = eventsOf(core, following)
  const last = events.at(-1).r
  const times = await timed(60, i => {
    const seen = { key: `bench:${900 + i}`, kind: 'seen', cup: cups[i % 7].id, amount: 1.9, how: 'drip' }
    const now = [...events, { ...events[0], ...seen, r: last + 10, noted: last + 10 }]
    const state = fold(following, now)
    nextActions(following, state)
    benchOutlook(following, state, last + 20)
  })
  tell('run.event12.median_ms', median(times.slice(10)), 'ms')
  tell('run.event12.p95_ms', p95(times.slice(10)), 'ms')
  const many = Array.from({ length: MANY }, (_, i) => ({
    ...events[0],
    key: `bench:${i + 1}`,
    kind: 'note',
    r: i,
    text: 'n',
  }))
  await timed(2, () => fold(following, many))
  tell('run.fold10000.median_ms', median(await timed(7, () => fold(following, many))), 'ms')
}
