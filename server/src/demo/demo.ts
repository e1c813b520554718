import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { readPlanText } from '@ostler/core'
import type { BatchStore } from '../batches/store.ts'
import type { MemberStore } from '../members/store.ts'
import { projectDir } from '../project-dir.ts'

/** Sign-in of the made-up workshop. It exists only together with the demo data. */
export const DEMO_SIGN_IN = { signInName: 'demo', password: 'trace before colour' }

const EXAMPLES = join(projectDir(), 'examples')

/** Loads the made-up workshop with the example batches, unless a workshop exists. */
export async function loadDemo(members: MemberStore, batches: BatchStore): Promise<void> {
  if (await members.hasWorkshop()) return
  const form = { workshopName: 'Sluice Lane Workshop', memberName: 'Demo maker', ...DEMO_SIGN_IN }
  const { workshopId } = await members.setUp(form, true)
  for (const file of readdirSync(EXAMPLES)
    .filter(name => name.endsWith('.json'))
    .sort()) {
    const result = readPlanText(readFileSync(join(EXAMPLES, file), 'utf8'))
    if (!result.ok) throw new Error(`The example ${file} is not a plan: ${result.problems[0]!.sentence}`)
    await batches.add(workshopId, result.plan)
  }
}
