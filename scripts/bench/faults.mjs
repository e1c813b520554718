import { p95, tell, timed } from '../lib/measure.mjs'

/** Causes, questions and verdict of a batch of which much was seen: what a page works out with every answer. */
export default async function faults() {
  const { ORDINARY, SIGN_ODDS, diagnosed, questionsOf, reckon, verdictOf } = await import('@ostler/core')
  const facts = {
    ...ORDINARY,
    ...{
      scent: true,
      scentF: 0.6,
      cups: 6,
      colours: 6,
      layers: 6,
      milkShare: 0.4,
      whiteG: 6,
      vanillinG: 0.4,
      days: 35,
    },
    ...{ toppings: true, embeds: true, coarse: true, saltShare: 0.02 },
  }
  // Every third sign seen, some of it and much of it by turns; and a few that were looked for.
  const told = SIGN_ODDS.flatMap(({ id }, i) =>
    i % 3 === 0 ? [{ sign: id, grade: i % 2 ? 1 : 2 }] : i % 7 === 0 ? [{ sign: id, grade: 0 }] : [],
  )
  const whole = () => {
    const reckoned = reckon(facts, told)
    return [diagnosed(reckoned), questionsOf(reckoned, 'cure'), verdictOf(reckoned)]
  }
  await timed(30, whole)
  const times = await timed(100, whole)
  tell('faults.infer.p95_ms', p95(times), 'ms')

  // Whatever is seen of whatever batch: chances that are chances, a class, and no more time than a page has.
  const random = ticking(11)
  let wrong = 0
  const taken = []
  for (let i = 0; i < 10_000; i += 1) {
    const some = 1 + Math.floor(random() * 12)
    const seen = Array.from({ length: some }, () => ({
      sign: SIGN_ODDS[Math.floor(random() * SIGN_ODDS.length)].id,
      grade: Math.floor(random() * 3),
    }))
    const of = { ...(random() < 0.5 ? facts : ORDINARY), days: Math.floor(random() * 60) }
    const from = performance.now()
    const reckoned = reckon(of, seen)
    const verdict = verdictOf(reckoned)
    questionsOf(reckoned, 'cure')
    diagnosed(reckoned)
    taken.push(performance.now() - from)
    const isChance = p => p >= 0 && p <= 1
    if (!reckoned.inferred.p.every(isChance) || !isChance(verdict.freeLye)) wrong += 1
  }
  tell('faults.random10000.wrong', wrong, '1')
  tell('faults.random10000.p95_ms', p95(taken), 'ms')
}

/** Numbers from 0 to 1, the same in every run. */
function ticking(seed) {
  let at = seed
  return () => {
    at = (Math.imul(at, 1664525) + 1013904223) >>> 0
    return at / 2 ** 32
  }
}
