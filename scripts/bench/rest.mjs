import { againstC } from '../lib/against-c.mjs'
import { median, tell, timed } from '../lib/measure.mjs'
import { restInputs } from '../lib/rest-inputs.mjs'

/** A day in the mould: the section as the page shows it, all of the loaf; and all runs for its numbers. */
export default async function rest() {
  const { aboutOf, restRunInputOf, restNumbers, workedThrough } = await import('@ostler/core')
  const inputs = await restInputs()
  const day = { untilS: 24 * 3600 }
  const fine = { ...restRunInputOf(inputs, 'fine'), ...day }
  await timed(10, () => workedThrough(fine))
  tell('gel.2d24h.median_ms', median(await timed(30, () => workedThrough(fine))), 'ms')
  const whole = { ...restRunInputOf(inputs, 'whole'), ...day }
  workedThrough(whole)
  tell('gel.3d24h.median_ms', median(await timed(3, () => workedThrough(whole))), 'ms')
  const ratio = againstC('native-heat')
  if (ratio !== null) tell('gel.2d24h.ratio_to_c', ratio, '1')
  const [input, about] = [restRunInputOf(inputs, 'quick'), aboutOf(inputs)]
  await timed(2, () => restNumbers(input, about))
  tell('gel.numbers24.median_ms', median(await timed(10, () => restNumbers(input, about))), 'ms')
}
