import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { PLANT_PLACES, plantFaces } from '../look/cups/index.ts'
import { applyEdit, readPlanText, starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { vanillinAnswers, whiteChoices } from './colour-choices.ts'

const shelf = referenceShelf()
const example = (name: string): Plan => {
  const read = readPlanText(readFileSync(new URL(`../../../examples/${name}.json`, import.meta.url), 'utf8'))
  if (!read.ok) throw new Error(name)
  return read.plan
}

describe('choices about colour', () => {
  test('every white makes the base lighter, more of it more so, and strong ones drag', () => {
    const plan = starterPlan('White')
    const [some, more] = [whiteChoices(plan, shelf, 2), whiteChoices(plan, shelf, 9)]
    expect(some.length).toBeGreaterThanOrEqual(3)
    for (const [i, white] of some.entries()) {
      expect(white.lightness.no).toBeGreaterThan(white.plainLightness)
      expect(more[i]!.lightness.no).toBeGreaterThan(white.lightness.no)
      // Oil that it is dispersed in thins more than the powder thickens; water does not.
      const inOil = shelf.colorants.find(one => one.id === white.id)!.medium === 'oil'
      expect(more[i]!.thickens < 1).toBe(inOil)
      expect(white.drags).toBe(false)
    }
    expect(more.filter(white => white.drags).map(white => white.id)).toContain('titanium-dioxide-oil')
  })

  test('four answers to vanillin: unscented it does not brown, stabilised or whitened less than left alone', () => {
    const plan = example('ninth-lock')
    const i = plan.cups.findIndex(cup => cup.scented || cup.ownScent)
    const answers = vanillinAnswers(plan, shelf, i)
    expect(answers.map(one => one.kind)).toEqual(['plain', 'stabiliser', 'white', 'brown'])
    const off = Object.fromEntries(answers.map(one => [one.kind, one.deltaE]))
    expect(off['plain']).toBe(0)
    expect(off['stabiliser']).toBeLessThan(off['brown']!)
    for (const { edit, kind, moreG } of answers) {
      if (edit) expect(applyEdit(plan, edit).ok, kind).toBe(true)
      expect(moreG > 0).toBe(kind === 'stabiliser' || kind === 'white')
    }
    expect(vanillinAnswers(starterPlan('Plain'), shelf, 0)).toEqual([])
  })

  test('a colour that light takes keeps inside the bar what it loses at the face, most by a window', () => {
    const plant = shelf.colorants.find(one => one.fadeShare >= 0.3 && one.spectrum === 'swatch')!
    const base = starterPlan('Plant')
    const colorants = [
      { colorant: plant.id, doseGPerKg: 8, basis: 'batter', medium: 'oil', mediumRatio: 2, slurry: null },
    ]
    const plan = { ...base, cups: base.cups.map((cup, i) => (i === 0 ? { ...cup, colorants } : cup)) } as Plan
    const found = plantFaces(plan, portionsOf(plan, shelf), shelf, 0)!
    expect(found.names).toEqual([plant.name])
    expect(Object.keys(found.faces)).toEqual(Object.keys(PLANT_PLACES))
    const light = (place: keyof typeof PLANT_PLACES) => found.faces[place].no.lab.l
    expect(light('cured')).toBeGreaterThan(light('dark'))
    expect(light('window')).toBeGreaterThanOrEqual(light('cured'))
    expect(found.lost.no).toBeGreaterThan(1)
    expect(plantFaces(base, portionsOf(base, shelf), shelf, 1)).toBeNull()
  })
})
