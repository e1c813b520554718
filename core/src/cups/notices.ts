import type { Notice } from '../checks/index.ts'
import type { Cup, Plan } from '../plan/index.ts'
import { broughtIn } from '../portions/index.ts'
import type { Portion, PortionColour, Portions } from '../portions/index.ts'
import { capShare, scentLoad, unitBatter } from '../recipe/index.ts'
import { findById } from '../shelf/index.ts'
import type { Colorant, Shelf } from '../shelf/index.ts'
import { showShare, tidy } from '../units/index.ts'
import type { ColourForecast } from './colours.ts'
import { STAGES } from './colours.ts'
import { exactDose } from './doses.ts'

interface Known {
  plan: Plan
  shelf: Shelf
  portions: Portions
  colours: ColourForecast
}

const notice = (weight: Notice['weight'], path: string, sentence: string): Notice => ({ path, weight, sentence })

/** What too much of a family does. */
function tooMuch({ family, name, spectrum }: Colorant): string {
  if (spectrum === 'titanium') return 'it turns chalky, may crackle, and in hot wet gel shows glycerin rivers'
  if (/clay/.test(family)) return 'it thickens the batter and dries the soap'
  if (/plant|infused/.test(family))
    return /turmeric|paprika|annatto/i.test(name) ? 'it stains skin and cloth' : 'it scratches or stains'
  if (/mica/.test(family)) return 'more of it is wasted'
  return 'it colours the lather and cloths'
}

const NEAR_MOST = 0.8
const FADES = 0.2

function colorantNotices(
  cup: Cup,
  portion: Portion,
  part: PortionColour,
  path: string,
  shelf: Shelf,
  j: number,
): Notice[] {
  const colorant = findById(shelf.colorants, part.colorant)
  const planned = cup.colorants[j]!
  if (!colorant) {
    const sentence = `“${part.colorant}” is not on the shelf: its colour and its effect on trace are left out.`
    return [notice('warn', `${path}.colorant`, sentence)]
  }
  const { name, usualMaxGPerKg: most } = colorant
  const list: Notice[] = []
  // As planned: what a coarse scale makes of a pinch is told with the scale.
  const dose = exactDose(portion, part)
  if (dose > most + 1e-6)
    list.push(
      notice(
        'warn',
        `${path}.doseGPerKg`,
        `${name} in ${cup.name} is above ${tidy(most, 2)} g/kg: ${tooMuch(colorant)}.`,
      ),
    )
  else if (dose > most * NEAR_MOST)
    list.push(
      notice(
        'hint',
        `${path}.doseGPerKg`,
        `${name} in ${cup.name} comes near its usual most of ${tidy(most, 2)} g/kg.`,
      ),
    )
  if (colorant.inLye === 'dies')
    list.push(
      notice('warn', `${path}.colorant`, `${name} is destroyed by lye: what is left of its colour is forecast.`),
    )
  else if (colorant.shiftDays > 0)
    list.push(
      notice(
        'hint',
        `${path}.colorant`,
        `${name} looks different while alkali is strong and settles over about ${tidy(colorant.shiftDays * 3, 0)} days.`,
      ),
    )
  else if (colorant.inLye === 'shifts')
    list.push(notice('hint', `${path}.colorant`, `${name} is another colour in soap than as a powder.`))
  if (colorant.fadeShare >= FADES)
    list.push(
      notice(
        'hint',
        `${path}.colorant`,
        `${name} fades in light, by about ${showShare(colorant.fadeShare, 0)} in the end. Keep the bars dark, or take it stronger.`,
      ),
    )
  if (planned.medium === 'none' && colorant.form === 'powder' && (colorant.dusty || colorant.clumping === 'high')) {
    const how = `wet it in ${colorant.medium === 'none' ? 'oil' : colorant.medium} first`
    const sentence = `${name} dry into batter ${colorant.clumping === 'high' ? 'clumps' : 'dusts'}: ${how}; mask on, still air.`
    list.push(notice('warn', `${path}.medium`, sentence))
  } else if (colorant.clumping === 'high' && planned.medium !== colorant.medium && colorant.medium !== 'none') {
    list.push(notice('hint', `${path}.medium`, `${name} clumps; it wets better in ${colorant.medium}.`))
  }
  if (planned.medium === 'alcohol')
    list.push(
      notice('warn', `${path}.medium`, 'Alcohol burns: no flame, no hot plate, no oven or mat until it is gone.'),
    )
  if (part.slurryLeftG > 0.5)
    list.push(
      notice('hint', `${path}.slurry`, `${tidy(part.slurryLeftG, 1)} g of ${name} slurry is left: dabs for the top.`),
    )
  return list
}

const SUPERFAT_MATTERS = 0.01
const WATER_MATTERS = 0.02

/** What oil and water of the colours do to cups, all in a sentence each. */
function chemistry({ plan, portions }: Known): Notice[] {
  const list: Notice[] = []
  const { superfatShare: batch } = portions
  const poured = plan.cups.flatMap((cup, i) =>
    portions.cups[i]!.totalG > 0 ? [{ cup, i, portion: portions.cups[i]! }] : [],
  )
  const lean = poured.filter(({ portion }) => portion.superfatShare < Math.min(0.02, batch - SUPERFAT_MATTERS / 2))
  for (const { cup, i, portion } of lean)
    list.push(
      notice(
        portion.superfatShare < 0 ? 'stop' : 'warn',
        `cups[${i}]`,
        `${cup.name} keeps only ${showShare(portion.superfatShare)} superfat: oil was drawn from the pot for other cups. Let the liquid come on top.`,
      ),
    )
  const rich = poured
    .filter(({ portion }) => portion.superfatShare > batch + SUPERFAT_MATTERS)
    .sort((a, b) => b.portion.superfatShare - a.portion.superfatShare)
  const [most] = rich
  if (most) {
    const { oilG } = broughtIn(most.portion.colours)
    const others = rich.length > 1 ? `, and ${rich.length - 1} more` : ''
    const remedy =
      plan.division.mediumFrom === 'extra' ? ' Less liquid, or drawing it from the recipe, keeps them closer.' : ''
    list.push(
      notice(
        most.portion.superfatShare > batch + 0.05 ? 'warn' : 'hint',
        `cups[${most.i}]`,
        `Oil with the colour lifts the superfat of ${most.cup.name} to ${showShare(most.portion.superfatShare)} (${tidy(oilG, 1)} g)${others}; the batch has ${showShare(batch)}.${remedy}`,
      ),
    )
  }
  const plain = portions.pot.naohG / (portions.pot.naohG + portions.pot.waterG)
  const [wettest] = poured
    .filter(({ portion }) => plain - portion.concentrationShare > WATER_MATTERS)
    .sort((a, b) => a.portion.concentrationShare - b.portion.concentrationShare)
  if (wettest) {
    const { waterG } = broughtIn(wettest.portion.colours)
    list.push(
      notice(
        'hint',
        `cups[${wettest.i}]`,
        `${wettest.cup.name} has ${tidy(waterG, 1)} g of water from its colour: lye at ${showShare(wettest.portion.concentrationShare)} there, ${showShare(plain)} in the rest. It gels sooner and sets later.`,
      ),
    )
  }
  return list
}

const TOO_SMALL_G = 40
const EMPTY_VESSEL = 0.08

function size(cup: Cup, portion: Portion, path: string, { shelf }: Known): Notice[] {
  if (!(portion.totalG > 0)) return []
  const vessel = cup.vessel === '' ? undefined : findById(shelf.vessels, cup.vessel)
  const list: Notice[] = []
  if (portion.totalG < TOO_SMALL_G)
    list.push(
      notice(
        'hint',
        path,
        `${cup.name} is only ${portion.totalG.toFixed(1)} g: hard to stir and quick to cool. Take a small cup and a spoon.`,
      ),
    )
  if (!vessel) return list
  const most = vessel.capacityMl * vessel.workingFillShare
  if (portion.volumeMl > most)
    list.push(
      notice(
        'warn',
        `${path}.vessel`,
        `${cup.name} is ${portion.volumeMl.toFixed(0)} ml and ${vessel.name} works up to ${most.toFixed(0)} ml. Take a larger one.`,
      ),
    )
  else if (portion.volumeMl < vessel.capacityMl * EMPTY_VESSEL)
    list.push(
      notice(
        'hint',
        `${path}.vessel`,
        `${cup.name} hardly covers the floor of ${vessel.name}: a smaller cup stirs better.`,
      ),
    )
  return list
}

/** Limits hold for each cup, whatever the average of the bar. */
function scentLimits({ plan, shelf, portions }: Known): Notice[] {
  const perOils = unitBatter(plan.recipe, shelf).batterG
  return plan.cups.flatMap((cup, i): Notice[] => {
    const planned = cup.ownScent ?? (cup.scented && plan.scent?.spread === 'batch' ? plan.scent : null)
    if (!planned || !(portions.cups[i]!.totalG > 0)) return []
    const load = scentLoad(planned, shelf, perOils)
    const has = portions.cups[i]!.scentOfOils
    if (has <= load.mostOfOils + 1e-9) return []
    const sentence = `${cup.name} would have ${showShare(has, 2)} of scent by its oils; ${load.limiting.name} allows ${showShare(capShare(load.mostOfOils), 2)}. The limit holds for each cup.`
    return [notice('stop', `cups[${i}].${cup.ownScent ? 'ownScent.load' : 'scented'}`, sentence)]
  })
}

const BROWNS = 5
const PALE = 75

function browning({ plan, portions, colours }: Known): Notice[] {
  const list: Notice[] = []
  const browns = colours.cups.map(cup => (cup.browning?.deltaE ?? 0) > BROWNS)
  colours.cups.forEach(({ browning: found, stages }, i) => {
    if (!found || !browns[i] || !(portions.cups[i]!.totalG > 0)) return
    const cup = plan.cups[i]!
    const wantsPale = stages.pour.no.lab.l > PALE
    const stabiliser = found.stabiliserGPerKg > 0 ? ', stabiliser counted' : ''
    const sentence = `${cup.name} will be ${found.word} when cured (ΔE ${tidy(found.deltaE, 0)}${stabiliser}): ${showShare(found.ofScent, 1)} of its scent is vanillin.${wantsPale ? ' Leave it unscented, add stabiliser, or design for brown.' : ''}`
    list.push(notice(wantsPale ? 'warn' : 'hint', `cups[${i}].scented`, sentence))
  })
  const beside = plan.score.flatMap((pour, n): string[] => {
    const i = plan.cups.findIndex(cup => cup.id === pour.cup)
    const next = [plan.score[n - 1], plan.score[n + 1]].some(
      other => other && browns[plan.cups.findIndex(cup => cup.id === other.cup)],
    )
    const isPale = !colours.cups[i]?.browning && (colours.cups[i]?.stages.cured.no.lab.l ?? 0) > PALE
    return next && isPale ? [plan.cups[i]!.name] : []
  })
  if (beside.length > 0)
    list.push(
      notice(
        'hint',
        'cups',
        `${[...new Set(beside)].join(', ')} lies beside a browning layer: over weeks its edge takes a little of the tint.`,
      ),
    )
  return list
}

const RIVERS_WATER = 0.33

function whites({ plan, shelf, portions, colours }: Known): Notice[] {
  const water = portions.pot.waterG / portions.oilG
  if (colours.gelled === 'no' || water < RIVERS_WATER) return []
  return plan.cups.flatMap((cup, i): Notice[] => {
    const white = portions.cups[i]!.colours.find(
      part => findById(shelf.colorants, part.colorant)?.spectrum === 'titanium' && part.doseGPerKg > 6,
    )
    if (!white) return []
    const sentence = `${cup.name}: much white, much water and gel make glycerin rivers. Less white or less water keeps it smooth.`
    return [notice('hint', `cups[${i}].colorants`, sentence)]
  })
}

/** Cups that hang together by looking alike, each in one group. */
function groupsOf(pairs: readonly (readonly string[])[]): string[][] {
  const groups: Set<string>[] = []
  for (const pair of pairs) {
    const touched = groups.filter(group => pair.some(id => group.has(id)))
    const merged = new Set([...touched.flatMap(group => [...group]), ...pair])
    for (const group of touched) groups.splice(groups.indexOf(group), 1)
    groups.push(merged)
  }
  return groups.map(group => [...group])
}

const listed = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}`

/** The largest difference within a group, to the next tenth up. */
const largest = (pairs: ColourForecast['alike'], group: readonly string[]): number =>
  Math.ceil(
    Math.max(...pairs.map(({ cups, deltaE }) => (cups.every(id => group.includes(id)) ? deltaE : 0))) * 10 + 1e-6,
  ) / 10

function together({ plan, colours }: Known): Notice[] {
  const name = (id: string) => plan.cups.find(cup => cup.id === id)?.name ?? id
  const waiting = plan.cups.filter(cup => cup.wish && cup.colorants.length === 0 && plan.potColorants.length === 0)
  const waits = (id: string) => waiting.some(cup => cup.id === id)
  const pairs = colours.alike.filter(({ cups: [a, b] }) => !waits(a) && !waits(b))
  const alike = groupsOf(pairs.map(({ cups }) => cups)).map(group =>
    notice(
      'warn',
      `cups[${plan.cups.findIndex(cup => cup.id === group[1])}]`,
      `${listed(group.map(name))} look much the same ${STAGES.cured} (ΔE under ${tidy(largest(pairs, group), 1)}).`,
    ),
  )
  const wishes = colours.cups.flatMap((cup, i) =>
    cup.wish && cup.wish.deltaE > Math.max(BROWNS, cup.highDeltaE) && !waits(cup.cup)
      ? [
          notice(
            'hint',
            `cups[${i}].wish`,
            `${name(cup.cup)} will not come near its wished colour (ΔE ${tidy(cup.wish.deltaE, 0)}).`,
          ),
        ]
      : [],
  )
  if (waiting.length === 0) return [...alike, ...wishes]
  const names = waiting.map(cup => cup.name).join(', ')
  const [have, they] = waiting.length === 1 ? ['has', 'It is'] : ['have', 'They are']
  const sentence = `${names} ${have} no colorant yet. ${they} shown in the colour that is wished for; dose it under Colour.`
  return [...alike, notice('warn', 'cups', sentence), ...wishes]
}

function division({ plan }: Known): Notice[] {
  const { mediumFrom, mediumOil } = plan.division
  const usesOil = plan.cups.some(cup => cup.colorants.some(part => part.medium === 'oil'))
  if (mediumFrom !== 'recipe' || !usesOil || plan.recipe.oils.some(part => part.oil === mediumOil)) return []
  return [
    notice(
      'warn',
      'division.mediumOil',
      'Dispersing oil is to be drawn from the recipe: say which of its oils. Until then it comes on top.',
    ),
  ]
}

/** Plain batter kept back is plain only if nothing went into the whole pot before it is drawn. */
function blanks({ plan }: Known): Notice[] {
  const i = plan.reserves.findIndex(reserve => reserve.cup === '' && reserve.massG > 0)
  if (i < 0) return []
  const inAll = [
    plan.scent?.moment === 'oils' ? 'the scent is in the oils' : '',
    plan.potColorants.length > 0 ? 'the whole pot is coloured' : '',
  ].filter(text => text !== '')
  if (inAll.length === 0) return []
  const sentence = `The plain batter kept back will not be plain: ${inAll.join(' and ')}. Weigh a blank apart before, or give the scent and colour to the cups.`
  return [notice('warn', `reserves[${i}]`, sentence)]
}

/** Everything worth a thought about cups: scent, colour, what they bring along, size, likeness. */
export function cupNotices(known: Known): Notice[] {
  const { plan, portions, shelf } = known
  const each = plan.cups.flatMap((cup, i): Notice[] => {
    const path = `cups[${i}]`
    const portion = portions.cups[i]!
    if (!(portion.totalG > 0))
      return [notice('hint', path, `${cup.name} is not poured anywhere, so nothing is weighed for it.`)]
    return [
      ...portion.colours.flatMap((part, j) => colorantNotices(cup, portion, part, `${path}.colorants[${j}]`, shelf, j)),
      ...size(cup, portion, path, known),
    ]
  })
  return [
    ...scentLimits(known),
    ...browning(known),
    ...each,
    ...chemistry(known),
    ...together(known),
    ...whites(known),
    ...division(known),
    ...blanks(known),
  ]
}
