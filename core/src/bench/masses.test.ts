import fc from 'fast-check'
import { readdirSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { applyEdit, suspectBlank, suspects } from '../plan/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { followingOf } from './following.ts'
import { say } from '../quantities/words/index.ts'
import { fold, inCup, nextActions } from './index.ts'
import type { BenchState, Following } from './index.ts'
import { followingExample, madeUntil } from './test/runs.ts'

const T0 = 2000
const names = readdirSync(new URL('../../../examples/', import.meta.url)).map(file => file.replace('.json', ''))

/** How a run stands that is done as planned up to a step, with other weights drawn where they are given. */
function stateAt(following: Following, kind: string, drawn: Record<string, number> = {}) {
  const events = madeUntil(following, T0, step => step.kind === kind, {
    instead: (step, planned) => {
      const amount = step.kind === 'draw' ? (drawn[step.cup!] ?? planned.amount) : planned.amount
      return [{ ...planned, ...(amount !== undefined && { amount }) }]
    },
  })
  return fold(following, events)
}

describe('what is drawn', () => {
  test.each(names)(
    '%s: the cups take what the pot holds, no more and no less, and come to their planned weight',
    name => {
      const following = followingExample(name)
      const { portions, fills, input } = following
      if (input.ownBatters || input.whipped) return
      const sum = (list: readonly number[]) => list.reduce((all, one) => all + one, 0)
      // By the pot's own balance: what is not drawn clings to it, or is kept back plain.
      const drawn = sum(fills.map(fill => fill.drawG))
      expect(drawn + portions.potClingG + portions.blankG).toBeCloseTo(portions.potG, -1)
      const state = stateAt(following, 'pour')
      for (const [i, cup] of state.cups.entries()) {
        const { totalG, scentG } = portions.cups[i]!
        const isLast = input.cups[i]!.scent?.moment === 'last' && cup.scentedAt === null
        expect(inCup(cup)).toBeCloseTo(totalG - (isLast ? scentG : 0), 0)
      }
    },
  )

  test('a blank that is not poured gets what it is to tell of: its colour, or its scent once all is in the mould', () => {
    const { plan } = followingExample('seven-fathoms')
    for (const order of ['each', 'first'] as const)
      for (const suspect of suspects(plan).slice(0, 2)) {
        const hands = { ...plan.hands, order }
        const made = applyEdit({ ...plan, hands }, suspectBlank(plan, suspect, 'One alone'))
        if (!made.ok) throw new Error(say(made.sentence))
        const following = followingOf(made.plan, referenceShelf())
        const state = stateAt(following, 'finish')
        const blank = state.cups.at(-1)!
        expect(blank.scentedAt !== null).toBe(suspect.is === 'scent')
        expect(blank.colouredAt !== null).toBe(suspect.is === 'colorant')
        expect(inCup(blank)).toBeCloseTo(following.portions.cups.at(-1)!.totalG, 0)
      }
  })

  test('more in one cup is less in the others; all of it together stays what the pot holds', () => {
    const following = followingExample('seven-fathoms')
    const ids = following.plan.cups.map(cup => cup.id)
    const pot = following.fills.reduce((sum, fill) => sum + fill.drawG, 0)
    fc.assert(
      fc.property(fc.constantFrom(...ids), fc.double({ min: 0.8, max: 1.25, noNaN: true }), (id, times) => {
        const planned = following.fills[ids.indexOf(id)]!.drawG
        const state = stateAt(following, 'colour', { [id]: planned * times })
        expect(state.cups.reduce((sum, cup) => sum + cup.drawnG!, 0)).toBeCloseTo(
          // What comes after the last cup has nobody to share it.
          state.cups.filter(cup => cup.drawnAt! > state.cups[ids.indexOf(id)]!.drawnAt!).length > 0
            ? pot
            : pot + planned * (times - 1),
          6,
        )
      }),
      { numRuns: 15 },
    )
  })

  test('a cup with more in it is told more colour and scent, and its pours take what is there', () => {
    const following = followingExample('weir-milk')
    const [honey] = following.plan.cups.map(cup => cup.id)
    const usual = stateAt(following, 'colour')
    const more = stateAt(following, 'colour', { [honey!]: following.fills[0]!.drawG * 1.2 })
    const words = (state: BenchState) => say(nextActions(following, state)[0]!.more)
    expect(words(usual)).toMatch(/^3\.5 g Yellow clay\. Until/)
    expect(words(more)).toMatch(/^4\.2 g Yellow clay: 1\.2 times what was planned/)
    const pours = (state: BenchState) => nextActions(following, state)[0]!.step!.massG!
    expect(pours(stateAt(following, 'pour', { [honey!]: following.fills[0]!.drawG * 1.2 }))).toBeGreaterThan(
      pours(stateAt(following, 'pour')) * 1.15,
    )
  })
})
