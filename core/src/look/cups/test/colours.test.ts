import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { CURED, STANDARD_BASE, WHITES, baseAt, deltaE, labOfHex, mixed } from '../../colour/index.ts'
import { bandsOf } from '../../colour/mix.ts'
import { forecast } from '../../../forecast/index.ts'
import { plannedScent, starterPlan } from '../../../plan/index.ts'
import type { Plan } from '../../../plan/index.ts'
import { findById } from '../../../shelf/index.ts'
import type { Colorant, OwnSwatch } from '../../../shelf/index.ts'
import { weighList } from '../../../weighing/index.ts'
import { doseOfSpoons, mixingCards, spoonsOf } from '../cards.ts'
import { applyLadder, ladderAsForecast, ladderFrom, ladderSteps } from '../ladder.ts'
import { colourOfSwatch, pigmentOfColorant } from '../pigments.ts'
import { isLostTo, seenBy } from '../colour-vision.ts'
import { nearestColorants, reachWish, withDoses } from '../wish.ts'
import { cupIndex, dusk, edited, shelf, worked } from './batch.ts'
import { said, say } from '../../../quantities/words/index.ts'

const anyColorant = fc.constantFrom(...shelf.colorants)
const anyDose = fc.double({ min: 0.01, max: 40, noNaN: true })

describe('laws of colour', () => {
  test('no dose is the base, for every colorant and age', () => {
    fc.assert(
      fc.property(
        anyColorant,
        fc.integer({ min: 0, max: 400 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (one, days, gel) => {
          const age = { days, gel }
          const none = mixed(STANDARD_BASE, [{ pigment: pigmentOfColorant(one).pigment, gPerKg: 0 }], age)
          expect(none.hex).toBe(mixed(STANDARD_BASE, [], age).hex)
        },
      ),
    )
  })

  test('white never darkens, whatever it is stirred into', () => {
    fc.assert(
      fc.property(anyColorant, anyDose, anyDose, (one, dose, white) => {
        const colour = { pigment: pigmentOfColorant(one).pigment, gPerKg: dose }
        const plain = mixed(STANDARD_BASE, [colour], CURED).lab.l
        const lighter = mixed(STANDARD_BASE, [colour, { pigment: WHITES.titanium, gPerKg: white }], CURED).lab.l
        expect(lighter).toBeGreaterThanOrEqual(plain - 1e-6)
      }),
    )
  })

  test('more of a pigment is never lighter in the bands that it absorbs', () => {
    fc.assert(
      fc.property(anyColorant, anyDose, (one, dose) => {
        const { pigment } = pigmentOfColorant(one)
        const plain = baseAt(STANDARD_BASE, CURED)
        const ratio = (gPerKg: number) => {
          const { k, s } = bandsOf(plain, [{ pigment, gPerKg }], null, CURED)
          return k.map((absorbed, i) => absorbed / s[i]!)
        }
        const [weak, strong] = [ratio(dose), ratio(dose * 1.5)]
        pigment.k.forEach((k, i) => {
          if (k > pigment.s[i]! * weak[i]!) expect(strong[i]!).toBeGreaterThanOrEqual(weak[i]! - 1e-12)
        })
      }),
    )
  })

  test('charcoal, ultramarine and oxides only darken', () => {
    for (const id of ['charcoal', 'ultramarine-blue', 'red-oxide', 'chrome-green']) {
      const { pigment } = pigmentOfColorant(findById(shelf.colorants, id)!)
      const lights = [0, 0.5, 1, 2, 4, 8].map(gPerKg => mixed(STANDARD_BASE, [{ pigment, gPerKg }], CURED).lab.l)
      expect(lights).toEqual([...lights].sort((a, b) => b - a))
    }
  })
})

describe('vanilla', () => {
  const malt = cupIndex(dusk, 'Malt')
  const withLoad = (load: number, stabiliserRatio = 0): Plan => ({
    ...dusk,
    scent: { ...dusk.scent!, load, stabiliserRatio },
  })
  const lightness = (plan: Plan) => worked(plan).colours.cups[malt]!.stages.cured.no.lab.l

  test('the more of it, the browner; a stabiliser holds some of it back; unscented cups stay', () => {
    const loads = [0, 0.005, 0.01, 0.02, 0.03].map(load => lightness(withLoad(load)))
    for (let i = 1; i < loads.length; i += 1) expect(loads[i]!).toBeLessThan(loads[i - 1]!)
    expect(lightness(withLoad(0.02, 1))).toBeGreaterThan(lightness(withLoad(0.02)) + 5)
    const { colours } = worked(dusk)
    expect(colours.cups[cupIndex(dusk, 'Foam')]!.browning).toBeNull()
    expect(colours.cups[malt]!.browning!.deltaE).toBeGreaterThan(20)
    expect(colours.cups[malt]!.stages.pour.no.lab.l).toBeGreaterThan(85)
  })

  test('with the scent in the oils one cup alone may have a stabiliser: it browns less, and is weighed for it', () => {
    const inOils: Plan = { ...dusk, scent: { ...dusk.scent!, moment: 'oils', stabiliserRatio: 0 } }
    const plan = edited(
      { ...inOils, cups: inOils.cups.map(cup => ({ ...cup, scented: true, ownScent: null })) },
      { kind: 'set', path: ['cups', 0, 'stabiliserRatio'], value: 1 },
    )
    const { portions, colours } = worked(plan)
    expect(portions.cups.map(cup => cup.exact.stabiliserG > 0)).toEqual(plan.cups.map((_, i) => i === 0))
    expect(portions.cups[0]!.exact.stabiliserG).toBeCloseTo(portions.cups[0]!.exact.scentG, 6)
    expect(colours.cups[0]!.browning!.held).toBeGreaterThan(0.1)
    expect(colours.cups[1]!.browning!.held).toBe(0)
    expect(
      said(mixingCards(plan, portions, colours, shelf).flatMap(card => card.lines.map(line => line.what))),
    ).toContain('Vanilla stabiliser')
    const lines = weighList(plan, portions, shelf).filter(line => line.kind === 'stabiliser')
    expect(said(lines)).toMatchObject([{ what: `Vanilla stabiliser for ${plan.cups[0]!.name}` }])
    expect(said(lines[0]!.where)).toContain('its scent is in the batter already')
  })

  test('the forecast says which cup browns, and when a limit is passed in one cup alone', () => {
    const made = forecast(dusk, shelf)
    if (!made.ok) throw new Error('no forecast')
    expect(
      made.forecast.notices
        .map(one => one.sentence)
        .map(one => say(one))
        .join('\n'),
    ).toContain('Malt will be brown')
    const limit = findById(shelf.scents, dusk.scent!.parts[0]!.scent)!.limitShare
    const spread = forecast({ ...dusk, scent: { ...dusk.scent!, load: limit * 0.9, spread: 'batch' } }, shelf)
    if (!spread.ok) throw new Error('no forecast')
    const stop = spread.forecast.notices.find(one => one.weight === 'stop')
    expect(said(stop?.sentence)).toContain('The limit holds for each cup.')
  })
})

describe('a wish', () => {
  const foam = cupIndex(dusk, 'Foam')
  const { portions } = worked(dusk)

  test('a colour that the colorants make is found again, and its doses bring it about', () => {
    const wanted = worked(dusk).colours.cups[cupIndex(dusk, 'Ferry blue 3')]!.stages.cured.no.hex
    const answer = reachWish(dusk, portions, shelf, foam, wanted, ['ultramarine-blue', 'titanium-dioxide-oil'])!
    expect(answer.deltaE).toBeLessThan(1)
    const colorants = withDoses(dusk, shelf, foam, answer)
    const after = edited(dusk, { kind: 'set', path: ['cups', foam, 'colorants'], value: colorants })
    const got = worked(after).colours.cups[foam]!.stages.cured.no.lab
    expect(deltaE(got, labOfHex(wanted))).toBeLessThan(2)
  })

  test('what cannot be reached is the closest, with what limits it and what would come closer', () => {
    const answer = reachWish(dusk, portions, shelf, foam, '#b03030', ['ultramarine-blue'], true)!
    expect(answer.verdict).toBe('out-of-reach')
    expect(said(answer.sentence)).toContain('Out of reach')
    expect(answer.better!.deltaE).toBeLessThan(answer.deltaE - 1.5)
    expect(reachWish(dusk, portions, shelf, foam, '#b03030', ['no-such-thing'])).toBeNull()
  })

  test('the nearest colorants come first', () => {
    const near = nearestColorants(dusk, shelf, '#3f5aa8', 3)
    expect(near.map(one => one.deltaE)).toEqual([...near].map(one => one.deltaE).sort((a, b) => a - b))
    expect(near).toHaveLength(3)
  })
})

describe('a ladder of tints', () => {
  const single = edited(starterPlan('Ladder'), {
    kind: 'set',
    path: ['cups', 0, 'colorants', 0],
    value: { ...starterPlan('').cups[0]!.colorants[0]!, colorant: 'ultramarine-blue', doseGPerKg: 6 },
  })
  const white = { by: 'white' as const, steps: 4, white: 'titanium-dioxide-oil', mostGPerKg: 7 }

  test('pours add up to the mother cup, each step is lighter, and the plan forecasts what the ladder promised', () => {
    const { portions } = worked(single)
    const found = ladderFrom(single, portions, shelf, 0, white)
    if (!found.ok) throw new Error(say(found.sentence))
    expect(found.rungs.reduce((sum, rung) => sum + rung.pourG, 0)).toBeCloseTo(portions.cups[0]!.batterG, 6)
    const lights = found.rungs.map(rung => rung.colour.lab.l)
    expect(lights).toEqual([...lights].sort((a, b) => a - b))
    const made = applyLadder(single, portions, shelf, 0, white)
    if (!made.ok) throw new Error(say(made.sentence))
    expect(made.plan.cups).toHaveLength(6)
    const after = worked(made.plan)
    const ladder = made.plan.ladders[0]!
    ladder.cups.forEach((id, n) => {
      const got = after.colours.cups.find(cup => cup.cup === id)!.stages.cured.no.lab
      expect(deltaE(got, found.rungs[n]!.colour.lab)).toBeLessThan(1.5)
    })
    const { motherG, steps } = ladderSteps(made.plan, after.portions, ladder)
    expect(motherG).toBeCloseTo(
      steps.reduce((sum, step) => sum + step.pourG, 0),
      3,
    )
    // White climbs faster as the rest shrinks, but what is stirred in is white for the rest alone.
    const stirred = steps.reduce((sum, step) => sum + step.addWhiteG, 0)
    const poured = ladder.cups.map(id => after.portions.cups.find(cup => cup.cup === id)!)
    const inCups = poured.reduce(
      (sum, cup) => sum + (cup.colours.find(part => part.colorant === ladder.white)?.exact.powderG ?? 0),
      0,
    )
    expect(stirred).toBeCloseTo(inCups, 0)
  })

  test('where one step gels and its neighbour does not, the ladder shows what its plan will show, and says why', () => {
    const [step] = single.rest.steps
    const partly: Plan = {
      ...single,
      conditions: { ...single.conditions, mixC: 34 },
      colour: { ...single.colour, gel: null },
      rest: {
        ...single.rest,
        steps: [{ ...step!, cover: 'film', towels: { top: 1, sides: 1, below: 1 } }],
      },
    }
    const { portions } = worked(partly)
    const found = ladderFrom(partly, portions, shelf, 0, white)
    const made = applyLadder(partly, portions, shelf, 0, white)
    if (!found.ok || !made.ok) throw new Error('no ladder')
    const after = forecast(made.plan, shelf)
    if (!after.ok) throw new Error(say(after.sentence))
    const { colours } = after.forecast
    const looks = made.plan.ladders[0]!.cups.map(id => colours.cups.find(cup => cup.cup === id)!)
    expect(new Set(looks.map(look => look.gelled)).size).toBe(2)
    const shown = ladderAsForecast(found, white, made.plan, partly.cups[0]!.id, colours, shelf)
    expect(shown.rungs.map(rung => rung.colour.hex)).toEqual(looks.map(look => look.stages.cured[look.gelled].hex))
    expect(shown.sentences.map(one => say(one)).join()).toContain('will gel and step')
    const at = looks.findIndex((look, n) => n > 0 && look.gelled !== looks[n - 1]!.gelled)
    expect(shown.rungs[at]!.stepDeltaE).not.toBeCloseTo(found.rungs[at]!.stepDeltaE!, 0)
  })

  test('with plain batter, the mother starts smaller and nothing is left over', () => {
    const { portions } = worked(single)
    const found = ladderFrom(single, portions, shelf, 0, { by: 'base', steps: 3, keepsShare: 0.5 })
    if (!found.ok) throw new Error(say(found.sentence))
    expect(found.motherG).toBeLessThan(portions.cups[0]!.batterG)
    const put = found.motherG + found.rungs.reduce((sum, rung) => sum + rung.addBatterG, 0)
    expect(put).toBeCloseTo(portions.cups[0]!.batterG, 6)
    expect(found.rungs.map(rung => rung.strength)).toEqual([1, 0.5, 0.25].map(one => expect.closeTo(one, 6) as number))
  })

  test.each([
    ['a plain cup', 2, 4, 'starts from a coloured cup'],
    ['one step', 0, 1, '2 to 8 steps'],
    ['steps that look the same', 0, 8, 'look the same'],
  ])('%s is told', (_, cup, steps, words) => {
    const { portions } = worked(single)
    const found = ladderFrom(single, portions, shelf, cup, { ...white, steps, mostGPerKg: steps === 8 ? 0.2 : 7 })
    expect(found.ok ? found.sentences.map(one => say(one)).join() : say(found.sentence)).toContain(words)
  })
})

describe('what is pointed out', () => {
  test('cups that look alike, but not a ladder’s steps nor cups made alike', () => {
    const twin = { ...dusk.cups[cupIndex(dusk, 'Foam')]!, id: 'cup-9', name: 'Chalk' }
    const colorants = twin.colorants.map(part => ({ ...part, doseGPerKg: 5.5 }))
    const score = [
      ...dusk.score.map(pour => ({ ...pour, share: pour.share * 0.9 })),
      { ...dusk.score[0]!, id: 'pour-9', cup: 'cup-9', share: 0.1 },
    ]
    const plan = { ...dusk, cups: [...dusk.cups, { ...twin, colorants }], score }
    expect(worked(plan).colours.alike.map(one => one.cups)).toEqual([['cup-3', 'cup-9']])
    expect(worked({ ...plan, cups: [...dusk.cups, twin] }).colours.alike).toEqual([])
    expect(worked(dusk).colours.alike).toEqual([])
  })

  test('colours that some eyes lose, and only those', () => {
    expect(isLostTo('#8897c1', '#be7cc4', 'deutan')).toBe(true)
    expect(isLostTo('#20304f', '#f4efe2', 'deutan')).toBe(false)
    expect(seenBy('#536bb5', 'full')).toBe('#536bb5')
  })
})

describe('mixing cards', () => {
  const { portions, colours } = worked(dusk)
  const cards = mixingCards(dusk, portions, colours, shelf)

  test('uncoloured cups first, then light to dark, a ladder in its pour order', () => {
    expect(cards.map(card => card.name)).toEqual([
      ...['Malt', 'Foam', 'Ferry blue', 'Ferry blue 2', 'Ferry blue 3', 'Ferry blue 4'],
    ])
    expect(cards[2]!.step).toMatchObject({ at: 0, mother: 'cup-2' })
    expect(said(cards[0]!.lines[0])).toMatchObject({ what: 'Ninefold Custard', how: 'right before its pour' })
  })

  test('spoons help, the weight is the truth', () => {
    const powder = { name: 'Slate dust', teaspoonG: 2 }
    expect(said(spoonsOf(powder, 2.5))).toBe('about 1¼ level tsp')
    expect(said(spoonsOf(powder, 0.05))).toBe('less than a pinch: weigh it')
    expect(said(spoonsOf({ ...powder, teaspoonG: 0 }, 2))).toContain('no spoon weight')
    expect(doseOfSpoons(powder, 1.5, 500)).toBe(6)
    expect(doseOfSpoons({ teaspoonG: 0 }, 1.5, 500)).toBeNull()
  })
})

describe('own swatches', () => {
  const blue = findById(shelf.colorants, 'mica-teal')!
  const swatch = (id: string, doseGPerKg: number, hex: string): OwnSwatch => ({
    ...{ id, date: '', doseGPerKg, medium: 'oil', whiteGPerKg: 0, days: 42, gel: 0, hex },
    ...{ carotene: 0.02, chlorophyll: 0, brown: 0.001, scatter: 1, faults: [], note: '', picture: '' },
  })
  const having = (...swatches: OwnSwatch[]): Colorant => ({ ...blue, swatches })

  test('they narrow the forecast and pull it towards what was seen', () => {
    const one = swatch('a', 5, '#2f6f5a')
    const two = swatch('b', 10, '#1f5748')
    const off = (colorant: Colorant) => deltaE(colourOfSwatch(colorant, one).lab, labOfHex(one.hex))
    expect(off(having(one))).toBeLessThan(off(having()))
    expect([having(), having(one), having(one, two)].map(colorant => pigmentOfColorant(colorant).basis)).toEqual([
      ...['estimate', 'own swatch', 'fitted'],
    ])
    expect(pigmentOfColorant(having(one, two)).highDeltaE).toBeLessThan(pigmentOfColorant(having()).lowDeltaE)
  })

  test('a swatch without a dose says nothing', () => {
    expect(pigmentOfColorant(having(swatch('a', 0, '#000000'))).basis).toBe('estimate')
  })
})

test('a colorant that is not on the shelf is told and left out; a dose of 500 g/kg is refused', () => {
  const plan = edited(dusk, {
    kind: 'set',
    path: ['cups', 0, 'colorants'],
    value: [{ ...dusk.cups[1]!.colorants[0]!, colorant: 'gone' }],
  })
  const made = forecast(plan, shelf)
  expect(
    made.ok &&
      made.forecast.notices
        .map(one => one.sentence)
        .map(one => say(one))
        .join(),
  ).toContain('“gone” is not on the shelf')
  expect(() => edited(dusk, { kind: 'set-dose', cup: 'cup-2', colorant: 'ultramarine-blue', doseGPerKg: 500 })).toThrow(
    'from 0 to 300 g per kg',
  )
})

test('each cup may have a scent of its own', () => {
  const own = plannedScent([{ scent: 'moss-cathedral', share: 1 }], 0.02, { moment: 'last' })
  const plan = edited(dusk, { kind: 'set', path: ['cups', 1, 'ownScent'], value: own })
  const { portions } = worked(plan)
  expect(portions.ownScents[1]![0]).toMatchObject({ scent: 'moss-cathedral' })
  expect(portions.cups[1]!.scentOfOils).toBeCloseTo(0.02, 6)
  expect(portions.scents.map(one => one.scent)).toEqual(['ninefold-custard'])
})
