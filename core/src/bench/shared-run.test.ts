import { expect, test } from 'vitest'
import { fold, settle } from './index.ts'
import { recordOf } from './record.ts'
import { sharedRun } from './shared-run.ts'
import { followingExample, madeUntil, noted } from './test/runs.ts'

const bare = { withScents: false, withNotes: false }

test.each(['weir-milk', 'seven-fathoms', 'otter-slide', 'thistle-top'])(
  'of %s goes outside what was weighed and poured, and no scent by its name',
  name => {
    const following = followingExample(name)
    const { plan, shelf } = following
    const events = [...madeUntil(following, 2000, () => false), noted('note', 30, { text: 'the buyer watched' })]
    const shown = sharedRun({ plan, shelf, events }, bare, () => () => '#336699')
    const text = JSON.stringify(shown)
    const { parts } = plan.scent ?? { parts: [] }
    for (const { scent } of parts) {
      const { name: called } = shelf.scents.find(({ id }) => id === scent)!
      for (const secret of [called, `"${scent}"`, 'the buyer watched']) expect(text).not.toContain(secret)
    }
    const inside = recordOf(following, fold(following, events), settle(events))
    const kept = inside.weights.filter(({ line }) => line.kind !== 'scent')
    expect(shown.record.weights.map(({ line, massG }) => [line.key, line.massG, massG])).toEqual(
      kept.map(({ line, massG }) => [line.key, line.massG, massG]),
    )
    expect(shown.leanest.superfat).toEqual(inside.actual.leanest.superfat)
    expect(shown.record.pours).toEqual(inside.pours)
    const whole = sharedRun({ plan, shelf, events }, { withScents: true, withNotes: true }, () => () => '#336699')
    expect(whole.record.weights).toHaveLength(inside.weights.length)
    expect(JSON.stringify(whole)).toContain('the buyer watched')
  },
)
