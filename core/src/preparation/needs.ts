import type { Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { topSheet } from './top.ts'
import { MATERIAL_VERDICTS, findById, stockOf, unitCost, vesselFit } from '../shelf/index.ts'
import type { Shelf, ShelfItem, ShelfKind } from '../shelf/index.ts'

/** A tool or vessel to have ready before the lye. */
export interface ToolLine {
  key: string
  what: string
  count: number
  why: string
  /** In the workshop by the shelf: yes, no, or not known. */
  state: 'here' | 'missing' | 'few'
  sentence: string
}

interface Wanted {
  id: string
  what: string
  count: number
  why: string
}

/** Ids of all colorants of a plan, in cups and in the pot. */
export const coloursOf = (plan: Plan): string[] => [
  ...plan.cups.flatMap(cup => cup.colorants.map(part => part.colorant)),
  ...plan.potColorants.map(part => part.colorant),
]

function wantedTools(plan: Plan, shelf: Shelf): Wanted[] {
  const colours = coloursOf(plan)
  const dusty = colours.some(id => findById(shelf.colorants, id)?.dusty)
  const poured = new Set(plan.score.map(pour => pour.cup)).size
  const pots = plan.division.mode === 'own-batters' ? poured : 1
  const list: (Wanted | false)[] = [
    { id: 'goggles', what: 'Goggles', count: 1, why: 'from opening the lye until all is rinsed' },
    { id: 'gloves', what: 'Gloves, long', count: 2, why: 'one pair on, one fresh' },
    dusty && { id: 'dust-mask', what: 'Dust mask', count: 1, why: 'powders while they are dry' },
    { id: 'scale-1g', what: 'Scale', count: 1, why: 'oils and water' },
    { id: 'scale-fine', what: 'Fine scale', count: 1, why: 'lye, scent, colours' },
    { id: 'thermometer', what: 'Thermometer', count: plan.heat.rule === 'transfer' ? 1 : 2, why: 'lye and oils' },
    { id: 'spoon-steel', what: 'Stainless spoon', count: 1, why: 'lye, stirred clear' },
    { id: 'stick-blender', what: 'Stick blender', count: 1, why: 'the emulsion' },
    {
      id: 'spatula',
      what: 'Spatula',
      count: Math.max(1, Math.min(poured, 4)),
      why: plan.score.some(pour => pour.overSpatula) ? 'scraping, and pouring over' : 'scraping',
    },
    colours.length > 0 && { id: 'mini-mixer', what: 'Mini mixer', count: 1, why: 'colours in their liquid' },
    { id: 'level', what: 'Spirit level', count: 1, why: 'the mould, on two axes' },
    plan.mould.lining !== 'none' && { id: 'scissors', what: 'Scissors', count: 1, why: 'the liner' },
    pots > 1 && { id: 'whisk', what: 'Hand whisk', count: 1, why: 'if the blender fails between batters' },
    { id: 'cover', what: 'Cover and towel', count: 1, why: 'the rest in the mould' },
  ]
  return list.filter(one => one !== false)
}

function toolLine(wanted: Wanted, shelf: Shelf): ToolLine {
  const tool = findById(shelf.tools, wanted.id)
  const count = tool && !tool.archived ? tool.count : 0
  const battery = tool?.battery ? ' Check its batteries.' : ''
  const state = count >= wanted.count ? 'here' : count > 0 ? 'few' : 'missing'
  const sentence =
    state === 'here'
      ? battery.trim()
      : state === 'few'
        ? `Only ${count} on the shelf.${battery}`
        : 'Not among the tools on the shelf.'
  return { key: `tool:${wanted.id}`, what: wanted.what, count: wanted.count, why: wanted.why, state, sentence }
}

/** The smallest of the workshop's vessels for a use that holds it and stands it. */
function vesselLine(
  shelf: Shelf,
  key: string,
  what: string,
  massG: number,
  content: 'oils' | 'lye' | 'batter',
  count: number,
  chosen?: string,
): ToolLine {
  const use = content === 'lye' ? 'lye' : 'batter'
  const fit = (id: string) => vesselFit(findById(shelf.vessels, id)!, massG, content)
  const ready = shelf.vessels
    .filter(
      vessel =>
        !vessel.archived &&
        vessel.role !== 'bath' &&
        MATERIAL_VERDICTS[vessel.material][use] === 'yes' &&
        fit(vessel.id).fits,
    )
    .sort((a, b) => a.capacityMl - b.capacityMl)[0]
  const own = chosen ? findById(shelf.vessels, chosen) : undefined
  const vessel = own ?? ready
  const why =
    content === 'lye' ? 'lye into water, hot' : content === 'batter' ? 'with room to stir' : 'with room for the lye'
  if (!vessel) {
    const ml = Math.ceil(massG / 0.8 / 10) * 10
    return {
      key,
      what,
      count,
      why,
      state: 'missing',
      sentence: `No vessel on the shelf holds it; about ${ml} ml of polypropylene or stainless steel is needed.`,
    }
  }
  const verdict = MATERIAL_VERDICTS[vessel.material]
  const size = fit(vessel.id)
  if (verdict[use] === 'no')
    return { key, what, count, why, state: 'missing', sentence: `${vessel.name}: ${verdict.sentence}` }
  if (!size.fits) return { key, what, count, why, state: 'missing', sentence: size.sentence }
  const care = verdict[use] === 'care' ? ` ${verdict.sentence}` : ''
  return { key, what, count, why, state: 'here', sentence: `${vessel.name}.${care}` }
}

const HEAVY_G = 6000

/** Tools and vessels for a plan, the ones missing told. Ticked before the lye is opened. */
export function toolList(plan: Plan, shelf: Shelf, portions: Portions): ToolLine[] {
  const poured = portions.cups.filter(cup => cup.totalG > 0)
  const largest = Math.max(0, ...poured.map(cup => cup.totalG))
  const waterG =
    portions.waterG + portions.liquids.reduce((sum, part) => sum + (part.moment === 'lye' ? part.massG : 0), 0)
  const own = plan.division.mode === 'own-batters'
  const potG = own ? largest : portions.potG
  const vessels = [
    vesselLine(shelf, 'vessel:lye', 'Lye jug', portions.lyeG + waterG, 'lye', 1, plan.heat.lyeVessel || undefined),
    vesselLine(
      shelf,
      'vessel:pot',
      own ? 'Pot for each batter' : 'Mixing pot',
      potG,
      'batter',
      own ? poured.length : 1,
      own ? undefined : plan.heat.oilsVessel || undefined,
    ),
  ]
  if (!own && poured.length > 1)
    vessels.push(vesselLine(shelf, 'vessel:cups', 'Pouring jugs', largest, 'batter', poured.length))
  if (plan.division.top)
    vessels.push(vesselLine(shelf, 'vessel:top', 'Whipping bowl', plan.division.top.massG * 4, 'batter', 1))
  const lines = [...vessels, ...wantedTools(plan, shelf).map(wanted => toolLine(wanted, shelf))]
  if (potG > HEAVY_G)
    lines.push({
      key: 'care:lift',
      what: 'A second pair of hands',
      count: 1,
      why: 'to lift',
      state: 'here',
      sentence: `${(potG / 1000).toFixed(1)} kg of caustic batter: lift it in two, or ladle.`,
    })
  return lines
}

/** One ingredient of a plan against the shelf's lots. */
export interface StockLine {
  kind: ShelfKind
  id: string
  name: string
  needG: number
  /** Null: its stock is not kept. */
  haveG: number | null
  missingG: number
  /** For the need, in the workshop's money; null without a price. */
  cost: number | null
  /** Nearest use-by date of a lot with something left. */
  useBy: string | null
}

function stockLine(kind: ShelfKind, id: string, name: string, needG: number, items: readonly ShelfItem[]): StockLine {
  const item = findById(items, id)
  const haveG = item && item.lots.length > 0 ? stockOf(item) : null
  const price = item ? unitCost(item) : null
  const dates = (item?.lots ?? []).filter(lot => lot.left > 0 && lot.useBy !== '').map(lot => lot.useBy)
  return {
    kind,
    id,
    name,
    needG,
    haveG,
    missingG: haveG === null ? 0 : Math.max(0, needG - haveG),
    cost: price === null ? null : price * needG,
    useBy: dates.sort()[0] ?? null,
  }
}

/** What a plan takes from the shelf, with what is there and what it costs. */
export function stockNeeds(plan: Plan, shelf: Shelf, portions: Portions): StockLine[] {
  const lines = [
    ...portions.oils.map(part => {
      const infusion = plan.recipe.oils.find(one => one.oil === part.oil)?.infusion
      return stockLine('oils', part.oil, part.name, part.massG * (infusion?.makeFactor ?? 1), shelf.oils)
    }),
    ...portions.liquids.map(part => stockLine('liquids', part.id, part.name, part.massG, shelf.liquids)),
    ...portions.additives.map(part => stockLine('additives', part.id, part.name, part.massG, shelf.additives)),
  ]
  for (const part of topSheet(plan, shelf)?.oils ?? []) {
    const same = lines.findIndex(line => line.kind === 'oils' && line.id === part.oil)
    const needG = part.massG + (same >= 0 ? lines[same]!.needG : 0)
    const line = stockLine('oils', part.oil, part.name, needG, shelf.oils)
    if (same >= 0) lines[same] = line
    else lines.push(line)
  }
  const scents = [...portions.scents, ...portions.ownScents.flatMap(own => own ?? [])]
  const colours = [...portions.cups.flatMap(portion => portion.colours), ...portions.potColours]
  return [
    ...lines,
    ...summed(
      'scents',
      scents.map(part => ({ ...part, id: part.scent })),
      shelf.scents,
    ),
    ...summed(
      'colorants',
      colours.map(part => ({ id: part.colorant, massG: 'powderG' in part ? part.powderG : part.massG })),
      shelf.colorants,
    ),
  ]
}

/** One line for each thing, however many cups take it. */
function summed(kind: ShelfKind, parts: readonly { id: string; massG: number }[], items: readonly ShelfItem[]) {
  const masses = new Map<string, number>()
  for (const part of parts) masses.set(part.id, (masses.get(part.id) ?? 0) + part.massG)
  return [...masses].map(([id, massG]) => stockLine(kind, id, findById(items, id)?.name ?? id, massG, items))
}
