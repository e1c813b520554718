import { median, tell, timed } from '../lib/measure.mjs'
import { restInputs } from '../lib/rest-inputs.mjs'

/** The quick look at gel that every forecast takes. */
export default async function quickLook() {
  const { quickRest } = await import('@ostler/core')
  const inputs = await restInputs()
  await timed(200, () => quickRest(inputs))
  tell('gel.quick.median_ms', median(await timed(100, () => quickRest(inputs))), 'ms')
}
