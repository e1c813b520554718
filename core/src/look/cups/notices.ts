import { fact, grams, keepingZeros, listOf, plain, share } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import type { Notice } from '../../document/checks/index.ts'
import type { Cup, Plan } from '../../plan/index.ts'
import { broughtIn } from '../../portions/index.ts'
import type { Portion, PortionColour, Portions } from '../../portions/index.ts'
import { capShare, scentLoad, unitBatter } from '../../recipe/index.ts'
import { findById } from '../../shelf/index.ts'
import type { Colorant, Shelf } from '../../shelf/index.ts'
import type { ColourForecast } from './colours.ts'
import { STAGES } from './colours.ts'
import { exactDose } from './doses.ts'

interface Known {
  plan: Plan
  shelf: Shelf
  portions: Portions
  colours: ColourForecast
}

const notice = (weight: Notice['weight'], path: string, sentence: Words): Notice => ({ path, weight, sentence })

/** What too much of a family does. */
function tooMuch({ family, name, spectrum }: Colorant): Words {
  if (spectrum === 'titanium') return fact('cups.turns-chalky-may-crackle')
  if (/clay/.test(family)) return fact('cups.thickens-batter-dries-soap')
  if (/plant|infused/.test(family))
    return /turmeric|paprika|annatto/i.test(name) ? fact('cups.stains-skin-cloth') : fact('cups.scratches-or-stains')
  if (/mica/.test(family)) return fact('cups.more-wasted')
  return fact('cups.colours-lather-cloths')
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
    const sentence = fact('cups.not-on-shelf-its', { colorant: part.colorant })
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
        fact('cups.above-g-kg', { name, cup: cup.name, most: plain(most, 2), tooMuch: tooMuch(colorant) }),
      ),
    )
  else if (dose > most * NEAR_MOST)
    list.push(
      notice(
        'hint',
        `${path}.doseGPerKg`,
        fact('cups.comes-near-its-usual', { name, cup: cup.name, most: plain(most, 2) }),
      ),
    )
  if (colorant.inLye === 'dies')
    list.push(notice('warn', `${path}.colorant`, fact('cups.destroyed-by-lye-what', { name })))
  else if (colorant.shiftDays > 0)
    list.push(
      notice(
        'hint',
        `${path}.colorant`,
        fact('cups.looks-different-while-alkali', { name, shiftDays: plain(colorant.shiftDays * 3, 0) }),
      ),
    )
  else if (colorant.inLye === 'shifts')
    list.push(notice('hint', `${path}.colorant`, fact('cups.another-colour-soap-than', { name })))
  if (colorant.fadeShare >= FADES)
    list.push(
      notice(
        'hint',
        `${path}.colorant`,
        fact('cups.fades-light-by-about', { name, fadeShare: share(colorant.fadeShare, 0) }),
      ),
    )
  if (planned.medium === 'none' && colorant.form === 'powder' && (colorant.dusty || colorant.clumping === 'high')) {
    const how = fact('cups.wet-first', { which: colorant.medium === 'none' ? fact('cups.oil') : colorant.medium })
    const sentence = fact('cups.dry-into-batter-mask', {
      name,
      which: colorant.clumping === 'high' ? fact('cups.clumps') : fact('cups.dusts'),
      how,
    })
    list.push(notice('warn', `${path}.medium`, sentence))
  } else if (colorant.clumping === 'high' && planned.medium !== colorant.medium && colorant.medium !== 'none') {
    list.push(notice('hint', `${path}.medium`, fact('cups.clumps-wets-better', { name, medium: colorant.medium })))
  }
  if (planned.medium === 'alcohol') list.push(notice('warn', `${path}.medium`, fact('cups.alcohol-burns-no-flame')))
  if (part.slurryLeftG > 0.5)
    list.push(
      notice(
        'hint',
        `${path}.slurry`,
        fact('cups.slurry-left-dabs-for', { slurryLeftG: grams(part.slurryLeftG, 1), name }),
      ),
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
        fact('cups.keeps-only-superfat-oil', { cup: cup.name, superfatShare: share(portion.superfatShare, 1) }),
      ),
    )
  const rich = poured
    .filter(({ portion }) => portion.superfatShare > batch + SUPERFAT_MATTERS)
    .sort((a, b) => b.portion.superfatShare - a.portion.superfatShare)
  const [most] = rich
  if (most) {
    const { oilG } = broughtIn(most.portion.colours)
    const others = rich.length > 1 ? fact('cups.and-more', { richCount: rich.length - 1 }) : ''
    const remedy = plan.division.mediumFrom === 'extra' ? fact('cups.less-liquid-or-drawing') : ''
    list.push(
      notice(
        most.portion.superfatShare > batch + 0.05 ? 'warn' : 'hint',
        `cups[${most.i}]`,
        fact('cups.oil-with-colour-lifts', {
          cup: most.cup.name,
          superfatShare: share(most.portion.superfatShare, 1),
          oilG: grams(oilG, 1),
          others,
          batch: share(batch, 1),
          remedy,
        }),
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
        fact('cups.has-water-from-its', {
          cup: wettest.cup.name,
          waterG: grams(waterG, 1),
          concentrationShare: share(wettest.portion.concentrationShare, 1),
          elsewhere: share(plain, 1),
        }),
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
        fact('cups.only-hard-stir-quick', { cup: cup.name, totalG: keepingZeros(grams(portion.totalG, 1)) }),
      ),
    )
  if (!vessel) return list
  const most = vessel.capacityMl * vessel.workingFillShare
  if (portion.volumeMl > most)
    list.push(
      notice(
        'warn',
        `${path}.vessel`,
        fact('cups.ml-works-up-ml', {
          cup: cup.name,
          volumeMl: keepingZeros(plain(portion.volumeMl, 0)),
          vessel: vessel.name,
          most: keepingZeros(plain(most, 0)),
        }),
      ),
    )
  else if (portion.volumeMl < vessel.capacityMl * EMPTY_VESSEL)
    list.push(
      notice(
        'hint',
        `${path}.vessel`,
        fact('cups.hardly-covers-floor-smaller', { cup: cup.name, vessel: vessel.name }),
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
    const sentence = fact('cups.would-have-scent-by', {
      cup: cup.name,
      has: share(has, 2),
      limiting: load.limiting.name,
      capShare: share(capShare(load.mostOfOils), 2),
    })
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
    const stabiliser = found.stabiliserGPerKg > 0 ? fact('cups.stabiliser-counted') : ''
    const sentence = fact('cups.will-be-when-cured', {
      cup: cup.name,
      word: found.word,
      deltaE: plain(found.deltaE, 0),
      stabiliser,
      ofScent: share(found.ofScent, 1),
      which: wantsPale ? fact('cups.leave-unscented-add-stabiliser') : '',
    })
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
      notice('hint', 'cups', fact('cups.lies-beside-browning-layer', { list: [...new Set(beside)].join(', ') })),
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
    const sentence = fact('cups.much-white-much-water', { cup: cup.name })
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

/** The largest difference within a group, to the next tenth up. */
const largest = (pairs: ColourForecast['alike'], group: readonly string[]): number =>
  Math.ceil(
    Math.max(...pairs.map(({ cups, deltaE }) => (cups.every(id => group.includes(id)) ? deltaE : 0))) * 10 + 1e-6,
  ) / 10

/** Whether a cup is only a sample: nothing of it is seen in the soap. */
const isSample = ({ plan, portions }: Known, id: string): boolean => {
  const kept = plan.reserves.filter(reserve => reserve.cup === id)
  const isPoured = (portions.cups.find(portion => portion.cup === id)?.pouredG ?? 0) > 0
  return !isPoured && kept.length > 0 && kept.every(({ use }) => use === 'sample' || use === 'blank')
}

function together(known: Known): Notice[] {
  const { plan, colours } = known
  const name = (id: string) => plan.cups.find(cup => cup.id === id)?.name ?? id
  const waiting = plan.cups.filter(cup => cup.wish && cup.colorants.length === 0 && plan.potColorants.length === 0)
  const waits = (id: string) => waiting.some(cup => cup.id === id) || isSample(known, id)
  const pairs = colours.alike.filter(({ cups: [a, b] }) => !waits(a) && !waits(b))
  const alike = groupsOf(pairs.map(({ cups }) => cups)).map(group =>
    notice(
      'warn',
      `cups[${plan.cups.findIndex(cup => cup.id === group[1])}]`,
      fact('cups.look-much-same-e', {
        listed: listOf(group.map(name)),
        cured: fact(STAGES.cured),
        largest: plain(largest(pairs, group), 1),
      }),
    ),
  )
  const wishes = colours.cups.flatMap((cup, i) =>
    cup.wish && cup.wish.deltaE > Math.max(BROWNS, cup.highDeltaE) && !waits(cup.cup)
      ? [
          notice(
            'hint',
            `cups[${i}].wish`,
            fact('cups.will-not-come-near', { name: name(cup.cup), deltaE: plain(cup.wish.deltaE, 0) }),
          ),
        ]
      : [],
  )
  if (waiting.length === 0) return [...alike, ...wishes]
  const names = waiting.map(cup => cup.name).join(', ')
  const [have, they] = waiting.length === 1 ? ['has', fact('cups.it-is')] : ['have', fact('cups.they-are')]
  const sentence = fact('cups.no-colorant-yet-shown', { names, have, they })
  return [...alike, notice('warn', 'cups', sentence), ...wishes]
}

function division({ plan }: Known): Notice[] {
  const { mediumFrom, mediumOil } = plan.division
  const usesOil = plan.cups.some(cup => cup.colorants.some(part => part.medium === 'oil'))
  if (mediumFrom !== 'recipe' || !usesOil || plan.recipe.oils.some(part => part.oil === mediumOil)) return []
  return [notice('warn', 'division.mediumOil', fact('cups.dispersing-oil-be-drawn'))]
}

/** Plain batter kept back is plain only if nothing went into the whole pot before it is drawn. */
function blanks({ plan }: Known): Notice[] {
  const i = plan.reserves.findIndex(reserve => reserve.cup === '' && reserve.massG > 0)
  if (i < 0) return []
  const inAll = [
    plan.scent?.moment === 'oils' ? fact('cups.scent-oils') : '',
    plan.potColorants.length > 0 ? fact('cups.whole-pot-coloured') : '',
  ].filter(text => text !== '')
  if (inAll.length === 0) return []
  const sentence = fact('cups.plain-batter-kept-back', { inAll: listOf(inAll) })
  return [notice('warn', `reserves[${i}]`, sentence)]
}

/** Everything worth a thought about cups: scent, colour, what they bring along, size, likeness. */
export function cupNotices(known: Known): Notice[] {
  const { plan, portions, shelf } = known
  const each = plan.cups.flatMap((cup, i): Notice[] => {
    const path = `cups[${i}]`
    const portion = portions.cups[i]!
    if (!(portion.totalG > 0))
      return [notice('hint', path, fact('cups.not-poured-anywhere-nothing', { cup: cup.name }))]
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
