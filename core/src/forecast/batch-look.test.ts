import { readFileSync, readdirSync } from 'node:fs'
import { expect, test } from 'vitest'
import { adviceFor } from '../batter/index.ts'
import { readPlanText } from '../plan/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { batchLook } from './batch-look.ts'

const EXAMPLES = new URL('../../../examples/', import.meta.url)
const plans = readdirSync(EXAMPLES)
  .filter(name => name.endsWith('.json'))
  .flatMap(name => {
    const read = readPlanText(readFileSync(new URL(name, EXAMPLES), 'utf8'))
    return read.ok ? [read.plan] : []
  })

test('a list says of a batch what its page says, and shows its whole face', () => {
  const shelf = referenceShelf()
  expect(plans.length).toBeGreaterThan(5)
  for (const plan of plans) {
    const look = batchLook(plan, shelf)!
    expect(look.state, plan.name).toBe(adviceFor(plan, shelf).sure!.risk.state)
    const { width, height, data } = look.picture
    expect(data).toHaveLength(4 * width * height)
    // Its middle is soap.
    expect(data[4 * (Math.floor(height / 2) * width + Math.floor(width / 2)) + 3], plan.name).toBe(255)
  }
  expect(batchLook(plans[0]!, { ...shelf, oils: [] })).toBeNull()
})
