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
}
