import { describe, expect, test } from 'vitest'
import { dusk, edited, shelf } from '../look/cups/test/batch.ts'
import { plannedScent } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import { weighList } from './index.ts'
import { said, say } from '../quantities/words/index.ts'

const listOf = (plan: Plan) => weighList(plan, portionsOf(plan, shelf), shelf)
const keys = (plan: Plan, start: string) =>
  listOf(plan)
    .filter(line => line.key.startsWith(start))
    .map(line => line.key)
const massOf = (plan: Plan, key: string) => listOf(plan).find(line => line.key === key)!.exactG

describe('colours on the weigh list', () => {
  test('a ladder’s colour is weighed once for its mother cup, its white for each step', () => {
    expect(keys(dusk, 'colour:')).toEqual(['colour:cup-3:titanium-dioxide-oil', 'colour:ladder-1:ultramarine-blue'])
    expect(keys(dusk, 'white:')).toEqual(['white:ladder-1:cup-2', 'white:ladder-1:cup-5', 'white:ladder-1:cup-6'])
    const { cups } = portionsOf(dusk, shelf)
    const inSteps = ['cup-2', 'cup-5', 'cup-6', 'cup-7'].map(id => cups.find(cup => cup.cup === id)!)
    const blueG = inSteps.reduce((sum, cup) => sum + cup.colours[0]!.exact.powderG, 0)
    expect(massOf(dusk, 'colour:ladder-1:ultramarine-blue')).toBeCloseTo(blueG, 1)
  })

  test('colour of the whole pot says when it goes in', () => {
    const plan = edited(dusk, {
      kind: 'set',
      path: ['potColorants'],
      value: [{ colorant: 'yellow-clay', doseGPerKg: 5, moment: 'oils' }],
    })
    const line = listOf(plan).find(one => one.key === 'colour:pot:yellow-clay')!
    expect(said(line.where)).toContain('into the oils before the lye')
    const { potG } = portionsOf(plan, shelf)
    expect(line.exactG / potG).toBeCloseTo(0.005, 3)
  })

  test('oil for powders is named when it is drawn from the recipe, and the pot has so much less', () => {
    const plan = edited(dusk, {
      kind: 'set',
      path: ['division'],
      value: { ...dusk.division, mediumFrom: 'recipe', mediumOil: 'olive' },
    })
    const medium = listOf(plan).find(line => line.key === 'medium:cup-3:titanium-dioxide-oil')!
    expect(said(medium.what)).toContain('Olive oil')
    expect(said(medium.what)).toContain('drawn from the recipe')
    const { drawn } = portionsOf(plan, shelf)
    const oils = listOf(plan).filter(line => line.key.startsWith('medium:') || line.key.startsWith('wetting:'))
    expect(oils.reduce((sum, line) => sum + line.exactG, 0)).toBeCloseTo(drawn.oilG, 0)
  })

  test('alcohol and dust are cautioned against where they are weighed', () => {
    const part = { ...dusk.cups[5]!.colorants[0]!, medium: 'alcohol' as const }
    const plan = edited(dusk, { kind: 'set', path: ['cups', 5, 'colorants'], value: [part] })
    const lines = listOf(plan)
    expect(said(lines.find(line => line.key === 'medium:cup-3:titanium-dioxide-oil')!.where)).toContain('It burns')
    expect(said(lines.find(line => line.key === 'colour:cup-3:titanium-dioxide-oil')!.where)).toContain('mask on')
  })

  test('a scent of one cup and its stabiliser are weighed apart from the batch’s', () => {
    const own = { ...plannedScent([{ scent: 'moss-cathedral', share: 1 }], 0.02), stabiliserRatio: 0.5 }
    const plan = edited(dusk, { kind: 'set', path: ['cups', 5, 'ownScent'], value: own })
    const scents = listOf(plan).filter(line => line.group === 'scent')
    expect(
      scents
        .map(line => line.what)
        .map(one => say(one))
        .join(),
    ).toContain('Moss Cathedral')
    expect(
      scents
        .map(line => line.what)
        .map(one => say(one))
        .join(),
    ).toContain('Ninefold Custard')
    const masses = scents.filter(line => /stabiliser/i.test(say(line.what))).map(line => line.exactG)
    expect(masses[0]).toBeCloseTo(portionsOf(plan, shelf).cups[5]!.exact.stabiliserG, 1)
  })
})
