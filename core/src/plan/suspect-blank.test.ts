import { describe, expect, test } from 'vitest'

import { forecast } from '../forecast/index.ts'
import { portionsOf } from '../portions/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { say } from '../quantities/words/index.ts'
import type { Plan } from './document.ts'
import { applyEdit } from './edits.ts'
import { plannedScent, starterPlan } from './starter.ts'
import { suspectBlank, suspects } from './suspect-blank.ts'

const shelf = referenceShelf()
const start = starterPlan('Two blanks')
const scent = plannedScent([{ scent: 'moss-cathedral', share: 1 }], 0.03, { moment: 'last' })
const plan: Plan = { ...start, scent }

describe('a second blank with only the suspect', () => {
  test('holds the suspect and nothing else, is weighed, and comes out of the pot', () => {
    for (const suspect of suspects(plan)) {
      const made = applyEdit(plan, suspectBlank(plan, suspect, 'Blank, one thing alone'))
      if (!made.ok) throw new Error(say(made.sentence))
      const before = portionsOf(plan, shelf)
      const after = portionsOf(made.plan, shelf)
      const cup = after.cups.at(-1)!
      expect(cup.reserveG).toBe(40)
      expect(cup.pouredG).toBe(0)
      expect(cup.scentG > 0).toBe(suspect.is === 'scent')
      expect(cup.colours.map(part => part.powderG > 0)).toEqual(suspect.is === 'colorant' ? [true] : [])
      // Oils, liquids and the cup's batter are each rounded to the scale's gram.
      expect(Math.abs(after.potG - before.potG - cup.batterG)).toBeLessThan(2)
    }
    expect(suspects(plan).map(one => (one.is === 'scent' ? 'scent' : one.part.colorant))).toEqual([
      'scent',
      ...new Set(plan.cups.flatMap(cup => cup.colorants.map(part => part.colorant))),
    ])
  })

  test('a sample is not held against the colours of the soap', () => {
    const foam = { ...plan, cups: plan.cups.map(cup => ({ ...cup, scented: cup.colorants.length > 0 })) }
    const made = applyEdit(foam, suspectBlank(foam, { is: 'scent' }, 'Blank: scent alone'))
    if (!made.ok) throw new Error(say(made.sentence))
    const whole = forecast(made.plan, shelf)
    if (!whole.ok) throw new Error(say(whole.sentence))
    const told = whole.forecast.notices.map(one => say(one.sentence))
    expect(told.filter(text => text.includes('Blank: scent alone'))).toEqual([])
  })

  test('is not offered of a scent that is in every drop, nor of batters of their own', () => {
    const inOils: Plan = { ...plan, scent: { ...plan.scent!, moment: 'oils' } }
    expect(suspects(inOils).some(one => one.is === 'scent')).toBe(false)
    expect(suspects({ ...plan, division: { ...plan.division, mode: 'own-batters' } })).toEqual([])
  })
})
